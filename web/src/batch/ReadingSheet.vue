<script setup lang="ts">
import { computed, nextTick, reactive, ref, toRef, watch } from 'vue';
import dayjs from 'dayjs';
import { NButton, NForm } from 'naive-ui';
import { jarsAt, ReadingSchema, type Reading, type StationReport } from '@roskel/core';
import { clock, day, today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useInstruments } from './useInstruments';
import DateField from '../ui/DateField.vue';
import { readClock } from '../ui/days';
import DraftBar from '../ui/DraftBar.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import JarPick from '../stations/JarPick.vue';
import PhotoField from './PhotoField.vue';
import MakerPick from '../makers/MakerPick.vue';
import SheetCard from '../ui/SheetCard.vue';
import TextField from '../ui/TextField.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

/** Logs a reading of the jar, or puts one right. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ station: Pick<StationReport, 'id' | 'from'>; reading: Reading | null; jar?: number }>();
const batch = useOpenBatch();
const P = ReadingSchema.properties;
const instruments = useInstruments(() => props.reading);
const jars = computed(() => (batch.file ? jarsAt(batch.file, props.station.id).left : []));
const blank = () => {
  const r = props.reading;
  return {
    // What was read in one jar says nothing of the others: of several it is said which.
    jar: r ? (r.jar ?? 0) : props.jar || (jars.value.length > 1 ? null : 0),
    pH: r?.pH ?? null,
    tempC: r?.tempC ?? null,
    on: r ? dayjs(r.at).format('YYYY-MM-DD') : today(),
    at: r ? clock(r.at) : dayjs().format('HH:mm'),
    instrument: instruments.valueOf(r ?? {}),
    bubbles: r?.bubbles ?? null,
    coverMm: r?.coverMm ?? null,
    photo: r?.photo ?? null,
    note: r?.note ?? '',
  };
};
const form = reactive(blank());
const draft = useDraft(() => `reading.${batch.id}.${props.reading?.id ?? 'new'}`, form, blank, toRef(show));
const calibration = computed(() => {
  const time = readClock(form.at);
  const at = time ? dayjs(`${form.on}T${time}`) : dayjs();
  return instruments.says(form.instrument, (at.isValid() ? at : dayjs()).toISOString());
});
const problem = ref('');
watch(show, async (open) => {
  if (!open) return;
  problem.value = '';
  // What was half filled in before is of the jar that is looked at now, where it named none.
  await nextTick();
  form.jar ??= props.jar || null;
});
const title = computed(() => (props.reading ? 'Change the reading' : 'Log a reading'));

async function save() {
  commitTyping();
  const time = readClock(form.at);
  const at = time ? dayjs(`${form.on}T${time}`) : null;
  const nothing = [form.pH, form.tempC, form.bubbles, form.coverMm, form.photo].every((v) => v === null);
  if (nothing && !props.reading?.signs) problem.value = 'A reading needs a pH, a temperature, or something that was seen.';
  else if (form.jar === null && form.pH !== null) problem.value = 'In which jar was it read? What one shows says nothing of the others.';
  else if (!at?.isValid()) problem.value = 'When was it? Give a day and a time, such as 18:30.';
  else if (at.format('YYYY-MM-DD') < props.station.from)
    problem.value = `The jar was packed on ${day(props.station.from)}. A reading cannot be older.`;
  else if (at.isAfter(dayjs().add(1, 'hour'))) problem.value = 'That is in the future. Log what was read, not what is hoped.';
  else {
    const reading: Reading = {
      id: props.reading?.id ?? `r${Date.now().toString(36)}`,
      stationId: props.station.id,
      at: at.toISOString(),
      ...(form.jar ? { jar: form.jar } : {}),
      ...(form.pH === null ? {} : { pH: form.pH }),
      ...(form.tempC === null ? {} : { tempC: form.tempC }),
      ...instruments.readWith(form.instrument, at.toISOString()),
      // What was seen stays with it.
      ...(props.reading?.signs ? { signs: props.reading.signs } : {}),
      ...(form.bubbles === null ? {} : { bubbles: form.bubbles }),
      ...(form.coverMm === null ? {} : { coverMm: form.coverMm }),
      ...(form.photo === null ? {} : { photo: form.photo }),
      ...(form.note.trim() ? { note: form.note.trim() } : {}),
    };
    const others = batch.file!.readings.filter((r) => r.id !== reading.id);
    const readings = props.reading ? batch.file!.readings.map((r) => (r.id === reading.id ? reading : r)) : [...others, reading];
    batch.change(props.reading ? 'change to a reading' : 'reading', { ...batch.file!, readings });
    await draft.done();
    show.value = false;
  }
}
async function remove() {
  batch.change('reading removed', { ...batch.file!, readings: batch.file!.readings.filter((r) => r.id !== props.reading!.id) });
  await draft.done();
  show.value = false;
}
</script>

<template>
  <SheetCard v-model:show="show" :title="title" :width="460">
    <NForm class="form" @submit.prevent="save">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <JarPick v-model="form.jar" class="wide" :jars="jars" label="Read in" all="each, all the same" />
      <NumberField v-model="form.pH" label="pH" :schema="P.pH" optional live="pH" @taken="form.instrument = instruments.ofDevice($event)" />
      <NumberField v-model="form.tempC" label="Temperature" unit="°C" :schema="P.tempC" optional :digits="1" live="temp" />
      <DateField :model-value="form.on" label="Day" @update:model-value="form.on = $event ?? today()" />
      <TextField v-model="form.at" label="Time" :maxlength="8" placeholder="18:30" />
      <PickField v-model="form.instrument" class="wide" label="With a" :options="instruments.options.value" />
      <p v-if="calibration" class="wide soft">{{ calibration }}</p>
      <NumberField v-model="form.coverMm" label="Brine above the pods" unit="mm" :schema="P.coverMm" optional :digits="0" />
      <NumberField v-model="form.bubbles" label="Bubbles a minute" :schema="P.bubbles" optional :digits="1" />
      <PhotoField v-model="form.photo" class="wide" :batch-id="batch.id" />
      <TextField v-model="form.note" class="wide" label="Note" placeholder="cloudy, smells of apples" />
      <MakerPick class="wide" label="Logged by" />
      <p v-if="problem" class="field-error wide" role="alert">{{ problem }}</p>
      <div class="acts wide">
        <NButton type="primary" attr-type="submit">Save the reading</NButton>
        <NButton v-if="reading" text class="link" @click="remove">Take it back</NButton>
      </div>
    </NForm>
  </SheetCard>
</template>

<style scoped>
.form {
  display: grid;
  align-items: start;
  grid-template-columns: 1fr 1fr;
  gap: 10px 12px;
}
.wide {
  grid-column: 1 / -1;
}
.acts {
  display: flex;
  gap: 16px;
  align-items: center;
}
</style>
