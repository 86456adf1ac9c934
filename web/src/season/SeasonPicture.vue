<script setup lang="ts">
import { computed, ref } from 'vue';
import { addDays, daysBetween, styleOf, type Day, type Harvest, type Season, type SeasonBatch, type Shelved } from '@roskel/core';
import { capital, day, plural } from '../format';
import { heatColour } from '../theme';
import { useWidth } from '../ui/useWidth';

/** A season as a picture: what ripens above, batches as ribbons from their day until they are ready, what stands on the shelf below. */
const props = defineProps<{
  season: Season;
  harvests: readonly Harvest[];
  shelf: readonly Shelved[];
  days: readonly Day[];
  today: Day;
  held: (b: SeasonBatch) => boolean;
}>();
const emit = defineEmits<{ move: [batch: SeasonBatch, start: Day]; free: [batch: SeasonBatch] }>();
/** As wide as its place, so that its words are as large as others; a narrow one is scrolled. */
const LEAST_W = 620;
const { el: place, width } = useWidth(880);
const W = computed(() => Math.max(LEAST_W, width.value));
const LEFT = 8;
const ROW = 20;
const TOP = 26;
/** Height of the shelf's steps. */
const SHELF = 74;

const until = computed(() => {
  const ends = [
    ...props.season.parts.map((p) => p.by),
    ...props.season.batches.map((b) => b.ready),
    ...used.value.map((h) => h.from.typical),
  ];
  const last = ends.reduce((a, b) => (a > b ? a : b), addDays(props.today, 60));
  return addDays(last, 10);
});
const span = computed(() => Math.max(1, daysBetween(props.today, until.value)));
const x = (d: Day) => LEFT + ((W.value - 2 * LEFT) * Math.max(0, Math.min(span.value, daysBetween(props.today, d)))) / span.value;
const months = computed(() => {
  const out: { at: number; name: string }[] = [];
  for (let first: Day = `${addDays(props.today, 31).slice(0, 7)}-01`; first < until.value; first = `${addDays(first, 32).slice(0, 7)}-01`)
    out.push({ at: x(first), name: new Date(`${first}T12:00:00Z`).toLocaleDateString('en', { month: 'short', timeZone: 'UTC' }) });
  return out;
});

const inUse = computed(
  () => new Set([...props.season.batches.flatMap((b) => b.pods.map((p) => p.harvestId)), ...props.season.spoils.map((s) => s.harvestId)]),
);
/** What is there and in no batch needs no row. */
const used = computed(() =>
  props.harvests
    .filter((h) => inUse.value.has(h.id) || h.from.typical > props.today)
    .sort((a, b) => a.from.typical.localeCompare(b.from.typical) || a.name.localeCompare(b.name)),
);
/** Pickings of one kind of pod share a row. */
const rowOf = computed(() => new Map([...new Set(used.value.map((h) => h.name))].map((v, i) => [v, i])));
const bars = computed(() =>
  used.value.map((h) => {
    const good = addDays(h.from.typical, Math.min(h.goodDays, span.value));
    const spoils = props.season.spoils.find((s) => s.harvestId === h.id)?.g ?? 0;
    return {
      ...{
        id: h.id,
        y: TOP + rowOf.value.get(h.name)! * ROW,
        hex: h.lot.hex,
        from: x(h.from.low),
        at: x(h.from.typical),
        to: Math.max(x(good), x(h.from.typical) + 6),
      },
      first: used.value.find((x) => x.name === h.name) === h,
      name: h.name,
      spoils: spoils > 0.05 * h.g.typical,
      says: `${h.name}, about ${Math.round(h.g.typical)} g, ${h.from.typical > props.today ? `from about ${day(h.from.typical)}` : 'there'}`,
    };
  }),
);
const lanesTop = computed(() => TOP + rowOf.value.size * ROW + 14);
const ribbons = computed(() => {
  // A row is free again once what lay on it is ready.
  const free: number[] = [];
  return props.season.batches.map((b) => {
    const [x0, x1, x2] = [x(b.start), Math.max(x(b.end), x(b.start) + 10), Math.max(x(b.ready), x(b.start) + 12)];
    const label = capital(styleOf(b.style).name);
    let lane = free.findIndex((end) => end < x0 - 4);
    if (lane < 0) lane = free.length;
    free[lane] = Math.max(x2, x0 + 7.6 * label.length + 60);
    const y = lanesTop.value + lane * 34;
    return { b, x0, x1, x2, y, label, hex: heatColour(b.shu), held: props.held(b) };
  });
});
const shelfTop = computed(
  () => lanesTop.value + 34 * Math.max(1, Math.max(0, ...ribbons.value.map((r) => (r.y - lanesTop.value) / 34 + 1))) + 12,
);
const H = computed(() => shelfTop.value + SHELF + 40);
const flows = computed(() =>
  ribbons.value.flatMap((r) =>
    r.b.pods.flatMap((p) => {
      const bar = bars.value.find((h) => h.id === p.harvestId);
      if (!bar) return [];
      const [ax, ay, bx, by] = [Math.min(Math.max(r.x0, bar.at), bar.to), bar.y + 7, r.x0 + 2, r.y + 8];
      return [
        {
          key: `${r.b.id} ${p.harvestId}`,
          d: `M${ax} ${ay} C ${ax} ${(ay + by) / 2}, ${bx} ${(ay + by) / 2}, ${bx} ${by}`,
          hex: bar.hex,
          frozen: p.frozen,
        },
      ];
    }),
  ),
);

