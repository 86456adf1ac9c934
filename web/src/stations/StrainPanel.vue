<script setup lang="ts">
import { computed } from 'vue';
import { METHODS, type Method, type StationReport } from '@roskel/core';
import { grams, percent, shu } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import FactRows from '../ui/FactRows.vue';
import RadioCards from '../ui/RadioCards.vue';
import ParamCurve from './ParamCurve.vue';
import ToolField from '../batch/ToolField.vue';

const props = defineProps<{ station: StationReport<'strain'> }>();
const { params, set, facts } = usePanel<'strain'>(props);
const rows = computed(() => {
  const f = facts.value;
  if (!f) return [];
  return [
    ['Kept by the sieve', percent(f.lossPct)],
    ['Wet pulp', grams(f.pulpG)],
    ['Heat of the pulp', `about ${shu(f.pulpShu)} SHU`],
    ['Heat that leaves with it', `about ${Math.round(f.heatLostPct)} in 100 parts`],
    ...(f.pulpG > 0 ? [['The cake', f.cakeWetness > 8 ? 'wet: press on, it gives more' : 'pressed dry']] : []),
    ...(f.pressMin >= 1 ? [['Pressing', `about ${Math.round(f.pressMin)} min in all`]] : []),
    ...(f.pressOnG >= 1 ? [['As long again would give', `about ${grams(f.pressOnG)}`]] : []),
  ] as [string, string][];
});
const NOTES: Record<Method, string> = {
  none: 'nothing lost',
  coarse: 'holds seeds and skins, drips',
  pressed: 'holds seeds, pressing gives most',
  mill: 'cranked, holds skins and seeds',
  cloth: 'thin and clear, wrung out',
  strong: 'ground silky first, little is held',
};
/** What is in the blend decides: seeds, skins and how fine it is. */
const usual = (m: Method) => {
  const here = m === params.value.method && facts.value ? facts.value.expectedLossPct : null;
  if (!here) return NOTES[m];
  return `usually keeps ${Math.round(0.68 * here)} to ${Math.round(1.47 * here)} % of this`;
};
const methods = computed(() =>
  (Object.keys(METHODS) as Method[]).map((m) => ({
    value: m,
    title: METHODS[m].name,
    ...(m === params.value.method ? { says: usual(m) } : {}),
  })),
);
</script>

<template>
  <StationFrame :station="station" picture="Through the sieve">
    <template #set>
      <RadioCards :model-value="params.method" label="Method" :options="methods" @update:model-value="set({ method: $event! })" />
      <ToolField v-if="params.method !== 'none'" :station="station" />
    </template>
    <template #measured><LogFields :station="station" mass-label="What passed, weighed" /></template>
    <template #picture>
      <ParamCurve
        :station="station"
        name="minPerLitre"
        :points="facts?.curve"
        across="Pressed"
        up="what passes"
        :say-y="grams"
        :usual="METHODS[params.method].minPerLitre"
      />
      <FactRows :rows="rows" />
      <p class="soft">Capsaicin rides on the particles: the pulp is hotter than the sauce, and dried it makes a fierce flake.</p>
    </template>
  </StationFrame>
</template>
