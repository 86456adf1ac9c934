<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import {
  addDays,
  daysBetween,
  daysFor,
  HOUSE_PH,
  oneIn,
  readyAfter,
  stationIn,
  SURE,
  withParams,
  type JarForecast,
  type StationReport,
  oddsText,
} from '@roskel/core';
import { day, plural, weekday } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import ShareSlider from '../ui/ShareSlider.vue';

/** The day on which the jar is to be done, dragged along the days of the picture: its odds then, and what would have to change. */
const props = defineProps<{ forecast: JarForecast; from: string; station: StationReport }>();
const batch = useOpenBatch();
const planned = computed(() => daysBetween(props.from, props.station.to));
const least = computed(() => Math.max(1, props.forecast.asked.leastDays, props.forecast.asked.now ?? 0));
const most = computed(() => Math.floor(props.forecast.days.at(-1)!));
/** As planned; a day that is over is none to be done on. */
const first = computed(() => Math.min(most.value, Math.max(least.value, planned.value)));
const days = ref(first.value);
watch(first, (d) => (days.value = d));
const on = computed(() => addDays(props.from, days.value));
const chance = computed(() => readyAfter(props.forecast, days.value));
/** The odds on the last day that is foreseen. */
const best = computed(() => readyAfter(props.forecast, most.value));
const sure = computed(() => daysFor(props.forecast, SURE));
const moves = computed(() => days.value - planned.value);
/** What would have to change for it to be likely, or what a later day costs. */
const gives = computed(() => {
  const end = addDays(batch.report?.readyOn ?? props.station.to, moves.value);
  const bottles =
    moves.value === 0 ? '' : ` What follows moves by ${plural(Math.abs(moves.value), 'day')}: the batch is over on ${day(end)}.`;
  if (Math.round(100 * chance.value) >= 100 * SURE) return bottles.trim();
  const target = props.forecast.asked.targetPh;
  const spoils = props.forecast.wrong.p;
  const wait =
    spoils > 1 - SURE
      ? `No day makes 8 in 10: ${oneIn(spoils)} of such jars goes wrong.`
      : sure.value === null
        ? oddsText(best.value) === oddsText(SURE)
          ? `For 8 in 10, about ${day(addDays(props.from, most.value))}; a warmer place is sooner.`
          : `No day within ${most.value} makes it 8 in 10; a warmer place${target < HOUSE_PH ? `, or pH ${HOUSE_PH.toFixed(1)},` : ''} would.`
        : `For 8 in 10, ${day(addDays(props.from, sure.value))} must do, or a warmer place.`;
  return `${wait}${bottles}`;
});
/** Let go: the plan follows. */
function settle() {
  if (days.value === first.value) return;
  const file = batch.file!;
  const params = { ...(stationIn(file, props.station.id)!.params as object), days: days.value };
  batch.change(`${props.station.name}: done on ${day(on.value)}`, withParams(file, props.station.id, params));
}
</script>

<template>
  <div v-if="most > least" class="drag" data-fact="drag" @keyup="settle">
    <p>
      Done on <b>{{ weekday(on) }}</b>: {{ oddsText(chance) }} are ready by then. <span class="soft">{{ gives }}</span>
    </p>
    <ShareSlider
      v-model="days"
      label="Done after, days"
      :min="least"
      :max="most"
      :says="`${weekday(on)}, ${oddsText(chance)} ready`"
      @settle="settle"
    />
  </div>
</template>

<style scoped>
.drag {
  margin: 4px 0;
  font-size: 13.5px;
  line-height: 1.3;
}
p {
  margin: 0;
}
</style>
