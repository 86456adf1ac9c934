<script setup lang="ts">
import { computed, useId } from 'vue';
import type { StationSummary } from '@roskel/core';
import { today } from '../format';
import { ribbonShape } from './geometry';

/** The small ribbon on the shelf of batches. */
const props = defineProps<{ stations: readonly StationSummary[]; name: string }>();
const id = useId();
const W = 560;
const H = 92;
const shape = computed(() => ribbonShape(props.stations, { left: 0, right: W, centre: 56, most: 58, today: today() }));
</script>

<template>
  <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`The line of ${name}, ${stations.map((s) => s.name).join(', ')}`">
    <defs>
      <linearGradient :id="`${id}-g`" x1="0" x2="1" y1="0" y2="0">
        <stop v-for="s in shape.stops" :key="s.offset" :offset="s.offset" :stop-color="s.hex" />
      </linearGradient>
      <clipPath :id="`${id}-d`"><rect x="0" y="0" :width="shape.doneTo" :height="H" /></clipPath>
      <clipPath :id="`${id}-p`"><rect :x="shape.doneTo" y="0" :width="W - shape.doneTo" :height="H" /></clipPath>
    </defs>
    <text v-for="(c, i) in shape.columns" :key="c.id" :x="c.x0 + 6" y="14">{{ stations[i]!.name.toLowerCase() }}</text>
    <path :d="shape.body" :fill="`url(#${id}-g)`" :clip-path="`url(#${id}-d)`" />
    <g :clip-path="`url(#${id}-p)`">
      <path :d="shape.body" :fill="`url(#${id}-g)`" opacity="0.32" />
      <path :d="shape.top" class="dash" :stroke="shape.stops.at(-1)?.hex" />
      <path :d="shape.bottom" class="dash" :stroke="shape.stops.at(-1)?.hex" />
    </g>
    <line
      v-if="shape.doneTo > 0 && shape.doneTo < W"
      :x1="shape.doneTo"
      :x2="shape.doneTo"
      y1="20"
      y2="90"
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
