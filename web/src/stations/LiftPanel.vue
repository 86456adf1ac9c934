<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import LiftPicture from './LiftPicture.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'lift'> }>();
const { params, set, facts } = usePanel<'lift'>(props);
const rows = computed(() => {
  const f = facts.value;
  return [
    ['Seeds left in the pan', grams(f?.seedsG ?? 0)],
    ['Liquid left there', grams(f?.liquidLeftG ?? 0)],
    ['Heat that stays with them', `about ${Math.round(f?.heatLeftPct ?? 0)} in 100 parts`],
    ['Goes on', grams(props.station.now.massG)],
  ] as const;
});
</script>

<template>
  <StationSheet :station="station">
    <LiftPicture
      v-if="facts"
      :along-pct="params.alongPct"
      :left-g="facts.liquidLeftG + facts.seedsG"
      :on-g="station.now.massG"
      :hex="station.now.hex"
      :fixed="station.log.massG !== undefined"
      @along="set({ alongPct: $event })"
    />
    <template #says>
      <p class="soft">
        It is about bitterness and a smooth sauce; the heat sits in the pale ribs. Liquid that stays behind makes what you lift hotter, and
        takes its vinegar and salt along.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
