<script setup lang="ts">
import { computed } from 'vue';
import { bodyWord, THICKENERS, type ParamsOf, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { BODY_CHOICES, bodySays } from './bodyWords';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import HeatField from './HeatField.vue';
import ParamCurve from './ParamCurve.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'thicken'> }>();
const { params, set, facts } = usePanel<'thicken'>(props);
type Params = ParamsOf<'thicken'>;
const WITH = THICKENERS.map((t) => ({ value: t.as, label: t.name }));
/** It is stirred into cold water and boiled; gum is not. */
const slurry = computed(() => THICKENERS.find((t) => t.as === params.value.with)?.slurry ?? true);
const UNTIL: { value: Params['until']; label: string }[] = [
  { value: 'dose', label: 'so much for 100 g of its water' },
  { value: 'body', label: 'until its body is' },
];
/** g of starch in a teaspoon (common practice, no source). */
const TEASPOON = 2.7;
const body = computed(() => bodySays(facts.value));
const rows = computed(() => {
  const f = facts.value;
  const g = f?.doseG ?? 0;
  const gum = !slurry.value;
  return [
    [gum ? 'Gum' : 'Starch', g > 0 && !gum ? `${grams(g)}, about ${Math.max(0.5, Math.round((2 * g) / TEASPOON) / 2)} tsp` : grams(g)],
    ...(gum ? [] : ([['In cold water', grams((f?.slurryG ?? 0) - g)]] as const)),
    ...(gum ? [] : ([['Of it still thickens', `${Math.round(f?.keptPct ?? 0)} in 100`]] as const)),
    ['Body', body.value],
  ] as const;
});
</script>

<template>
  <StationFrame :station="station" picture="Off the whisk">
    <template #set>
      <PickField label="With" :model-value="params.with" :options="WITH" @update:model-value="set({ with: $event })" />
      <PickField label="How much" :model-value="params.until" :options="UNTIL" @update:model-value="set({ until: $event })" />
      <ParamField v-if="params.until === 'dose'" :station="station" name="dosePct" label="For 100 g of water" />
      <PickField
        v-else
        label="When cold it is"
        :model-value="Math.round(params.step)"
        :options="BODY_CHOICES"
        @update:model-value="set({ step: $event })"
      />
      <ParamField v-if="slurry" :station="station" name="minutes" label="On the boil" />
    </template>
    <template #measured>
      <LogFields :station="station" mass-label="Weighed" />
      <HeatField :station="station" />
    </template>
    <template #picture>
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
      <p class="soft">
        Honest to one step either way. Starch sets while it cools and must boil once; the sourer the sauce and the longer the boil, the less
        of it is left. Gum sets for half an hour.
      </p>
    </template>
  </StationFrame>
</template>
