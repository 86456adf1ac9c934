<script setup lang="ts">
import { computed } from 'vue';
import type { LiftPieces, StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import LiftPicture from './LiftPicture.vue';
import ParamField from './ParamField.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'lift'> }>();
const { params, set, facts } = usePanel<'lift'>(props);
const PIECES: { value: LiftPieces; label: string }[] = [
  { value: 'whole', label: 'whole' },
  { value: 'halved', label: 'halved or burst' },
  { value: 'soft', label: 'soft, scraped out' },
];
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
  <StationFrame :station="station" picture="With the slotted spoon">
    <template #set>
      <PickField label="The pods" :model-value="params.pieces" :options="PIECES" @update:model-value="set({ pieces: $event })" />
      <ParamField :station="station" name="alongPct" label="Of the liquid goes along" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Flesh and liquid, weighed" /></template>
    <template #picture>
      <LiftPicture
        v-if="facts"
        :along-pct="params.alongPct"
        :left-g="facts.liquidLeftG + facts.seedsG"
        :on-g="station.now.massG"
        :hex="station.now.hex"
        :fixed="station.log.massG !== undefined"
        @along="set({ alongPct: $event })"
      />
      <FactRows :rows="rows" />
      <p class="soft">
        It is about bitterness and a smooth sauce; the heat sits in the pale ribs. Liquid that stays behind makes what you lift hotter, and
        takes its vinegar and salt along.
      </p>
    </template>
  </StationFrame>
</template>
