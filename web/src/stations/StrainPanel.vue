<script setup lang="ts">
import { computed } from 'vue';
import { METHODS, shareInPulp, type StationReport, type StrainParams } from '@roskel/core';
import { grams, percent, shu } from '../format';
import { usePanel } from './panel';
import StationFrame from '../ui/StationFrame.vue';
import LogFields from '../ui/LogFields.vue';
import FactRows from '../ui/FactRows.vue';
import KeepSide from '../ui/KeepSide.vue';

const props = defineProps<{ station: StationReport }>();
const { params, set, figure } = usePanel<StrainParams>(props);
type Method = keyof typeof METHODS;
const methods = Object.keys(METHODS) as Method[];
const rows = computed(() => {
  const loss = (figure('lossPct') ?? 0) / 100;
  return [
    ['Kept by the sieve', percent(100 * loss)],
    ['Wet pulp', grams(figure('pulpG') ?? 0)],
    ['Heat of the pulp', `about ${shu(figure('pulpShu') ?? 0)} SHU`],
    ['Heat that leaves with it', `about ${Math.round(100 * shareInPulp(loss, 3))} in 100 parts`],
  ] as const;
});
const usual = (m: Method) =>
  METHODS[m].loss === 0 ? 'nothing lost' : `usually keeps ${Math.round(68 * METHODS[m].loss)} to ${Math.round(147 * METHODS[m].loss)} %`;
</script>

<template>
  <StationFrame :station="station" picture="Through the sieve">
    <template #set>
      <fieldset>
        <legend class="visually-hidden">Method</legend>
        <label v-for="m in methods" :key="m" :class="{ on: params.method === m }">
          <input type="radio" name="method" :checked="params.method === m" @change="set({ method: m })" />
          <span
            >{{ METHODS[m].name }}<br /><span class="soft">{{ usual(m) }}</span></span
          >
        </label>
      </fieldset>
    </template>
    <template #measured><LogFields :station="station" mass-label="What passed, weighed" /></template>
    <template #picture>
      <FactRows :rows="rows" />
      <p class="soft">Capsaicin rides on the particles: the pulp is hotter than the sauce, and dried it makes a fierce flake.</p>
      <KeepSide :station="station" side="pulp" name="Pulp" />
    </template>
  </StationFrame>
</template>

<style scoped>
fieldset {
  border: 0;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 4px;
}
label {
  display: grid;
  grid-template-columns: 24px 1fr;
  align-items: center;
  min-height: 44px;
  padding: 2px 10px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  cursor: pointer;
  line-height: 1.2;
  font-size: 14px;
}
label .soft {
  font-size: 12.5px;
}
label.on {
  border-color: var(--rim);
  background: var(--active);
}
</style>
