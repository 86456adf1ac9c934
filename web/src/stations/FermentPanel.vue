<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { addDays, daysBetween, type Passed, type Reading, type StationReport } from '@roskel/core';
import { day, degrees, plural, today } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import AcidChart from '../charts/AcidChart.vue';
import { lazySheet } from '../ui/lazySheet';

const ReadingSheet = lazySheet(() => import('../batch/ReadingSheet.vue'));

const props = defineProps<{ station: StationReport<'ferment'> }>();
const { batch, params } = usePanel<'ferment'>(props);
const logging = ref(false);
const readings = computed<Reading[]>(() =>
  batch.file!.readings.filter((r) => r.stationId === props.station.id).sort((a, b) => a.at.localeCompare(b.at)),
);
const forecast = computed(() => batch.report?.forecasts.find((f) => f.stationId === props.station.id) ?? null);
const last = computed(() => readings.value.at(-1) ?? null);
const now = computed(() => (props.station.active && props.station.from <= today() ? daysBetween(props.station.from, today()) : null));
const when = (d: number | null) => (d === null ? null : addDays(props.station.from, d));
/** What readings show is a fact, and no forecast stands beside it. */
function passedText(p: Passed): string {
  const by = day(when(Math.floor(p.by))!);
  return p.after === null ? `by ${by}, as read` : `between ${day(when(Math.floor(p.after))!)} and ${by}, as read`;
}
const windowText = computed(() => {
  const f = forecast.value;
  if (!f) return '';
  if (f.passed.target)
    return `pH ${params.value.targetPh.toFixed(1)} was reached ${passedText(f.passed.target)}. Two readings two days apart make it sure.`;
  const { from, to } = f.ready;
  const late = now.value !== null && to !== null && to < now.value ? ' That is past: read it now.' : '';
  if (from === null) return `Not likely within ${f.days.at(-1)} days. Warmer, or less salt, would help.`;
  const never = Math.round(f.crossings.target.never * 100);
  if (to === null) return `from about ${day(when(from)!)}; ${never} in 100 take longer than ${f.days.at(-1)} days.`;
  return `between ${day(when(from)!)} and ${day(when(to)!)}.${late}`;
});
const legalText = computed(() => {
  const f = forecast.value;
  if (!f) return '';
  if (f.passed.legal) return passedText(f.passed.legal);
  const c = f.crossings.legal;
  if (c.p50 === null) return 'not within sight';
  return `about day ${Math.round(c.p10 ?? c.p50)} to ${c.p90 === null ? 'late' : Math.round(c.p90)}`;
});
const chosen = ref<Reading | null>(null);
function log(reading: Reading | null) {
  chosen.value = reading;
  logging.value = true;
}
</script>

<template>
  <StationFrame :station="station" picture="Acid in the jar">
    <template #set>
      <div class="two">
        <ParamField :station="station" name="tempC" label="Temperature" />
        <ParamField :station="station" name="days" label="Days" />
      </div>
      <ParamField :station="station" name="targetPh" label="Ready at pH" />
      <NButton type="primary" @click="log(null)">Log a reading</NButton>
      <p class="soft small">
        <template v-if="last"
          >Last: {{ last.pH === undefined ? '' : `pH ${last.pH.toFixed(2)}`
          }}{{ last.tempC === undefined ? '' : `, ${degrees(last.tempC, 1)}` }}, {{ day(last.at)
          }}{{ last.note ? `: ${last.note}` : '' }}</template
        >
        <template v-else>No reading yet. Forecast only, not a measurement.</template>
      </p>
    </template>
    <template #measured><LogFields :station="station" mass-label="Jar contents, weighed" /></template>
    <template #picture>
      <template v-if="forecast">
        <div class="chart">
          <AcidChart
            :forecast="forecast"
            :readings="readings"
            :from="station.from"
            :today-day="now"
            :end-ph="station.log.pH === undefined ? null : { day: daysBetween(station.from, station.to), pH: station.log.pH }"
          />
        </div>
        <p class="foot" data-fact="ready">
          <b>Ready</b> (pH {{ params.targetPh.toFixed(1) }}, settled): {{ windowText }} Below 4.6: {{ legalText }}.
        </p>
        <details v-if="readings.length">
          <summary>{{ plural(readings.length, 'reading') }}</summary>
          <ul>
            <li v-for="r in readings" :key="r.id">
              {{ day(r.at) }} <b>{{ r.pH === undefined ? '' : `pH ${r.pH.toFixed(2)}` }}</b>
              {{ r.tempC === undefined ? '' : degrees(r.tempC, 1) }}
              <span class="soft">{{ r.instrument }}{{ r.note ? `, ${r.note}` : '' }}</span>
              <NButton text class="link" :aria-label="`Change the reading of ${day(r.at)}`" @click="log(r)">change</NButton>
            </li>
          </ul>
        </details>
      </template>
      <p v-else class="soft">Once there are pods in the jar, the forecast stands here.</p>
    </template>
  </StationFrame>
  <ReadingSheet v-model:show="logging" :station="station" :reading="chosen" />
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.chart {
  flex: 1;
  min-height: 180px;
}
.foot,
.small {
  margin: 4px 0 0;
  font-size: 13.5px;
  line-height: 1.3;
}
summary {
  cursor: pointer;
  font-size: 13.5px;
}
ul {
  margin: 4px 0;
  padding-left: 16px;
  font-size: 13.5px;
}
</style>
