<script setup lang="ts">
import { computed } from 'vue';
import { BLENDERS, bodyWord, type Blender, type StationReport, type Texture } from '@roskel/core';
import { grams, percent, ph } from '../format';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PickField from '../ui/PickField.vue';
import FactRows from '../ui/FactRows.vue';
import TickField from '../ui/TickField.vue';
import JugPicture from './JugPicture.vue';
import ToolField from '../batch/ToolField.vue';

const props = defineProps<{ station: StationReport<'blend'> }>();
const { params, set, facts } = usePanel<'blend'>(props);
const TEXTURE_NAMES: Record<Texture, string> = {
  rustic: 'rustic, pulsed',
  coarse: 'coarse, half a minute',
  medium: 'medium, a good minute',
  smooth: 'smooth, three minutes',
  silky: 'silky, five minutes',
};
const textures = (Object.keys(TEXTURE_NAMES) as Texture[]).map((value) => ({ value, label: TEXTURE_NAMES[value] }));
const blenders = (Object.keys(BLENDERS) as Blender[]).map((value) => ({ value, label: BLENDERS[value].name }));
const time = (s: number) => (s < 90 ? `${Math.round(s / 5) * 5} s` : `${Math.round(s / 60)} min`);
const rows = computed(() => {
  const s = props.station;
  const band = s.band.pH;
  return [
    ['pH of the blend', s.phMeasured ? ph(s.now.pH, true) : band ? `${band.p10.toFixed(1)} to ${band.p90.toFixed(1)}` : 'no pH'],
    ['All acids', percent(s.now.acidPct)],
    ['Body', s.now.body === null ? 'nothing yet' : bodyWord(s.now.body)],
    ...(facts.value ? ([['A load', `${grams(facts.value.eachG)}, ${time(facts.value.seconds)}`]] as const) : []),
    ...(facts.value && facts.value.airPct >= 1 ? ([['Air beaten in', `about ${Math.round(facts.value.airPct)} in 100`]] as const) : []),
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
      <PickField label="With a" :model-value="params.blender ?? 'jug'" :options="blenders" @update:model-value="set({ blender: $event })" />
      <ToolField :station="station" @tool="$event.volumeMl && set({ jugMl: $event.volumeMl })" />
      <ParamField :station="station" name="jugMl" label="It holds" optional placeholder="usual 1500" />
      <TickField label="It goes in hot" :model-value="params.hot ?? false" @update:model-value="set({ hot: $event })" />
      <ParamField :station="station" name="heldUpPct" label="Lost in the blender" />
    </template>
    <template #measured><LogFields :station="station" mass-label="Blend, weighed" /></template>
    <template #picture>
      <JugPicture v-if="facts" :loads="facts.loads" :each-g="facts.eachG" :too-little="facts.tooLittle" :hex="station.now.hex" />
      <p v-if="facts" class="soft" data-fact="loads">
        <template v-if="facts.loads > 1"
          >{{ facts.loads }} equal loads, a bit of everything in each; then all of it stirred together in one pot before it is
          measured.</template
        >
        <template v-else-if="facts.tooLittle">So little leaves the blades bare: a smaller vessel, or more at once.</template>
        <template v-else>One load.</template>
        Liquid first, then what is soft, hard things last; oil in a thin stream at the end.
      </p>
    </template>
  </StationFrame>
</template>
