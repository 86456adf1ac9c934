<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useId } from 'vue';
import { stationSummary, type LineReport, type StationReport } from '@roskel/core';
import { area, curveMonotoneX, line } from 'd3-shape';
import { day, grams, today } from '../format';
import { limbHex, limbLabel } from './flows';
import { limb, ribbonShape } from './geometry';
import { TRACKS, trackPoints, type Track, type TrackPoint } from './tracks';
import { NTable } from 'naive-ui';

/** The batch as a line: ribbon above, five tracks below, aligned with the stations. */
const props = defineProps<{ report: LineReport; chosen: string; trouble: string | null; bracket: { low: number; high: number } }>();
const emit = defineEmits<{ choose: [id: string]; why: [stationId: string, track: Track['key'] | 'massG'] }>();
const id = useId();
const holder = ref<HTMLElement | null>(null);
const width = ref(1150);
let watcher: ResizeObserver | null = null;
onMounted(() => {
  watcher = new ResizeObserver(([e]) => (width.value = Math.max(680, Math.round(e!.contentRect.width))));
  watcher.observe(holder.value!);
});
onBeforeUnmount(() => watcher?.disconnect());

const LEFT = 58;
const RIBBON = 190;
const STRIP = 38;
const height = RIBBON + STRIP * TRACKS.length + 4;
const shape = computed(() =>
  ribbonShape(props.report.stations.map(stationSummary), { left: LEFT, right: width.value, centre: 118, most: 88, today: today() }),
);
const mids = computed(() => shape.value.columns.map((c) => c.mid));
const tracks = computed(() =>
  TRACKS.map((track, i) => {
    const top = RIBBON + 4 + i * STRIP;
    const wish = track.key === 'heatShu' ? [props.bracket.low, props.bracket.high] : [];
    const { points, y } = trackPoints(track, props.report.stations, mids.value, top, STRIP, wish);
    return { track, top, points, wish: points.length > 0 && wish.length > 0 ? { low: y(wish[0]!), high: y(wish[1]!) } : null };
  }),
);
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
const solidTo = computed(() => Math.max(LEFT, ...tracks.value.flatMap((t) => t.points.filter((p) => p.done).map((p) => p.x))));
const limbs = computed(() =>
  props.report.stations.flatMap((s, i) => {
    const c = shape.value.columns[i]!;
    const before = i === 0 ? 0 : shape.value.columns[i - 1]!.thickness;
    const out = [];
    const inG = s.additions.reduce((t, a) => t + a.massG, 0);
    if (inG > 0 && i > 0) {
      const x = c.x0 + (c.x1 - c.x0) * 0.16;
      const edge = 118 - Math.max(c.thickness, before) / 2 + 4;
      out.push({
        key: `${s.id}+`,
        d: limb(x, edge, 60, inG * shape.value.perG * 0.7, 56),
        hex: limbHex(s.additions[0]!),
        x: c.x0 + 2,
        y: 45,
        text: `+ ${limbLabel(s.additions)}`,
        anchor: 'start',
      });
    }
    const sides = s.sides.filter((f) => f.massG >= 0.5);
    const lost = sides.reduce((t, a) => t + a.massG, 0);
    if (lost > 0) {
      const x = c.x0 + (c.x1 - c.x0) * (i === 0 ? 0.1 : 0.16);
      const edge = 118 + Math.max(Math.min(c.thickness, before || c.thickness), 3) / 2 - 4;
      out.push({
        key: `${s.id}-`,
        d: limb(x, edge, 174, Math.min(26, lost * shape.value.perG * 0.7), -34),
        hex: limbHex(sides[0]!),
        // The last one stands against the edge, so that it cannot run over it.
        ...(i === props.report.stations.length - 1 ? { x: c.x1 - 18, anchor: 'end' } : { x: x + 40, anchor: 'start' }),
        y: 180,
        text: limbLabel(sides),
      });
    }
    return out;
  }),
);
const when = (s: StationReport) => {
  if (s.active && s.from !== s.to && s.from <= today()) {
    const n = Math.round((Date.parse(today()) - Date.parse(s.from)) / 864e5);
    const m = Math.round((Date.parse(s.to) - Date.parse(s.from)) / 864e5);
    return `day ${n} of ~${m}`;
  }
  return `${s.done ? '' : '~'}${day(s.to)}`;
};
const offPlan = (a: number, b: number) => Math.abs(a - b) > 0.02 * Math.max(1, Math.abs(b));
function labelY(p: TrackPoint, top: number): number {
  const below = p.y + 15;
  return below > top + STRIP - 1 ? p.y - 6 : below;
}
</script>

