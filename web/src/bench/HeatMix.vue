<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { MIXED_UNKNOWN } from '@roskel/core';
import { grams } from '../format';
import BottleHeat from '../charts/BottleHeat.vue';
import { useBenchMix } from '../stores/benchMix';
import { useLarder } from '../stores/larder';
import { useVarieties } from '../stores/own';
import { usePods } from '../stores/pods';
import { useKeys } from '../ui/keys';
import { stopBench } from '../worker/client';
import CautionList from '../ui/CautionList.vue';
import DoubtPlate from '../ui/DoubtPlate.vue';
import BenchRow from './BenchRow.vue';
import BowlFacts from './BowlFacts.vue';
import MixWishes from './MixWishes.vue';
import MixWays from './MixWays.vue';
import ToBatchSheet from './ToBatchSheet.vue';

/** A sauce in a bowl, for someone without a batch: what is on the bench, what is wished for, what it comes to. */
const mix = useBenchMix();
const pods = usePods();
const larder = useLarder();
const varieties = useVarieties();
const adding = ref('');
const sheet = ref(false);
onMounted(() => void mix.load());
const used = computed(() => new Set(mix.items.map((i) => i.id)));
const rest = computed(() => ({
  pods: pods.items.filter((p) => !used.value.has(p.id)),
  larder: larder.items.filter((l) => !used.value.has(l.ingredientKey)),
  table: varieties.rows.filter((v) => !used.value.has(`v:${v.id}`)),
  rows: larder.rows.filter(
    (r) => !used.value.has(r.key) && !larder.items.some((l) => l.ingredientKey === r.key) && !/^(Chili|Dried|Ground red)/.test(r.name),
  ),
}));
function add() {
  const [store, id] = adding.value.split('|') as ['pods' | 'larder', string];
  if (id) mix.add(store, id);
  adding.value = '';
}
useKeys('Heat mix', [
  { key: 'x', says: 'find mixes', run: () => void mix.solve() },
  { key: 'u', says: 'make it a batch', run: () => (sheet.value = true) },
]);
const total = computed(() => mix.now.props.massG);
</script>

<template>
  <div class="grid">
    <section class="plate wishes"><MixWishes v-model="mix.wish" @update:model-value="mix.solve()" /></section>
    <section class="plate lots" aria-label="On the bench">
      <div class="tophead">
        <b>On the bench</b>
        <label class="visually-hidden" for="bench-add">Add to the bench</label>
        <select id="bench-add" v-model="adding" class="small-entry" @change="add">
          <option value="">Add pods or something else</option>
          <optgroup label="Your pods">
            <option v-for="p in rest.pods" :key="p.id" :value="`pods|${p.id}`">{{ p.lot.name }}, {{ grams(p.stockG) }}</option>
          </optgroup>
          <optgroup label="Your larder">
            <option v-for="l in rest.larder" :key="l.id" :value="`larder|${l.ingredientKey}`">
              {{ larder.row(l.ingredientKey)?.name }}
            </option>
          </optgroup>
          <optgroup label="Pods you do not have">
            <option v-for="v in rest.table" :key="v.id" :value="`pods|v:${v.id}`">
              {{ v === MIXED_UNKNOWN ? 'Mixed, unknown pods' : v.name }}
            </option>
          </optgroup>
          <optgroup label="To buy">
            <option v-for="r in rest.rows" :key="r.key" :value="`larder|${r.key}`">{{ r.name }}</option>
          </optgroup>
        </select>
        <button type="button" class="link" @click="mix.clear()">Clear the bench</button>
      </div>
      <p v-if="mix.ready && mix.items.length === 0" class="soft">Nothing on the bench. Add what you have, or what you might buy.</p>
      <BenchRow
        v-for="l in mix.lines"
        :key="l.item.id"
        :item="l.item"
        :pod="l.pod"
        :row="l.row"
        :most="total"
        @grams="mix.setGrams(l.item.id, $event)"
        @drop="mix.drop(l.item.id)"
      />
    </section>
    <div class="right" tabindex="0" role="region" aria-label="What it comes to">
      <BottleHeat
        bowl
        :blur="
          mix.now.band && mix.wish.heat
            ? { mu: Math.log(mix.now.band.p50), sigma: Math.log(mix.now.band.p90 / mix.now.band.p10) / 2.5631 }
            : null
        "
        :goal="mix.bracket"
        :bottles="null"
        :odds-now="mix.now.band?.odds"
      />
      <BowlFacts :mix="mix.now" :wish="mix.wish" />
      <section class="plate sure">
        <DoubtPlate :doubts="mix.now.doubts" :remedies="mix.now.remedies" :now="mix.now.band?.odds ?? 0" />
      </section>
    </div>
    <div class="right" tabindex="0" role="region" aria-label="Ways and cautions">
      <MixWays :answer="mix.answer" :trouble="mix.trouble" :picked="mix.picked" :lines="mix.lines" @take="mix.take" />
      <CautionList :cautions="mix.now.cautions" />
    </div>
    <Teleport defer to="#bench-acts">
      <button v-if="mix.solving" type="button" class="act" @click="stopBench()">Solving, stop</button>
      <button v-else type="button" class="act" :disabled="mix.items.length === 0" @click="mix.solve()">Find mixes</button>
      <button type="button" class="act main" :disabled="total <= 0" @click="sheet = true">Make it a batch</button>
    </Teleport>
    <ToBatchSheet v-model:show="sheet" />
  </div>
</template>

<style scoped>
.grid {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 0.95fr) minmax(0, 0.95fr);
  grid-template-rows: auto minmax(0, 1fr);
  gap: 10px;
}
.wishes {
  grid-column: 1 / -1;
}
.wishes {
  padding: 6px 14px;
}
.lots {
  overflow: auto;
  padding: 0 14px 6px;
}
.tophead {
  position: sticky;
  top: 0;
  z-index: 1;
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 7px 0 6px;
  background: var(--plate);
  border-bottom: 2px solid var(--rim);
}
.tophead select {
  flex: 1;
  min-width: 0;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  overflow: auto;
}
.sure {
  padding: 8px 14px;
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
