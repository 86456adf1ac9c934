<script setup lang="ts">
import { computed } from 'vue';
import { stationKind, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import { day } from '../format';
import IntakeList from './IntakeList.vue';
import KeepSide from './KeepSide.vue';
import KeepStuff from './KeepStuff.vue';

/** Two plates every station panel stands in: what is set and measured, and its picture. */
const props = defineProps<{ station: StationReport; picture: string; wide?: boolean }>();
const batch = useOpenBatch();
/** What it leaves that can be kept, for another batch or as a lot. */
const leaves = computed(() => {
  const { gives = {}, asLot = [] } = stationKind(props.station.kind);
  return props.station.sides
    .filter((s) => s.kept && gives[s.id])
    .map((s) => ({ id: s.id, name: gives[s.id]![0]!.toUpperCase() + gives[s.id]!.slice(1), asLot: asLot.includes(s.id) }));
});
/** Minutes by the clock and by hand, as round as they are sure. */
function minutes({ minutes: { hands, clock }, done, bowlG }: StationReport): string {
  if (done || !(bowlG > 0)) return '';
  const round = (x: number) => (x < 10 ? Math.max(1, Math.round(x)) : 5 * Math.round(x / 5));
  const by = `${round(hands)} min of work`;
  const time = clock >= 120 ? `${(clock / 60).toFixed(1).replace('.0', '')} h` : `${round(clock)} min`;
  return clock > 600 || round(clock) === round(hands) ? by : `${time}, ${by}`;
}
</script>

<template>
  <section class="plate left" :aria-label="`${station.name}: settings and measurements`">
    <h2>
      {{ station.name }}
      <span class="soft minutes" :title="station.minutes.clock > 600 ? '' : 'by the clock, and by hand'">{{ minutes(station) }}</span>
      <span class="soft">{{
        station.done ? `done ${day(station.to)}` : station.active ? 'now' : `planned ${day(station.plannedTo)}`
      }}</span>
    </h2>
    <p v-if="batch.lineTrouble?.stationId === station.id && batch.lineTrouble.field === ''" class="field-error" role="alert">
      {{ batch.lineTrouble.message }}
    </p>
    <div class="cols" :class="{ wide }">
      <div class="set"><slot name="set" /></div>
      <div class="measured"><slot name="measured" /></div>
    </div>
  </section>
  <section class="plate right" :aria-label="picture">
    <h2>{{ picture }}</h2>
    <slot name="picture" />
    <template v-for="s in leaves" :key="s.id">
      <KeepSide v-if="s.asLot" :station="station" :side="s.id" :name="s.name" />
      <KeepStuff v-else :station="station" :side="s.id" :name="s.name" />
    </template>
    <IntakeList :station="station" />
  </section>
</template>

<style scoped>
.left,
.right {
  padding: 10px 14px 12px;
  min-width: 0;
}
.right {
  display: flex;
  flex-direction: column;
}
h2 {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  margin-bottom: 6px;
}
.minutes {
  margin-left: auto;
}
h2 .soft {
  font:
    400 13.5px 'Hanken Grotesk Variable',
    sans-serif;
}
.cols {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
}
/* What an act is called may take two lines: it never pushes its column out of the plate. */
.cols :deep(.n-button) {
  max-width: 100%;
  height: auto;
  min-height: var(--n-height);
  white-space: normal;
}
.cols.wide {
  grid-template-columns: minmax(0, 1.9fr) minmax(148px, 1fr);
}
.set {
  display: grid;
  gap: 6px;
  align-content: start;
}
@media (max-width: 720px) {
  .cols,
  .cols.wide {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
