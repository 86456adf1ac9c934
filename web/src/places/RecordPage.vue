<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref, watch } from 'vue';
import { RouterLink, useRoute } from 'vue-router';
import {
  endStrands,
  goneWords,
  LineProblem,
  measuredOf,
  nutritionFacts,
  nutritionOfEnd,
  NUTRITION_SPREAD,
  recordCsv,
  recordRows,
  TRACE_NAMES,
  type BatchFile,
  type TraceKind,
  type TraceNode,
  type TraceStep,
} from '@roskel/core';
import type { BatchRecord, TraceRecord } from '@roskel/contract';
import { api } from '../api/client';
import { fullDay, grams, inManner, plural, today } from '../format';
import { useNotices } from '../stores/notices';
import { useSettings } from '../stores/settings';
import { useTools } from '../stores/own';
import { download, fileName } from '../ui/download';
import FactRows from '../ui/FactRows.vue';
import { titleIs } from '../ui/title';

/** From a lot, a batch or bottles back to all they were made of and forward to every bottle, with all that was measured. */
const route = useRoute();
const notices = useNotices();
const settings = useSettings();
const tools = useTools();
const trace = ref<TraceRecord | null>(null);
const file = ref<BatchFile | null>(null);
const missing = ref(false);

const LINKS: Readonly<Record<TraceKind, (id: string) => object>> = {
  pods: () => ({ name: 'pods' }),
  larder: () => ({ name: 'larder' }),
  stored: () => ({ name: 'larder' }),
  batch: (id) => ({ name: 'batch', params: { id } }),
  bottles: (id) => ({ name: 'bottling', params: { id } }),
};
const recordOf = (n: TraceNode) => ({ name: 'record', params: { kind: n.kind, id: n.id } });

watch(
  () => [route.params.kind, route.params.id],
  async ([kind, id]) => {
    if (route.name !== 'record') return;
    trace.value = file.value = null;
    missing.value = false;
    try {
      const [found] = await Promise.all([api.get<TraceRecord>(`/trace/${String(kind)}/${encodeURIComponent(String(id))}`), tools.load()]);
      trace.value = found;
      // Bottles have the measurements of the batch that they were filled from.
      const batch = found.start.kind === 'batch' ? found.start : found.back.find((s) => s.depth === 1 && s.node.kind === 'batch')?.node;
      if (batch && ['batch', 'bottles'].includes(found.start.kind)) file.value = (await api.get<BatchRecord>(`/batches/${batch.id}`)).file;
    } catch (e) {
      if ((e as { status?: number }).status === 404) missing.value = true;
      else notices.fail(e);
    }
  },
  { immediate: true },
);
titleIs(() => trace.value?.start.name);

const meters = computed(() => tools.items.map((o) => o.value));
const measured = computed(() => (file.value ? measuredOf(file.value, meters.value) : []));
const rows = computed(() => (trace.value ? recordRows({ ...trace.value, measured: measured.value }) : []));
/** "pods, Oct 18, 2026: 760 g in Slipway Red no. 2": what it is, and how much of it goes where. */
function says({ node, by }: TraceStep, way: 'in' | 'of'): string {
  const parts = by.map((b) => (b.g === null ? `${way} ${b.name}` : `${grams(b.g)} ${way} ${b.name}`));
  return ` ${TRACE_NAMES[node.kind]}${node.on ? `, ${fullDay(node.on)}` : ''}: ${parts.join('; ')}`;
}
const sum = computed(() => {
  const all = trace.value?.bottles ?? [];
  const [filled, left] = [all.reduce((n, b) => n + b.filled, 0), all.reduce((n, b) => n + b.left, 0)];
  return { filled, left, gone: filled - left };
});
/** What 100 g hold, of each end that has stuff in it. */
const nutrition = computed(() => {
  const f = file.value;
  if (!f) return [];
  return endStrands(f).flatMap((strand) => {
    try {
      const n = nutritionOfEnd(f, strand.id);
      return n ? [{ name: strand.name, facts: nutritionFacts(n) }] : [];
    } catch (e) {
      if (e instanceof LineProblem) return [];
      throw e;
    }
  });
});

