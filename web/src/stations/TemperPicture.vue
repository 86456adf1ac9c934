<script setup lang="ts">
import { degrees } from '../format';
import SlideSvg from './SlideSvg.vue';

/** A thermometer on its side: what is cold, what it stands, and the pot, whose mark is dragged. */
defineProps<{ hotC: number; coldC: number; togetherC: number; limits: { name: string; c: number }[]; hex: string }>();
const emit = defineEmits<{ hot: [c: number] }>();
const [W, H] = [420, 126];
const [LEFT, RIGHT, Y] = [22, 398, 74];
const x = (c: number) => LEFT + ((RIGHT - LEFT) * Math.min(110, Math.max(0, c))) / 110;
</script>

<template>
  <SlideSvg
    :box="[W, H]"
    label="How hot the pot is"
    :low="20"
    :high="110"
    :now="hotC"
    :says="degrees(hotC)"
    :at="(left) => ((left - LEFT) / (RIGHT - LEFT)) * 110"
    @put="emit('hot', $event)"
  >
    <rect :x="LEFT - 10" :y="Y - 9" :width="RIGHT - LEFT + 20" height="18" rx="9" fill="var(--track)" stroke="var(--rim)" />
    <rect :x="x(coldC)" :y="Y - 6" :width="Math.max(0, x(hotC) - x(coldC))" height="12" :fill="hex" />
    <g v-for="(l, i) in limits" :key="l.name">
      <line :x1="x(l.c)" :x2="x(l.c)" :y1="Y - 20 - 18 * (i % 2)" :y2="Y + 9" stroke="var(--ink)" stroke-width="2" />
      <text :x="x(l.c)" :y="Y - 25 - 18 * (i % 2)" text-anchor="middle" class="b">{{ l.name.toLowerCase() }} {{ degrees(l.c) }}</text>
    </g>
    <circle :cx="x(hotC)" :cy="Y" r="12" fill="var(--plate)" stroke="var(--ink)" stroke-width="2.5" />
    <text :x="x(coldC)" y="104" text-anchor="middle">cold {{ degrees(coldC) }}</text>
    <text :x="Math.min(x(hotC), RIGHT - 26)" y="104" text-anchor="middle">pot {{ degrees(hotC) }}</text>
    <text :x="x(togetherC) - 4" y="121" text-anchor="end" class="soft">all together {{ degrees(togetherC) }}</text>
  </SlideSvg>
</template>
