<script setup lang="ts">
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { computed, ref, shallowRef, watch } from 'vue';
import {
  logRefusal,
  lostText,
  stationIn,
  stationKind,
  StationLogSchema,
  withLogged,
  type LogChange,
  type StationLog,
  type StationReport,
} from '@roskel/core';
import { fullDay, today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useInstruments } from './useInstruments';
import LiveTake from '../devices/LiveTake.vue';
import { BODY_CHOICES } from '../stations/bodyWords';
import HeatField from '../stations/HeatField.vue';
import { lazySheet } from '../ui/lazySheet';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import EndSheet from './EndSheet.vue';
import DateField from '../ui/DateField.vue';
import TickField from '../ui/TickField.vue';

const AcidSheet = lazySheet(() => import('./AcidSheet.vue'));
/** What is measured at a station, with the plan beside it, and the day it was done. What is asked where is its kind's. */
const props = defineProps<{
  station: StationReport;
  /** Where one goes on when it is done. */
  next: { id: string; name: string } | null;
}>();
const emit = defineEmits<{ go: [stationId: string] }>();
const batch = useOpenBatch();
const kind = computed(() => stationKind(props.station.kind));
const entry = computed(() => (batch.file ? stationIn(batch.file, props.station.id) : undefined));
// From the batch itself, not from the report: the report lags behind what was just typed.
const log = computed<StationLog>(() => entry.value?.log ?? props.station.log);
const params = computed(() => entry.value?.params ?? {});
/** How many it could fill; null where it fills nothing. */
const possible = computed(() => (kind.value.bottled && props.station.facts ? kind.value.bottled(props.station.facts).possible : null));
const hot = computed(() => kind.value.heatLogged?.(params.value) === true);

/** What could not be noted, said at its field. */
const refusal = ref<ReturnType<typeof logRefusal>>(null);
function set(change: LogChange): boolean {
  refusal.value = batch.setLog(props.station.id, change);
  return refusal.value === null;
}
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
/** The day that is asked about, and whether one goes on afterwards. */
const wanted = ref<{ day: string | null; on: boolean }>({ day: null, on: false });
function end({ day, on } = wanted.value) {
  if (set({ doneOn: day }) && on && props.next) emit('go', props.next.id);
}
function setDone(day: string | null, on = false) {
  wanted.value = { day, on };
  asks.value = day === null || log.value.doneOn !== undefined ? null : props.station.doubtsEnd;
  if (asks.value === null) end();
}
const looks = [{ value: 0, label: 'not looked at' }, ...BODY_CHOICES];
const P = StationLogSchema.properties;
const trouble = (field: keyof StationLog) =>
  refusal.value?.field === field ? refusal.value.message : batch.troubleAt(props.station.id, `log/${field}`);
/** A day before the batch began: it may have begun then. Null where that does not help. */
const earlier = computed(() => {
  const [file, day] = [batch.file, wanted.value.day];
  if (!file || !day || refusal.value?.field !== 'doneOn' || day >= file.startDate) return null;
  const began = { ...file, startDate: day };
  return logRefusal(began, props.station.id, { doneOn: day }, today()) ? null : { day, file: began };
});
function beginEarlier() {
  const { day, file } = earlier.value!;
  batch.change(`began on ${fullDay(day)}`, withLogged(file, props.station.id, { doneOn: day }));
  refusal.value = null;
}
const planned = computed(() => props.station.planned.pH ?? props.station.now.pH);
</script>

