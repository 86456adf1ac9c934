<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams, percent } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'toast'> }>();
const { facts } = usePanel<'toast'>(props);
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
  <StationSheet :station="station">
    <ParamCurve :station="station" name="minutes" :points="facts?.curve" across="In the pan" up="what is left" :say-y="grams" :step="0.1" />
    <template #says>
      <p class="soft">A shade darker and still flexible. Smoke or black spots mean bitter: throw those out and start again.</p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