/** Bottles that stand there, day by day: what was filled until then, less what wishes took. */
const steps = computed(() => {
  const moves = new Map<Day, number>();
  const add = (d: Day, n: number) => moves.set(d, (moves.get(d) ?? 0) + n);
  for (const s of props.shelf) add(s.from, s.bottles);
  for (const b of props.season.batches) add(b.ready, b.fills);
  for (const p of props.season.parts) add(p.by, -p.got);
  let level = 0;
  return [...moves].sort(([a], [b]) => a.localeCompare(b)).map(([d, n]) => ({ d, level: (level += n) }));
});
const most = computed(() => Math.max(1, ...steps.value.map((s) => s.level)));
const area = computed(() => {
  const y = (n: number) => shelfTop.value + SHELF - (SHELF * Math.max(0, n)) / most.value;
  let d = `M${LEFT} ${y(0)}`;
  let level = 0;
  for (const s of steps.value) {
    d += ` L${x(s.d)} ${y(level)} L${x(s.d)} ${y(s.level)}`;
    level = s.level;
  }
  return `${d} L${W.value - LEFT} ${y(level)} L${W.value - LEFT} ${y(0)} Z`;
});
const flags = computed(() => {
  const byWish = new Map<string, { says: string; by: Day; got: number; of: number }>();
  for (const p of props.season.parts) {
    if (p.wishId === null) continue;
    const had = byWish.get(p.wishId) ?? { says: p.says, by: p.by, got: 0, of: 0 };
    byWish.set(p.wishId, { ...had, got: had.got + p.got, of: had.of + p.bottles });
  }
  return [...byWish].map(([id, f]) => ({
    id,
    at: x(f.by),
    met: f.got >= f.of,
    text: `${f.got} of ${f.of}`,
    says: `${f.says}: ${f.got} of ${f.of} by ${day(f.by)}`,
  }));
});

/** A ribbon that is dragged lands on the nearest day on which there is time. */
const dragged = ref<{ id: string; dx: number; from: number } | null>(null);
const svg = ref<SVGSVGElement>();
const scale = () => W.value / (svg.value?.getBoundingClientRect().width || W.value);
function grab(e: PointerEvent, b: SeasonBatch) {
  (e.currentTarget as Element).setPointerCapture(e.pointerId);
  dragged.value = { id: b.id, dx: 0, from: e.clientX };
}
function drag(e: PointerEvent) {
  if (dragged.value) dragged.value = { ...dragged.value, dx: (e.clientX - dragged.value.from) * scale() };
}
function drop(b: SeasonBatch) {
  const d = dragged.value;
  dragged.value = null;
  if (!d || Math.abs(d.dx) < 4) return;
  const to = x(b.start) + d.dx;
  const start = [...props.days].sort((a, c) => Math.abs(x(a) - to) - Math.abs(x(c) - to))[0];
  if (start && start !== b.start) emit('move', b, start);
}
function key(e: KeyboardEvent, b: SeasonBatch) {
  if (e.key === 'Delete' || e.key === 'Backspace') return emit('free', b);
  const by = e.key === 'ArrowRight' ? 1 : e.key === 'ArrowLeft' ? -1 : 0;
  const start = by && props.days[props.days.indexOf(b.start) + by];
  if (!start) return;
  e.preventDefault();
  emit('move', b, start);
}
const told = (b: SeasonBatch) =>
  `${capital(styleOf(b.style).name)}${b.heat ? `, ${b.heat}` : ''}: begins ${day(b.start)}, ready ${day(b.ready)}, ${plural(b.fills, 'bottle')}`;
</script>

