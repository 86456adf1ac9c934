<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import {
  graphOf,
  instrumentOf,
  stationIn,
  StationLogSchema,
  stationsOf,
  upstreamOf,
  type StationLog,
  type StationReport,
} from '@roskel/core';
import { today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useInstruments } from './useInstruments';
import LiveTake from '../devices/LiveTake.vue';
import { BODY_CHOICES } from '../stations/bodyWords';
import { lazySheet } from '../ui/lazySheet';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import DateField from '../ui/DateField.vue';

const AcidSheet = lazySheet(() => import('./AcidSheet.vue'));
/** What was measured at a station, and the day it was done. The same at every station. */
const props = withDefaults(
  defineProps<{
    station: StationReport;
    mass?: boolean;
    ph?: boolean;
    bottles?: number | null;
    massLabel?: string;
    heated?: boolean;
    vessel?: 'bottle' | 'bowl';
  }>(),
  {
    mass: true,
    ph: true,
    bottles: null,
    heated: false,
    vessel: 'bottle',
    massLabel: 'Weighed',
  },
);
const batch = useOpenBatch();
// From the batch itself, not from the report: the report lags behind what was just typed.
const log = computed<StationLog>(() => (batch.file && stationIn(batch.file, props.station.id)?.log) ?? props.station.log);

function set(change: Partial<Record<keyof StationLog, unknown>>) {
  const all = Object.entries({ ...log.value, ...change }).filter(([, v]) => v !== null && v !== '');
  const next: Partial<Record<keyof StationLog, unknown>> = Object.fromEntries(all);
  // Another figure is another reading: it belongs to what is there now, and nobody has vouched for it.
  if ('pH' in change || 'instrument' in change || 'by' in change) {
    delete next.phOn;
    delete next.phSure;
  }
  if (next.pH !== undefined) next.instrument ??= instrumentOf(undefined);
  else delete next.instrument;
  if (next.pH === undefined) delete next.by;
  batch.setLog(props.station.id, next as StationLog);
}
const instruments = useInstruments(() => log.value);
const now = () => new Date().toISOString();
const readBy = (value: string) => set({ by: null, ...instruments.readWith(value, now()) });
/** Another figure is read now: its meter counts as it is calibrated now. */
const setPh = (pH: number | null) =>
  set({ pH, ...(log.value.by && pH !== null ? instruments.readWith(instruments.valueOf(log.value), now()) : {}) });
const takePh = (pH: number, device: string) => set({ pH, by: null, ...instruments.readWith(instruments.ofDevice(device), now()) });
const calibration = computed(() => (log.value.pH === undefined ? '' : instruments.says(instruments.valueOf(log.value), now())));
const sourer = ref(false);
const sourerOpen = ref(false);
const refusal = ref('');
/** A day that has not come cannot be one on which something was done. */
function setDone(day: string) {
  refusal.value = day > today() ? 'That day has not come yet. Log what was done, not what is planned.' : '';
  // A jar that was thrown away was done with on that day.
  if (refusal.value === '') set({ doneOn: day, ...(log.value.thrownOn === undefined ? {} : { thrownOn: day }) });
}
/** What is done later stands on this; it is taken back first. */
function undoDone() {
  // From the batch itself: the report lags behind what was just typed.
  const f = batch.file!;
  const later = stationsOf(f).find(({ entry }) => entry.log.doneOn !== undefined && upstreamOf(graphOf(f), entry.id).has(props.station.id));
  const name = batch.report?.stations.find((s) => s.id === later?.entry.id)?.name ?? 'A later step';
  refusal.value = later ? `${name} is done already and stands on this. Take that back first.` : '';
  // What was not done was not thrown away either.
  if (!later) set({ doneOn: null, thrownOn: null, thrownWhy: null });
}
const looks = [{ value: 0, label: 'not looked at' }, ...BODY_CHOICES];
const P = StationLogSchema.properties;
const trouble = (field: string) => batch.troubleAt(props.station.id, `log/${field}`);
</script>

