<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { colourFamily, COLOUR_FAMILIES, FLAVOUR_WORDS, flavoursOf, levelName, MIXED_UNKNOWN, type Flavour } from '@roskel/core';
import { grams, shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis } from '../charts/HeatAxis';
import { useVarieties } from '../stores/own';
import CompareTable, { type Column } from '../ui/CompareTable.vue';
import OwnActs from '../ui/OwnActs.vue';
import PickField from '../ui/PickField.vue';
import { useOwnTable } from '../house/useOwnTable';
import VarietySheet from '../pods/VarietySheet.vue';
import { NButton } from 'naive-ui';
import { lazySheet } from '../ui/lazySheet';

const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));

/** Every variety, the table's and the maker's own: search, filter, compare, copy. */
const varieties = useVarieties();
const FORMS = ['fresh', 'dried', 'flakes', 'powder'] as const;
const find = ref('');
const form = ref<(typeof FORMS)[number] | ''>('');
const taste = ref<Flavour | ''>('');
const colour = ref<(typeof COLOUR_FAMILIES)[number] | ''>('');
const { sheet, archived, start, editing, ownOf, copy, edit, away } = useOwnTable(varieties);
onMounted(() => void varieties.load());
const rows = computed(() =>
  varieties.rows
    .filter((v) => v !== MIXED_UNKNOWN)
    .filter((v) => `${v.name} ${v.species} ${v.flavour.join(' ')}`.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((v) => !form.value || v.form === form.value)
    .filter((v) => !taste.value || (flavoursOf(v.flavour)[taste.value] ?? 0) > 0)
    .filter((v) => !colour.value || colourFamily(v.ripeColour) === colour.value)
    .map((v) => ({ key: v.id, v, own: ownOf(v.id), asIs: v.shuDry.typical * (1 - v.waterPct / 100) })),
);
type Row = (typeof rows.value)[number];
const columns: Column<Row>[] = [
  { name: 'Variety', width: 216, by: (r) => r.v.name },
  { name: 'Heat of the dry matter', width: 206, by: (r) => r.v.shuDry.typical },
  { name: 'as it is', width: 116, figure: true, by: (r) => r.asIs },
  {
    name: 'quoted',
    width: 132,
    figure: true,
    soft: true,
    by: (r) => r.v.shuQuotedPopular.high,
    text: (r) => (r.v.shuQuotedPopular.high > 0 ? `${shu(r.v.shuQuotedPopular.low)} to ${shu(r.v.shuQuotedPopular.high)}` : ''),
  },
  { name: 'water', width: 74, figure: true, by: (r) => r.v.waterPct, text: (r) => `${r.v.waterPct} %` },
  {
    name: 'pod',
    width: 76,
    figure: true,
    by: (r) => r.v.pod?.massG.typical ?? 0,
    text: (r) => (r.v.pod ? grams(r.v.pod.massG.typical) : ''),
  },
  { name: 'Taste', width: 150, soft: true, text: (r) => r.v.flavour.join(', ') },
];
const any = <V extends string>(label: string, all: readonly V[]) => [
  { value: '' as V | '', label },
  ...all.map((v) => ({ value: v as V | '', label: v })),
];
const W = 220;
const axis = heatAxis(50, 2_000_000, 4, W - 4);
</script>

<template>
  <CompareTable v-model:find="find" title="Varieties" what="a variety" :up="{ to: '/pods', name: 'Pods' }" :columns="columns" :rows="rows">
    <template #filters>
      <PickField v-model="form" class="filter" hide-label label="Form" :options="any('all forms', FORMS)" />
      <PickField v-model="taste" class="filter" hide-label label="Taste" :options="any('any taste', FLAVOUR_WORDS)" />
      <PickField v-model="colour" class="filter" hide-label label="Colour" :options="any('any colour', COLOUR_FAMILIES)" />
      <NButton @click="archived = true">Archive</NButton>
    </template>
    <template #cell="{ row: r, name }">
      <template v-if="name === 'Variety'">
        <i :style="{ background: r.v.ripeColour }" /><b>{{ r.v.name }}</b
        >{{ ' ' }}<span class="soft">{{ r.v.form }}{{ r.own ? ', yours' : '' }}</span>
      </template>
      <template v-else-if="name === 'Heat of the dry matter'">
        <svg v-if="r.v.shuDry.high > 0" :viewBox="`0 0 ${W} 16`" aria-hidden="true">
          <line :x1="0" :x2="W" y1="8" y2="8" stroke="var(--track)" stroke-width="2" />
          <rect
            :x="axis.x(Math.max(50, r.v.shuDry.low))"
            y="3"
            :width="Math.max(3, axis.x(r.v.shuDry.high) - axis.x(Math.max(50, r.v.shuDry.low)))"
            height="10"
            rx="5"
            :fill="heatColour(r.asIs)"
            opacity="0.7"
          />
          <line :x1="axis.x(r.v.shuDry.typical)" :x2="axis.x(r.v.shuDry.typical)" y1="1" y2="15" stroke="var(--ink)" stroke-width="1.5" />
        </svg>
        <span class="soft range">{{ r.v.shuDry.high > 0 ? `${shu(r.v.shuDry.low)} to ${shu(r.v.shuDry.high)}` : 'no heat' }}</span>
      </template>
      <template v-else>
        {{ r.asIs > 0 ? shu(r.asIs) : '' }} <span class="soft">{{ levelName(r.asIs) }}</span>
      </template>
    </template>
    <template #acts="{ row: r }">
      <span class="acts">
        <RouterLink :to="{ path: '/pods', query: { variety: r.v.id } }" :aria-label="`Add a lot of ${r.v.name}`">add a lot</RouterLink>
        <OwnActs :name="r.v.name" :own="r.own !== null" @copy="copy(r.v)" @edit="edit(r.own!)" @away="away(r.own!)" />
      </span>
    </template>
    <ArchiveSheet v-model:show="archived" title="Archived varieties" :archive="varieties.archive" />
    <VarietySheet v-model:show="sheet" :start="start" :editing="editing" />
  </CompareTable>
</template>

<style scoped>
svg {
  width: 190px;
  display: block;
}
.range {
  font-size: 13px;
}
.filter {
  width: 140px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 12px;
}
</style>