<template>
  <div ref="place">
    <svg
      ref="svg"
      :width="W"
      :height="H"
      :viewBox="`0 0 ${W} ${H}`"
      role="group"
      aria-label="The months: what ripens, batches, and what stands on the shelf"
    >
      <g v-for="m in months" :key="m.at" class="month">
        <line :x1="m.at" :x2="m.at" y1="16" :y2="H - 18" />
        <text :x="m.at + 4" y="13">{{ m.name }}</text>
      </g>
      <text :x="LEFT" y="13">today</text>
      <g v-for="h in bars" :key="h.id" role="img" :aria-label="h.says">
        <rect :x="h.from" :y="h.y" :width="Math.max(2, h.at - h.from)" height="14" :fill="h.hex" opacity="0.25" />
        <rect :x="h.at" :y="h.y" :width="h.to - h.at" height="14" rx="3" :fill="h.hex" opacity="0.8" />
        <text v-if="h.first" class="on" :x="Math.min(h.at + 6, W - 120)" :y="h.y + 11">
          {{ h.name }}{{ h.spoils ? ', some spoils' : '' }}
        </text>
      </g>
      <path v-for="f in flows" :key="f.key" :d="f.d" :stroke="f.hex" :class="{ frozen: f.frozen }" class="flow" />
      <g
        v-for="r in ribbons"
        :key="r.b.id"
        class="ribbon"
        :class="{ dragged: dragged?.id === r.b.id }"
        role="slider"
        tabindex="0"
        :data-batch="r.b.id"
        :aria-label="told(r.b)"
        :aria-valuetext="`begins ${day(r.b.start)}${r.held ? ', held' : ''}`"
        :aria-valuenow="days.indexOf(r.b.start)"
        aria-valuemin="0"
        :aria-valuemax="days.length - 1"
        :transform="dragged?.id === r.b.id ? `translate(${dragged.dx} 0)` : undefined"
        @pointerdown="grab($event, r.b)"
        @pointermove="drag"
        @pointerup="drop(r.b)"
        @pointercancel="dragged = null"
        @keydown="key($event, r.b)"
      >
        <rect class="hit" :x="r.x0 - 4" :y="r.y - 2" :width="Math.max(r.x2 - r.x0, 7.6 * r.label.length) + 12" height="32" rx="6" />
        <rect :x="r.x0" :y="r.y" :width="r.x1 - r.x0" height="15" rx="5" :fill="r.hex" />
        <rect v-if="r.x2 > r.x1" :x="r.x1" :y="r.y + 5" :width="r.x2 - r.x1" height="5" :fill="r.hex" opacity="0.6" />
        <circle v-if="r.held" :cx="r.x0 + 5" :cy="r.y + 7.5" r="4" class="pin" />
        <text :x="Math.min(r.x0, W - LEFT - 7.6 * r.label.length - 20)" :y="r.y + 27">{{ r.label }}, {{ r.b.fills }}</text>
      </g>
      <path :d="area" class="shelf" />
      <text :x="LEFT + 4" :y="shelfTop - 2" class="soft">on the shelf, {{ most }} bottles at most</text>
      <line :x1="LEFT" :x2="W - LEFT" :y1="shelfTop + SHELF" :y2="shelfTop + SHELF" class="floor" />
      <g v-for="(f, i) in flags" :key="f.id" role="img" :aria-label="f.says" class="flag" :class="{ short: !f.met }">
        <line :x1="f.at" :x2="f.at" :y1="shelfTop" :y2="shelfTop + SHELF + 6" />
        <circle :cx="f.at" :cy="shelfTop + SHELF + 8" r="4" />
        <text :x="Math.min(f.at, W - 24)" :y="shelfTop + SHELF + (i % 2 ? 36 : 24)" text-anchor="middle">{{ f.text }}</text>
      </g>
    </svg>
  </div>
</template>

<style scoped>
svg {
  display: block;
  touch-action: pan-y;
}
text {
  font-size: 13px;
  fill: var(--ink);
  pointer-events: none;
}
.month line,
.floor {
  stroke: var(--grid);
}
.month text,
.soft {
  fill: var(--soft);
}
.on {
  paint-order: stroke;
  stroke: var(--plate);
  stroke-width: 3px;
  font-weight: 600;
}
.flow {
  fill: none;
  stroke-width: 2.5;
  opacity: 0.55;
}
.flow.frozen {
  stroke-dasharray: 5 4;
}
.ribbon {
  cursor: grab;
  touch-action: none;
}
.ribbon.dragged {
  cursor: grabbing;
  opacity: 0.8;
}
.hit {
  fill: transparent;
}
.ribbon:hover .hit,
.ribbon:focus-visible .hit {
  fill: none;
  stroke: var(--rim);
  stroke-dasharray: 3 3;
}
.pin {
  fill: var(--plate);
  stroke: var(--rim);
  stroke-width: 2;
}
.shelf {
  fill: var(--pulp);
  opacity: 0.35;
}
.flag line {
  stroke: var(--rim);
  stroke-dasharray: 2 3;
}
.flag circle {
  fill: var(--rim);
}
.flag.short circle,
.flag.short text {
  fill: var(--heat);
}
.flag text {
  font-weight: 600;
}
</style>
