<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { RouterLink } from 'vue-router';
import type { Ingredient } from '@roskel/core';
import { useLarder } from '../stores/larder';
import { useOwnIngredients } from '../stores/own';
import OwnActs from '../ui/OwnActs.vue';
import { useOwnTable } from '../ui/useOwnTable';
import { boardOf, BOARDS } from '../larder/boards';
import IngredientSheet from '../ui/IngredientSheet.vue';

/** Every ingredient, the table's and the maker's own: search, filter, compare, copy. */
const larder = useLarder();
const own = useOwnIngredients();
const find = ref('');
const board = ref('');
const { sheet, start, editing, ownOf, copy, edit, away } = useOwnTable(own);
onMounted(() => void larder.load());
const rows = computed(() =>
  larder.rows
    .filter((i) => i.name.toLowerCase().includes(find.value.trim().toLowerCase()))
    .filter((i) => !board.value || boardOf(i) === board.value)
    .map((i) => ({ i, own: ownOf(i.key), acids: Object.values(i.acids).reduce<number>((s, x) => s + (x ?? 0), 0) })),
);
const pieces = (i: Ingredient) =>
  Object.entries(i.pieces)
    .map(([n, g]) => `${n.replaceAll('_', ' ')} ${g} g`)
    .join(', ');
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/larder">Larder</RouterLink><span class="crumb"> / </span>
        <h1>Ingredients</h1>
      </div>
      <input v-model="find" data-find class="entry find" type="search" placeholder="Find an ingredient" aria-label="Find an ingredient" />
      <select v-model="board" class="small-entry" aria-label="Kind">
        <option value="">all kinds</option>
        <option v-for="b in BOARDS" :key="b" :value="b">{{ b }}</option>
      </select>
      <span class="push chip" data-fact="shown">{{ rows.length }} shown</span>
    </header>
    <section class="plate compare">
      <table>
        <thead>
          <tr>
            <th>Ingredient</th>
            <th class="n">pH</th>
            <th class="n">water</th>
            <th class="n">sugar</th>
            <th class="n">salt</th>
            <th class="n">acids</th>
            <th class="n">a cup</th>
            <th>Pieces</th>
            <th>From</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="r in rows" :key="r.i.key">
            <td>
              <i :style="{ background: r.i.hex }" /><b>{{ r.i.name }}</b>
            </td>
            <td class="n">{{ r.i.pH ? `${r.i.pH.lo.toFixed(1)} to ${r.i.pH.hi.toFixed(1)}` : 'none' }}</td>
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
        </tbody>
      </table>
      <p v-if="rows.length === 0" class="soft note">Nothing here matches. Take a filter off.</p>
    </section>
    <p class="soft foot">
      Composition, pH and weights are remembered table values (food composition and pH tables, see docs); a pH you measured replaces the
      table's.
    </p>
    <IngredientSheet v-model:show="sheet" :start="start" :editing="editing" />
  </div>
</template>

<style scoped>
.page {
  height: 100%;
}
.foot {
  margin: 0;
  font-size: 13.5px;
}
</style>
