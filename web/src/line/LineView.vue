<script setup lang="ts">
import { computed, onBeforeUnmount, onMounted, ref, useId } from 'vue';
import { NButton } from 'naive-ui';
import { stationOf, stationSummary, type LineReport, type LinePlace, type StationReport } from '@roskel/core';
import { day, grams, plural, today } from '../format';
import LineFigures from './LineFigures.vue';
import LineTracks from './LineTracks.vue';
import { layoutLine } from './layout';
import { limbsOf } from './limbs';
import { offPlan, STRIP, TRACKS, type Track } from './tracks';

/** The batch as a line: one way as a ribbon, what flows in and branches off beside it; its five tracks unfold below. */
const props = defineProps<{
  report: LineReport;
  chosen: string;
  endId: string;
  trouble: string | null;
  /** Names are handles by which a station is dragged. */
  changing: boolean;
  /** The five tracks stand under the ribbon. */
  tracks: boolean;
  /** Where a dragged station would land. */
  aim: LinePlace | null;
}>();
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

/** Room for the names of the tracks. */
const left = computed(() => (props.tracks ? 58 : 14));
const layout = computed(() =>
  layoutLine(props.report.stations.map(stationSummary), props.report.strands, props.endId, props.chosen, {
    ...{ left: left.value, right: width.value, head: 38, today: today() },
    labels: 16,
    most: props.report.strands.length > 1 ? 60 : props.tracks ? 84 : 72,
  }),
);
const shape = computed(() => layout.value.shape);
const rows = computed(() => layout.value.rows);
const ribbon = computed(() => Math.max(152, rows.value.bottom));
const height = computed(() => ribbon.value + (props.tracks ? STRIP * TRACKS.length + 4 : 0));
/** Stations of the way, in columns. */
const read = computed(() => layout.value.way.stationIds.map((s) => stationOf(props.report, s)));
const mids = computed(() => shape.value.columns.map((c) => c.mid));
const wide = computed(() => (width.value - left.value) / Math.max(1, read.value.length));
const goal = computed(() => (props.report.ends.find((e) => e.strandId === props.endId) ?? props.report.ends[0])?.goal);
const limbs = computed(() => limbsOf(read.value, layout.value, props.report.strands, wide.value));
const when = (s: StationReport) => {
  if (s.active && s.from !== s.to && s.from <= today()) {
    const n = Math.round((Date.parse(today()) - Date.parse(s.from)) / 864e5);
    const m = Math.round((Date.parse(s.to) - Date.parse(s.from)) / 864e5);
    return `day ${n} of ~${m}`;
  }
  return `${s.done ? '' : '~'}${day(s.to)}`;
};
/** Where the mark stands that shows it: at the edge of a column, or beside a ring. */
const mark = computed(() => {
  const { aim } = props;
  if (!aim) return null;
  const late = aim.where === 'after';
  const column = shape.value.columns.find((c) => c.id === aim.stationId);
  if (column) return { x: Math.min(width.value - 3, late ? column.x1 : column.x0 + 1), y1: 4, y2: height.value - 4 };
  const ring = [...layout.value.inflows, ...layout.value.branches].flatMap((f) => f.rings).find((r) => r.id === aim.stationId);
  return ring ? { x: ring.x + (late ? 11 : -11), y1: ring.y - 16, y2: ring.y + 16 } : null;
});
/** What a branch ends in. */
const branchEnd = (strandId: string) => {
  const e = props.report.ends.find((x) => x.strandId === strandId);
  return e ? plural(e.bottles.filled, e.vessel) : '';
};
/** A strand is read along from its last station on. */
const unfold = (strandId: string) => emit('choose', props.report.strands.find((s) => s.id === strandId)!.stationIds.at(-1)!);
const along = computed(() => layout.value.way.legs.map((s) => s.name).join(', then '));
const onWay = (strandId: string) => layout.value.way.legs.some((s) => s.id === strandId);
</script>

