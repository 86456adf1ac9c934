<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, shallowRef, watch } from 'vue';
import { lostText, stationIn, stationKind, StationLogSchema, type LogChange, type StationLog, type StationReport } from '@roskel/core';
import { inManner, today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useInstruments } from './useInstruments';
import LiveTake from '../devices/LiveTake.vue';
import { BODY_CHOICES } from '../stations/bodyWords';
import { lazySheet } from '../ui/lazySheet';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import EndSheet from './EndSheet.vue';
import DateField from '../ui/DateField.vue';
import TickField from '../ui/TickField.vue';

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

const refusal = ref('');
const set = (change: LogChange) => void (refusal.value = batch.setLog(props.station.id, change)?.message ?? '');
const instruments = useInstruments(() => log.value);
const now = () => new Date().toISOString();
/** What was full before a weighing, until the line is worked out anew: a bottle that it costs is said at once. */
const ends = computed(() => batch.report?.ends ?? []);
const before = shallowRef<typeof ends.value | null>(null);
const lost = ref<string | null>(null);
function weigh(massG: number | null) {
  before.value = ends.value;
  set({ massG });
}
watch(ends, (now) => {
  if (before.value) lost.value = lostText(before.value, now);
});
const readBy = (value: string) => set({ by: null, ...instruments.readWith(value, now()) });
/** Another figure is read now: its meter counts as it is calibrated now. */
const setPh = (pH: number | null) =>
  set({ pH, ...(log.value.by && pH !== null ? instruments.readWith(instruments.valueOf(log.value), now()) : {}) });
const takePh = (pH: number, device: string) => set({ pH, by: null, ...instruments.readWith(instruments.ofDevice(device), now()) });
const calibration = computed(() => (log.value.pH === undefined ? '' : instruments.says(instruments.valueOf(log.value), now())));
const sourer = ref(false);
const sourerOpen = ref(false);
/** Why it should not be ended as it stands: asked before it is taken. */
const asks = ref<string | null>(null);
const wanted = ref<string | null>(null);
function setDone(day: string | null) {
  wanted.value = day;
  asks.value = day === null || log.value.doneOn !== undefined ? null : props.station.doubtsEnd;
  if (asks.value === null) set({ doneOn: day });
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
      @update:model-value="weigh"
    />
    <p v-if="lost" class="asked" role="status" data-fact="lost">{{ lost }}</p>
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
    <div v-if="ph" class="read">
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
      <TickField
        v-if="log.pH !== undefined && !station.blended && !stationKind(station.kind).lives"
        label="Of a blended sample"
        :model-value="log.phBlended === true"
        data-fact="blended-sample"
        @update:model-value="set({ phBlended: $event })"
      />
      <LiveTake quantity="pH" field="Measured pH" @take="takePh" />
    </div>
    <p v-if="ph && station.now.pH !== null" class="soft small" data-fact="worked-out">
      <template v-if="log.pH !== undefined && station.planned.pH !== null"
        >Worked out beforehand: about {{ station.planned.pH.toFixed(1) }}.
      </template>
      <NButton text class="link" @click="((sourer = true), (sourerOpen = true))">Make it sourer or thinner</NButton>
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
      <NButton v-else @click="set({ pH: log.pH })"> Measured again: {{ log.pH.toFixed(2) }} still </NButton>
    </div>
    <div class="done">
      <DateField label="Done on" :model-value="log.doneOn ?? null" optional :trouble="trouble('doneOn')" @update:model-value="setDone" />
      <NButton v-if="!log.doneOn" type="primary" @click="setDone(today())">Done today</NButton>
      <NButton v-else @click="setDone(null)">Not done</NButton>
    </div>
    <p v-if="refusal" class="field-error" role="alert">{{ inManner(refusal) }}</p>
    <EndSheet v-model:why="asks" @end="set({ doneOn: wanted })" />
    <AcidSheet v-if="sourer" v-model:show="sourerOpen" :station="station" />
  </div>
</template>

<style scoped>
.log {
  display: grid;
  gap: 6px;
  align-content: start;
}
.read {
  display: grid;
  gap: 6px;
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
