<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { kindOf, BOARDS, heatOfRow, type Board, type Ingredient } from '@roskel/core';
import { grams, shu } from '../format';
import { useLarder } from '../stores/larder';
import { useOwnIngredients } from '../stores/own';
import CompareTable, { type Column } from '../ui/CompareTable.vue';
import OwnActs from '../ui/OwnActs.vue';
import PickField from '../ui/PickField.vue';
import { useOwnTable } from '../house/useOwnTable';
import IngredientSheet from '../larder/IngredientSheet.vue';
import { NButton } from 'naive-ui';
import { lazySheet } from '../ui/lazySheet';

const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));

/** Every ingredient, the table's and the maker's own: search, filter, compare, copy. */
const larder = useLarder();
const own = useOwnIngredients();
const find = ref('');
const board = ref<Board | ''>('');
const { sheet, archived, start, editing, ownOf, copy, edit, away } = useOwnTable(own);
onMounted(() => void larder.load());
const rows = computed(() =>
  larder.rows
    .filter((i) => i.name.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((i) => !board.value || kindOf(i).board === board.value)
    .map((i) => ({
      key: i.key,
      i,
      shu: heatOfRow(i)?.shu ?? 0,
      own: ownOf(i.key),
      acids: Object.values(i.acids).reduce<number>((s, x) => s + (x ?? 0), 0),
    })),
);
type Row = (typeof rows.value)[number];
const pieces = (i: Ingredient) =>
  Object.entries(i.pieces)
    .map(([n, g]) => `${n.replaceAll('_', ' ')} ${grams(g)}`)
    .join(', ');
const columns: Column<Row>[] = [
  { name: 'Ingredient', width: 220, by: (r) => r.i.name },
  {
    name: 'pH',
    width: 110,
    figure: true,
    by: (r) => r.i.pH?.typ ?? 99,
    text: (r) => (r.i.pH ? `${r.i.pH.lo.toFixed(1)} to ${r.i.pH.hi.toFixed(1)}` : 'none'),
  },
  { name: 'about SHU', width: 90, figure: true, by: (r) => r.shu, text: (r) => (r.shu > 0 ? shu(r.shu) : '') },
  { name: 'water', width: 80, figure: true, by: (r) => r.i.water, text: (r) => `${r.i.water} %` },
  { name: 'sugar', width: 80, figure: true, by: (r) => r.i.sugars, text: (r) => `${r.i.sugars} %` },
  { name: 'salt', width: 80, figure: true, by: (r) => r.i.salt, text: (r) => `${r.i.salt} %` },
  { name: 'acids', width: 80, figure: true, by: (r) => r.acids, text: (r) => `${r.acids.toFixed(1)} %` },
  { name: 'a cup', width: 80, figure: true, by: (r) => r.i.measure.cup, text: (r) => grams(r.i.measure.cup) },
  { name: 'Pieces', width: 240, soft: true, text: (r) => pieces(r.i) },
];
const kinds = [{ value: '' as Board | '', label: 'all kinds' }, ...BOARDS.map((b) => ({ value: b as Board | '', label: b }))];
</script>

<template>
  <CompareTable
    v-model:find="find"
    title="Ingredients"
    what="an ingredient"
    :up="{ to: '/larder', name: 'Larder' }"
    :columns="columns"
    :rows="rows"
  >
    <template #filters
      ><PickField v-model="board" class="filter" hide-label label="Kind" :options="kinds" /><NButton @click="archived = true"
        >Archive</NButton
      ></template
    >
    <template #cell="{ row: r }">
      <i :style="{ background: r.i.hex }" /><b>{{ r.i.name }}</b> <span v-if="r.own" class="soft">yours</span>
    </template>
    <template #acts="{ row: r }">
      <span class="acts"
        ><OwnActs :name="r.i.name" :own="r.own !== null" @copy="copy(r.i)" @edit="edit(r.own!)" @away="away(r.own!)"
      /></span>
    </template>
    <template #foot> Composition, pH and weights are common values, not measured on yours; a pH you measured replaces them. </template>
    <ArchiveSheet v-model:show="archived" title="Archived ingredients" :archive="own.archive" />
    <IngredientSheet v-model:show="sheet" :start="start" :editing="editing" />
  </CompareTable>
</template>

<style scoped>
.filter {
  width: 190px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 12px;
}
</style>
