<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import type { Promised } from '@roskel/contract';
import { isTapWater, openNeeds } from '@roskel/core';
import { useLarder } from '../stores/larder';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { useStored } from '../stores/stored';
import { grams, plural } from '../format';
import SheetCard from '../ui/SheetCard.vue';

/** What the open batch is to take and what is not there for it: pods it lost to another plan, things to buy. */
const batch = useOpenBatch();
const pods = usePods();
const larder = useLarder();
const stored = useStored();
void pods.load();
void larder.load();
void stored.load();
const mine = (promised: readonly Promised[]) => promised.find((p) => p.batchId === batch.id);
const short = computed(() =>
  [
    ...pods.items.map((p) => ({ name: p.lot.name, promised: p.promised })),
    ...stored.items.map((s) => ({ name: s.stuff.name, promised: s.promised })),
  ].flatMap((p) => {
    const want = mine(p.promised);
    if (!want || want.shortG < 0.5) return [];
    const first = p.promised.filter((x) => x.batchId !== batch.id && x.startDate <= want.startDate).map((x) => x.batch);
    return [`${p.name} ${grams(want.shortG)} short${first.length ? ` (promised to ${first.join(', ')} first)` : ''}`];
  }),
);
const toBuy = computed(() =>
  larder.items.flatMap((l) => {
    const want = mine(l.promised);
    return want && want.shortG >= 0.5
      ? [`${grams(want.shortG)} ${(larder.row(l.ingredientKey)?.name ?? l.ingredientKey).split(',')[0]!.toLowerCase()}`]
      : [];
  }),
);
/** Named in the jug, and not in the larder at all. */
const missing = computed(() => {
  if (!batch.file || larder.state !== 'ready') return [];
  const has = new Set(larder.items.map((l) => l.ingredientKey));
  return openNeeds(batch.file)
    .filter((n) => n.store === 'larder' && !isTapWater(n.id) && !has.has(n.id))
    .map((n) => `${grams(n.massG)} ${(larder.row(n.id)?.name ?? n.id).split(',')[0]!.toLowerCase()}`);
});
/** Pods and kept things that the plan names and that nothing in the stores stands for. */
const noLot = computed(() => {
  if (!batch.file || pods.state !== 'ready' || stored.state !== 'ready') return [];
  const has = { pods: new Set(pods.items.map((p) => p.lot.id)), stored: new Set(stored.items.map((s) => s.id)) };
  const names = new Map([...batch.file.lots, ...batch.file.stored].map((l) => [l.id, l.name]));
  return openNeeds(batch.file)
    .filter((n) => n.store !== 'larder' && !has[n.store].has(n.id))
    .map((n) => `${grams(n.massG)} ${names.get(n.id) ?? n.id}`);
});
const buy = computed(() => [...noLot.value, ...toBuy.value, ...missing.value]);
const count = computed(() => short.value.length + buy.value.length);
const open = ref(false);
</script>

<template>
  <template v-if="count">
    <NButton text class="link short no-print" @click="open = true"
      >{{ short.length ? 'not enough' : 'to buy' }}: {{ plural(count, 'thing') }}</NButton
    >
    <SheetCard v-model:show="open" title="What is missing" :width="480">
      <template v-if="short.length">
        <h3>Not enough</h3>
        <ul>
          <li v-for="s in short" :key="s">{{ s }}</li>
        </ul>
      </template>
      <template v-if="buy.length">
        <h3>To buy</h3>
        <ul>
          <li v-for="b in buy" :key="b">{{ b }}</li>
        </ul>
      </template>
    </SheetCard>
  </template>
</template>

<style scoped>
.short {
  min-height: 24px;
  font-size: 13px;
  font-weight: 600;
}
h3 {
  margin: 6px 0 4px;
  font-size: 15px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
</style>
