<script setup lang="ts">
import { useTemplateRef } from 'vue';
import { degrees } from '../format';
import { useSlide } from './useSlide';

/** A thermometer on its side: what is cold, what it stands, and the pot, whose mark is dragged. */
const props = defineProps<{ hotC: number; coldC: number; togetherC: number; limits: { name: string; c: number }[]; hex: string }>();
const emit = defineEmits<{ hot: [c: number] }>();
const [W, H] = [420, 126];
const [LEFT, RIGHT, Y] = [22, 398, 74];
const x = (c: number) => LEFT + ((RIGHT - LEFT) * Math.min(110, Math.max(0, c))) / 110;
const svg = useTemplateRef<SVGSVGElement>('svg');
const put = (c: number) => emit('hot', Math.round(Math.min(110, Math.max(20, c))));
const { drag, key } = useSlide(svg, {
  box: [W, H],
  at: (left) => ((left - LEFT) / (RIGHT - LEFT)) * 110,
  now: () => props.hotC,
  put,
});
</script>

<template>
  <svg
    ref="svg"
    :viewBox="`0 0 ${W} ${H}`"
    role="slider"
    tabindex="0"
    aria-label="How hot the pot is"
    aria-valuemin="20"
    aria-valuemax="110"
    :aria-valuenow="hotC"
    :aria-valuetext="degrees(hotC)"
    @pointerdown="drag"
    @pointermove="drag"
    @keydown="key"
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
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  max-width: 440px;
  display: block;
  touch-action: pan-y;
  cursor: ew-resize;
}
text {
  font-size: 18px;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--plate);
  stroke-width: 4px;
}
.b {
  font-weight: 700;
}
.soft {
  fill: var(--soft);
}
</style>
