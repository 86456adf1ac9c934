<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'fry'> }>();
const { params, facts } = usePanel<'fry'>(props);
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
  <StationSheet :station="station">
    <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the oil" up="what is left" :say-y="grams" />
    <template #says>
      <p class="soft">
        Small bubbles and red oil are right; smoke and brown oil are not. Garlic in the last minute, ground chili off the heat.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
