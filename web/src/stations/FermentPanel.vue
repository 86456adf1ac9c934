<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  daysBetween,
  fitText,
  gasText,
  jarsAt,
  legalText,
  nextText,
  readyText,
  SIGNS,
  unsouredText,
  warmthText,
  lowerText,
  wrongText,
  type Forecast,
  type JarTemp,
  type Reading,
  type StationReport,
} from '@roskel/core';
import { day, degrees, inManner, plural, today } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import AcidChart from '../charts/AcidChart.vue';
import { useNotices } from '../stores/notices';
import { fileName } from '../ui/download';
import { lazySheet } from '../ui/lazySheet';
import JarPick from './JarPick.vue';
import ReadyDrag from './ReadyDrag.vue';
import WhatIf from './WhatIf.vue';

const ReadingSheet = lazySheet(() => import('../batch/ReadingSheet.vue'));
const LookSheet = lazySheet(() => import('../today/LookSheet.vue'));
const JarTempSheet = lazySheet(() => import('./JarTempSheet.vue'));

const props = defineProps<{ station: StationReport<'ferment'> }>();
const { batch, params } = usePanel<'ferment'>(props);
const logging = ref(false);
const jars = computed(() => jarsAt(batch.file!, props.station.id));
/** The jar that is looked at; 0: all of them. */
const jar = ref(0);
watch(jars, ({ left }) => !left.includes(jar.value) && (jar.value = 0));
const readings = computed<Reading[]>(() =>
  batch
    .file!.readings.filter((r) => r.stationId === props.station.id && (jar.value === 0 || r.jar === undefined || r.jar === jar.value))
    .sort((a, b) => a.at.localeCompare(b.at)),
);
const forecast = computed(() => {
  const own = batch.report?.forecasts.filter((f) => f.stationId === props.station.id) ?? [];
  return own.find((f) => f.jar === jar.value) ?? own[0] ?? null;
});
const apart = computed(() => batch.report?.forecasts.some((f) => f.stationId === props.station.id && f.jar !== null) ?? false);
const last = computed(() => readings.value.findLast((r) => r.pH !== undefined || r.tempC !== undefined) ?? null);
const now = computed(() => (props.station.active && props.station.from <= today() ? daysBetween(props.station.from, today()) : null));
const lid = computed(() => params.value.lid);
const says = computed(() => {
  const f = forecast.value;
  const { from, facts } = props.station;
  if (!f) return null;
  return {
    ready: inManner(readyText(f, from, now.value)),
    legal: inManner(legalText(f, from)),
    fit: inManner(fitText(f, from)),
    unsoured: unsouredText(f),
    wrong: props.station.done || f.condemned ? '' : wrongText(f.wrong),
    lower: props.station.done || f.condemned ? '' : lowerText(f.wrong),
    more: [
      warmthText(f),
      props.station.done ? '' : nextText(f, from, now.value),
      props.station.done ? '' : gasText(f, facts?.litres ?? 1, now.value, lid.value),
    ]
      .filter(Boolean)
      .map(inManner),
  };
});
const other = shallowRef<Forecast | null>(null);
const temps = ref(false);
const looking = ref(false);
async function jarLabel() {
  try {
    const [{ jarLabelOf }, { saveJarLabel }] = await Promise.all([import('../papers/jarLabel'), import('../papers/saveJarLabel')]);
    const file = batch.file!;
    const label = jarLabelOf(file, props.station, props.station.facts?.waterPhaseSaltPct ?? null);
    await saveJarLabel(label, `${fileName(file.name)}-jar.pdf`);
  } catch (e) {
    useNotices().fail(e);
  }
}
const keepTemps = (list: JarTemp[] | null) => batch.setLog(props.station.id, { temps: list });
/** What a reading says besides its figures. */
const saysOf = (r: Reading): string =>
  [
    ...(r.signs ? r.signs.map((g) => SIGNS[g].says) : r.pH === undefined ? [] : [r.instrument]),
    ...(r.bubbles === undefined ? [] : [`${plural(r.bubbles, 'bubble')} a minute`]),
    ...(r.coverMm === undefined ? [] : [r.coverMm < 0 ? `${-r.coverMm} mm out of the brine` : `${r.coverMm} mm of brine above`]),
    ...(r.jar ? [`jar ${r.jar}`] : []),
    ...(r.note ? [r.note] : []),
  ].join('; ');
const chosen = ref<Reading | null>(null);
function log(reading: Reading | null) {
  chosen.value = reading;
  logging.value = true;
}
</script>

