<script setup lang="ts">
import { computed, useId } from 'vue';
import type { Goal, StationReport } from '@roskel/core';
import { area, curveMonotoneX, line } from 'd3-shape';
import { offPlan, STRIP, TRACKS, trackPoints, type Track, type TrackPoint } from './tracks';

/** The five tracks under the ribbon, drawn between `left` and `right` from `top` on; `mids` are the middles of the columns. */
const props = defineProps<{
  read: readonly StationReport[];
  mids: readonly number[];
  goal: Goal | undefined;
  left: number;
  right: number;
  top: number;
}>();
const emit = defineEmits<{ why: [stationId: string, track: Track['key']] }>();
const id = useId();
const bottom = computed(() => props.top + STRIP * TRACKS.length + 4);
const tracks = computed(() =>
  TRACKS.map((track, i) => {
    const top = props.top + 4 + i * STRIP;
    const wish = track.key === 'heatShu' && props.goal ? [props.goal.lowShu, props.goal.highShu] : [];
    const { points, y } = trackPoints(track, props.read, props.mids, top, STRIP, wish);
    return { track, top, points, wish: points.length > 0 && wish.length > 0 ? { low: y(wish[0]!), high: y(wish[1]!) } : null };
  }),
);
/** Words of a track are said where they change; figures always. */
function label(track: Track, points: readonly TrackPoint[], n: number): string {
  const says = (p: TrackPoint) => track.show(p.value, p.measured);
  const word = track.key === 'body';
  return word && n > 0 && says(points[n]!) === says(points[n - 1]!) ? '' : says(points[n]!);
}
const bandPath = area<TrackPoint>()
  .x((p) => p.x)
  .y0((p) => p.low)
  .y1((p) => p.high)
  .curve(curveMonotoneX);
const linePath = line<TrackPoint>()
  .x((p) => p.x)
  .y((p) => p.y)
  .curve(curveMonotoneX);
/** What has happened is drawn solid: up to the last finished station. */
const solidTo = computed(() => Math.max(props.left, ...tracks.value.flatMap((t) => t.points.filter((p) => p.done).map((p) => p.x))));
/** A label stands on the side that the curve does not take. */
function labelY(points: readonly TrackPoint[], n: number, top: number): number {
  const { y } = points[n]!;
  const [above, below] = [y - 6, y + 15];
  const falls = (points[n + 1]?.y ?? y) > y + 1;
  if (above < top + 11) return below;
  if (below > top + STRIP - 1) return above;
  return falls ? above : below;
}
</script>

<template>
  <g>
    <defs>
      <clipPath :id="`${id}-s`"><rect x="0" :y="top" :width="solidTo" :height="bottom - top" /></clipPath>
      <clipPath :id="`${id}-f`"><rect :x="solidTo" :y="top" :width="right - solidTo" :height="bottom - top" /></clipPath>
    </defs>
    <g v-for="{ track, top: at, points, wish } in tracks" :key="track.key">
      <text class="track" x="10" :y="at + 17" :fill="track.colour">{{ track.name }}</text>
      <text v-if="track.key !== 'body'" class="unit" x="10" :y="at + 30">{{ track.unit }}</text>
      <line v-if="at > top + 4" class="hair" :x1="left" :x2="right" :y1="at" :y2="at" />
      <path :d="bandPath(points) ?? ''" :fill="track.colour" opacity="0.18" pointer-events="none" />
      <path :d="linePath(points) ?? ''" :stroke="track.colour" class="curve dashed" :clip-path="`url(#${id}-f)`" />
      <path :d="linePath(points) ?? ''" :stroke="track.colour" class="curve" :clip-path="`url(#${id}-s)`" />
      <path v-if="wish" class="wish" :d="`M ${right - 18} ${wish.low} h 6 V ${wish.high} h -6`" />
      <g
        v-for="(p, n) in points"
        :key="p.stationId"
        class="point"
        :data-point="`${p.stationId}-${track.key}`"
        @click="emit('why', p.stationId, track.key)"
      >
        <rect class="hit" :x="p.x - 26" :y="at" width="76" :height="STRIP" />
        <path
          v-if="p.planned !== null && offPlan(p.value, p.planned)"
          class="was"
          :d="`M ${p.x - 7} ${p.plannedY} h 14`"
          :stroke="track.colour"
        />
        <circle :cx="p.x" :cy="p.y" r="4.2" :fill="p.measured ? track.colour : 'var(--plate)'" :stroke="track.colour" />
        <text :x="p.x + 9" :y="labelY(points, n, at)" :class="{ solid: p.done, measured: p.measured }">
          {{ label(track, points, n) }}
        </text>
      </g>
    </g>
  </g>
</template>

<style scoped>
.hair {
  stroke: var(--grid);
}
.track {
  font:
    700 13.5px 'Hanken Grotesk Variable',
    sans-serif;
}
.curve {
  fill: none;
  stroke-width: 1.8;
  pointer-events: none;
}
.dashed {
  stroke-dasharray: 3 3;
}

.wish {
  fill: none;
  stroke: var(--rim);
  stroke-width: 2;
}
.was {
  stroke-width: 2;
  opacity: 0.5;
}
.point {
  cursor: help;
}
.hit {
  fill: transparent;
}
.point circle {
  stroke-width: 1.8;
}
.point text {
  font-size: 13px;
  fill: var(--soft);
}
.point text.solid {
  fill: var(--ink);
}
.point text.measured {
  font-weight: 700;
}
.unit {
  font-size: 13px;
  fill: var(--soft);
}
</style>
