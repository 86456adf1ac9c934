<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue';
import { NButton, NTable } from 'naive-ui';
import { RouterLink } from 'vue-router';
import {
  biasesOf,
  coverageOf,
  isInside,
  offOf,
  SCORE_GROUPS,
  SCORED,
  SCORED_KINDS,
  scoresBy,
  type Bias,
  type BiasGroup,
  type Coverage,
  type Scored,
  type ScoreGroup,
  type ScoreRow,
} from '@roskel/core';
import { api } from '../api/client';
import OffChart from '../charts/OffChart.vue';
import { capital, day, grams, plural, shu } from '../format';
import { useNotices } from '../stores/notices';
import { lazySheet } from '../ui/lazySheet';
import PillField from '../ui/PillField.vue';

/** What was foretold of all that was measured, as it stood before: how many lay in their bands, what is off, and what would help. */
const LearntSheet = lazySheet(() => import('../house/LearntSheet.vue'));
const notices = useNotices();
const others = ref(false);
const rows = shallowRef<readonly ScoreRow[] | null>(null);
onMounted(() =>
  api
    .get<ScoreRow[]>('/scores')
    .then((all) => {
      rows.value = all;
      of.value = SCORED_KINDS.reduce((a, b) => (count(b) > count(a) ? b : a));
    })
    .catch((e: unknown) => notices.fail(e)),
);
const all = computed(() => rows.value ?? []);
const of = ref<Scored>('mass');
const group = ref<ScoreGroup>('style');
const count = (k: Scored) => all.value.filter((r) => r.of === k).length;
const kinds = computed(() => SCORED_KINDS.filter((k) => count(k) > 0).map((value) => ({ value, label: SCORED[value].name })));
const groups = (Object.keys(SCORE_GROUPS) as ScoreGroup[]).map((value) => ({ value, label: SCORE_GROUPS[value].name }));
const table = computed(() =>
  kinds.value.map(({ value, label }) => ({ key: value, name: label, of: value, c: coverageOf(all.value.filter((r) => r.of === value)) })),
);
const own = computed(() => all.value.filter((r) => r.of === of.value));
const parts = computed(() => scoresBy(own.value, group.value).filter((p) => p.name !== ''));
const biases = computed(() => biasesOf(all.value));
const inside = computed(() => all.value.filter(isInside).length);
const afterwards = computed(() => all.value.filter((r) => r.afterwards).length);

function amount(k: Scored, value: number): string {
  if (k === 'mass') return grams(value);
  if (k === 'heat') return `${shu(value)} SHU`;
  return value.toFixed(SCORED[k].digits);
}
/** "3 % less", "0.12 higher", and how sure that is. */
function offWords(k: Scored, off: number): string {
  const { relative, unit } = SCORED[k];
  const by = relative ? `${Math.abs(100 * off).toFixed(0)} %` : `${Math.abs(off).toFixed(2)}${unit ? ` ${unit}` : ''}`;
  return `${by} ${relative ? (off > 0 ? 'more' : 'less') : off > 0 ? 'higher' : 'lower'}`;
}
const meanWords = (k: Scored, c: Coverage) =>
  !c.off ? '' : Math.abs(c.off.mean) < 2 * c.off.se || c.n < 3 ? 'no more than luck' : offWords(k, c.off.mean);
/** Eight in ten should: what says something else only when luck does not explain it. */
const verdict = (c: Coverage) =>
  c.n < 5 ? 'too few to say' : c.low > 0.8 ? 'bands wider than need be' : c.high < 0.8 ? 'bands too narrow' : 'as it should be';