<template>
  <div ref="holder" class="line-view">
    <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" aria-hidden="true">
      <defs>
        <linearGradient :id="`${id}-g`" gradientUnits="userSpaceOnUse" :x1="LEFT" :x2="width" y1="0" y2="0">
          <stop v-for="s in shape.stops" :key="s.offset" :offset="s.offset" :stop-color="s.hex" />
        </linearGradient>
        <clipPath :id="`${id}-d`"><rect :x="LEFT" y="0" :width="Math.max(0, shape.doneTo - LEFT)" :height="RIBBON" /></clipPath>
        <clipPath :id="`${id}-s`"><rect x="0" :y="RIBBON" :width="solidTo" :height="height - RIBBON" /></clipPath>
        <clipPath :id="`${id}-f`"><rect :x="solidTo" :y="RIBBON" :width="width - solidTo" :height="height - RIBBON" /></clipPath>
        <clipPath :id="`${id}-p`"><rect :x="shape.doneTo" y="0" :width="Math.max(0, width - shape.doneTo)" :height="RIBBON" /></clipPath>
      </defs>
      <g
        v-for="(c, i) in shape.columns"
        :key="c.id"
        class="column"
        :class="{ on: c.id === chosen, bad: c.id === trouble }"
        @click="emit('choose', c.id)"
      >
        <rect class="zone" :x="c.x0" y="0" :width="c.x1 - c.x0" :height="height" />
        <text class="name" :x="c.x0 + 12" y="20">{{ report.stations[i]!.name }}</text>
        <text class="when" :x="c.x0 + 12" y="35">{{ when(report.stations[i]!) }}</text>
      </g>
      <g class="limbs">
        <template v-for="l in limbs" :key="l.key">
          <path :d="l.d" :fill="l.hex" opacity="0.5" />
          <text :x="l.x + 10" :y="l.y + 6" :text-anchor="l.anchor">{{ l.text }}</text>
        </template>
      </g>
      <path :d="shape.body" :fill="`url(#${id}-g)`" :clip-path="`url(#${id}-d)`" pointer-events="none" />
      <g :clip-path="`url(#${id}-p)`" pointer-events="none">
        <path :d="shape.body" fill="var(--plate)" />
        <path :d="shape.body" :fill="`url(#${id}-g)`" opacity="0.4" />
        <path :d="shape.top" class="dash" :stroke="shape.stops.at(-1)?.hex" />
        <path :d="shape.bottom" class="dash" :stroke="shape.stops.at(-1)?.hex" />
      </g>
      <g v-for="(c, i) in shape.columns" :key="`m${c.id}`" class="mass" @click="emit('why', c.id, 'massG')">
        <template v-if="c.massG > 0">
          <text :x="c.mid" y="122" text-anchor="middle" :class="{ solid: c.mid < shape.doneTo }">
            {{ report.stations[i]!.log.massG !== undefined ? '●' : '' }} {{ grams(c.massG) }}
          </text>
          <text
            v-if="offPlan(c.massG, report.stations[i]!.planned.massG)"
            :x="c.mid"
            y="137"
            text-anchor="middle"
            class="plan"
            :class="{ solid: c.mid < shape.doneTo }"
          >
            plan {{ grams(report.stations[i]!.planned.massG) }}
          </text>
        </template>
      </g>
      <line class="rule" x1="0" :x2="width" :y1="RIBBON" :y2="RIBBON" />
      <g v-for="{ track, top, points, wish } in tracks" :key="track.key">
        <text class="track" x="10" :y="top + 17" :fill="track.colour">{{ track.name }}</text>
        <text class="unit" x="10" :y="top + 30">{{ track.unit }}</text>
        <line v-if="top > RIBBON + 4" class="hair" :x1="LEFT" :x2="width" :y1="top" :y2="top" />
        <path :d="bandPath(points) ?? ''" :fill="track.colour" opacity="0.18" pointer-events="none" />
        <path :d="linePath(points) ?? ''" :stroke="track.colour" class="curve dashed" :clip-path="`url(#${id}-f)`" />
        <path :d="linePath(points) ?? ''" :stroke="track.colour" class="curve" :clip-path="`url(#${id}-s)`" />
        <path v-if="wish" class="wish" :d="`M ${width - 18} ${wish.low} h 6 V ${wish.high} h -6`" />
        <g
          v-for="p in points"
          :key="p.stationId"
          class="point"
          :data-point="`${p.stationId}-${track.key}`"
          @click="emit('why', p.stationId, track.key)"
        >
          <rect class="hit" :x="p.x - 26" :y="top" width="76" :height="STRIP" />
          <path
            v-if="p.planned !== null && offPlan(p.value, p.planned)"
            class="was"
            :d="`M ${p.x - 7} ${p.plannedY} h 14`"
            :stroke="track.colour"
          />
          <circle :cx="p.x" :cy="p.y" r="4.2" :fill="p.measured ? track.colour : 'var(--plate)'" :stroke="track.colour" />
          <text :x="p.x + 9" :y="labelY(p, top)" :class="{ solid: p.done, measured: p.measured }">
            {{ track.show(p.value, p.measured) }}
          </text>
        </g>
      </g>
    </svg>
    <div class="pickers" :style="{ left: `${LEFT}px` }">
      <button
        v-for="(s, i) in report.stations"
        :key="s.id"
        type="button"
        :aria-pressed="s.id === chosen"
        :aria-label="`${i + 1} ${s.name}, ${when(s)}, ${grams(s.now.massG)}`"
        @click="emit('choose', s.id)"
      />
    </div>
    <NTable class="visually-hidden">
      <caption>
        The line in figures
      </caption>
      <thead>
        <tr>
          <th>Station</th>
          <th>Mass, planned and now</th>
          <th v-for="t in TRACKS" :key="t.key">{{ t.name }} {{ t.unit }}, planned, now, 10 to 90 %</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in report.stations" :key="s.id">
          <th>{{ s.name }}</th>
          <td :data-mass="s.id">{{ grams(s.planned.massG) }}, {{ grams(s.now.massG) }}</td>
          <td v-for="t in TRACKS" :key="t.key" :data-cell="`${s.id}-${t.key}`">
            <template v-if="s.now[t.key] !== null">
              {{ s.planned[t.key] === null ? '' : t.show(s.planned[t.key]!, false) }},
              {{ t.show(s.now[t.key]!, s.log.pH !== undefined && t.key === 'pH') }},
              {{ s.band[t.key] ? `${t.show(s.band[t.key]!.p10, false)} to ${t.show(s.band[t.key]!.p90, false)}` : '' }}
            </template>
          </td>
        </tr>
      </tbody>
    </NTable>
  </div>
