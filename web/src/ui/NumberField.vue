<script setup lang="ts">
import { computed, ref, useId, watch } from 'vue';
import type { TSchema } from '@sinclair/typebox';
import { numberProblem } from '@roskel/contract';

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
}>();
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>();
const id = useId();
const show = (v: number | null | undefined) => (v === null || v === undefined ? '' : String(Number(v.toFixed(props.digits ?? 2))));
const text = ref(show(props.modelValue));
const own = ref<string | null>(null);
const focused = ref(false);
const problem = computed(() => own.value ?? props.trouble ?? null);

watch(
  () => props.modelValue,
  (v) => {
    if (!focused.value && !own.value) text.value = show(v);
  },
);

function read(): number | null | undefined {
  const t = text.value.trim().replace(',', '.');
  if (t === '') {
    if (props.optional) return null;
    own.value = `${props.label} is empty. Type a number${props.unit ? ` in ${props.unit}` : ''}.`;
    return undefined;
  }
  // Number('') and Number('1e') slip through in their own ways; only plain figures count.
  const value = /^[-+]?\d*\.?\d+$/.test(t) ? Number(t) : Number.NaN;
  own.value = numberProblem(props.schema, value);
  return own.value ? undefined : value;
}
function typed() {
  own.value = null;
  const value = read();
  if (value !== undefined && value !== (props.modelValue ?? null)) emit('update:modelValue', value);
}
function left() {
  focused.value = false;
  if (!problem.value) text.value = show(props.modelValue);
}
</script>

<template>
  <div class="number-field">
    <label :for="id"
      >{{ label }}<template v-if="unit">, {{ unit }}</template></label
    >
    <input
      :id="id"
      v-model="text"
      class="entry"
      inputmode="decimal"
      autocomplete="off"
      :placeholder="placeholder"
      :aria-invalid="problem ? 'true' : undefined"
      :aria-describedby="problem ? `${id}-e` : undefined"
      @focus="focused = true"
      @blur="left"
      @change="typed"
      @keydown.enter="typed"
    />
    <p v-if="problem" :id="`${id}-e`" class="field-error" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.number-field {
  min-width: 0;
}
label {
  display: block;
  font-size: 13px;
  color: var(--soft);
}
.entry {
  font-weight: 600;
}
p {
  margin: 2px 0 0;
}
</style>