<template>
  <div class="look">
    <slot />
    <NumberField
      v-if="kind.weighed"
      :label="kind.weighed"
      unit="g"
      :model-value="log.massG"
      :schema="P.massG"
      optional
      :digits="1"
      :likely="station.planned.massG > 0 ? { word: 'plan', value: Math.round(station.planned.massG) } : null"
      :trouble="trouble('massG')"
      live="mass"
      @update:model-value="weigh"
    />
    <p v-if="lost" class="asked" role="status" data-fact="lost">{{ lost }}</p>
    <NumberField
      v-if="possible !== null"
      :label="kind.vessel === 'bowl' ? 'Bowls served' : 'Bottles filled'"
      :model-value="log.bottles"
      :schema="P.bottles"
      optional
      :placeholder="`plan ${possible}`"
      :trouble="trouble('bottles')"
      @update:model-value="set({ bottles: $event })"
    />
    <!-- A bottle is filled first; what cooled of it is read then. -->
    <slot v-if="kind.bottled" name="more" />
    <NumberField
      :label="kind.bottled && hot ? 'pH, heated and cooled' : 'Measured pH'"
      :model-value="log.pH"
      :schema="P.pH"
      optional
      :placeholder="planned === null ? '' : `plan about ${planned.toFixed(1)}`"
      :trouble="trouble('pH')"
      @update:model-value="setPh"
    />
    <LiveTake quantity="pH" field="Measured pH" @take="takePh" />
    <template v-if="log.pH !== undefined">
      <PickField label="With a" :model-value="instruments.valueOf(log)" :options="instruments.options.value" @update:model-value="readBy" />
      <TickField
        v-if="!station.blended && !kind.lives"
        label="Of a blended sample"
        :model-value="log.phBlended === true"
        data-fact="blended-sample"
        @update:model-value="set({ phBlended: $event })"
      />
      <div v-if="station.ph.note" class="asked" role="status">
        <p>{{ station.ph.note }}</p>
        <NButton v-if="station.ph.status === 'unlikely'" @click="set({ phSure: true })">It was checked, it is right</NButton>
        <NButton v-else @click="set({ pH: log.pH })">Measured again: {{ log.pH.toFixed(2) }} still</NButton>
      </div>
      <p v-if="calibration" class="soft small" data-fact="calibration">{{ calibration }}</p>
    </template>
    <PickField
      v-if="station.now.body !== null"
      label="How it pours, cool"
      :model-value="log.look ?? 0"
      :options="looks"
      @update:model-value="set({ look: $event || null })"
    />
    <slot v-if="!kind.bottled" name="more" />
    <DateField
      label="Done on"
      :model-value="log.doneOn ?? null"
      optional
      :trouble="trouble('doneOn')"
      @update:model-value="setDone($event)"
    />
    <NButton v-if="earlier" class="earlier" @click="beginEarlier">The batch began on {{ fullDay(earlier.day) }}</NButton>
    <div class="acts">
      <NButton v-if="!log.doneOn" type="primary" class="done" @click="setDone(today(), true)"
        >Done{{ next ? `, on to ${next.name}` : ' today' }}</NButton
      >
      <template v-else>
        <NButton v-if="next" class="done" @click="emit('go', next.id)">On to {{ next.name }}</NButton>
        <NButton @click="setDone(null)">Not done</NButton>
      </template>
    </div>
    <div class="links">
      <NButton v-if="station.now.pH !== null" text class="link" @click="((sourer = true), (sourerOpen = true))"
        >Make it sourer or thinner</NButton
      >
      <RouterLink
        v-if="kind.tasted && !kind.byTaste && station.now.massG > 0"
        class="link"
        :to="{ name: 'trim', params: { id: batch.id, station: station.id } }"
        >Taste and put right</RouterLink
      >
      <HeatField v-if="hot" :station="station" />
    </div>
    <EndSheet v-model:why="asks" @end="end()" />
    <AcidSheet v-if="sourer" v-model:show="sourerOpen" :station="station" />
  </div>
</template>

<style scoped>
.look {
  display: grid;
  gap: 4px;
  align-content: start;
}
/* A row each: what is asked and its plan on the left, the field on the right. */
.look > :deep(.labelled .inner) {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(132px, 48%);
  align-items: center;
  gap: 0 12px;
}
.look > :deep(.labelled .inner > *) {
  grid-column: 1 / -1;
}
.look > :deep(.labelled .inner > .name) {
  grid-column: 1;
  flex-direction: column;
}
.look > :deep(.labelled .inner > .name label) {
  font-size: 14px;
  line-height: 1.25;
  color: var(--ink);
}
.look > :deep(.labelled .inner > .n-input),
.look > :deep(.labelled .inner > .pick) {
  grid-column: 2;
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
p {
  margin: 0;
}
.small {
  font-size: 13px;
}
.acts {
  display: flex;
  gap: 8px;
  margin-top: 4px;
}
.done {
  flex: 1;
}
.links {
  align-items: center;
  display: flex;
  flex-wrap: wrap;
  gap: 0 16px;
}
</style>
