<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import { colourFamily, COLOUR_FAMILIES, FLAVOUR_WORDS, flavoursOf, levelName, MIXED_UNKNOWN, type Flavour } from '@roskel/core';
import { shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis } from '../charts/HeatAxis';
import { useVarieties } from '../stores/own';
import CompareTable, { type Column } from '../ui/CompareTable.vue';
import OwnActs from '../ui/OwnActs.vue';
import PickOne from '../ui/PickOne.vue';
import { useOwnTable } from '../ui/useOwnTable';
import VarietySheet from '../ui/VarietySheet.vue';

/** Every variety, the table's and the maker's own: search, filter, compare, copy. */
const varieties = useVarieties();
const FORMS = ['fresh', 'dried', 'flakes', 'powder'] as const;
const find = ref('');
const form = ref<(typeof FORMS)[number] | ''>('');
const taste = ref<Flavour | ''>('');
const colour = ref<(typeof COLOUR_FAMILIES)[number] | ''>('');
const { sheet, start, editing, ownOf, copy, edit, away } = useOwnTable(varieties);
onMounted(() => void varieties.load());
const rows = computed(() =>
  varieties.rows
    .filter((v) => v !== MIXED_UNKNOWN)
    .filter((v) => `${v.name} ${v.species} ${v.flavour.join(' ')}`.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((v) => !form.value || v.form === form.value)
    .filter((v) => !taste.value || (flavoursOf(v.flavour)[taste.value] ?? 0) > 0)
    .filter((v) => !colour.value || colourFamily(v.ripeColour) === colour.value)
    .map((v) => ({ v, own: ownOf(v.id), asIs: v.shuDry.typical * (1 - v.waterPct / 100) })),
);
type Row = (typeof rows.value)[number];
const columns: Column<Row>[] = [
  { name: 'Variety', by: (r) => r.v.name },
  { name: 'Heat of the dry matter', by: (r) => r.v.shuDry.typical },
  { name: 'as it is', figure: true, by: (r) => r.asIs },
  { name: 'quoted', figure: true, by: (r) => r.v.shuQuotedPopular.high },
  { name: 'water', figure: true, by: (r) => r.v.waterPct },
  { name: 'pod', figure: true, by: (r) => r.v.pod?.massG.typical ?? 0 },
  { name: 'Taste' },
  { name: 'From' },
];
const W = 220;
const axis = heatAxis(50, 2_000_000, 4, W - 4);
</script>

<template>
  <CompareTable v-model:find="find" title="Varieties" what="a variety" :up="{ to: '/pods', name: 'Pods' }" :columns="columns" :rows="rows">
    <template #filters>
      <PickOne v-model="form" label="Form" any="all forms" :options="FORMS" />
      <PickOne v-model="taste" label="Taste" any="any taste" :options="FLAVOUR_WORDS" />
      <PickOne v-model="colour" label="Colour" any="any colour" :options="COLOUR_FAMILIES" />
    </template>
    <template #row="{ row: r }">
      <tr>
        <td>
          <i :style="{ background: r.v.ripeColour }" /><b>{{ r.v.name }}</b
          >{{ ' ' }}
          <span class="soft">{{ r.v.form }}</span>
        </td>
        <td>
          <svg v-if="r.v.shuDry.high > 0" :viewBox="`0 0 ${W} 16`" aria-hidden="true">
            <line :x1="0" :x2="W" y1="8" y2="8" stroke="#e8e1cf" stroke-width="2" />
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
        </td>
        <td class="n">
          {{ r.asIs > 0 ? shu(r.asIs) : '' }} <span class="soft">{{ levelName(r.asIs) }}</span>
        </td>
        <td class="n soft">
          {{ r.v.shuQuotedPopular.high > 0 ? `${shu(r.v.shuQuotedPopular.low)} to ${shu(r.v.shuQuotedPopular.high)}` : '' }}
        </td>
        <td class="n">{{ r.v.waterPct }} %</td>
        <td class="n">{{ r.v.pod ? `${r.v.pod.massG.typical} g` : '' }}</td>
        <td class="soft">{{ r.v.flavour.join(', ') }}</td>
        <td class="soft">{{ r.own ? 'yours' : r.v.source.replace('from ', '') }}</td>
        <td class="acts">
          <RouterLink class="link" :to="{ path: '/pods', query: { variety: r.v.id } }" :aria-label="`Add a lot of ${r.v.name}`"
            >add a lot</RouterLink
          >
          <OwnActs :name="r.v.name" :own="r.own !== null" @copy="copy(r.v)" @edit="edit(r.own!)" @away="away(r.own!)" />
        </td>
      </tr>
    </template>
    <VarietySheet v-model:show="sheet" :start="start" :editing="editing" />
  </CompareTable>
</template>

<style scoped>
td svg {
  width: 190px;
  display: block;
}
.range {
  font-size: 12.5px;
}
</style>
