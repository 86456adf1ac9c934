<script setup lang="ts">
import { computed } from 'vue';
import { HEATED, heatTreatment, type HeatPoint } from '@roskel/core';
import { degrees } from '../format';
import FactRows from '../ui/FactRows.vue';
import { heatRows, heatSays } from './useHeatLog';

/** A temperature log drawn against what is asked for, and the verdict. */
const props = defineProps<{ points: readonly HeatPoint[]; more?: readonly (readonly [string, string])[] }>();
const [W, H, LEFT, FOOT] = [620, 230, 46, 26] as const;
const found = computed(() => heatTreatment(props.points));
const says = computed(() => heatSays(found.value));
const rows = computed(() => [...heatRows(found.value), ...(props.more ?? [])]);
const scale = computed(() => {
  const p = props.points;
  const end = Math.max(1, p.at(-1)?.min ?? 1);
  const top = Math.max(95, ...p.map((x) => x.c)) + 5;
  const low = Math.min(15, ...p.map((x) => x.c));
  return { x: (min: number) => LEFT + ((W - LEFT - 8) * min) / end, y: (c: number) => 8 + ((H - FOOT - 8) * (top - c)) / (top - low), end };
});
const path = computed(() =>
  props.points.map((p, i) => `${i ? 'L' : 'M'}${scale.value.x(p.min).toFixed(1)} ${scale.value.y(p.c).toFixed(1)}`).join(''),
);
</script>

<template>
  <div class="heat">
    <h2 :class="{ short: !found.enough }" data-fact="verdict">{{ says }}</h2>
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`Temperature over ${Math.round(scale.end)} minutes. ${says}`">
      <line :x1="LEFT" :x2="W - 8" :y1="scale.y(HEATED.c)" :y2="scale.y(HEATED.c)" class="need" />
      <text :x="LEFT - 6" :y="scale.y(HEATED.c) + 5" text-anchor="end">{{ degrees(HEATED.c) }}</text>
      <path :d="path" class="curve" />
      <text :x="LEFT" :y="H - 6">0</text>
      <text :x="W - 8" :y="H - 6" text-anchor="end">{{ Math.round(scale.end) }} min</text>
    </svg>
    <FactRows :rows="rows" />
  </div>
</template>

<style scoped>
.heat {
  display: grid;
  gap: 8px;
}
h2.short {
  color: var(--warn);
}
svg {
  width: 100%;
  display: block;
}
.need {
  stroke: var(--rim);
  stroke-width: 2;
  stroke-dasharray: 6 5;
}
.curve {
  fill: none;
  stroke: var(--heat);
  stroke-width: 3;
}
text {
  font-size: 15px;
  fill: var(--soft);
}
@media (max-width: 1000px) {
  text {
    font-size: 26px;
  }
}
</style>
