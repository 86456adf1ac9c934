<script setup lang="ts">
import { computed } from 'vue';
import { Type } from '@sinclair/typebox';
import type { KnownSauce } from '@roskel/core';
import { LEAST_BODY } from '../stations/bodyWords';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';

/** What is known of a sauce that no batch made. */
const props = defineProps<{ known: KnownSauce }>();
const emit = defineEmits<{ change: [change: Partial<KnownSauce>] }>();
const FIELDS = [
  {
    of: 'massG',
    label: 'There is',
    unit: 'g',
    schema: Type.Number({ title: 'How much there is', minimum: 20, maximum: 50_000, unit: 'g' }),
  },
  { of: 'pH', label: 'Measured pH', unit: '', schema: Type.Number({ title: 'pH', minimum: 2.5, maximum: 7 }) },
  { of: 'shu', label: 'Heat, about, SHU', unit: '', schema: Type.Number({ title: 'Heat in SHU', minimum: 0, maximum: 3_000_000 }) },
  { of: 'saltPct', label: 'Salt', unit: '%', schema: Type.Number({ title: 'Salt', minimum: 0, maximum: 25 }) },
  { of: 'sugarPct', label: 'Sugar', unit: '%', schema: Type.Number({ title: 'Sugar', minimum: 0, maximum: 60 }) },
  {
    of: 'aceticPct',
    label: 'Acetic acid',
    unit: '%',
    schema: Type.Number({ title: 'Vinegar in it, as acetic acid', minimum: 0, maximum: 10 }),
  },
] as const;
const bodies = LEAST_BODY.filter((b) => b.value > 0).map((b) => ({ value: b.value + 0.5, label: b.label.replace('at least ', '') }));
const pours = [{ value: 1.5, label: 'like water or milk' }, ...bodies];
const nearest = computed(
  () => [...pours].sort((a, b) => Math.abs(a.value - props.known.body) - Math.abs(b.value - props.known.body))[0]!.value,
);
</script>

<template>
  <NumberField
    v-for="f in FIELDS"
    :key="f.of"
    :label="f.label"
    v-bind="f.unit ? { unit: f.unit } : {}"
    :model-value="known[f.of]"
    :schema="f.schema"
    @update:model-value="emit('change', { [f.of]: $event! })"
  />
  <PickField label="How it pours" :model-value="nearest" :options="pours" @update:model-value="emit('change', { body: $event })" />
</template>
