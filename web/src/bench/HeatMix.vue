<script setup lang="ts">
import { NButton } from 'naive-ui';
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
import DoubtPlate from '../heat/DoubtPlate.vue';
import BenchRow from './BenchRow.vue';
import BowlFacts from './BowlFacts.vue';
import MixWishes from './MixWishes.vue';
import MixWays from './MixWays.vue';
import ToBatchSheet from './ToBatchSheet.vue';
import PickField from '../ui/PickField.vue';

/** A sauce in a bowl, for someone without a batch: what is on the bench, what is wished for, what it comes to. */
const mix = useBenchMix();
const pods = usePods();
const larder = useLarder();
const varieties = useVarieties();
const sheet = ref(false);
onMounted(() => void mix.load());
const used = computed(() => new Set(mix.items.map((i) => i.id)));
const rest = computed(() =>
  [
    {
      title: 'Your pods',
      list: pods.items
        .filter((p) => !used.value.has(p.id))
        .map((p) => ({ value: `pods|${p.id}`, label: `${p.lot.name}, ${grams(p.stockG)}` })),
    },
    {
      title: 'Your larder',
      list: larder.items
        .filter((l) => !used.value.has(l.ingredientKey))
        .map((l) => ({ value: `larder|${l.ingredientKey}`, label: larder.row(l.ingredientKey)?.name ?? l.ingredientKey })),
    },
    {
      title: 'Pods you do not have',
      list: varieties.rows
        .filter((v) => !used.value.has(`v:${v.id}`))
        .map((v) => ({ value: `pods|v:${v.id}`, label: v === MIXED_UNKNOWN ? 'Mixed, unknown pods' : v.name })),
    },
    {
      title: 'To buy',
      list: larder.rows
        .filter(
          (r) =>
            !used.value.has(r.key) && !larder.items.some((l) => l.ingredientKey === r.key) && !/^(Chili|Dried|Ground red)/.test(r.name),
        )
        .map((r) => ({ value: `larder|${r.key}`, label: r.name })),
    },
  ].filter((g) => g.list.length > 0),
);
function add(choice: string) {
  const [store, id] = choice.split('|') as ['pods' | 'larder', string];
  mix.add(store, id);
}
useKeys('Heat mix', [
  { key: 'x', says: 'find mixes', run: () => void mix.solve() },
  { key: 'u', says: 'make it a batch', run: () => (sheet.value = true) },
]);
const total = computed(() => mix.now.props.massG);
</script>

<template>
  <div class="grid answer-first">
    <section class="plate wishes"><MixWishes v-model="mix.wish" @update:model-value="mix.solve()" /></section>
    <section class="plate lots" aria-label="On the bench">
      <div class="tophead">
        <b>On the bench</b>
        <PickField
          class="adding"
          hide-label
          small
          label="Add to the bench"
          placeholder="Add something"
          :model-value="null"
          :options="rest"
          @update:model-value="add"
        />
        <NButton text class="link" @click="mix.clear()">Clear the bench</NButton>
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
    <div class="right" role="region" aria-label="What it comes to">
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
    <div class="right" role="region" aria-label="Ways and cautions">
      <MixWays :answer="mix.answer" :trouble="mix.trouble" :picked="mix.picked" :lines="mix.lines" @take="mix.take" />
      <CautionList :cautions="mix.now.cautions" />
    </div>
    <Teleport defer to="#bench-acts">
      <NButton v-if="mix.solving" @click="stopBench()">Stop looking</NButton>
      <NButton v-else :disabled="mix.items.length === 0" @click="mix.solve()">Find mixes</NButton>
      <NButton type="primary" :disabled="total <= 0" @click="sheet = true">Make it a batch</NButton>
    </Teleport>
    <ToBatchSheet v-model:show="sheet" />
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 0.95fr) minmax(0, 0.95fr);
  gap: 10px;
}
.wishes {
  grid-column: 1 / -1;
}
.wishes {
  padding: 6px 14px;
}
/* The one thing that scrolls by itself: amounts are moved while what they come to stays in sight. */
.lots {
  overflow: auto;
  max-height: max(420px, calc(100dvh - 218px));
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
.adding {
  flex: 1;
  min-width: 0;
}
.right {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.sure {
  padding: 8px 14px;
}
@media (max-width: 1000px) {
  .tophead {
    flex-wrap: wrap;
  }
  .adding {
    flex: 1 1 100%;
    order: 3;
  }
  .lots {
    overflow: visible;
    max-height: none;
  }
}
</style>
