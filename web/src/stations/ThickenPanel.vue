<script setup lang="ts">
import { computed } from 'vue';
import { bodyWord, THICKENERS, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { bodySays } from './bodyWords';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'thicken'> }>();
const { params, facts } = usePanel<'thicken'>(props);
/** It is stirred into cold water and boiled; gum is not. */
const slurry = computed(() => THICKENERS.find((t) => t.as === params.value.with)?.slurry ?? true);
/** g of starch in a teaspoon (common practice, no source). */
const TEASPOON = 2.7;
const others = computed(
  () =>
    [
      ...(slurry.value ? ([['Of it still thickens', `${Math.round(facts.value?.keptPct ?? 0)} in 100`]] as const) : []),
      ['Body', bodySays(facts.value)],
    ] as const,
);
const rows = computed(() => {
  const f = facts.value;
  const g = f?.doseG ?? 0;
  const gum = !slurry.value;
  return [
    [gum ? 'Gum' : 'Starch', g > 0 && !gum ? `${grams(g)}, about ${Math.max(0.5, Math.round((2 * g) / TEASPOON) / 2)} tsp` : grams(g)],
    ...(gum ? [] : ([['In cold water', grams((f?.slurryG ?? 0) - g)]] as const)),
  ] as const;
});
</script>

<template>
  <StationSheet :station="station">
    <ParamCurve
      :station="station"
      name="dosePct"
      :points="facts?.curve"
      across="For 100 g of water"
      up="body when cold"
      :say-y="(y) => bodyWord(y)"
      :step="0.1"
      :usual="facts?.dosePct ?? 0"
      :also="{ until: 'dose' }"
    />
    <FactRows :rows="rows" />
    <p v-if="facts && !facts.reached" class="field-error" role="alert">
      This thickener alone does not get there. Simmer it down first, or wish a thinner sauce.
    </p>
    <template #more
      ><FactRows :rows="others" />
      <p class="soft">
        Honest to one step either way. Starch sets while it cools and must boil once; the sourer the sauce and the longer the boil, the less
        of it is left. Gum sets for half an hour.
      </p></template
    >
  </StationSheet>
</template>