<template>
  <StationSheet :station="station">
    <template #below>
      <details v-if="forecast && !station.done" :open="forecast.readiness.steps.some((s) => s.is && s.step !== 'days')">
        <summary data-fact="done">
          {{
            forecast.readiness.ready
              ? 'Done, by all that was measured and seen: taste it, then drain it'
              : `Not done yet: ${plural(forecast.readiness.steps.filter((s) => !s.is).length, 'thing')} of ${forecast.readiness.steps.length} missing`
          }}
        </summary>
        <ul class="steps">
          <li v-for="s in forecast.readiness.steps" :key="s.step" :class="{ is: s.is }" :data-step="s.step" :data-is="s.is">
            <span aria-hidden="true">{{ s.is ? '✓' : '·' }}</span> {{ inManner(s.says)
            }}<span class="visually-hidden">{{ s.is ? ': yes' : ': missing' }}</span>
          </li>
        </ul>
      </details>
      <details v-if="readings.length">
        <summary>{{ plural(readings.length, 'reading') }}</summary>
        <ul>
          <li v-for="r in readings" :key="r.id">
            {{ day(r.at) }} <b>{{ r.pH === undefined ? '' : `pH ${r.pH.toFixed(2)}` }}</b>
            {{ r.tempC === undefined ? '' : degrees(r.tempC, 1) }}
            <span class="soft">{{ saysOf(r) }}</span>
            <a v-if="r.photo" :href="`/api/photos/${r.photo}`" target="_blank" rel="noopener"
              ><img :src="`/api/photos/${r.photo}`" :alt="`The jar on ${day(r.at)}`" @error="($event.target as HTMLElement).hidden = true"
            /></a>
            {{ ' ' }}<NButton text class="link" :aria-label="`Change the reading of ${day(r.at)}`" @click="log(r)">change</NButton>
          </li>
        </ul>
      </details>
    </template>
    <template #look>
      <JarPick v-model="jar" :jars="station.done ? [] : jars.left" />
      <p v-if="apart && jar === 0" class="soft small">They are told apart: the line goes by the one that is furthest behind.</p>
      <p v-for="t in station.log.jarsThrown" :key="t.jar" class="thrown" data-fact="jar-thrown">
        Jar {{ t.jar }} thrown away {{ day(t.on) }}: {{ t.why }}.
      </p>
      <div class="log">
        <NButton @click="log(null)">Log a reading</NButton>
        <NButton :disabled="station.done" @click="looking = true">Look and smell</NButton>
      </div>
      <p v-if="station.log.thrownOn" class="thrown" data-fact="thrown">
        Thrown away {{ day(station.log.thrownOn) }}: {{ station.log.thrownWhy }}. What went in is gone; nothing more is taken for it.
      </p>
      <p class="soft small">
        <template v-if="last"
          >Last: {{ last.pH === undefined ? '' : `pH ${last.pH.toFixed(2)}`
          }}{{ last.tempC === undefined ? '' : `, ${degrees(last.tempC, 1)}` }}, {{ day(last.at)
          }}{{ last.note ? `: ${last.note}` : '' }}</template
        >
        <template v-else>No reading yet. Forecast only, not a measurement.</template>
      </p>
      <p v-if="says?.wrong" class="foot" data-fact="wrong">{{ says.wrong }}</p>
    </template>
    <template v-if="forecast">
      <div class="chart">
        <AcidChart
          :forecast="forecast"
          :readings="readings"
          :other="other"
          :from="station.from"
          :today-day="now"
          :end-ph="station.log.pH === undefined ? null : { day: daysBetween(station.from, station.to), pH: station.log.pH }"
        />
      </div>
      <p v-if="says!.unsoured" class="foot" data-fact="ready">{{ says!.unsoured }}</p>
      <p v-else class="foot" data-fact="ready">
        <b>If it sours, ready</b> (pH {{ params.targetPh.toFixed(1) }}, settled): {{ says!.ready }} Below 4.6: {{ says!.legal }}.
      </p>
      <p v-if="says!.fit" class="foot odd" role="alert" data-fact="fit">{{ says!.fit }}</p>
      <ReadyDrag v-if="!says!.unsoured && !station.done" :forecast="forecast" :from="station.from" :station="station" />
    </template>
    <p v-else class="soft">Once there are pods in the jar, the forecast stands here.</p>
    <template #more>
      <div class="links">
        <NButton text class="link" @click="jarLabel">label for the jar, PDF</NButton>
        <NButton text class="link" @click="temps = true">{{ station.log.temps ? 'its temperature log' : 'add a temperature log' }}</NButton>
      </div>
      <template v-if="forecast">
        <p v-if="says!.lower" class="foot" data-fact="lower">{{ says!.lower }}</p>
        <p v-for="t in says!.more" :key="t" class="foot soft" data-fact="jar">{{ t }}</p>
        <WhatIf v-if="!station.done" :forecast="forecast" :from="station.from" @other="other = $event" />
      </template>
    </template>
    <template #read>
      <ReadingSheet v-model:show="logging" :station="station" :reading="chosen" :jar="jar" />
      <LookSheet
        v-model:show="looking"
        :batch-id="batch.id"
        :station-id="station.id"
        :name="batch.file!.name"
        :jars="jars.left"
        :jar="jar"
      />
      <JarTempSheet v-model:show="temps" :from="station.from" :kept="station.log.temps" @keep="keepTemps" />
    </template>
  </StationSheet>
</template>

<style scoped>
img {
  display: block;
  max-width: 120px;
  max-height: 90px;
  border-radius: 8px;
  margin: 2px 0;
}
.steps {
  list-style: none;
  margin: 2px 0 6px;
  padding: 0 0 0 14px;
  font-size: 13.5px;
}
.steps .is {
  color: var(--soft);
}
.chart {
  height: 172px;
}
.foot,
.small {
  margin: 0;
  font-size: 13.5px;
  line-height: 1.3;
}
.links {
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
.log {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.odd,
.thrown {
  padding: 6px 10px;
  background: var(--warn-plate);
  border-left: 4px solid var(--warn);
  border-radius: 6px;
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