</template>

<style scoped>
.line-view {
  position: relative;
  overflow-x: auto;
  overflow-y: hidden;
}
svg {
  display: block;
}
.column {
  cursor: pointer;
}
.zone {
  fill: transparent;
}
.column.on .zone {
  fill: var(--active);
}
.column.bad .zone {
  fill: var(--warn-plate);
}
.name {
  font:
    700 14px 'Bricolage Grotesque Variable',
    sans-serif;
}
.when,
.unit,
.limbs text {
  font-size: 13px;
  fill: var(--soft);
}
.unit {
  font-size: 13px;
}
.mass {
  cursor: help;
}
.mass text {
  font-weight: 700;
  font-size: 14px;
  fill: var(--deep-heat);
  paint-order: stroke;
  stroke: rgb(255 253 248 / 45%);
  stroke-width: 3px;
}
.mass text.solid {
  fill: var(--white);
  paint-order: stroke;
  stroke: rgb(60 15 8 / 35%);
  stroke-width: 2.5px;
}
.mass text.plan {
  font-weight: 500;
  font-size: 13px;
}
.dash {
  fill: none;
  stroke-width: 1.2;
  stroke-dasharray: 4 3;
}
.rule {
  stroke: var(--rim);
  stroke-width: 2;
}
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
.pickers {
  position: absolute;
  top: 0;
  right: 0;
  height: 44px;
  display: flex;
  pointer-events: none;
}
.pickers button {
  flex: 1;
  background: none;
  border: 0;
  pointer-events: auto;
  cursor: pointer;
}
</style>
