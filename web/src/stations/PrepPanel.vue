<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import { endStrands, levelName, stationIn, strandsUpTo, type StationReport } from '@roskel/core';
import { grams, plural, shu } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import StationSheet from '../batch/StationSheet.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'prep'> }>();
const batch = useOpenBatch();
/** Everything in the bowl by weight, in its own colour. */
const parts = computed(() => {
  const grams = props.station.enters.grams;
  return (stationIn(batch.file!, props.station.id)?.intakes ?? []).flatMap((x) => {
    const { origin } = x;
    const hex =
      origin.from === 'pods'
        ? batch.file!.lots.find((l) => l.id === origin.lotId)?.hex
        : origin.from === 'larder'
          ? batch.file!.ingredients.find((i) => i.key === origin.key)?.hex
          : props.station.now.hex;
    const g = grams[x.id] ?? 0;
    return g > 0 ? [{ id: x.id, g, hex: hex ?? props.station.now.hex }] : [];
  });
});
const total = computed(() => parts.value.reduce((s, p) => s + p.g, 0));
const pods = computed(() => props.station.enters.lots > 0);
/** The first end that this board leads to: its pods are chosen for that goal. */
const leads = computed(() => {
  const f = batch.file!;
  return endStrands(f).find((s) => strandsUpTo(f, s.id).has(props.station.strandId))?.id ?? '';
});
const rows = computed(
  () =>
    [
      ['In all', grams(total.value)],
      ['Stems and cores', grams(props.station.sides.reduce((s, x) => s + x.massG, 0))],
      ...(props.station.enters.pods > 0 ? ([['Pods', plural(props.station.enters.pods, 'pod')]] as const) : []),
      ['Heat on the board', `${shu(props.station.now.heatShu)} SHU, ${levelName(props.station.now.heatShu)}`],
    ] as const,
);
</script>

<template>
  <StationSheet :station="station">
    <template #in>
      <RouterLink class="choose" :to="{ name: 'choose', params: { id: batch.id }, query: { for: leads } }">{{
        pods ? 'Change the pods' : 'Choose the pods'
      }}</RouterLink>
    </template>
    <p v-if="!parts.length" class="soft">No pods yet. Choose them and the whole line fills in.</p>
    <div v-else class="bar" aria-hidden="true">
      <i v-for="p in parts" :key="p.id" :style="{ width: `${(100 * p.g) / total}%`, background: p.hex }" />
    </div>
    <FactRows :rows="rows" />
  </StationSheet>
</template>

<style scoped>
.bar {
  display: flex;
  height: 26px;
  border-radius: 13px;
  overflow: hidden;
  border: 2px solid var(--rim);
  margin-bottom: 2px;
  flex: none;
}
.choose {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  font-weight: 600;
}
</style>