const name = computed(() => `${fileName(trace.value?.start.name ?? 'record')}-record`);
const title = computed(() => `Record of ${trace.value?.start.name ?? ''}`);
function asCsv() {
  download(`${name.value}.csv`, recordCsv(rows.value), 'text/csv');
}
async function asPdf() {
  try {
    const [{ savePaper }, { recordBlocks }] = await Promise.all([import('../papers/save'), import('../papers/recordBlocks')]);
    const paper = settings.value.kitchen === 'us' ? 'letter' : 'a4';
    await savePaper(recordBlocks(title.value, fullDay(today()), rows.value), paper, title.value, `${name.value}.pdf`);
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <template v-if="trace">
          <RouterLink class="crumb" :to="LINKS[trace.start.kind](trace.start.id)">{{
            trace.start.kind === 'pods' || trace.start.kind === 'batch' ? trace.start.name : TRACE_NAMES[trace.start.kind]
          }}</RouterLink><span class="crumb"> / </span>
        </template>
        <h1>{{ trace ? title : 'Record' }}</h1>
      </div>
      <span v-if="trace" class="soft">{{ TRACE_NAMES[trace.start.kind] }}{{ trace.start.on ? `, ${fullDay(trace.start.on)}` : '' }}</span>
      <span class="push no-print acts">
        <NButton :disabled="!trace" @click="asPdf">Save as PDF</NButton>
        <NButton :disabled="!trace" @click="asCsv">Save as CSV</NButton>
      </span>
    </header>
    <p v-if="missing" class="plate note">This is not in the books of this kitchen.</p>
    <p v-else-if="!trace" class="soft">Looking it up.</p>
    <template v-else>
      <div class="grid">
        <section class="plate" aria-label="Where it came from">
          <h2>Where it came from</h2>
          <ul v-if="trace.back.length" data-fact="back">
            <li v-for="s in trace.back" :key="s.node.kind + s.node.id" :style="{ paddingLeft: `${14 * (s.depth - 1)}px` }">
              <RouterLink :to="recordOf(s.node)">{{ s.node.name }}</RouterLink>
              <span class="soft">{{ says(s, 'in') }}</span>
            </li>
          </ul>
          <p v-else class="soft">Nothing that stands in the books: it came from outside.</p>
        </section>
        <section class="plate" aria-label="Where it went">
          <h2>Where it went</h2>
          <ul v-if="trace.forward.length" data-fact="forward">
            <li v-for="s in trace.forward" :key="s.node.kind + s.node.id" :style="{ paddingLeft: `${14 * (s.depth - 1)}px` }">
              <RouterLink :to="recordOf(s.node)">{{ s.node.name }}</RouterLink>
              <span class="soft">{{ says(s, 'of') }}</span>
            </li>
          </ul>
          <p v-else class="soft">Into nothing yet.</p>
        </section>
        <section class="plate" aria-label="The bottles">
          <h2>The bottles</h2>
          <template v-if="trace.bottles.length">
            <p data-fact="recall">
              <b>{{ plural(sum.filled, 'bottle') }}</b> hold some of it: {{ sum.left }} on the shelf, {{ sum.gone }} gone.
            </p>
            <ul>
              <li v-for="b in trace.bottles" :key="b.id">
                <RouterLink :to="{ name: 'bottling', params: { id: b.id } }">{{ b.name }}</RouterLink>
                <span class="soft"> filled {{ fullDay(b.bottledOn) }}: {{ b.filled }}, {{ b.left }} on the shelf</span>
                <ul v-if="b.gone.length">
                  <li v-for="(g, i) in b.gone" :key="i">
                    {{ fullDay(g.on) }}: {{ goneWords(g) }}<template v-if="g.who"> to {{ g.who }}</template>
                  </li>
                </ul>
              </li>
            </ul>
          </template>
          <p v-else class="soft">None is filled.</p>
        </section>
        <section v-for="n in nutrition" :key="n.name" class="plate" :aria-label="`What 100 g of ${n.name} hold`">
          <h2>In 100 g{{ nutrition.length > 1 ? ` of ${n.name}` : '' }}</h2>
          <FactRows :rows="n.facts" />
          <p class="soft">An estimate from the table of ingredients, within about {{ 100 * NUTRITION_SPREAD }} %. Not measured.</p>
        </section>
      </div>
      <section v-if="file" class="plate" aria-label="Measured, seen and done">
        <h2>Measured, seen and done</h2>
        <p v-if="measured.length === 0" class="soft">Nothing was written down yet. What was only planned does not stand here.</p>
        <ol v-else class="measured">
          <li v-for="(m, i) in measured" :key="i" :data-measured="m.what">
            <span class="when">{{ m.at ? `${fullDay(m.at.slice(0, 10))}${m.at.length > 10 ? ` ${m.at.slice(11, 16)}` : ''}` : '' }}</span>
            <span>{{ m.station }}</span>
            <span>{{ m.what }}</span>
            <b>{{ inManner(m.value) }}</b>
            <span class="soft">{{ m.by }}</span>
          </li>
        </ol>
      </section>
      <p class="soft">
        By the books of this kitchen: grams are what steps that are done took out of its stores, by the scale or as they were planned;
        measurements are what was written down. Where something was taken without being said, it is not here. A recall follows the rules of
        your food office.
      </p>
    </template>
  </div>
</template>

<style scoped>
.acts {
  display: flex;
  gap: 8px;
}
.grid {
  columns: 3 320px;
  column-gap: 12px;
}
.grid section {
  break-inside: avoid;
  margin-bottom: 12px;
}
section {
  padding: 12px 16px;
  font-size: 14.5px;
  line-height: 1.35;
}
section p {
  margin: 4px 0;
}
h2 {
  font-size: 18px;
  margin: 0 0 6px;
}
ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 5px;
}
li ul {
  padding-left: 14px;
  gap: 1px;
}
.measured li {
  display: grid;
  grid-template-columns: 130px 110px minmax(0, 1fr) minmax(0, 1.3fr) minmax(0, 1.2fr);
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px dashed var(--line);
}
.measured li:last-child {
  border-bottom: 0;
}
.when {
  white-space: nowrap;
}
@media (max-width: 1000px) {
  .measured li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
