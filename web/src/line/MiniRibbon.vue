<script setup lang="ts">
import { computed, useId } from 'vue';
import type { BatchSummary } from '@roskel/core';
import { today } from '../format';
import { layoutLine } from './layout';

/** The small ribbon on the shelf of batches: the way to the first end, what flows in and what branches off. */
const props = defineProps<{ summary: BatchSummary }>();
const id = useId();
const W = 560;
const layout = computed(() =>
  layoutLine(props.summary.stations, props.summary.strands, props.summary.ends[0]?.strandId ?? '', null, {
    ...{ left: 0, right: W, head: 18, today: today(), labels: 0 },
    most: props.summary.strands.length > 1 ? 40 : 58,
  }),
);
const shape = computed(() => layout.value.shape);
const H = computed(() => Math.max(92, Math.ceil(layout.value.rows.bottom)));
const name = (stationId: string) => props.summary.stations.find((s) => s.id === stationId)!.name.toLowerCase();
const told = computed(() => layout.value.way.stationIds.map(name).join(', '));
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`The line of ${summary.name}, ${told}`">
    <defs>
      <linearGradient :id="`${id}-g`" x1="0" x2="1" y1="0" y2="0">
        <stop v-for="s in shape.stops" :key="s.offset" :offset="s.offset" :stop-color="s.hex" />
      </linearGradient>
      <clipPath :id="`${id}-d`"><rect x="0" y="0" :width="shape.doneTo" :height="H" /></clipPath>
      <clipPath :id="`${id}-p`"><rect :x="shape.doneTo" y="0" :width="W - shape.doneTo" :height="H" /></clipPath>
    </defs>
    <template v-if="shape.columns.length <= 8">
      <text v-for="c in shape.columns" :key="c.id" :x="c.x0 + 6" y="14">{{ name(c.id) }}</text>
    </template>
    <g v-for="b in layout.branches" :key="b.strandId">
      <path :d="b.d" :fill="b.hex" opacity="0.5" />
    </g>
    <path :d="shape.body" :fill="`url(#${id}-g)`" :clip-path="`url(#${id}-d)`" />
    <g :clip-path="`url(#${id}-p)`">
      <path :d="shape.body" :fill="`url(#${id}-g)`" opacity="0.32" />
      <path :d="shape.top" class="dash" :stroke="shape.stops.at(-1)?.hex" />
      <path :d="shape.bottom" class="dash" :stroke="shape.stops.at(-1)?.hex" />
    </g>
    <g v-for="f in layout.inflows" :key="f.strandId">
      <path :d="f.d" :fill="f.hex" opacity="0.75" />
      <circle v-for="r in f.rings" :key="r.id" class="ring" :class="{ done: r.done }" :cx="r.x" :cy="r.y" r="3.5" />
    </g>
    <line
      v-if="shape.doneTo > 0 && shape.doneTo < W"
      :x1="shape.doneTo"
      :x2="shape.doneTo"
      y1="20"
      :y2="H - 2"
      stroke="var(--rim)"
      stroke-width="2"
    />
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
  height: auto;
  display: block;
}
text {
  font-size: 13px;
  fill: var(--soft);
}
.ring {
  fill: var(--plate);
  stroke: var(--rim);
  stroke-width: 1.6;
}
.ring.done {
  fill: var(--rim);
}
.dash {
  fill: none;
  stroke-dasharray: 4 3;
}
/* Too narrow for words; the row says the stage. */
@media (max-width: 900px) {
  text {
    display: none;
  }
}
</style>
