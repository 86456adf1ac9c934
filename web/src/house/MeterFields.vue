<script setup lang="ts">
import { computed, reactive, ref } from 'vue';
import { NButton } from 'naive-ui';
import { CalibratedSchema, calibrate, calibrationInput, meterAt, type Calibrated, type Tool } from '@roskel/core';
import { clock, day } from '../format';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TextField from '../ui/TextField.vue';
import { commitTyping } from '../ui/typing';

/** A meter's calibrations: what it gives in two buffers now, and what it gave before. */
const props = defineProps<{ tool: Tool }>();
const emit = defineEmits<{ calibrations: [list: Calibrated[]] }>();
const P = CalibratedSchema.properties;
const form = reactive({
  tempC: 25 as number | null,
  unit: 'mV' as Calibrated['unit'],
  in7: null as number | null,
  in4: null as number | null,
  buffers: '',
});
const UNITS = [
  { value: 'mV' as const, label: 'mV in each buffer' },
  { value: 'pH' as const, label: 'what it shows in each' },
];
const refusal = ref('');
const list = computed(() => [...(props.tool.calibrations ?? [])].sort((a, b) => b.at.localeCompare(a.at)));
const now = computed(() => meterAt(props.tool, new Date().toISOString()));
const says = (c: Calibrated) => {
  try {
    return calibrate(calibrationInput(c)).says;
  } catch (e) {
    return (e as Error).message;
  }
};
function add() {
  commitTyping();
  const { tempC, unit, in7, in4, buffers } = form;
  if (tempC === null || in7 === null || in4 === null) {
    refusal.value = 'Say the temperature, and what the meter gives in both buffers.';
    return;
  }
  const made: Calibrated = { at: new Date().toISOString(), tempC, unit, in7, in4, ...(buffers.trim() ? { buffers: buffers.trim() } : {}) };
  try {
    calibrate(calibrationInput(made));
  } catch (e) {
    refusal.value = (e as Error).message;
    return;
  }
  refusal.value = '';
  emit('calibrations', [...(props.tool.calibrations ?? []), made]);
  form.in7 = form.in4 = null;
}
</script>

<template>
  <section class="meter" aria-label="Calibration">
    <h3>Calibrate it now</h3>
    <div class="fields">
      <PickField v-model="form.unit" label="It gives" :options="UNITS" />
      <NumberField v-model="form.tempC" label="The buffers are at" live="temp" unit="°C" :schema="P.tempC" optional :digits="1" />
      <NumberField v-model="form.in7" label="In the buffer of 7" :unit="form.unit === 'mV' ? 'mV' : undefined" :schema="P.in7" optional />
      <NumberField v-model="form.in4" label="In the buffer of 4" :unit="form.unit === 'mV' ? 'mV' : undefined" :schema="P.in4" optional />
      <TextField v-model="form.buffers" class="wide" label="Which bottles of buffer" :maxlength="120" placeholder="opened in October" />
    </div>
    <p v-if="refusal" class="field-error" role="alert">{{ refusal }}</p>
    <NButton @click="add">Take this calibration</NButton>
    <p class="soft" data-fact="meter">{{ list.length ? `Now: ${now.says}.` : now.says }}</p>
    <ul v-if="list.length">
      <li v-for="c in list.slice(0, 6)" :key="c.at" data-calibration>
        <span>{{ day(c.at.slice(0, 10)) }}, {{ clock(c.at) }}: {{ says(c) }}</span>
        <NButton
          text
          class="link"
          :aria-label="`Forget the calibration of ${day(c.at.slice(0, 10))}, ${clock(c.at)}`"
          @click="
            emit(
              'calibrations',
              (tool.calibrations ?? []).filter((x) => x.at !== c.at),
            )
          "
          >forget</NButton
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
.meter {
  display: grid;
  gap: 6px;
  justify-items: start;
}
.fields {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 12px;
  width: 100%;
}
.wide {
  grid-column: 1 / -1;
}
p {
  margin: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  width: 100%;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 3px 0;
  border-bottom: 1px dashed var(--line);
  font-size: 14px;
}
</style>