<template>
  <div>
    <div v-if="report.strands.length > 1" class="strands" role="group" aria-label="Parts">
      <span class="soft">Parts</span>
      <NButton v-for="s in report.strands" :key="s.id" quaternary :aria-pressed="onWay(s.id)" :data-strand="s.id" @click="unfold(s.id)">
        {{ s.name }}
      </NButton>
      <span class="soft way">the line runs along {{ along }}</span>
    </div>
    <div ref="holder" class="line-view">
      <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" aria-hidden="true">
        <defs>
          <linearGradient :id="`${id}-g`" gradientUnits="userSpaceOnUse" :x1="left" :x2="width" y1="0" y2="0">
            <stop v-for="s in shape.stops" :key="s.offset" :offset="s.offset" :stop-color="s.hex" />
          </linearGradient>
          <clipPath :id="`${id}-d`"><rect :x="left" y="0" :width="Math.max(0, shape.doneTo - left)" :height="ribbon" /></clipPath>
          <clipPath :id="`${id}-p`"><rect :x="shape.doneTo" y="0" :width="Math.max(0, width - shape.doneTo)" :height="ribbon" /></clipPath>
        </defs>
        <g
          v-for="(c, i) in shape.columns"
          :key="c.id"
          class="column"
          :class="{ on: c.id === chosen, bad: c.id === trouble }"
          :data-column="c.id"
          @click="emit('choose', c.id)"
        >
          <rect class="zone" :x="c.x0" y="0" :width="c.x1 - c.x0" :height="height" />
          <text class="name" :class="{ small: wide < 100 }" :x="c.x0 + (wide < 100 ? 6 : 12)" y="20">{{ read[i]!.name }}</text>
          <text class="when" :x="c.x0 + (wide < 100 ? 6 : 12)" y="35">{{ when(read[i]!) }}</text>
        </g>
        <g v-for="b in layout.branches" :key="b.strandId" class="strand" :data-drawn="b.strandId" @click="unfold(b.strandId)">
          <path :d="b.d" :fill="b.hex" opacity="0.55" />
          <circle
            v-for="r in b.rings"
            :key="r.id"
            class="ring"
            :class="{ done: r.done }"
            :cx="r.x"
            :cy="r.y"
            r="4"
            :data-ring="r.id"
            :data-handle="changing ? r.id : undefined"
          />
          <text :x="b.label.x" :y="b.label.y">
            {{ b.name }} {{ grams(b.massG) }}{{ branchEnd(b.strandId) ? `, ${branchEnd(b.strandId)}` : '' }}
          </text>
        </g>
        <g class="limbs">
          <template v-for="l in limbs" :key="l.key">
            <path :d="l.d" :fill="l.hex" opacity="0.5" />
            <path v-if="l.kept" class="vessel" :d="`M ${l.kept.x} ${l.kept.y - 7} v 10 q 0 4 4 4 h 6 q 4 0 4 -4 v -10`" />
            <text :x="l.x" :y="l.y" :text-anchor="l.anchor">{{ l.text }}</text>
          </template>
        </g>
        <path :d="shape.body" :fill="`url(#${id}-g)`" :clip-path="`url(#${id}-d)`" pointer-events="none" />
        <g :clip-path="`url(#${id}-p)`" pointer-events="none">
          <path :d="shape.body" fill="var(--plate)" />
          <path :d="shape.body" :fill="`url(#${id}-g)`" opacity="0.4" />
          <path :d="shape.top" class="dash" :stroke="shape.stops.at(-1)?.hex" />
          <path :d="shape.bottom" class="dash" :stroke="shape.stops.at(-1)?.hex" />
        </g>
        <g
          v-for="f in layout.inflows"
          :key="f.strandId"
          class="strand"
          :data-drawn="f.strandId"
          @click="emit('choose', f.rings.at(-1)!.id)"
        >
          <path :d="f.d" :fill="f.hex" opacity="0.8" />
          <circle
            v-for="r in f.rings"
            :key="r.id"
            class="ring"
            :class="{ done: r.done }"
            :cx="r.x"
            :cy="r.y"
            r="5"
            :data-ring="r.id"
            :data-handle="changing ? r.id : undefined"
            @click.stop="emit('choose', r.id)"
          />
          <text :x="f.label.x" :y="f.label.y" :text-anchor="f.label.anchor">{{ f.name }} {{ grams(f.massG) }}</text>
        </g>
        <g v-for="(c, i) in shape.columns" :key="`m${c.id}`" class="mass" @click="emit('why', c.id, 'massG')">
          <template v-if="c.massG > 0">
            <text :x="c.mid + (wide < 100 ? 6 : 0)" :y="rows.centre + 4" text-anchor="middle" :class="{ solid: c.mid < shape.doneTo }">
              {{ read[i]!.log.massG !== undefined ? '●' : '' }} {{ grams(c.massG) }}
              <tspan v-if="wide >= 130 && offPlan(c.massG, read[i]!.planned.massG)" class="plan">
                , plan {{ grams(read[i]!.planned.massG) }}
              </tspan>
            </text>
          </template>
        </g>
        <line v-if="tracks" class="rule" x1="0" :x2="width" :y1="ribbon" :y2="ribbon" />
        <LineTracks
          v-if="tracks"
          :read="read"
          :mids="mids"
          :goal="goal"
          :left="left"
          :right="width"
          :top="ribbon"
          @why="(station, track) => emit('why', station, track)"
        />
        <line v-if="mark" class="mark" data-fact="aim" :x1="mark.x" :x2="mark.x" :y1="mark.y1" :y2="mark.y2" />
      </svg>
      <div class="pickers" :class="{ changing }" :style="{ left: `${left}px` }">
        <button
          v-for="(s, i) in read"
          :key="s.id"
          type="button"
          :aria-pressed="s.id === chosen"
          :aria-label="`${i + 1} ${s.name}, ${when(s)}, ${grams(s.now.massG)}`"
          :data-picker="s.id"
          :data-handle="changing ? s.id : undefined"
          @click="emit('choose', s.id)"
        />
      </div>
      <LineFigures :report="report" />
    </div>
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
.name.small {
  font-size: 12.5px;
}
.strands {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 8px;
  padding: 0 12px;
  border-bottom: 1px solid var(--grid);
}
.way {
  margin-left: auto;
  font-size: 13px;
}
.strands :deep(.n-button) {
  height: 34px;
  border-bottom: 3px solid transparent;
  border-radius: 0;
  color: var(--soft);
}
.strands :deep(.n-button[aria-pressed='true']) {
  color: var(--ink);
  font-weight: 600;
  border-bottom-color: var(--rim);
}
.strand {
  cursor: pointer;
}
.ring {
  fill: var(--plate);
  stroke: var(--rim);
  stroke-width: 2;
}
.ring.done {
  fill: var(--rim);
}
.vessel {
  fill: var(--plate);
  stroke: var(--rim);
  stroke-width: 1.8;
}
.when,
.strand text,
.limbs text {
  font-size: 13px;
  fill: var(--soft);
}
.mark {
  stroke: var(--heat);
  stroke-width: 4;
  stroke-linecap: round;
  pointer-events: none;
}
[data-handle] {
  cursor: grab;
  touch-action: none;
}
.pickers.changing {
  height: 40px;
}
.pickers.changing button {
  border: 1.5px dashed var(--soft);
  border-radius: 10px;
}
.mass {
  cursor: help;
}
.mass text {
  font-weight: 700;
  font-size: 14px;
  fill: var(--deep-heat);
  paint-order: stroke;
  stroke: var(--halo);
  stroke-width: 3px;
}
.mass text.solid {
  fill: var(--on-sauce);
  paint-order: stroke;
  stroke: rgb(60 15 8 / 35%);
  stroke-width: 2.5px;
}
.mass .plan {
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
