<script setup lang="ts">
import { reactive, ref, watch } from 'vue';
import dayjs from 'dayjs';
import { NModal } from 'naive-ui';
import { instrumentOf, ReadingSchema, type Reading, type StationReport } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import NumberField from './NumberField.vue';
import ChoiceField from './ChoiceField.vue';

const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ station: StationReport }>();
const batch = useOpenBatch();
const P = ReadingSchema.properties;
const fresh = () => ({
  pH: null as number | null,
  tempC: null as number | null,
  at: dayjs().format('YYYY-MM-DDTHH:mm'),
  instrument: instrumentOf(undefined) as Reading['instrument'],
  note: '',
});
const form = reactive(fresh());
const problem = ref('');
watch(show, (open) => {
  if (open) {
    Object.assign(form, fresh());
    problem.value = '';
  }
});

function save() {
  const at = dayjs(form.at);
  if (form.pH === null && form.tempC === null) problem.value = 'A reading needs a pH or a temperature.';
  else if (!at.isValid()) problem.value = 'When was it? Give a day and a time.';
  else if (at.format('YYYY-MM-DD') < props.station.from)
    problem.value = `The jar was packed on ${props.station.from}. A reading cannot be older.`;
  else if (at.isAfter(dayjs().add(1, 'hour'))) problem.value = 'That is in the future. Log what was read, not what is hoped.';
  else {
    const reading: Reading = {
      id: `r${Date.now().toString(36)}`,
      stationId: props.station.id,
      at: at.toISOString(),
      ...(form.pH === null ? {} : { pH: form.pH }),
      ...(form.tempC === null ? {} : { tempC: form.tempC }),
      instrument: form.instrument,
      ...(form.note ? { note: form.note } : {}),
    };
    batch.change('reading', { ...batch.file!, readings: [...batch.file!.readings, reading] });
    show.value = false;
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Log a reading" style="width: 440px; max-width: 94vw">
    <form class="form" @submit.prevent="save">
      <NumberField v-model="form.pH" label="pH" :schema="P.pH" optional />
      <NumberField v-model="form.tempC" label="Temperature" unit="°C" :schema="P.tempC" optional :digits="1" />
      <label class="field">
        <span>When</span>
        <input v-model="form.at" type="datetime-local" class="entry" />
      </label>
      <ChoiceField
        v-model="form.instrument"
        label="With a"
        :options="[
          { value: 'meter', label: 'calibrated meter' },
          { value: 'strip', label: 'paper strip' },
        ]"
      />
      <label class="field wide">
        <span>Note</span>
        <input v-model="form.note" class="entry" maxlength="2000" placeholder="cloudy, smells of apples" />
      </label>
      <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
      <button type="submit" class="act main wide">Save the reading</button>
    </form>
  </NModal>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
</style>
