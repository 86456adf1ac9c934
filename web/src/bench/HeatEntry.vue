<script setup lang="ts">
import { NButton, NUpload, type UploadCustomRequestOptions } from 'naive-ui';
import { plural } from '../format';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { TIMES, UNITS, type useHeatLog } from './useHeatLog';

/** Where a thermometer's log is typed or opened, and what could not be read of it. */
const props = withDefaults(defineProps<{ heat: ReturnType<typeof useHeatLog>; example?: string; rows?: number }>(), {
  example: 'min, °C\n0, 25\n6, 70\n9, 83\n20, 83\n24, 70',
  rows: 10,
});
/** As much of a log as is read, characters. */
const MOST_TEXT = 400_000;
const ASKS = { unit: 'whether these are °C or °F', time: 'what its times count' } as const;
const { text, unit, time, log } = props.heat;
async function read({ file, onFinish }: UploadCustomRequestOptions) {
  text.value = (await file.file!.text()).slice(0, MOST_TEXT);
  onFinish();
}
</script>

<template>
  <div class="entry">
    <TextField v-model="text" label="Time and temperature, a line each" :rows="rows" :maxlength="MOST_TEXT" :placeholder="example" />
    <div class="acts">
      <NUpload accept=".csv,.txt,.tsv,text/*" :show-file-list="false" :custom-request="read">
        <NButton>Open a logger’s file</NButton>
      </NUpload>
      <NButton text class="link" @click="text = example">an example</NButton>
    </div>
    <div class="two">
      <PickField v-model="unit" label="Degrees" :options="UNITS" />
      <PickField v-model="time" label="Times" :options="TIMES" />
    </div>
    <p v-if="log.asks.length" class="field-error" role="alert">
      The log does not say {{ log.asks.map((a) => ASKS[a]).join(', nor ') }}. Say it here.
    </p>
    <p v-else-if="text.trim()" class="soft" role="status" data-fact="read">
      {{ plural(log.points.length, 'point') }} read<template v-if="log.bad.length">, {{ plural(log.bad.length, 'line') }} left out</template
      >.
    </p>
    <ul v-if="log.bad.length" class="bad">
      <li v-for="b in log.bad.slice(0, 8)" :key="b.row">
        <b>Line {{ b.row }}</b
        >: {{ b.why }} <span class="soft">{{ b.text }}</span>
      </li>
      <li v-if="log.bad.length > 8" class="soft">and {{ log.bad.length - 8 }} more</li>
    </ul>
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  gap: 8px;
  align-content: start;
}
p {
  margin: 0;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
}
.bad {
  margin: 0;
  padding: 8px 12px;
  list-style: none;
  background: var(--warn-plate);
  border-radius: 8px;
  font-size: 14px;
}
</style>
