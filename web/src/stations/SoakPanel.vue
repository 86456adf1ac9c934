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
import TickField from '../ui/TickField.vue';

const props = defineProps<{ station: StationReport<'soak'> }>();
const { params, set, facts } = usePanel<'soak'>(props);
const rows = computed(
  () =>
    [
      ['Water', grams(facts.value?.waterG ?? 0)],
      ['They drink', grams(facts.value?.drunkG ?? 0)],
      ['Water left', grams(facts.value?.leftG ?? 0)],
      ['Soluble gone into it', `${Math.round(facts.value?.leachedPct ?? 0)} in 100`],
    ] as const,
);
</script>

<template>
  <StationFrame :station="station" picture="In the water">
    <template #set>
      <ParamField :station="station" name="waterPerG" label="Water for 1 g" />
      <ParamField :station="station" name="tempC" label="Water, mean" />
      <ParamField :station="station" name="minutes" label="Time" />
      <TickField label="Keep the water" :model-value="params.keepWater" @update:model-value="set({ keepWater: $event })" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Drained, weighed" /></template>
    <template #picture>
      <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the water" up="weight, shaken" :say-y="grams" />
      <FactRows :rows="rows" />
      <p class="soft">Weigh them down: they float. Soft and folding without a crack means done. Taste the water; bitter water goes.</p>
    </template>
  </StationFrame>
</template>
