<script setup lang="ts">
import { computed } from 'vue';
import { NTable } from 'naive-ui';
import { ingredient, inSpoons, type AcidWork, type Reached } from '@roskel/core';
import { grams, percent, shu } from '../format';
import { useSettings } from '../stores/settings';

/** What brings a sauce to a pH, thing by thing; and what water does: hardly anything to the pH, much to the acid. */
const props = defineProps<{ work: AcidWork; target: number }>();
const settings = useSettings();
const there = computed(() => props.work.ways.every((w) => w.g === 0));
const most = computed(() => Math.max(1e-9, ...props.work.ways.map((w) => w.g ?? 0)));
const spoons = (w: Reached) => inSpoons(ingredient(w.key), w.g ?? 0, settings.value.kitchen);
const name = (w: Reached) => w.name.split(',')[0]!;
const [W, H, LEFT] = [420, 150, 20] as const;
/** Acid and acidity against water put in, each as a share of what it was. */
const curve = computed(() => {
  const { steps } = props.work.water;
  const base = steps[0]!;
  const x = (s: Reached) => LEFT + ((W - LEFT - 100) * ((s.g ?? 0) / base.massG)) / 1;
  const y = (share: number) => 10 + (H - 34) * (1 - share);
  const path = (of: (s: Reached) => number) => steps.map((s, i) => `${i ? 'L' : 'M'}${x(s).toFixed(1)} ${y(of(s)).toFixed(1)}`).join('');
  const last = steps.at(-1)!;
  return {
    acid: path((s) => s.acidPct / Math.max(1e-9, base.acidPct)),
    pH: path((s) => (base.pH ?? 0) / Math.max(1e-9, s.pH ?? 1)),
    endAcid: y(last.acidPct / Math.max(1e-9, base.acidPct)),
    endPh: y((base.pH ?? 0) / Math.max(1e-9, last.pH ?? 1)),
    right: x(last),
    steps: steps.map((s, i) => ({ x: x(s), label: ['0', '1/10', '1/4', '1/2', 'as much'][i]! })),
  };
});
const ph = (x: number | null) => (x === null ? 'no pH' : x.toFixed(2));
</script>

<template>
  <section class="plate side" aria-label="What it takes">
    <h2>To reach pH {{ target.toFixed(1) }}</h2>
    <p v-if="there" data-fact="there">It is there already: pH {{ ph(work.now.pH) }}.</p>
    <ul v-else>
      <li v-for="w in work.ways" :key="w.key" :data-way="w.key">
        <b>{{ name(w) }}</b>
        <template v-if="w.g !== null">
          <span class="amount"
            ><b>{{ grams(w.g) }}</b> <span class="soft">{{ spoons(w) }}</span></span
          >
          <i class="bar" :style="{ width: `${(100 * w.g) / most}%` }" />
          <span class="soft does"
            >then acid {{ percent(w.acidPct) }}, salt {{ percent(w.saltPct) }}, {{ shu(w.shu) }} SHU, {{ grams(w.massG) }} in all</span
          >
        </template>
        <span v-else class="soft">cannot: not even three times the sauce of it gets there</span>
      </li>
    </ul>
    <p class="soft">
      Worked out by the balance of charges; good to about 0.2. Put in half, blend, wait until it is even, read it, then the rest. Only what
      is read counts.
    </p>
  </section>
  <section class="plate side" aria-label="What water does">
    <h2>What water does</h2>
    <svg :viewBox="`0 0 ${W} ${H}`" role="img" aria-label="With more water the acid thins and the pH hardly moves">
      <path :d="curve.pH" class="ph" />
      <path :d="curve.acid" class="acid" />
      <text :x="curve.right + 6" :y="curve.endPh + 5">sourness</text>
      <text :x="curve.right + 6" :y="curve.endAcid + 5">acid</text>
      <text v-for="s in curve.steps" :key="s.label" :x="s.x" :y="H - 4" text-anchor="middle">{{ s.label }}</text>
    </svg>
    <NTable :bordered="false" size="small">
      <thead>
        <tr>
          <th scope="col">water</th>
          <th scope="col">pH</th>
          <th scope="col">acid</th>
          <th scope="col">salt</th>
          <th scope="col">SHU</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="s in work.water.steps" :key="s.g ?? 0" data-water>
          <td>{{ s.g ? grams(s.g) : 'none' }}</td>
          <td>{{ ph(s.pH) }}</td>
          <td>
            <b>{{ percent(s.acidPct, 2) }}</b>
          </td>
          <td>{{ percent(s.saltPct) }}</td>
          <td>{{ shu(s.shu) }}</td>
        </tr>
      </tbody>
    </NTable>
    <p data-fact="water">
      <template v-if="work.water.free"
        >Three times as much water as sauce does not bring it above pH {{ work.limit.toFixed(1) }}: the meter stays reassuring while the
        acid that keeps it is thinned.</template
      >
      <template v-else-if="work.water.mostG > 0"
        >About {{ grams(work.water.mostG) }} of water bring it to pH {{ work.limit.toFixed(1) }}; its acid is thinned all the way.</template
      >
      <template v-else>It is above pH {{ work.limit.toFixed(1) }} already: it can take no water.</template>
    </p>
  </section>
</template>

<style scoped>
.side {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
  align-content: start;
}
.side p {
  margin: 0;
  font-size: 14.5px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 12px;
  padding: 6px 0;
  border-bottom: 1px dashed var(--line);
}
.amount {
  text-align: right;
}
.bar {
  grid-column: 1 / -1;
  height: 9px;
  border-radius: 0 5px 5px 0;
  background: var(--acid);
}
.does {
  grid-column: 1 / -1;
  font-size: 13.5px;
}
svg {
  width: 100%;
  max-width: 460px;
  display: block;
}
path {
  fill: none;
  stroke-width: 3;
}
.ph {
  stroke: var(--rim);
  stroke-dasharray: 6 4;
}
.acid {
  stroke: var(--acid);
}
text {
  font-size: 15px;
  fill: var(--soft);
}
th,
td {
  text-align: right;
  padding: 4px 0 4px 8px;
  border-bottom: 1px dashed var(--line);
  font-weight: 400;
}
th:first-child,
td:first-child {
  text-align: left;
  padding-left: 0;
}
@media (max-width: 1000px) {
  text {
    font-size: 19px;
  }
}
</style>
