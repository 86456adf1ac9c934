<script setup lang="ts">
import { computed } from 'vue';
import type { Promised } from '@roskel/contract';
import { podsAreIn, podUses } from '@roskel/core';
import { useLarder } from '../stores/larder';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { grams } from '../format';

/** What the open batch is to take and what is not there for it: pods it lost to another plan, things to buy. */
const batch = useOpenBatch();
const pods = usePods();
const larder = useLarder();
void pods.load();
void larder.load();
const mine = (promised: readonly Promised[]) => promised.find((p) => p.batchId === batch.id);
const short = computed(() =>
  pods.items.flatMap((p) => {
    const want = mine(p.promised);
    if (!want || want.shortG < 0.5) return [];
    const first = p.promised.filter((x) => x.batchId !== batch.id && x.startDate <= want.startDate).map((x) => x.batch);
    return [`${p.lot.name} ${grams(want.shortG)} short${first.length ? ` (promised to ${first.join(', ')} first)` : ''}`];
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
  return batch.file.stations
    .filter((s) => s.log.doneOn === undefined)
    .flatMap((s) => (s.params as { additions?: { id: string; massG: number }[] }).additions ?? [])
    .filter((a) => a.massG > 0 && a.id !== 'water' && a.id !== 'brine' && !has.has(a.id))
    .map((a) => `${grams(a.massG)} ${(larder.row(a.id)?.name ?? a.id).split(',')[0]!.toLowerCase()}`);
});
/** Pods that the plan names and that no lot of the store stands for. */
const noLot = computed(() => {
  if (!batch.file || pods.state !== 'ready' || podsAreIn(batch.file)) return [];
  const has = new Set(pods.items.map((p) => p.lot.id));
  const lots = new Map(batch.file.lots.map((l) => [l.id, l.name]));
  return podUses(batch.file)
    .filter((p) => p.massG > 0 && !has.has(p.lotId))
    .map((p) => `${grams(p.massG)} ${lots.get(p.lotId) ?? p.lotId}`);
});
const buy = computed(() => [...noLot.value, ...toBuy.value, ...missing.value]);
</script>

<template>
  <div v-if="short.length || buy.length" class="plate short no-print" role="status">
    <span v-if="short.length"><b>Not enough pods:</b> {{ short.join('; ') }}.</span>
    <span v-if="buy.length"><b>To buy:</b> {{ buy.join(', ') }}.</span>
  </div>
</template>

<style scoped>
.short {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  padding: 6px 14px;
  flex: none;
  font-size: 14px;
}
</style>
