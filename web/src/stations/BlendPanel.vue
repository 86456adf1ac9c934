<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import FactRows from '../ui/FactRows.vue';
import JugPicture from './JugPicture.vue';

const props = defineProps<{ station: StationReport<'blend'> }>();
const { facts } = usePanel<'blend'>(props);
const time = (s: number) => (s < 90 ? `${Math.round(s / 5) * 5} s` : `${Math.round(s / 60)} min`);
const rows = computed(
  () =>
    [
      ...(facts.value && facts.value.airPct >= 1 ? ([['Air beaten in', `about ${Math.round(facts.value.airPct)} in 100`]] as const) : []),
      ['Lost in the blender', grams(props.station.sides.find((x) => x.id === 'jug')?.massG ?? 0)],
    ] as const,
);
</script>

<template>
  <StationSheet :station="station">
    <JugPicture v-if="facts" :loads="facts.loads" :each-g="facts.eachG" :too-little="facts.tooLittle" :hex="station.now.hex" />
    <p v-if="facts" data-fact="loads">
      <template v-if="facts.tooLittle">So little leaves the blades bare: a smaller vessel, or more at once.</template>
      <template v-else
        >{{ facts.loads > 1 ? `${facts.loads} equal loads` : 'One load' }} of <b>{{ time(facts.seconds) }}</b>. Liquid first, hard things
        last{{
          facts.loads > 1
            ? '; a bit of everything in each, and all stirred together before it is measured'
            : '; oil in a thin stream at the end'
        }}.</template
      >
    </p>
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>

<style scoped>
p {
  margin: 0;
}
</style>
