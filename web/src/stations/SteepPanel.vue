<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { percent } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'steep'> }>();
const { facts } = usePanel<'steep'>(props);
const hours = (h: number) => (h < 2 ? 'within the hour or two' : `after about ${Math.round(h)} hours`);
const rows = computed(
  () =>
    [
      ['Salt of the water in it', percent(facts.value?.saltPct ?? 0)],
      ['Acetic acid', percent(facts.value?.aceticPct ?? 0)],
      ['Even by then', `${Math.round(facts.value?.evenPct ?? 0)} in 100`],
      ['Even throughout', facts.value ? hours(facts.value.evenHours) : '-'],
    ] as const,
);
</script>

<template>
  <StationSheet :station="station">
    <ParamCurve
      :station="station"
      name="hours"
      :points="facts?.curve"
      across="In the vinegar"
      up="how even"
      :say-y="(y) => `${Math.round(y)} in 100 even`"
      :mark="{ value: 95, says: 'a reading counts' }"
    />
    <template #says>
      <p class="soft">
        Nothing leaves: salt and acid soak in until all of it is even. A pH read before that is that of the liquid.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
