<script setup lang="ts">
import { grams } from '../format';
import SlideSvg from './SlideSvg.vue';

/** A pan and a bowl: the level in the pan is dragged, and the rest goes along into the bowl. */
defineProps<{ alongPct: number; leftG: number; onG: number; hex: string; fixed: boolean }>();
const emit = defineEmits<{ along: [pct: number] }>();
const W = 420;
const H = 150;
const TOP = 34;
const FLOOR = 122;
const level = (share: number) => FLOOR - (FLOOR - TOP - 8) * Math.min(1, Math.max(0.03, share));
</script>

<template>
  <SlideSvg
    :box="[W, H]"
    label="Liquid that goes along with the flesh"
    :low="0"
    :high="100"
    :now="alongPct"
    :says="`${Math.round(alongPct)} of 100; ${grams(leftG)} stay in the pan`"
    :at="(_, y) => 100 - (100 * (FLOOR - y)) / (FLOOR - TOP - 8)"
    upright
    :fixed="fixed"
    @put="emit('along', $event)"
  >
    <rect x="24" :y="level(1 - alongPct / 100)" width="132" :height="FLOOR - level(1 - alongPct / 100)" :fill="hex" opacity="0.45" />
    <path :d="`M16 ${TOP} v${FLOOR - TOP - 6} q0 6 6 6 h136 q6 0 6 -6 v-${FLOOR - TOP - 6} M164 ${TOP + 10} h46`" class="pan" />
    <circle
      v-for="n in 14"
      :key="n"
      :cx="28 + ((n * 47) % 124)"
      :cy="FLOOR - 4 - ((n * 13) % 9)"
      r="2.6"
      fill="var(--plate)"
      stroke="var(--ink)"
    />
    <line
      v-if="!fixed"
      x1="18"
      x2="162"
      :y1="level(1 - alongPct / 100)"
      :y2="level(1 - alongPct / 100)"
      stroke="var(--ink)"
      stroke-width="2.5"
    />
    <path d="M258 60 h136 q-6 62 -68 62 q-62 0 -68 -62z" :fill="hex" />
    <path d="M248 54 h156 q-6 74 -78 74 q-72 0 -78 -74z" class="pan" />
    <text x="90" y="146" text-anchor="middle">stays: {{ grams(leftG) }}</text>
    <text x="326" y="146" text-anchor="middle" class="b">goes on: {{ grams(onG) }}</text>
  </SlideSvg>
</template>

<style scoped>
.pan {
  fill: none;
  stroke: var(--metal);
  stroke-width: 5;
  stroke-linecap: round;
}
</style>
