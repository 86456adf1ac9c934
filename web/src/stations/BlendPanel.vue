<script setup lang="ts">
import { computed } from 'vue';
import { bodyWord, type StationReport, type Texture } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PickField from '../ui/PickField.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'blend'> }>();
const { params, set } = usePanel<'blend'>(props);
const TEXTURE_NAMES: Record<Texture, string> = {
  rustic: 'rustic, pulsed',
  coarse: 'coarse, half a minute',
  medium: 'medium, a good minute',
  smooth: 'smooth, three minutes',
  silky: 'silky, five minutes',
};
const textures = (Object.keys(TEXTURE_NAMES) as Texture[]).map((value) => ({ value, label: TEXTURE_NAMES[value] }));
const rows = computed(() => {
  const s = props.station;
  const band = s.band.pH;
  return [
    ['pH of the blend', s.phMeasured ? ph(s.now.pH, true) : band ? `${band.p10.toFixed(1)} to ${band.p90.toFixed(1)}` : 'no pH'],
    ['All acids', percent(s.now.acidPct)],
    ['Body', s.now.body === null ? 'nothing yet' : bodyWord(s.now.body)],
    ['Lost in the blender', grams(s.sides.find((x) => x.id === 'jug')?.massG ?? 0)],
  ] as const;
});
</script>

<template>
  <StationFrame :station="station" picture="Into the jug">
    <template #set>
      <FactRows :rows="rows" />
      <PickField
        label="How fine"
        :model-value="params.texture ?? 'medium'"
        :options="textures"
        @update:model-value="set({ texture: $event })"
      />
      <ParamField :station="station" name="heldUpPct" label="Lost in the blender" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Blend, weighed" /></template>
  </StationFrame>
</template>
