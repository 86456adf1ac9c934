<script setup lang="ts">
import { computed, ref } from 'vue';
import { StationLogSchema, type StationLog, type StationReport } from '@roskel/core';
import { today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import NumberField from './NumberField.vue';
import ChoiceField from './ChoiceField.vue';

/** What was measured at a station, and the day it was done. The same at every station. */
const props = withDefaults(defineProps<{ station: StationReport; mass?: boolean; ph?: boolean; bottles?: boolean; massLabel?: string }>(), {
  mass: true,
  ph: true,
  bottles: false,
  massLabel: 'Weighed',
});
const batch = useOpenBatch();
// From the batch itself, not from the report: the report lags behind what was just typed.
const log = computed<StationLog>(() => batch.file?.stations.find((s) => s.id === props.station.id)?.log ?? props.station.log);
const doneText = ref('');

function set(change: Partial<Record<keyof StationLog, unknown>>) {
  const all = Object.entries({ ...log.value, ...change }).filter(([, v]) => v !== null && v !== '');
  const next: Partial<Record<keyof StationLog, unknown>> = Object.fromEntries(all);
  if (next.pH !== undefined) next.instrument ??= 'meter';
  else delete next.instrument;
  batch.setLog(props.station.id, next as StationLog);
}
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
      :placeholder="`plan ${Math.round(station.planned.massG)}`"
      :trouble="trouble('massG')"
      @update:model-value="set({ massG: $event })"
    />
    <NumberField
      v-if="bottles"
      label="Bottles filled"
      :model-value="log.bottles"
      :schema="P.bottles"
      optional
      :placeholder="`plan ${String(station.facts.possible ?? '')}`"
      :trouble="trouble('bottles')"
      @update:model-value="set({ bottles: $event })"
    />
    <NumberField
      v-if="ph"
      label="Measured pH"
      :model-value="log.pH"
      :schema="P.pH"
      optional
      :placeholder="station.now.pH === null ? '' : `about ${station.now.pH.toFixed(1)}`"
      :trouble="trouble('pH')"
      @update:model-value="set({ pH: $event })"
    />
    <ChoiceField
      v-if="ph && log.pH !== undefined"
      label="With a"
      :model-value="log.instrument ?? 'meter'"
      :options="[
        { value: 'meter', label: 'calibrated meter' },
        { value: 'strip', label: 'paper strip' },
      ]"
      @update:model-value="set({ instrument: $event })"
    />
    <div class="done">
      <label class="field">
        <span>Done on</span>
        <input
          type="date"
          class="entry"
          :value="log.doneOn ?? doneText"
          :aria-invalid="trouble('doneOn') ? 'true' : undefined"
          @change="set({ doneOn: ($event.target as HTMLInputElement).value })"
        />
      </label>
      <button v-if="!log.doneOn" type="button" class="act main small" @click="set({ doneOn: today() })">Done today</button>
      <button v-else type="button" class="act small" @click="set({ doneOn: null })">Not done</button>
    </div>
    <p v-if="trouble('doneOn')" class="field-error" role="alert">{{ trouble('doneOn') }}</p>
  </div>
</template>

<style scoped>
.log {
  display: grid;
  gap: 6px;
  align-content: start;
}
.done {
  display: grid;
  gap: 6px;
}
</style>
