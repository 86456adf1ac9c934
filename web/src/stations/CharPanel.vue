<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';
import TickField from '../ui/TickField.vue';

const props = defineProps<{ station: StationReport<'char'> }>();
const { params, set, facts } = usePanel<'char'>(props);
const WAYS = [
  { value: 'pan', label: 'dry pan' },
  { value: 'grill', label: 'grill' },
  { value: 'oven', label: 'oven' },
] as const;
const DEGREES = [
  { value: 'light', label: 'blistered in places' },
  { value: 'well', label: 'black all over' },
] as const;
const rows = computed(
  () =>
    [
      ['Water off', `${grams(facts.value?.steamG ?? 0)}, ${Math.round(facts.value?.driedPct ?? 0)} % of it`],
      ...(params.value.peel ? ([['Peel', grams(facts.value?.peelG ?? 0)]] as const) : []),
      ['Left', grams(props.station.now.massG)],
    ] as const,
);
</script>

<template>
  <StationFrame :station="station" picture="Over the fire">
    <template #set>
      <PickField label="Fire" :model-value="params.way" :options="[...WAYS]" @update:model-value="set({ way: $event })" />
      <PickField
        v-if="params.way === 'pan'"
        label="How far"
        :model-value="params.degree"
        :options="[...DEGREES]"
        @update:model-value="set({ degree: $event })"
      />
      <ParamField v-if="params.way === 'oven'" :station="station" name="tempC" label="Oven" />
      <ParamField :station="station" name="minutes" label="Time" />
      <TickField label="Peel them" :model-value="params.peel" @update:model-value="set({ peel: $event })" />
    </template>
    <template #measured><LogFields :station="station" mass-label="With the juice, weighed" /></template>
    <template #picture>
      <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the oven" up="what is left" :say-y="grams" />
      <FactRows :rows="rows" />
      <p class="soft">One layer; a crowded pan steams. Salt, acid and nearly all heat stay, so what is left is stronger.</p>
    </template>
  </StationFrame>
</template>