function biasWords(b: Bias): string {
  const what = SCORED[b.of].name;
  const times = plural(b.n, 'time');
  if (b.group === 'tool') return `With ${b.name}, ${what} is ${offWords(b.of, b.off)} than foretold (${times}).`;
  if (b.group === 'lot') return `What ${b.name} went into tastes ${offWords(b.of, b.off)} hot than foretold (${times}).`;
  return `After ${b.name}, ${what} is ${offWords(b.of, b.off)} than foretold (${times}).`;
}
const HELP: Record<BiasGroup, { to: string; says: string }> = {
  tool: { to: '/larder/tools', says: 'teach it what it does' },
  station: { to: '/larder/tools', says: 'name the thing you do it with, and let it learn' },
  lot: { to: '/pods', says: 'taste the lot by itself' },
};
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <h1>How good were we?</h1>
      </div>
      <span v-if="all.length" class="push soft" role="status" data-fact="inside">
        {{ inside }} of {{ all.length }} measured lay where 8 in 10 should
      </span>
      <NButton :class="{ push: all.length === 0 }" @click="others = true">What kitchens learnt</NButton>
    </header>
    <p v-if="rows === null" class="soft">Fetching what was measured.</p>
    <section v-else-if="all.length === 0" class="plate note">
      <h2>Nothing was measured yet that had been foretold</h2>
      <p>
        Weigh a pot, read a jar, count the bottles or taste a sauce: what was foretold stands here beside it from then on, as it stood
        before.
      </p>
    </section>
    <template v-else>
      <section class="plate" aria-labelledby="better">
        <h2 id="better">What would make it better</h2>
        <ul v-if="biases.length" class="biases">
          <li v-for="b in biases" :key="`${b.of} ${b.group} ${b.name}`" data-fact="bias">
            {{ biasWords(b) }} <RouterLink :to="HELP[b.group].to">{{ capital(HELP[b.group].says) }}</RouterLink>
          </li>
        </ul>
        <p v-else class="soft">Nothing is off again and again. One that is shows after three or more.</p>
      </section>
      <div class="two">
        <section class="plate" aria-labelledby="kinds">
          <h2 id="kinds">How many lay in their band</h2>
          <div class="scroll-x">
            <NTable :bordered="false" size="small">
              <thead>
                <tr>
                  <th>what</th>
                  <th class="n">inside</th>
                  <th>for 8 in 10</th>
                  <th>in the mean</th>
                </tr>
              </thead>
              <tbody>
                <tr v-for="t in table" :key="t.key" :data-score="t.of">
                  <td>{{ capital(t.name) }}</td>
                  <td class="n">
                    <b>{{ t.c.inside }}</b> of {{ t.c.n }}
                  </td>
                  <td>{{ verdict(t.c) }}</td>
                  <td class="soft">{{ meanWords(t.of, t.c) }}</td>
                </tr>
              </tbody>
            </NTable>
          </div>
        </section>
        <section class="plate" aria-labelledby="parts">
          <h2 id="parts">{{ capital(SCORED[of].name) }}, by</h2>
          <PillField v-model="group" label="Put together by" :options="groups" />
          <p v-if="parts.length === 0" class="soft">None of these was said for it.</p>
          <ul class="parts">
            <li v-for="p in parts" :key="p.name">
              <span>{{ capital(p.name) }}</span>
              <span
                ><b>{{ p.coverage.inside }}</b> of {{ p.coverage.n }}</span
              >
              <span class="soft">{{ meanWords(of, p.coverage) }}</span>
            </li>
          </ul>
        </section>
      </div>
      <section class="plate" aria-labelledby="each">
        <div class="each">
          <h2 id="each">Each against its band</h2>
          <PillField v-model="of" label="What was measured" :options="kinds" />
        </div>
        <OffChart :rows="own" />
        <p class="soft">Bars: what was foretold for 8 in 10, about its middle. Dots: what was measured; outside a diamond.</p>
        <div class="scroll-x">
          <NTable :bordered="false" size="small" class="rows">
            <thead>
              <tr>
                <th>when</th>
                <th>of</th>
                <th class="n">foretold, 8 in 10</th>
                <th class="n">measured</th>
                <th class="n off">off</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="r in own" :key="r.batchId + r.key" :class="{ out: !isInside(r) }">
                <td>{{ day(r.on) }}</td>
                <td>
                  <RouterLink v-if="r.batchId" :to="`/batches/${r.batchId}${r.stationId ? `?at=${r.stationId}` : ''}`">{{
                    r.batch
                  }}</RouterLink>
                  <template v-else>{{ r.batch }}</template>
                  <span class="soft"> {{ [r.station, r.tool].filter(Boolean).join(', ') }}{{ r.afterwards ? ' *' : '' }}</span>
                </td>
                <td class="n">{{ amount(r.of, r.p10) }} to {{ amount(r.of, r.p90) }}</td>
                <td class="n">
                  <b>{{ amount(r.of, r.measured) }}</b>
                </td>
                <td class="n soft off">{{ offWords(r.of, offOf(r)) }}</td>
              </tr>
            </tbody>
          </NTable>
        </div>
        <p v-if="afterwards" class="soft">
          * {{ plural(afterwards, 'value') }} came with their batch. What is foretold of them was worked out afterwards, without them and
          what came later (of many days of readings, four); of all others it is kept as it stood.
        </p>
      </section>
    </template>
    <LearntSheet v-model:show="others" />
  </div>
</template>

<style scoped>
section {
  padding: 12px 18px;
}
h2 {
  margin: 0 0 6px;
}
.biases {
  margin: 0;
  padding-left: 18px;
}
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
}
.each {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 6px 16px;
}
.n {
  text-align: right;
}
.parts {
  list-style: none;
  margin: 6px 0 0;
  padding: 0;
  max-height: 220px;
  overflow: auto;
}
.parts li {
  display: grid;
  grid-template-columns: minmax(90px, 1fr) auto minmax(0, 150px);
  gap: 8px;
  padding: 5px 0;
  border-bottom: 1px dashed var(--line);
  font-size: 14px;
}
.out b {
  color: var(--warn);
}
.rows {
  margin-top: 8px;
}
@media (max-width: 820px) {
  .two {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 600px) {
  .off {
    display: none;
  }
}
</style>
