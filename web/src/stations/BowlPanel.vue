<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { grams, inManner, plural } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';

const props = defineProps<{ station: StationReport<'bowl'> }>();
const { batch, facts } = usePanel<'bowl'>(props);
const end = computed(() => batch.report?.ends.find((e) => e.stationId === props.station.id) ?? null);
const bowls = computed(() => facts.value?.bowls ?? 0);
const of = computed(() => `${batch.id}/${end.value?.strandId}`);
const fewer = computed(() => (facts.value ? facts.value.wanted - bowls.value : 0));
</script>

<template>
  <StationSheet :station="station">
    <template #in>
      <p v-if="end?.keeping" class="keep" data-fact="keep" :data-of="of"><b>Keep:</b> {{ inManner(end.keeping.text) }}</p>
    </template>
    <svg v-if="bowls > 0" :viewBox="`0 0 ${Math.min(bowls, 6) * 92} 62`" role="img" :aria-label="plural(bowls, 'bowl')">
      <g v-for="n in Math.min(bowls, 6)" :key="n" :transform="`translate(${(n - 1) * 92} 0)`">
        <ellipse cx="44" cy="16" rx="36" ry="10" :fill="station.now.hex" />
        <path d="M4 14 q2 42 40 42 q38 0 40 -42" fill="none" stroke="var(--metal)" stroke-width="5" stroke-linecap="round" />
      </g>
    </svg>
    <p>
      <b data-fact="bottles" :data-of="of">{{ plural(bowls, 'bowl') }}</b> of {{ end?.goal.bottleMl }} ml,
      {{ grams(facts?.perBowlG ?? 0) }} in each<template v-if="fewer > 0">; {{ fewer }} fewer than wanted</template>;
      {{ Math.round(facts?.overMl ?? 0) }} ml left over.
    </p>
    <template #more><p class="soft">Eaten fresh: no bottle, no cap. What is left goes back into the fridge.</p></template>
  </StationSheet>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 440px;
  max-height: 70px;
}
.keep {
  margin: 4px 0 0;
  font-size: 14px;
  line-height: 1.35;
}
</style>
