<script setup lang="ts">
import { computed } from 'vue';
import type { ParamsOf, StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import HeatField from './HeatField.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import ToolField from '../batch/ToolField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';
import TickField from '../ui/TickField.vue';

const props = defineProps<{ station: StationReport<'fry'> }>();
const { params, set, facts } = usePanel<'fry'>(props);
const WAYS: { value: ParamsOf<'fry'>['way']; label: string }[] = [
  { value: 'sweat', label: 'sweat, soft' },
  { value: 'paste', label: 'fry a paste' },
  { value: 'crisp', label: 'fry crisp' },
];
const rows = computed(
  () =>
    [
      ['Goes off as steam', grams(facts.value?.steamG ?? 0)],
      ['Oil in the pan', grams(facts.value?.oilG ?? 0)],
      ['Of the heat is in the oil', `about ${Math.round((facts.value?.heatInOilPct ?? 0) / 5) * 5} %`],
      ...(params.value.drained ? ([['Oil that comes back', grams(facts.value?.oilBackG ?? 0)]] as const) : []),
      ['Left', grams(props.station.now.massG)],
    ] as const,
);
</script>

<template>
  <StationFrame :station="station" picture="In the pan">
    <template #set>
      <PickField label="How" :model-value="params.way" :options="WAYS" @update:model-value="set({ way: $event })" />
      <ParamField :station="station" name="minutes" label="Time" />
      <ToolField :station="station" @tool="$event.acrossCm && set({ panCm: $event.acrossCm })" />
      <ParamField :station="station" name="panCm" label="Pan, across" />
      <TickField label="Drain the oil off" :model-value="params.drained" @update:model-value="set({ drained: $event })" />
    </template>
    <template #measured>
      <LogFields :station="station" mass-label="Weighed, less the pan" />
      <HeatField :station="station" />
    </template>
    <template #picture>
      <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the oil" up="what is left" :say-y="grams" />
      <FactRows :rows="rows" />
      <p class="soft">
        Small bubbles and red oil are right; smoke and brown oil are not. Garlic in the last minute, ground chili off the heat.
      </p>
    </template>
  </StationFrame>
</template>
