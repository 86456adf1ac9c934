<script setup lang="ts">
import { computed } from 'vue';
import { RouterLink } from 'vue-router';
import type { BatchRow } from '@roskel/contract';
import { daysBetween } from '@roskel/core';
import { day, due, plural, shu, today, inManner } from '../format';
import MiniRibbon from '../line/MiniRibbon.vue';
import { useSettings } from '../stores/settings';

/** A batch on the shelf of lines: who, its small ribbon, what comes next. */
const props = defineProps<{ batch: BatchRow }>();
const settings = useSettings();
const s = computed(() => props.batch.summary);
/** No row grows with its bowls: two are told, the rest is counted. */
const ends = computed(() => s.value.ends.slice(0, 2));
const active = computed(() => s.value.stations.find((x) => x.active));
const vessel = computed(() => s.value.ends[0]?.vessel ?? 'bottle');
const filled = computed(() => s.value.ends.reduce((n, e) => n + e.bottles, 0));
const thrownOn = computed(() => (filled.value === 0 ? s.value.ends.find((e) => e.thrownOn)?.thrownOn : undefined));
const stage = computed(() => {
  const { doneOn, startDate, stations } = s.value;
  if (doneOn)
    return thrownOn.value ? `thrown away ${day(thrownOn.value)}` : `${vessel.value === 'bowl' ? 'served' : 'bottled'} ${day(doneOn)}`;
  if (!stations.some((x) => x.done)) return `planned, starts ${day(startDate)}`;
  const a = active.value;
  if (a && a.from !== a.to) return `day ${daysBetween(a.from, today())} of ${daysBetween(a.from, a.to)} planned`;
  return `next: ${a?.name.toLowerCase() ?? 'done'}`;
});
</script>

<template>
  <RouterLink class="plate batch" :to="{ name: 'batch', params: { id: batch.id } }">
    <div class="who">
      <h2>{{ s.name }}</h2>
      <span class="soft">{{ batch.styleName }}, {{ stage }}</span>
      <template v-for="e in ends" :key="e.strandId">
        <span v-if="e.massG > 0"
          ><template v-if="s.ends.length > 1">{{ e.name }}: </template
          ><b class="hot" data-fact="heatShu" :data-of="`${batch.id}/${e.strandId}`">about {{ shu(e.heatShu[settings.value.school]) }}</b>
          SHU, wished {{ shu(e.goal.lowShu) }} to {{ shu(e.goal.highShu) }}</span
        >
        <span v-if="s.ends.length === 1" data-fact="wished" :data-of="`${batch.id}/${e.strandId}`"
          >{{ plural(e.goal.bottles, e.vessel) }} of {{ e.goal.bottleMl }} ml</span
        >
      </template>
      <span v-if="s.ends.length > ends.length" class="soft">and {{ s.ends.length - ends.length }} more</span>
    </div>
    <div class="ribbon">
      <MiniRibbon v-if="s.stations.some((x) => x.massG > 0)" :summary="s" />
      <span v-else-if="s.trouble" class="field-error">{{ s.trouble }}</span>
      <span v-else class="soft">No pods chosen yet.</span>
    </div>
    <div class="next">
      <template v-if="s.next">
        <b>{{ inManner(s.next.text) }}</b>
        <span :class="{ late: due(s.next.due).late }">{{ due(s.next.due).text }}</span>
      </template>
      <b v-else-if="thrownOn">Thrown away</b>
      <template v-else-if="s.doneOn">
        <b>{{ vessel === 'bowl' ? 'Served' : 'On the shelf' }}</b>
        <span class="soft" data-fact="filled" :data-of="batch.id">{{ plural(filled, vessel) }}</span>
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
