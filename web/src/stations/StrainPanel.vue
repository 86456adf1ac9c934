<script setup lang="ts">
import { computed } from 'vue';
import { METHODS, type Method, type StationReport } from '@roskel/core';
import { grams, percent, shu } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import FactRows from '../ui/FactRows.vue';
import ParamCurve from './ParamCurve.vue';

const props = defineProps<{ station: StationReport<'strain'> }>();
const { params, facts } = usePanel<'strain'>(props);
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
  none: 'Nothing lost.',
  coarse: 'Holds seeds and skins, drips.',
  pressed: 'Holds seeds; pressing gives most.',
  mill: 'Cranked, holds skins and seeds.',
  cloth: 'Thin and clear, wrung out.',
  strong: 'Ground silky first, little is held.',
};
/** What is in the blend decides: seeds, skins and how fine it is. */
const usual = computed(() => {
  const here = facts.value?.expectedLossPct;
  return here ? `It usually keeps ${Math.round(0.68 * here)} to ${Math.round(1.47 * here)} % of this.` : '';
});
</script>

<template>
  <StationSheet :station="station">
    <ParamCurve
      :station="station"
      name="minPerLitre"
      :points="facts?.curve"
      across="Pressed"
      up="what passes"
      :say-y="grams"
      :usual="METHODS[params.method].minPerLitre"
    />
    <template #says>
      <p class="soft" data-fact="usual">{{ NOTES[params.method] }} {{ usual }}</p></template
    >
    <template #more
      ><FactRows :rows="rows" />
      <p class="soft">Capsaicin rides on the particles: the pulp is hotter than the sauce, and dried it makes a fierce flake.</p></template
    >
  </StationSheet>
</template>
