<script setup lang="ts">
import { computed } from 'vue';
import { grams } from '../format';
import SlideSvg from './SlideSvg.vue';

/** A pot one looks into from the side: how far it stood, and how far down it goes. The lower line is dragged. */
const props = defineProps<{ beganG: number; stopG: number; hex: string; fixed: boolean; nowG?: number | null }>();
const emit = defineEmits<{ level: [share: number] }>();
const W = 236;
const TOP = 26;
const H = 104;
/** As it begins, the pot is nearly full. */
const FULL = 0.86;
const beganY = TOP + H * (1 - FULL);
const stopY = computed(() => TOP + H * (1 - (FULL * props.stopG) / Math.max(1, props.beganG)));

const nowY = computed(() => (props.nowG ? TOP + H * (1 - (FULL * props.nowG) / Math.max(1, props.beganG)) : null));
/** Names stand apart, whatever the levels. */
const nowAt = computed(() => Math.min(stopY.value - 18, Math.max(beganY + 18, (nowY.value ?? 0) + 5)));
const share = computed(() => props.stopG / Math.max(1, props.beganG));
</script>

<template>
  <SlideSvg
    :box="[W + 150, H + TOP + 34]"
    label="Where the pot stops"
    :low="0.05"
    :high="1"
    :now="share"
    :says="`The pot began with ${grams(beganG)}${nowG ? `, holds ${grams(nowG)} now` : ''} and stops at ${grams(stopG)}`"
    :at="(_, y) => (TOP + H - y) / (H * FULL)"
    :step="0.01"
    upright
    :fixed="fixed"
    @put="emit('level', $event)"
  >
    <path :d="`M20 ${TOP} v${H} q0 14 14 14 h${W - 68} q14 0 14 -14 v-${H}`" fill="none" stroke="var(--metal)" stroke-width="6" />
    <path :d="`M4 ${TOP + 22} h16 M${W - 20} ${TOP + 22} h16`" stroke="var(--metal)" stroke-width="10" stroke-linecap="round" />
    <rect x="24" :y="stopY" :width="W - 48" :height="TOP + H + 9 - stopY" rx="8" :fill="hex" />
    <rect x="24" :y="beganY" :width="W - 48" :height="Math.max(0, stopY - beganY)" :fill="hex" opacity="0.22" />
    <path v-for="x in [70, 118, 166]" :key="x" :d="`M${x} ${TOP - 6} q6 -8 0 -14`" stroke="var(--soft)" stroke-width="2" fill="none" />
    <line x1="24" :x2="W + 4" :y1="beganY" :y2="beganY" stroke="var(--ink)" stroke-dasharray="4 4" />
    <line x1="24" :x2="W + 4" :y1="stopY" :y2="stopY" stroke="var(--ink)" stroke-width="2.5" />
    <template v-if="nowY !== null && nowG">
      <line x1="24" :x2="W + 4" :y1="nowY" :y2="nowY" stroke="var(--acid)" stroke-width="3" />
      <text :x="W + 8" :y="nowAt" class="now">now {{ grams(nowG) }}</text>
    </template>
    <text :x="W + 8" :y="beganY - 2">began {{ grams(beganG) }}</text>
    <text :x="W + 8" :y="Math.max(beganY + (nowY === null ? 20 : 38), stopY + 6)" class="b">stops at {{ grams(stopG) }}</text>
  </SlideSvg>
</template>

<style scoped>
.now {
  fill: var(--acid);
}
</style>
