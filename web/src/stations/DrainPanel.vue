<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'drain'> }>();
const { facts } = usePanel<'drain'>(props);
const brine = computed(
  () =>
    [
      ['Brine', grams(facts.value?.brineG ?? 0)],
      ['Its salt', percent(facts.value?.brineSaltPct ?? 0)],
      ['Its pH', ph(facts.value?.brinePh ?? null)],
    ] as const,
);
const pods = computed(
  () =>
    [
      ['Drained pods', grams(props.station.now.massG)],
      ['Their salt', percent(props.station.now.saltPct)],
      ['Their pulp', percent(props.station.now.pulpPct)],
    ] as const,
);
const share = computed(() => (100 * props.station.now.massG) / Math.max(1, props.station.inG));
</script>

<template>
  <StationSheet :station="station">
    <div class="bar" aria-hidden="true">
      <i :style="{ width: `${share}%`, background: station.now.hex }" /><i style="flex: 1; background: var(--brine)" />
    </div>
    <div class="two"><FactRows :rows="pods" /><FactRows :rows="brine" /></div>
    <template #says>
      <p class="soft">
        Dissolved salt, sugar and acid spread over all the water. Pulp, fat and nearly all heat stay with the pods.
      </p></template
    >
  </StationSheet>
</template>

<style scoped>
.bar {
  display: flex;
  height: 26px;
  border-radius: 13px;
  overflow: hidden;
  border: 2px solid var(--rim);
  margin-bottom: 8px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 18px;
}
</style>
