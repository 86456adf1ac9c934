<script setup lang="ts">
import { computed, useTemplateRef } from 'vue';
import { NButton } from 'naive-ui';
import type { Eaten, RailWish, TasteWord, Window } from '@roskel/core';
import { useSlide } from '../stations/useSlide';
import { useNarrow } from '../ui/useNarrow';
import type { RailScale } from './scales';

/** One rail: where the sauce stands, what is wished as a bracket whose ends are dragged, and where a way would take it. */
const props = defineProps<{
  scale: RailScale;
  now: number;
  /** As the dot stands: measured, or only worked out. */
  measured: boolean;
  wish: RailWish | null;
  after: number | null;
  word: TasteWord | undefined;
  eaten: Eaten;
}>();
const emit = defineEmits<{ say: [word: TasteWord | null]; set: [window: Window] }>();
const small = useNarrow(900);
const W = computed(() => (small.value ? 370 : 740));
const H = 58;
const [LEFT, Y] = [12, 28] as const;
const RIGHT = computed(() => W.value - LEFT);
const x = (value: number) => LEFT + (RIGHT.value - LEFT) * props.scale.at(value);
const svg = useTemplateRef<SVGSVGElement>('svg');
const ends = computed(() => {
  const w = props.wish;
  if (!w) return [];
  // Left and right on the rail: a low pH lies to the right.
  const [a, b] = [props.scale.at(w.low), props.scale.at(w.high)];
  return [Math.min(a, b), Math.max(a, b)];
});
function slideOf(side: 0 | 1) {
  const put = (at: number) => {
    const other = ends.value[1 - side]!;
    const here = side === 0 ? Math.min(at, other) : Math.max(at, other);
    const [a, b] = [props.scale.value(Math.min(1, Math.max(0, here))), props.scale.value(other)];
    emit('set', { low: Math.min(a, b), high: Math.max(a, b) });
  };
  return useSlide(svg, {
    box: () => [W.value, H],
    at: (px) => (px - LEFT) / (RIGHT.value - LEFT),
    now: () => ends.value[side] ?? 0,
    put,
    step: () => props.scale.step,
  });
}
const slides = [slideOf(0), slideOf(1)] as const;
const edge = (side: 0 | 1) => props.scale.value(ends.value[side] ?? 0);
const words = computed(
  () =>
    [
      ['little', props.scale.words[0]],
      ['right', 'right'],
      ['much', props.scale.words[1]],
    ] as [TasteWord, string][],
);
const arc = computed(() => {
  if (props.after === null) return '';
  const [a, b] = [x(props.now), x(props.after)];
  if (Math.abs(a - b) < 3) return '';
  return `M${a} ${Y - 8} Q${(a + b) / 2} ${Y - 8 - Math.min(26, 10 + Math.abs(a - b) / 5)} ${b} ${Y - 8}`;
});
</script>

<template>
  <div class="rail" :data-rail="scale.rail">
    <h2 :style="{ color: scale.colour }">{{ scale.name }}</h2>
    <div class="drawn">
      <svg ref="svg" :viewBox="`0 0 ${W} ${H}`" role="group" :aria-label="`${scale.name}: ${scale.says(now, measured, eaten)}`">
        <line :x1="LEFT" :x2="RIGHT" :y1="Y" :y2="Y" class="track" />
        <text :x="LEFT" :y="H - 2">{{ scale.ends[0] }}</text>
        <text :x="RIGHT" :y="H - 2" text-anchor="end">{{ scale.ends[1] }}</text>
        <text :x="W / 2" :y="H - 2" text-anchor="middle" class="is">
          {{ scale.says(now, measured, eaten) }}{{ after !== null && arc ? ` → ${scale.says(after, false, eaten)}` : '' }}
        </text>
        <ellipse v-if="!measured" :cx="x(now)" :cy="Y" rx="20" ry="9" :fill="scale.colour" opacity="0.22" />
        <path v-if="arc" :d="arc" class="arc" :stroke="scale.colour" />
        <circle :cx="x(now)" :cy="Y" r="7" :fill="scale.colour" />
        <circle v-if="after !== null && arc" :cx="x(after)" :cy="Y" r="6.5" class="after" :stroke="scale.colour" />
        <g
          v-for="side in [0, 1] as const"
          v-show="wish"
          :key="side"
          role="slider"
          tabindex="0"
          class="bracket"
          :class="{ held: !wish?.named }"
          :aria-label="`${scale.name}, ${side === 0 ? 'left' : 'right'} end of the wish`"
          :aria-valuemin="0"
          :aria-valuemax="100"
          :aria-valuenow="Math.round(100 * (ends[side] ?? 0))"
          :aria-valuetext="scale.says(edge(side), false, eaten)"
          :transform="`translate(${LEFT + (RIGHT - LEFT) * (ends[side] ?? 0)} 0)`"
          @pointerdown="slides[side].drag"
          @pointermove="slides[side].drag"
          @keydown="slides[side].key"
        >
          <rect x="-22" :y="Y - 30" width="44" height="52" fill="transparent" />
          <path :d="`M${side === 0 ? 6 : -6} ${Y - 15} h${side === 0 ? -6 : 6} v28 h${side === 0 ? 6 : -6}`" />
        </g>
      </svg>
    </div>
    <div class="words" role="group" :aria-label="`${scale.name}, how it tastes`">
      <NButton
        v-for="[w, says] in words"
        :key="w"
        :type="word === w ? 'primary' : 'default'"
        :aria-pressed="word === w"
        @click="emit('say', word === w ? null : w)"
        >{{ says }}</NButton
      >
    </div>
  </div>
</template>

<style scoped>
.rail {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr) auto;
  gap: 4px 18px;
  align-items: center;
  border-bottom: 1px dashed var(--line);
  padding: 3px 0;
}
.rail:last-child {
  border: 0;
}
h2 {
  font-size: 16px;
}
svg {
  width: 100%;
  display: block;
  overflow: visible;
}
.track {
  stroke: var(--line);
  stroke-width: 6;
  stroke-linecap: round;
}
text {
  font-size: 13.5px;
  fill: var(--soft);
}
.is {
  fill: var(--ink);
  font-weight: 600;
}
.arc {
  fill: none;
  stroke-width: 2;
  stroke-dasharray: 3 4;
}
.after {
  fill: var(--plate);
  stroke-width: 3;
}
.bracket {
  cursor: ew-resize;
  touch-action: none;
  outline: none;
}
.bracket path {
  fill: none;
  stroke: var(--rim);
  stroke-width: 3.5;
}
.bracket.held path {
  stroke-width: 2;
  opacity: 0.5;
}
.bracket:focus-visible rect {
  stroke: var(--acid);
  stroke-width: 3;
}
.words {
  display: flex;
  gap: 6px;
}
.words :deep(.n-button) {
  min-width: 84px;
  padding: 0 10px;
}
@media (max-width: 900px) {
  .rail {
    grid-template-columns: minmax(0, 1fr);
  }
  .words :deep(.n-button) {
    flex: 1;
    min-width: 0;
  }
  text {
    font-size: 16px;
  }
}
</style>
