<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'press'> }>();
const { facts } = usePanel<'press'>(props);
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
  <StationSheet :station="station">
    <ParamCurve
      :station="station"
      name="waterPerG"
      :points="facts?.curve"
      across="Water for 1 g"
      up="acid of the liquid"
      :say-y="(y) => `${percent(y)} acid`"
      :step="0.1"
    />
    <template #says>
      <p class="soft">
        More water wins more of the acid and thins it. A jar of ready paste is no block: it goes in where it is used, with no water. Taste
        it against a teaspoon of lime juice in a spoon of water.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
