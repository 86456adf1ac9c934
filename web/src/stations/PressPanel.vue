<script setup lang="ts">
import { computed } from 'vue';
import type { ParamsOf, StationReport } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'press'> }>();
const { params, set, facts } = usePanel<'press'>(props);
const BLOCKS: { value: ParamsOf<'press'>['block']; label: string }[] = [
  { value: 'seedless', label: 'without seeds' },
  { value: 'seeds', label: 'with seeds in it' },
];
const rows = computed(() => {
  const f = facts.value;
  return [
    ['Passes the sieve', grams(f?.liquidG ?? 0)],
    ['Strings and the rest', grams(f?.residueG ?? 0)],
    ['Solids of the liquid', `${(f?.brix ?? 0).toFixed(0)} Bx, give or take 2`],
    ['Of the fruit’s acid', `about ${Math.round(f?.acidWonPct ?? 0)} in 100 come out`],
    ['pH', props.station.now.pH === null ? 'no pH' : ph(props.station.now.pH, props.station.phMeasured)],
  ] as const;
});
</script>

<template>
  <StationFrame :station="station" picture="Through the fingers">
    <template #set>
      <PickField label="The block" :model-value="params.block" :options="BLOCKS" @update:model-value="set({ block: $event })" />
      <ParamField :station="station" name="waterPerG" label="Hot water for 1 g" />
      <ParamField :station="station" name="washPerG" label="A second water" />
    </template>
    <template #measured><LogFields :station="station" mass-label="What passed, weighed" /></template>
    <template #picture>
      <ParamCurve
        :station="station"
        name="waterPerG"
        :points="facts?.curve"
        across="Water for 1 g"
        up="acid of the liquid"
        :say-y="(y) => `${percent(y)} acid`"
        :step="0.1"
      />
      <FactRows :rows="rows" />
      <p class="soft">
        More water wins more of the acid and thins it. A jar of ready paste is no block: it goes in where it is used, with no water. Taste
        it against a teaspoon of lime juice in a spoon of water.
      </p>
    </template>
  </StationFrame>
</template>
