<script setup lang="ts">
import { computed } from 'vue';
import type { ParamsOf, StationReport } from '@roskel/core';
import { percent } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'steep'> }>();
const { params, set, facts } = usePanel<'steep'>(props);
const CUTS: { value: ParamsOf<'steep'>['cut']; label: string }[] = [
  { value: 'mash', label: 'ground' },
  { value: 'chopped', label: 'chopped' },
  { value: 'halved', label: 'halved' },
];
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
  <StationFrame :station="station" picture="In the vinegar">
    <template #set>
      <PickField label="Cut" :model-value="params.cut" :options="CUTS" @update:model-value="set({ cut: $event })" />
      <ParamField :station="station" name="hours" label="Time" />
      <ParamField :station="station" name="tempC" label="It stands at" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Weighed" /></template>
    <template #picture>
      <ParamCurve
        :station="station"
        name="hours"
        :points="facts?.curve"
        across="In the vinegar"
        up="how even"
        :say-y="(y) => `${Math.round(y)} in 100 even`"
        :mark="{ value: 95, says: 'a reading counts' }"
      />
      <FactRows :rows="rows" />
      <p class="soft">Nothing leaves: salt and acid soak in until all of it is even. A pH read before that is that of the liquid.</p>
    </template>
  </StationFrame>
</template>
