<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import { NInput } from 'naive-ui';
import type { TSchema } from '@sinclair/typebox';
import { numberProblem } from '@roskel/contract';
import type { Quantity } from '@roskel/core';
import { figureOf } from './figures';
import LiveTake from '../devices/LiveTake.vue';
import LabelledField from './LabelledField.vue';
import { useTyping } from './typing';

/** A number in the maker's own units: shown and read in them, kept in the unit of its schema. */
const props = defineProps<{
  label: string;
  modelValue: number | null | undefined;
  /** Bounds and wording of the field, from core. */
  schema: TSchema;
  unit?: string;
  /** May be left empty; then null is passed on. */
  optional?: boolean;
  digits?: number;
  /** What the line or the server says about it. */
  trouble?: string | null;
  placeholder?: string;
  /** What is likely to stand here, shown beside its name: "plan 340". */
  likely?: { word: string; value: number } | null;
  hideLabel?: boolean;
  small?: boolean;
  /** A device of the house may fill it: what it must measure. */
  live?: Quantity;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: number | null]; taken: [device: string] }>();
const id = useId();
const figure = computed(() => figureOf(props.unit));
const show = (v: number | null | undefined) =>
  v === null || v === undefined ? '' : String(Number(figure.value.show(v).toFixed(props.digits ?? 2)));
const hint = computed(() => {
  const { likely, placeholder } = props;
  return likely
    ? `${likely.word} ${Number(figure.value.show(likely.value).toPrecision(likely.value < 10 ? 2 : 4)).toLocaleString('en')}`.trim()
    : (placeholder ?? '');
});
const text = ref(show(props.modelValue));
const own = ref<string | null>(null);
const focused = ref(false);
const { typed: typing, taken } = useTyping(typed);
const problem = computed(() => own.value ?? props.trouble ?? null);
const name = computed(() => (figure.value.unit ? `${props.label}, ${figure.value.unit}` : props.label));

watch(
  () => show(props.modelValue),
  (now, before) => {
    // With the cursor in it, only what was not touched follows.
    if (!own.value && (!focused.value || text.value === before)) text.value = now;
  },
);

function read(): number | null | undefined {
  if (text.value.trim() === '') {
    if (props.optional) return null;
    own.value = `${props.label} is empty. Type a number${figure.value.unit ? ` in ${figure.value.unit}` : ''}.`;
    return undefined;
  }
  const value = figure.value.read(text.value);
  own.value = numberProblem(props.schema, value);
  return own.value ? undefined : Number(value.toPrecision(12));
}
function typed() {
  taken();
  own.value = null;
  // What is shown is rounded: leaving it as it stands changes nothing.
  if (text.value === show(props.modelValue)) return;
  const value = read();
  if (value !== undefined && value !== (props.modelValue ?? null)) emit('update:modelValue', value);
}
/** A device's figure goes the way of a typed one: the schema may refuse it. */
function take(value: number, device: string) {
  taken();
  own.value = numberProblem(props.schema, value);
  text.value = show(value);
  if (own.value) return;
  emit('update:modelValue', value);
  emit('taken', device);
}
function left() {
  focused.value = false;
  if (!problem.value) text.value = show(props.modelValue);
}
</script>

<template>
  <LabelledField :label="name" :for-id="id" :problem="problem" :hide-label="hideLabel ?? false" :hint="hint">
    <NInput
      v-model:value="text"
      class="figure"
      :size="small ? 'small' : 'medium'"
      :placeholder="hideLabel ? hint : ''"
      :status="problem ? 'error' : undefined"
      :input-props="{
        id,
        inputmode: unit === 'g' || unit === 'ml' || unit === '°C' ? 'text' : 'decimal',
        autocomplete: 'off',
        'aria-invalid': problem ? 'true' : undefined,
        'aria-describedby': problem ? `${id}-e` : hint && !hideLabel ? `${id}-h` : undefined,
      }"
      @focus="focused = true"
      @input="typing"
      @blur="left"
      @change="typed"
      @keydown.enter="typed"
    />
    <LiveTake v-if="live" :quantity="live" :field="label" @take="take" />
  </LabelledField>
</template>
