<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'soak'> }>();
const { facts } = usePanel<'soak'>(props);
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
  <StationSheet :station="station">
    <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the water" up="weight, shaken" :say-y="grams" />
    <template #says>
      <p class="soft">
        Weigh them down: they float. Soft and folding without a crack means done. Taste the water; bitter water goes.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
