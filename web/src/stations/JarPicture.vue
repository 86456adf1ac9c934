<script setup lang="ts">
import { grams } from '../format';
import { computed } from 'vue';
import { TISSUE_DENSITY, type FactsOf, type SaltParams } from '@roskel/core';

/** One jar drawn to scale: pods, brine, weight, headspace. */
const props = defineProps<{ params: SaltParams; facts: FactsOf<'salt'>; hex: string }>();
const H = 142;
const parts = computed(() => {
  const { jarMl, jars, headspaceMl, displacementMl } = props.params;
  const perMl = H / jarMl;
  const pods = (props.facts.produceG / jars / TISSUE_DENSITY) * perMl;
  const brine = (props.facts.brineMl / jars) * perMl;
  const weight = Math.min(displacementMl * perMl, H);
  return { pods, brine, weight, head: Math.max(0, Math.min(H, headspaceMl * perMl)) };
});
const full = computed(() => Math.min(H, parts.value.pods + parts.value.brine + parts.value.weight));
</script>

<template>
  <svg
    :viewBox="`0 0 118 ${H + 32}`"
    width="118"
    :height="H + 32"
    role="img"
    aria-label="The jar to scale: pods, brine, weight and headspace"
  >
    <rect x="26" y="4" width="66" height="16" rx="5" fill="var(--rim)" />
    <clipPath id="jar-inside"><rect x="14" y="26" width="90" :height="H" rx="14" /></clipPath>
    <g clip-path="url(#jar-inside)">
      <rect x="14" :y="26 + H - full" width="90" :height="full" fill="var(--brine)" />
      <rect
        x="14"
        :y="26 + H - Math.min(H, parts.pods + parts.brine * 0.85)"
        width="90"
        :height="Math.min(H, parts.pods + parts.brine * 0.85)"
        :fill="hex"
        opacity="0.55"
      />
      <rect
        v-if="parts.weight > 0"
        x="22"
        :y="26 + H - full + 3"
        width="74"
        :height="Math.max(5, Math.min(12, parts.weight))"
        rx="4"
        fill="var(--metal)"
      />
    </g>
    <rect x="14" y="26" width="90" :height="H" rx="14" fill="none" stroke="var(--rim)" stroke-width="2" />
    <text x="59" :y="26 + Math.max(12, (H - full) / 2 + 4)" text-anchor="middle">{{ Math.round(params.headspaceMl) }} ml free</text>
    <text x="59" :y="26 + H - 12" text-anchor="middle" class="b">{{ grams(facts.produceG / params.jars) }} pods</text>
  </svg>
</template>

<style scoped>
text {
  font-size: 13px;
  fill: var(--soft);
}
.b {
  font-weight: 700;
  fill: var(--ink);
}
</style>
