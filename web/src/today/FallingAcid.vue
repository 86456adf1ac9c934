<script setup lang="ts">
import { computed } from 'vue';
import { scaleLinear } from 'd3-scale';
import { area, line } from 'd3-shape';
import { addDays, daysBetween, LEGAL_PH } from '@roskel/core';
import { NTable } from 'naive-ui';
import { ph, today, weekday } from '../format';
import type { DutyOf, JarOf } from '../stores/today';
import { useWidth } from '../ui/useWidth';

/** The next two weeks: how sour every jar is and will be, with the days on which it asks for something. */
const props = defineProps<{ jars: readonly JarOf[]; duties: readonly DutyOf[] }>();
const DAYS = 14;
const H = 268;
const LEFT = 42;
const RIGHT = 118;
const TOP = 14;
const BOTTOM = 240;
const { el, width: W } = useWidth(900);
const x = computed(() => scaleLinear([0, DAYS - 1], [LEFT + 10, W.value - RIGHT]));
const shown = computed(() => props.jars.filter((j) => j.forecast));
/** Nothing that is shown lies outside. */
const y = computed(() => {
  const all = shown.value.flatMap((j) => points(j).flatMap((p) => [p.low, p.high]));
  return scaleLinear([Math.max(5.4, ...all), Math.min(3.4, ...all)], [TOP, BOTTOM]);
});
interface Point {
  d: number;
  low: number;
  middle: number;
  high: number;
}
/** Band and middle from today on, by days ahead. */
function points(j: JarOf): Point[] {
  const age = daysBetween(j.from, today());
  return j.forecast!.days.flatMap((d, i) => {
    const ahead = d - age;
    if (ahead < 0 || ahead > DAYS - 1) return [];
    const q = j.forecast!.pH[i]!;
    return [{ d: ahead, low: q.p10, middle: q.p50, high: q.p90 }];
  });
}
const band = (j: JarOf) =>
  area<Point>()
    .x((p) => x.value(p.d))
    .y0((p) => y.value(p.low))
    .y1((p) => y.value(p.high))(points(j)) ?? '';
const middle = (j: JarOf) =>
  line<Point>()
    .x((p) => x.value(p.d))
    .y((p) => y.value(p.middle))(points(j)) ?? '';
const at = (j: JarOf, d: number) =>
  points(j).reduce<Point | null>((best, p) => (!best || Math.abs(p.d - d) < Math.abs(best.d - d) ? p : best), null);
/** Days on which a jar asks for more than a look; what falls on one day is one mark. */
const marks = computed(() =>
  shown.value.flatMap((j) => {
    const own = props.duties.filter(
      (d) => d.batchId === j.batchId && d.stationId === j.stationId && d.does !== 'tick' && d.does !== 'look',
    );
    const byDay = new Map<number, Set<string>>();
    for (const d of own) {
      const ahead = Math.max(0, daysBetween(today(), d.due));
      byDay.set(ahead, (byDay.get(ahead) ?? new Set()).add(d.does === 'read' ? 'read' : 'planned end'));
    }
    return [...byDay].flatMap(([ahead, says]) => {
      const p = ahead <= DAYS - 1 ? at(j, ahead) : null;
      return p ? [{ key: `${j.key}${ahead}`, x: x.value(ahead), y: y.value(p.middle), says: [...says].join(', ') }] : [];
    });
  }),
);
/** Names at the right end, pushed apart where they would lie on each other. */
const names = computed(() => {
  const list = shown.value
    .flatMap((j) => {
      const last = points(j).at(-1);
      return last ? [{ j, y: y.value(last.middle) }] : [];
    })
    .sort((a, b) => a.y - b.y);
  for (let i = 1; i < list.length; i++) list[i]!.y = Math.max(list[i]!.y, list[i - 1]!.y + 17);
  return list;
});
const ticks = computed(() => [3.4, 4, 4.6, 5.2].filter((t) => t >= y.value.domain()[1]! && t <= y.value.domain()[0]!));
const every = computed(() => (W.value < 620 ? 3 : 1));
const days = computed(() => Array.from({ length: DAYS }, (_, i) => ({ i, text: i === 0 ? 'today' : weekday(addDays(today(), i)) })));
</script>

