<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'char'> }>();
const { params, facts } = usePanel<'char'>(props);
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
  <StationSheet :station="station">
    <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the oven" up="what is left" :say-y="grams" />
    <template #says>
      <p class="soft">One layer; a crowded pan steams. Salt, acid and nearly all heat stay, so what is left is stronger.</p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
