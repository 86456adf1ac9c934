<script setup lang="ts">
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';
import { computed } from 'vue';
import type { Curve } from '@roskel/core';
import SlideSvg from './SlideSvg.vue';

/** How what comes out follows one figure: the point is dragged along, by mouse, finger or arrow keys. */
const props = defineProps<{
  points: Curve;
  at: number;
  /** Names of both sides, and how their values are said. */
  across: string;
  up: string;
  sayX: (x: number) => string;
  sayY: (y: number) => string;
  hex: string;
  step: number;
  /** A value of the other side that matters. */
  mark?: { value: number; says: string } | null;
  /** Measured: the curve is a memory, and nothing is dragged. */
  fixed?: boolean;
}>();
const emit = defineEmits<{ at: [x: number] }>();
const W = 340;
const H = 150;
const BOX = { left: 8, right: W - 8, top: 24, bottom: H - 24 };
const x = computed(() => scaleLinear([props.points[0]![0], props.points.at(-1)![0]], [BOX.left, BOX.right]));
const y = computed(() => {
  const values = [...props.points.map((p) => p[1]), ...(props.mark ? [props.mark.value] : [])];
  const [low, high] = [Math.min(...values), Math.max(...values)];
  const room = Math.max(1e-9, high - low) * 0.12;
  return scaleLinear([low - room, high + room], [BOX.bottom, BOX.top]);
});
const path = computed(() =>
  line<readonly [number, number]>(
    (p) => x.value(p[0]),
    (p) => y.value(p[1]),
  ).curve(curveMonotoneX)([...props.points]),
);
const under = computed(() =>
  area<readonly [number, number]>(
    (p) => x.value(p[0]),
    BOX.bottom,
    (p) => y.value(p[1]),
  ).curve(curveMonotoneX)([...props.points]),
);
const held = computed(() => Math.min(props.points.at(-1)![0], Math.max(props.points[0]![0], props.at)));
/** The value at the point: along the straight piece it lies on. */
const value = computed(() => {
  const after = props.points.findIndex((p) => p[0] >= held.value);
  const [b, a] = [props.points[after]!, props.points[Math.max(0, after - 1)]!];
  return b[0] === a[0] ? b[1] : a[1] + ((b[1] - a[1]) * (held.value - a[0])) / (b[0] - a[0]);
});
/** Where the curve leaves room at the top. */
const rising = computed(() => props.points.at(-1)![1] > props.points[0]![1]);
</script>

<template>
  <SlideSvg
    class="curve"
    :box="[W, H]"
    :label="`${across}, and ${up}`"
    :low="points[0]![0]"
    :high="points.at(-1)![0]"
    :now="at"
    :says="`${sayX(at)}: ${sayY(value)}`"
    :at="(left) => x.invert(left)"
    :step="step"
    :fixed="fixed"
    @put="emit('at', $event)"
  >
    <path :d="under ?? ''" :fill="hex" opacity="0.28" />
    <line :x1="BOX.left" :x2="BOX.right" :y1="BOX.bottom" :y2="BOX.bottom" stroke="var(--rim)" stroke-width="2" />
    <g v-if="mark">
      <line :x1="BOX.left" :x2="BOX.right" :y1="y(mark.value)" :y2="y(mark.value)" stroke="var(--soft)" stroke-dasharray="3 5" />
      <text class="soft" :x="rising ? BOX.left : BOX.right" y="14" :text-anchor="rising ? 'start' : 'end'">dotted: {{ mark.says }}</text>
    </g>
    <path :d="path ?? ''" :stroke="hex" stroke-width="5" fill="none" stroke-linecap="round" />
    <line :x1="x(held)" :x2="x(held)" :y1="y(value)" :y2="BOX.bottom" stroke="var(--ink)" stroke-width="1.5" />
    <circle :cx="x(held)" :cy="y(value)" r="9" fill="var(--plate)" stroke="var(--ink)" stroke-width="2.5" />
    <text class="b" :x="Math.min(W - 64, Math.max(64, x(held)))" :y="Math.max(32, y(value) - 17)" text-anchor="middle">
      {{ sayY(value) }}
    </text>
    <text class="soft" :x="BOX.left" :y="H - 5">{{ across }}: {{ sayX(at) }}</text>
    <text class="soft" :x="BOX.right" :y="H - 5" text-anchor="end">{{ sayX(points.at(-1)![0]) }}</text>
  </SlideSvg>
</template>
