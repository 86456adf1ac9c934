<script setup lang="ts">
import { computed } from 'vue';
import type { ParamsOf, StationReport } from '@roskel/core';
import { grams, percent } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'toast'> }>();
const { params, set, facts } = usePanel<'toast'>(props);
const KINDS: { value: ParamsOf<'toast'>['kind']; label: string }[] = [
  { value: 'powder', label: 'ground' },
  { value: 'thin', label: 'thin and small' },
  { value: 'medium', label: 'medium' },
  { value: 'leathery', label: 'thick, leathery' },
];
const DEGREES: { value: ParamsOf<'toast'>['degree']; label: string }[] = [
  { value: 'fragrant', label: 'until they smell' },
  { value: 'dark', label: 'dark' },
];
const rows = computed(
  () =>
    [
      ['Water off', grams(facts.value?.steamG ?? 0)],
      ['Water left in them', percent(facts.value?.waterPct ?? 0)],
      ['Left', grams(props.station.now.massG)],
    ] as const,
);
</script>

<template>
  <StationFrame :station="station" picture="In the dry pan">
    <template #set>
      <PickField label="The pods" :model-value="params.kind" :options="KINDS" @update:model-value="set({ kind: $event })" />
      <ParamField :station="station" name="minutes" label="Time" />
      <PickField label="How far" :model-value="params.degree" :options="DEGREES" @update:model-value="set({ degree: $event })" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Toasted, weighed" /></template>
    <template #picture>
      <ParamCurve
        :station="station"
        name="minutes"
        :points="facts?.curve"
        across="In the pan"
        up="what is left"
        :say-y="grams"
        :step="0.1"
      />
      <FactRows :rows="rows" />
      <p class="soft">A shade darker and still flexible. Smoke or black spots mean bitter: throw those out and start again.</p>
    </template>
  </StationFrame>
</template>