<template>
  <div ref="el" class="falling">
    <svg :viewBox="`0 0 ${W} ${H}`" :width="W" :height="H" role="img" aria-label="How sour the jars will be in the next two weeks">
      <g v-for="d in days" :key="d.i">
        <line :x1="x(d.i)" :x2="x(d.i)" :y1="TOP" :y2="BOTTOM" class="grid" />
        <text v-if="d.i % every === 0" :x="x(d.i)" :y="H - 8" text-anchor="middle" :class="{ now: d.i === 0 }">{{ d.text }}</text>
      </g>
      <text v-for="t in ticks" :key="t" :x="LEFT - 8" :y="y(t) + 4" text-anchor="end">{{ ph(t) }}</text>
      <line :x1="LEFT" :x2="W - RIGHT" :y1="y(LEGAL_PH)" :y2="y(LEGAL_PH)" class="limit" />
      <text :x="W - RIGHT - 4" :y="y(LEGAL_PH) - 5" text-anchor="end" class="limit-text">limit</text>
      <g v-for="j in shown" :key="j.key" :style="{ '--own': j.hex }">
        <path :d="band(j)" class="band" />
        <path :d="middle(j)" class="middle" />
        <circle v-if="points(j)[0]" :cx="x(0)" :cy="y(points(j)[0]!.middle)" r="6" class="dot" :class="{ guessed: !j.last }" />
      </g>
      <g v-for="m in marks" :key="m.key">
        <circle :cx="m.x" :cy="m.y" r="5.5" class="mark" />
        <text :x="m.x + 9" :y="m.y - 7">{{ m.says }}</text>
      </g>
      <text v-for="n in names" :key="n.j.key" :x="W - RIGHT + 8" :y="n.y + 4" class="name">
        {{ n.j.batch.length > 17 ? `${n.j.batch.slice(0, 16)}…` : n.j.batch }}
      </text>
    </svg>
    <div class="visually-hidden">
      <NTable>
        <caption>
          pH of the jars: 10, 50 and 90 of 100 jars like these
        </caption>
        <tbody>
          <tr v-for="j in shown" :key="j.key">
            <th scope="row">{{ j.batch }}</th>
            <td v-for="d in [0, 3, 7, 13]" :key="d">
              in {{ d }} days: {{ at(j, d)?.low.toFixed(1) }}, {{ at(j, d)?.middle.toFixed(1) }}, {{ at(j, d)?.high.toFixed(1) }}
            </td>
          </tr>
        </tbody>
      </NTable>
    </div>
  </div>
</template>

<style scoped>
.falling {
  width: 100%;
  position: relative;
}
svg {
  display: block;
}
text {
  font-size: 13px;
  fill: var(--soft);
}
.now {
  font-weight: 700;
  fill: var(--ink);
}
.grid {
  stroke: var(--grid);
}
.limit {
  stroke: var(--warn);
  stroke-width: 1.5;
}
.limit-text {
  fill: var(--warn);
}
.band {
  fill: var(--own);
  opacity: 0.22;
}
.middle {
  fill: none;
  stroke: color-mix(in srgb, var(--own) 75%, var(--ink));
  stroke-width: 2;
  stroke-dasharray: 2 4;
}
.dot {
  fill: color-mix(in srgb, var(--own) 75%, var(--ink));
}
.dot.guessed {
  fill: var(--plate);
  stroke: color-mix(in srgb, var(--own) 75%, var(--ink));
  stroke-width: 2;
}
.mark {
  fill: var(--plate);
  stroke: var(--rim);
  stroke-width: 2;
}
.name {
  font-weight: 600;
  fill: var(--ink);
}
</style>