<template>
  <div class="log">
    <NumberField
      v-if="mass"
      :label="massLabel"
      unit="g"
      :model-value="log.massG"
      :schema="P.massG"
      optional
      :digits="1"
      :likely="{ word: 'plan', value: Math.round(station.planned.massG) }"
      :trouble="trouble('massG')"
      live="mass"
      @update:model-value="set({ massG: $event })"
    />
    <NumberField
      v-if="bottles !== null"
      :label="vessel === 'bowl' ? 'Bowls served' : 'Bottles filled'"
      :model-value="log.bottles"
      :schema="P.bottles"
      optional
      :placeholder="`plan ${bottles}`"
      :trouble="trouble('bottles')"
      @update:model-value="set({ bottles: $event })"
    />
    <div v-if="ph" class="read" :class="{ two: log.pH !== undefined }">
      <NumberField
        :label="heated ? 'pH, heated and cooled' : 'Measured pH'"
        :model-value="log.pH"
        :schema="P.pH"
        optional
        :placeholder="station.now.pH === null ? '' : `about ${station.now.pH.toFixed(1)}`"
        :trouble="trouble('pH')"
        @update:model-value="setPh"
      />
      <PickField
        v-if="log.pH !== undefined"
        label="With a"
        :model-value="instruments.valueOf(log)"
        :options="instruments.options.value"
        @update:model-value="readBy"
      />
      <LiveTake class="wide" quantity="pH" field="Measured pH" @take="takePh" />
    </div>
    <p v-if="ph && station.now.pH !== null" class="soft small" data-fact="worked-out">
      <template v-if="log.pH !== undefined && station.planned.pH !== null"
        >Worked out beforehand: about {{ station.planned.pH.toFixed(1) }}.
      </template>
      <NButton text class="link" @click="((sourer = true), (sourerOpen = true))">sourer, or thinner?</NButton>
    </p>
    <p v-if="calibration" class="soft small" data-fact="calibration">{{ calibration }}</p>
    <PickField
      v-if="station.now.body !== null"
      label="How it pours, cool"
      :model-value="log.look ?? 0"
      :options="looks"
      @update:model-value="set({ look: $event || null })"
    />
    <div v-if="station.ph.note && log.pH !== undefined" class="asked" role="status">
      <p>{{ station.ph.note }}</p>
      <NButton v-if="station.ph.status === 'unlikely'" @click="set({ phSure: true })"> It was checked, it is right </NButton>
      <NButton v-else @click="batch.setLog(station.id, { ...log, phOn: undefined })">
        Measured again: {{ log.pH.toFixed(2) }} still
      </NButton>
    </div>
    <div class="done">
      <DateField
        label="Done on"
        :model-value="log.doneOn ?? null"
        optional
        :trouble="trouble('doneOn')"
        @update:model-value="$event ? setDone($event) : undoDone()"
      />
      <NButton v-if="!log.doneOn" type="primary" @click="set({ doneOn: today() })">Done today</NButton>
      <NButton v-else @click="undoDone">Not done</NButton>
    </div>
    <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
    <AcidSheet v-if="sourer" v-model:show="sourerOpen" :station="station" />
  </div>
</template>

<style scoped>
.log {
  display: grid;
  gap: 6px;
  align-content: start;
}
.two {
  display: grid;
  grid-template-columns: 1.15fr 1fr;
  gap: 8px;
  align-items: end;
}
.wide {
  grid-column: 1 / -1;
}
.asked {
  background: var(--warn-plate);
  border: 1.5px solid var(--warn);
  border-radius: 10px;
  padding: 8px 10px;
  font-size: 14px;
  line-height: 1.3;
}
.asked p {
  margin: 0 0 6px;
}
p.small {
  margin: 0;
  font-size: 13px;
}
.done {
  display: grid;
  gap: 6px;
}
</style>
