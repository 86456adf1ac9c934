<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { BatchRecord } from '@roskel/contract';
import { daysBetween } from '@roskel/core';
import { day, due, plural, shu, today } from '../format';
import MiniRibbon from '../line/MiniRibbon.vue';
import { useShortReport } from '../worker/reports';

/** A batch on the shelf of lines: who, its small ribbon, what comes next. */
const props = defineProps<{ batch: BatchRecord }>();
const short = useShortReport(() => props.batch);
const report = computed(() => short.value?.report ?? null);
const file = computed(() => props.batch.file);
const doneOn = computed(() => file.value.stations.at(-1)?.log.doneOn);
const active = computed(() => report.value?.stations.find((s) => s.active));
const stage = computed(() => {
  if (doneOn.value) return `bottled ${day(doneOn.value)}`;
  if (!report.value) return file.value.stations.some((s) => s.log.doneOn) ? 'on its way' : `planned, starts ${day(file.value.startDate)}`;
  if (!report.value.stations.some((s) => s.done)) return `planned, starts ${day(file.value.startDate)}`;
  const a = active.value;
  if (a && a.from !== a.to) return `day ${daysBetween(a.from, today())} of about ${daysBetween(a.from, a.to)}`;
  return `next: ${a?.name.toLowerCase() ?? 'done'}`;
});
const next = computed(() => {
  const duties = report.value?.duties.filter((d) => !d.done && d.stationId === active.value?.id) ?? [];
  return duties.sort((a, b) => a.due.localeCompare(b.due))[0] ?? null;
});
</script>

<template>
  <RouterLink class="plate batch" :to="{ name: 'batch', params: { id: batch.id } }">
    <div class="who">
      <h2>{{ file.name }}</h2>
      <span class="soft">brine ferment, {{ stage }}</span>
      <span v-if="report"
        ><b class="hot">{{ shu(report.heat.p50) }}</b> of {{ shu(file.goal.lowShu) }} to {{ shu(file.goal.highShu) }} SHU</span
      >
      <span>{{ plural(file.goal.bottles, 'bottle') }} of {{ file.goal.bottleMl }} ml</span>
    </div>
    <div class="ribbon">
      <MiniRibbon v-if="report && report.finished.massG > 0" :report="report" :name="file.name" />
      <span v-else-if="short?.trouble" class="field-error">{{ short.trouble }}</span>
      <span v-else-if="report" class="soft">No pods chosen yet.</span>
    </div>
    <div class="next">
      <template v-if="next">
        <b>{{ next.text }}</b>
        <span :class="{ late: due(next.due).late }">{{ due(next.due).text }}</span>
      </template>
      <template v-else-if="report && doneOn">
        <b>On the shelf</b>
        <span class="soft">{{ plural(report.bottles.filled, 'bottle') }}</span>
      </template>
    </div>
  </RouterLink>
</template>

<style scoped>
.batch {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr) 240px;
  gap: 18px;
  padding: 12px 18px;
  margin-bottom: 12px;
  color: inherit;
  text-decoration: none;
  align-items: center;
  min-height: 126px;
}
.batch:hover {
  background: var(--white);
}
.who {
  display: grid;
  gap: 2px;
}
.who h2 {
  font-size: 19px;
}
.hot {
  color: var(--heat);
}
.next {
  display: grid;
}
.late {
  color: var(--warn);
  font-weight: 600;
}
@media (max-width: 900px) {
  .batch {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
