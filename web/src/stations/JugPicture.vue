<script setup lang="ts">
import { computed } from 'vue';
import { grams } from '../format';

/** The jug as often as it is filled, each to its height. */
const props = defineProps<{ loads: number; eachG: number; tooLittle: boolean; hex: string }>();
const MOST = 6;
const shown = computed(() => Math.min(MOST, props.loads));
</script>

<template>
  <svg
    :viewBox="`0 0 ${Math.max(3, shown) * 74} 112`"
    role="img"
    :aria-label="`${loads} ${loads === 1 ? 'load' : 'loads'} of ${grams(eachG)}`"
  >
    <g v-for="n in shown" :key="n" :transform="`translate(${(n - 1) * 74} 0)`">
      <path d="M12 30 h50 l-7 58 h-36 z" :fill="hex" :transform="tooLittle ? 'translate(0 52) scale(1 .41)' : ''" />
      <path d="M6 6 h62 l-12 84 h-38 z M62 24 q10 4 4 26" fill="none" stroke="var(--metal)" stroke-width="4" stroke-linejoin="round" />
      <path d="M28 86 l9 -7 l9 7" fill="none" stroke="var(--ink)" stroke-width="3" />
      <text x="37" y="108" text-anchor="middle">{{ grams(eachG) }}</text>
    </g>
    <text v-if="loads > MOST" :x="shown * 74 - 20" y="20" text-anchor="end">of {{ loads }}</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 440px;
  max-height: 120px;
  display: block;
}
text {
  font-size: 15px;
  fill: var(--ink);
}
</style>
