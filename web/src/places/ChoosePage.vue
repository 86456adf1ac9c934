<script setup lang="ts">
import { computed, onMounted, reactive, ref, shallowRef, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import {
  blurOfMix,
  lineGain,
  lotShu,
  paramsOf,
  preparedPerGram,
  toWholePods,
  useMix as mixInto,
  wantedMassG,
  withSomePods,
  type LineGain,
  type Mix,
  type PodAnswer,
  type PodChoice,
  type Preparation,
  type PrepParams,
} from '@roskel/core';
import { grams as g, plural, shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { bench } from '../worker/client';
import { useKeys } from '../ui/keys';
import BottleHeat from '../charts/BottleHeat.vue';
import SaveState from '../ui/SaveState.vue';
import WayList from '../ui/WayList.vue';

const route = useRoute();
const router = useRouter();
const batch = useOpenBatch();
const pods = usePods();
const KNIFE: Record<Preparation, string> = { whole: 'whole', seedsOut: 'seeds out', halfCored: 'half cored', cored: 'cored' };

/** What is in the mix, by lot: grams, whether the solver may use it, and the knife work. */
const mix = reactive(new Map<string, { g: number; use: boolean; prep: Preparation }>());
const answer = shallowRef<PodAnswer | null>(null);
const trouble = ref('');
const solving = ref(false);
const solveMs = ref<number | null>(null);
const picked = ref(-1);
const gain = shallowRef<LineGain | null>(null);
const ready = ref(false);
const order = shallowRef(new Map<string, number>());

onMounted(async () => {
  await Promise.all([batch.id === route.params.id && batch.file ? Promise.resolve() : batch.open(String(route.params.id)), pods.load()]);
  const file = batch.file;
  if (!file) return;
  const planned = new Map(paramsOf<PrepParams>(file, 'prep').pods.map((p) => [p.lotId, p]));
  for (const p of pods.items) {
    const had = planned.get(p.id);
    mix.set(p.id, { g: had?.massG ?? 0, use: p.stockG > 0 || had !== undefined, prep: had?.prep ?? 'whole' });
  }
  // What is in the mix stands on top; the order then stays put while shares move.
  order.value = new Map([...pods.items].sort((a, b) => Number(planned.has(b.id)) - Number(planned.has(a.id))).map((p, i) => [p.id, i]));
  ready.value = true;
  if (pods.items.some((p) => p.stockG > 0)) await solve(planned.size === 0);
});

const file = computed(() => batch.file);
/** Stock, plus what this batch has taken already when its prep is done. */
const stockOf = (id: string, stockG: number) => {
  const f = file.value;
  const prep = f?.stations.find((s) => s.kind === 'prep');
  const took = prep?.log.doneOn ? ((prep.params as PrepParams).pods.find((p) => p.lotId === id)?.massG ?? 0) : 0;
  return stockG + took;
};
const choices = computed<PodChoice[]>(() =>
  pods.items
    .filter((p) => mix.has(p.id))
    .map((p) => ({ lot: p.lot, stockG: stockOf(p.id, p.stockG), prep: mix.get(p.id)!.prep, useFirst: p.useFirst })),
);
const gramsByLot = computed(() => Object.fromEntries([...mix].filter(([, m]) => m.g > 0).map(([id, m]) => [id, m.g])));
const allowed = computed(() => choices.value.filter((c) => mix.get(c.lot.id)?.use && c.stockG > 0));

watch(
  [file, () => choices.value.length, ready],
  () => {
    if (!file.value || !ready.value || choices.value.length === 0) return;
    try {
      gain.value = lineGain(withSomePods(file.value, choices.value));
    } catch (e) {
      trouble.value = (e as Error).message;
    }
  },
  { immediate: true },
);

/** The blur in the bottle for what is in the mix now: straight from core on every move of a finger. */
const live = computed(() => (gain.value ? blurOfMix(choices.value, gramsByLot.value, gain.value) : null));
const bottles = computed(() => {
  if (!live.value || !file.value) return 0;
  const per = wantedMassG(file.value) / file.value.goal.bottles;
  return live.value.finishedG / per;
});
const whole = computed(() => {
  const counts = toWholePods(choices.value, gramsByLot.value);
  const byPods = { ...gramsByLot.value, ...Object.fromEntries(counts.map((c) => [c.lotId, c.massG])) };
  const blur = gain.value ? blurOfMix(choices.value, byPods, gain.value).blur : null;
  return { counts, blur };
});

/** Asks the solver; `use` puts its best answer into the mix, otherwise the mix stays as it is. */
async function solve(use = true) {
  if (!file.value) return;
  trouble.value = '';
  solving.value = true;
  const result = await bench().choose(file.value, allowed.value);
  solving.value = false;
  if (!result.ok) {
    trouble.value = result.message;
    answer.value = null;
    return;
  }
  solveMs.value = result.ms;
  answer.value = result.answer;
  if (result.answer.status === 'found' && use) take(result.answer.mixes[0]!, 0);
}
function take(m: Mix, index: number) {
  if (answer.value) gain.value = answer.value.gain;
  for (const [id, entry] of mix) entry.g = m.gramsByLot[id] ?? 0;
  picked.value = index;
}
function setGrams(id: string, value: number) {
  fieldError.delete(id);
  const entry = mix.get(id)!;
  const stock = choices.value.find((c) => c.lot.id === id)!.stockG;
  entry.g = Math.max(0, Math.min(stock, value));
  picked.value = -1;
}
const fieldError = reactive(new Map<string, { text: string; says: string }>());
function typed(id: string, text: string) {
  const t = text.trim().replace(',', '.').replace(/\s*g$/, '');
  const value = t === '' ? 0 : /^\d*\.?\d+$/.test(t) ? Number(t) : Number.NaN;
  const stock = choices.value.find((c) => c.lot.id === id)!.stockG;
  if (Number.isNaN(value)) fieldError.set(id, { text, says: 'Type grams, such as 250.' });
  else if (value > stock + 0.5) fieldError.set(id, { text, says: `There are only ${g(stock)}.` });
  else {
    setGrams(id, value);
  }
}
async function confirm() {
  if (!file.value) return;
  try {
    batch.change('the pods', mixInto(file.value, choices.value, gramsByLot.value));
    await router.push({ name: 'batch', params: { id: batch.id }, query: { at: 'prep' } });
  } catch (e) {
    trouble.value = (e as Error).message;
  }
}
useKeys('Choose the pods', [
  { key: 'x', says: 'solve again', run: () => void solve() },
  { key: 'u', says: 'use this mix', run: () => void confirm() },
]);

const rows = computed(() =>
  choices.value
    .map((c) => {
      const record = pods.items.find((p) => p.id === c.lot.id)!;
      const entry = mix.get(c.lot.id)!;
      const median = lotShu(c.lot);
      return { c, record, entry, median, mu: median > 0 ? Math.log(median) : null };
    })
    .sort((a, b) => (order.value.get(a.c.lot.id) ?? 99) - (order.value.get(b.c.lot.id) ?? 99)),
);
const AX = 330;
const lotAxis = heatAxis(50, 400_000, 8, AX - 8);
const holding = computed(() => {
  const l = live.value;
  if (!l?.blur || !gain.value) return 'Nothing hot is in the mix yet.';
  const top = l.swing[0];
  const c = choices.value.find((x) => x.lot.id === top?.lotId);
  if (!c) return 'Nothing hot is in the mix yet.';
  const more = blurOfMix(choices.value, { ...gramsByLot.value, [c.lot.id]: (gramsByLot.value[c.lot.id] ?? 0) + 10 }, gain.value);
  const delta = Math.exp(more.blur!.mu) - Math.exp(l.blur.mu);
  return `${c.lot.name} is the swing: 10 g more moves the middle by ${delta > 0 ? '+' : ''}${shu(Math.abs(delta))} SHU. It makes about ${Math.round(top!.share * 100)} in 100 parts of the blur. A taste test of one pod, or more pods from other plants, would narrow it.`;
});
const knife = computed(() => {
  const used = rows.value.filter((r) => r.entry.g > 0);
  if (used.length === 0) return 'Nothing to cut yet.';
  const parts = used.map((r) => `${r.c.lot.name} ${KNIFE[r.entry.prep]}`);
  return `${parts.join('; ')}. The heat sits in the pale ribs, not in the seeds. Gloves on, hands off your eyes.`;
});
const wholeText = computed(() => {
  if (whole.value.counts.length === 0) return 'Weigh these; there are no pods to count.';
  const list = whole.value.counts.map((n) => `${n.pods} ${choices.value.find((c) => c.lot.id === n.lotId)!.lot.name}`).join(', ');
  const mid = whole.value.blur ? Math.exp(whole.value.blur.mu) : 0;
  return `${list}. Rounded to whole pods the middle is ${shu(mid)} SHU. Weighing is surer than counting.`;
});
const share = (c: PodChoice, grams: number) => (preparedPerGram(c.lot, c.prep).massG > 0 ? grams : 0);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <RouterLink class="crumb" :to="{ name: 'batch', params: { id: String(route.params.id) } }">{{ file?.name ?? 'batch' }}</RouterLink>
        <h1>Choose the pods</h1>
      </div>
      <span v-if="file" class="chip"
        >{{ plural(file.goal.bottles, 'bottle') }} of {{ file.goal.bottleMl }} ml, {{ shu(file.goal.lowShu) }} to
        {{ shu(file.goal.highShu) }} SHU</span
      >
      <SaveState class="push" />
      <button type="button" class="act" :disabled="solving || allowed.length === 0" @click="solve()">
        {{ solving ? 'Solving' : 'Solve again' }}
      </button>
      <button type="button" class="act main" :disabled="!live || live.finishedG <= 0" @click="confirm">Use this mix</button>
    </header>
    <p v-if="ready && pods.items.length === 0" class="plate note">
      There are no pods yet. <RouterLink to="/pods">Add a lot of pods</RouterLink> and come back.
    </p>
    <div v-else-if="file" class="grid">
      <section class="plate lots" aria-label="Pods to hand">
        <div class="lot headrow">
          <span />
          <b>Pods to hand</b>
          <b>In the mix</b>
          <div class="ticks" aria-hidden="true">
            <span v-for="t in lotAxis.ticks" :key="t" :style="{ left: `${(100 * lotAxis.x(t)) / AX}%` }">{{
              t >= 1000 ? `${t / 1000}k` : t
            }}</span>
          </div>
        </div>
        <div v-for="r in rows" :key="r.c.lot.id" class="lot" :class="{ out: r.entry.g <= 0 }">
          <label class="use" :title="`Let the solver use ${r.c.lot.name}`">
            <input v-model="r.entry.use" type="checkbox" :aria-label="`Let the solver use ${r.c.lot.name}`" :disabled="r.c.stockG <= 0" />
          </label>
          <div class="name">
            <i :style="{ background: r.c.lot.hex }" />
            <span>
              <b>{{ r.c.lot.name }}</b>
              <span class="soft">{{ r.c.lot.form }}{{ r.record.place ? `, ${r.record.place}` : '' }}</span>
            </span>
          </div>
          <div class="dose">
            <div class="nums">
              <input
                class="entry grams"
                :value="fieldError.get(r.c.lot.id)?.text ?? (r.entry.g > 0 ? Math.round(r.entry.g * 10) / 10 : '')"
                placeholder="0"
                inputmode="decimal"
                :aria-label="`${r.c.lot.name}, grams in the mix`"
                :aria-invalid="fieldError.has(r.c.lot.id) ? 'true' : undefined"
                @change="typed(r.c.lot.id, ($event.target as HTMLInputElement).value)"
              />
              <span class="soft">of {{ g(r.c.stockG) }}</span>
              <select v-model="r.entry.prep" :aria-label="`${r.c.lot.name}, knife work`" :disabled="!r.c.lot.anatomy">
                <option v-for="(label, value) in KNIFE" :key="value" :value="value">{{ label }}</option>
              </select>
            </div>
            <input
              type="range"
              min="0"
              :max="Math.max(1, r.c.stockG)"
              step="1"
              :value="share(r.c, r.entry.g)"
              :style="{ '--p': `${(100 * r.entry.g) / Math.max(1, r.c.stockG)}%` }"
              :aria-label="`${r.c.lot.name}, share`"
              :aria-valuetext="g(r.entry.g)"
              @input="setGrams(r.c.lot.id, Number(($event.target as HTMLInputElement).value))"
            />
            <p v-if="fieldError.has(r.c.lot.id)" class="field-error" role="alert">{{ fieldError.get(r.c.lot.id)!.says }}</p>
          </div>
          <div class="hill">
            <svg
              :viewBox="`0 0 ${AX} 46`"
              preserveAspectRatio="none"
              role="img"
              :aria-label="r.mu === null ? 'no heat' : `about ${shu(r.median)} SHU as it is`"
            >
              <line v-for="t in lotAxis.ticks" :key="t" :x1="lotAxis.x(t)" :x2="lotAxis.x(t)" y1="0" y2="46" stroke="#ece5d4" />
              <path
                v-if="r.mu !== null"
                :d="hill(r.mu, r.c.lot.heat!.sigma, lotAxis.x, 44, 36)"
                :fill="heatColour(r.median)"
                opacity="0.85"
              />
            </svg>
            <span v-if="r.mu === null" class="soft">no heat, all body</span>
          </div>
        </div>
      </section>
      <div class="right">
        <BottleHeat :blur="live?.blur ?? null" :goal="file.goal" :bottles="bottles" />
        <WayList :answer="answer" :trouble="trouble" :picked="picked" :choices="choices" @take="take" />
        <span v-if="solveMs !== null" class="visually-hidden" data-fact="solve-ms">{{ solveMs.toFixed(1) }}</span>
      </div>
      <section class="plate notes">
        <div>
          <h2>What is holding it</h2>
          <p>{{ holding }}</p>
        </div>
        <div>
          <h2>Knife work</h2>
          <p>{{ knife }}</p>
        </div>
        <div>
          <h2>Whole pods</h2>
          <p>{{ wholeText }}</p>
        </div>
      </section>
    </div>
    <p v-else-if="batch.state === 'missing'">
      This batch is not there any more. <RouterLink to="/batches">Go to your batches.</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.page {
  height: 100%;
}
.crumb {
  font-size: 13px;
  color: var(--soft);
  text-decoration: none;
}
.grid {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.45fr) minmax(0, 1fr);
  grid-template-rows: minmax(0, 1fr) auto;
  gap: 12px;
}
.lots {
  overflow: auto;
  padding: 4px 14px;
}
.lot {
  display: grid;
  grid-template-columns: 26px 136px 212px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  border-bottom: 1px dashed var(--line);
  padding: 3px 0;
}
.lot svg {
  width: 100%;
  height: 46px;
}
.headrow {
  position: sticky;
  top: -4px;
  background: var(--plate);
  z-index: 1;
}
.ticks {
  position: relative;
  height: 18px;
  font-size: 12px;
  color: var(--soft);
}
.ticks span {
  position: absolute;
  transform: translateX(-50%);
}
.hill {
  position: relative;
}
.hill span {
  position: absolute;
  left: 10px;
  top: 14px;
  font-size: 13px;
}
svg text {
  font-size: 12px;
  fill: var(--soft);
}
.lot.out .name i,
.lot.out .hill {
  opacity: 0.55;
}
.lot.out .name b {
  font-weight: 500;
}
.use {
  display: grid;
  place-items: center;
  min-height: 44px;
}
.use input {
  width: 20px;
  height: 20px;
  accent-color: var(--rim);
}
.name {
  display: grid;
  grid-template-columns: 14px 1fr;
  gap: 8px;
  align-items: center;
  line-height: 1.2;
}
.name i {
  height: 32px;
  border-radius: 6px 6px 9px 9px;
}
.name .soft {
  display: block;
  font-size: 13px;
}
.nums {
  display: grid;
  grid-template-columns: 62px 1fr 78px;
  gap: 5px;
  align-items: center;
  font-size: 12.5px;
  white-space: nowrap;
}
.grams {
  min-height: 32px;
  padding: 2px 8px;
  font-weight: 700;
  font-size: 15px;
}
.nums select {
  min-height: 32px;
  border: 1.5px solid var(--line);
  border-radius: 8px;
  background: var(--plate);
}
input[type='range'] {
  appearance: none;
  width: 100%;
  height: 22px;
  margin: 0;
  background: transparent;
  cursor: ew-resize;
}
input[type='range']::-webkit-slider-runnable-track {
  height: 7px;
  border-radius: 4px;
  background: linear-gradient(to right, var(--rim) var(--p), #e8e1cf var(--p));
}
input[type='range']::-moz-range-track {
  height: 7px;
  border-radius: 4px;
  background: linear-gradient(to right, var(--rim) var(--p), #e8e1cf var(--p));
}
input[type='range']::-webkit-slider-thumb {
  appearance: none;
  width: 18px;
  height: 18px;
  margin-top: -5.5px;
  border-radius: 9px;
  background: var(--plate);
  border: 2.5px solid var(--rim);
}
.right {
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 12px;
  min-height: 0;
}
.notes {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 20px;
  padding: 10px 16px;
}
.notes p {
  margin: 2px 0 0;
  font-size: 14px;
  line-height: 1.35;
  color: var(--soft);
}
@media (max-width: 1000px) {
  .page {
    height: auto;
  }
  .grid,
  .notes {
    grid-template-columns: 1fr;
  }
  .lot {
    grid-template-columns: 28px 1fr;
  }
  .headrow {
    display: none;
  }
  .lot .dose,
  .lot .hill {
    grid-column: 2;
  }
}
</style>
