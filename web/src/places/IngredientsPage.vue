<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { boardOf, BOARDS, heatOfRow, type Board, type Ingredient } from '@roskel/core';
import { shu } from '../format';
import { useLarder } from '../stores/larder';
import { useOwnIngredients } from '../stores/own';
import CompareTable, { type Column } from '../ui/CompareTable.vue';
import OwnActs from '../ui/OwnActs.vue';
import PickOne from '../ui/PickOne.vue';
import { useOwnTable } from '../ui/useOwnTable';
import IngredientSheet from '../ui/IngredientSheet.vue';

/** Every ingredient, the table's and the maker's own: search, filter, compare, copy. */
const larder = useLarder();
const own = useOwnIngredients();
const find = ref('');
const board = ref<Board | ''>('');
const { sheet, start, editing, ownOf, copy, edit, away } = useOwnTable(own);
onMounted(() => void larder.load());
const rows = computed(() =>
  larder.rows
    .filter((i) => i.name.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((i) => !board.value || boardOf(i) === board.value)
    .map((i) => ({
      i,
      shu: heatOfRow(i)?.shu ?? 0,
      own: ownOf(i.key),
      acids: Object.values(i.acids).reduce<number>((s, x) => s + (x ?? 0), 0),
    })),
);
type Row = (typeof rows.value)[number];
const columns: Column<Row>[] = [
  { name: 'Ingredient', by: (r) => r.i.name },
  { name: 'pH', figure: true, by: (r) => r.i.pH?.typ ?? 99 },
  { name: 'about SHU', figure: true, by: (r) => r.shu },
  { name: 'water', figure: true, by: (r) => r.i.water },
  { name: 'sugar', figure: true, by: (r) => r.i.sugars },
  { name: 'salt', figure: true, by: (r) => r.i.salt },
  { name: 'acids', figure: true, by: (r) => r.acids },
  { name: 'a cup', figure: true, by: (r) => r.i.measure.cup },
  { name: 'Pieces' },
  { name: 'From' },
];
const pieces = (i: Ingredient) =>
  Object.entries(i.pieces)
    .map(([n, g]) => `${n.replaceAll('_', ' ')} ${g} g`)
    .join(', ');
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
    <template #filters><PickOne v-model="board" label="Kind" any="all kinds" :options="BOARDS" /></template>
    <template #row="{ row: r }">
      <tr>
        <td>
          <i :style="{ background: r.i.hex }" /><b>{{ r.i.name }}</b>
        </td>
        <td class="n">{{ r.i.pH ? `${r.i.pH.lo.toFixed(1)} to ${r.i.pH.hi.toFixed(1)}` : 'none' }}</td>
        <td class="n">{{ r.shu > 0 ? shu(r.shu) : '' }}</td>
        <td class="n">{{ r.i.water }} %</td>
        <td class="n">{{ r.i.sugars }} %</td>
        <td class="n">{{ r.i.salt }} %</td>
        <td class="n">{{ r.acids.toFixed(1) }} %</td>
        <td class="n">{{ r.i.measure.cup }} g</td>
        <td class="soft">{{ pieces(r.i) }}</td>
        <td class="soft">{{ r.own ? 'yours' : `table, ${r.i.confidence} confidence` }}</td>
        <td class="acts">
          <OwnActs :name="r.i.name" :own="r.own !== null" @copy="copy(r.i)" @edit="edit(r.own!)" @away="away(r.own!)" />
        </td>
      </tr>
    </template>
    <template #foot>
      Composition, pH and weights are remembered table values (food composition and pH tables, see docs); a pH you measured replaces the
      table's.
    </template>
    <IngredientSheet v-model:show="sheet" :start="start" :editing="editing" />
  </CompareTable>
</template>
