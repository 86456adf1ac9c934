<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, shallowRef, watch } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink, useRoute } from 'vue-router';
import type { BottlingRecord, ShelfMoveLine } from '@roskel/contract';
import { batchCode, dutyKey, endOf, lessonsOf, heatWord, LineProblem, StationLogSchema, strandIn } from '@roskel/core';
import { api } from '../api/client';
import { titleIs } from '../ui/title';
import { clock, day, fullDay, inManner, percent, plural, shu, today } from '../format';
import { useHeat } from '../stores/heat';
import { useNotices } from '../stores/notices';
import { useOpenBatch } from '../stores/openBatch';
import { useSettings } from '../stores/settings';
import { useShelf } from '../stores/shelf';
import SaveState from '../batch/SaveState.vue';
import BottleActs from '../shelf/BottleActs.vue';
import { lasting, PLACE_NAMES } from '../shelf/standing';
import BottleShape from '../ui/BottleShape.vue';
import FactRows from '../ui/FactRows.vue';
import TextField from '../ui/TextField.vue';
import TickField from '../ui/TickField.vue';
import { lazySheet } from '../ui/lazySheet';
import { bottleWord } from '../ui/stockWords';

const LabelOf = defineAsyncComponent(() => import('../shelf/LabelOf.vue'));
const AgainSheet = lazySheet(() => import('../batch/AgainSheet.vue'));

/** One bottling: its label and numbers, what became of its bottles, what was tasted and what that taught. */
const route = useRoute();
const shelf = useShelf();
const batch = useOpenBatch();
const heat = useHeat();
const settings = useSettings();
const notices = useNotices();
const moves = shallowRef<ShelfMoveLine[]>([]);
const again = ref(false);
const ready = ref(false);
const b = computed<BottlingRecord | null>(() => shelf.items.find((x) => x.id === route.params.id) ?? null);
const getMoves = async () => {
  if (b.value) moves.value = await api.get<ShelfMoveLine[]>(`/shelf/${b.value.id}/moves`);
};
onMounted(async () => {
  try {
    await Promise.all([shelf.load(), heat.load()]);
    ready.value = true;
    if (!b.value) return;
    if (batch.id !== b.value.batchId || !batch.file) await batch.open(b.value.batchId);
  } catch (e) {
    notices.fail(e);
  }
});
// Also when another window, or an undo, moves a bottle.
watch(
  () => b.value?.left,
  () => void getMoves().catch((e: unknown) => notices.fail(e)),
);
const file = computed(() => (b.value && batch.id === b.value.batchId ? batch.file : null));
const end = computed(() => (file.value && b.value ? endOf(strandIn(file.value, b.value.strandId)) : null));
const report = computed(() => (file.value && b.value ? (batch.report?.ends.find((e) => e.strandId === b.value!.strandId) ?? null) : null));
const numbers = computed<[string, string][]>(() => {
  const [x, r] = [b.value, report.value];
  if (!x) return [];
  const { p10, p50, p90 } = x.heat[settings.value.school];
  return [
    ['Filled', fullDay(x.bottledOn)],
    ...(file.value ? [['Code', batchCode(file.value, x.strandId, x.bottledOn)] as [string, string]] : []),
    ['Heat', `${heatWord(p50, x.eaten ?? 'drop')}, ${shu(p10)} to ${shu(p90)} SHU`],
    ['pH', x.pH === null ? 'none' : x.phMeasured ? `${x.pH.toFixed(2)}, measured` : `about ${x.pH.toFixed(1)}, not measured`],
    ...(r
      ? ([
          ['Salt', percent(r.finished.saltPct)],
          ['Sugar', percent(r.finished.sweetPct)],
          ['Acetic acid', percent(r.finished.aceticPct)],
          ['In each bottle', `${Math.round(r.bottles.filledMl / Math.max(1, r.bottles.filled))} ml`],
          ...(r.keeping ? [['Once open', `fridge, ${plural(r.keeping.openedDays, 'day')}`] as [string, string]] : []),
        ] as [string, string][])
      : []),
  ];
});
const lessons = computed(() => {
  if (!file.value) return [];
  try {
    return lessonsOf(file.value, batch.id);
  } catch (e) {
    if (e instanceof LineProblem) return [];
    throw e;
  }
});
/** What was tasted of just these, newest first; tastings of a batch with one end are those of its bottles. */
const tastings = computed(() => heat.book.events.filter((e) => e.batchId === b.value?.batchId && e.event.kind === 'tasting'));
const scoresOf = (e: (typeof tastings.value)[number]) =>
  e.event.kind === 'tasting' ? e.event.scores.map((s) => `${s.taster} ${s.score}`).join(', ') : '';
const note = computed(() => end.value?.log.note ?? '');
const setNote = (text: string) => void (end.value && batch.setLog(end.value.id, { note: text.trim() }));
function tick(key: string, done: boolean) {
  const f = file.value;
  if (f) batch.change('a tick', { ...f, dutiesDone: done ? [...f.dutiesDone, key] : f.dutiesDone.filter((k) => k !== key) });
}
const first = StationLogSchema.properties.note;
const burps = computed(() =>
  batch.report && end.value ? batch.report.duties.filter((d) => d.stationId === end.value!.id && d.standing) : [],
);
titleIs(() => b.value?.name);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/shelf">Shelf</RouterLink><span class="crumb"> / </span>
        <h1>{{ b?.name ?? 'Bottles' }}</h1>
      </div>
      <template v-if="b">
        <span class="chip" :class="{ late: lasting(b, today()).late }"
          ><b>{{ PLACE_NAMES[b.place] }}</b
          >, {{ lasting(b, today()).text }}</span
        >
        <span class="chip" data-fact="left" :data-of="`${b.batchId}/${b.strandId}`"
          >{{ b.left }} of {{ plural(b.bottles, 'bottle') }} left</span
        >
        <SaveState class="push" />
        <NButton type="primary" :disabled="!file" @click="again = true">Make it again</NButton>
      </template>
    </header>
    <p v-if="ready && !b" class="plate note">
      These bottles are not on the shelf any more. <RouterLink to="/shelf">Back to the shelf</RouterLink>.
    </p>
    <div v-else-if="b" class="grid">
      <section class="plate side" aria-label="The bottles">
        <div class="row">
          <BottleShape
            v-for="n in Math.min(b.bottles, 9)"
            :key="n"
            :hex="b.hex"
            :fill="n <= b.left ? 1 : 0"
            :live="b.state === 'live'"
            :ghost="n > b.left"
            :size="88"
          />
          <span v-if="b.bottles > 9" class="soft">+{{ b.bottles - 9 }}</span>
        </div>
        <p :class="{ late: lasting(b, today()).late }">
          <b>{{ b.place === 'bin' ? 'Throw them away' : `Use by ${fullDay(b.useBy)}` }}</b>
        </p>
        <p>
          <span v-if="b.state" class="soft" data-fact="state">{{ b.state }}. </span>{{ inManner(b.keeping) }}
        </p>
        <TickField
          v-for="d in burps"
          :key="d.key"
          :label="`${day(d.due)}: ${d.text}`"
          :model-value="d.done"
          data-burp
          @update:model-value="tick(dutyKey(d.stationId, d.key), $event)"
        />
        <p v-if="end?.log.ownUntil" class="soft">
          Your own day: {{ fullDay(end.log.ownUntil) }}{{ end.log.ownWhy ? `, ${end.log.ownWhy}` : '' }}.
        </p>
        <p>
          <RouterLink :to="{ name: 'batch', params: { id: b.batchId } }">Its batch</RouterLink>,
          <RouterLink :to="{ name: 'cost', params: { id: b.batchId } }">what it cost</RouterLink>,
          <RouterLink :to="{ name: 'record', params: { kind: 'bottles', id: b.id } }">its record</RouterLink>
        </p>
        <BottleActs :bottling="b" />
      </section>
      <section class="plate side" aria-label="Its numbers">
        <LabelOf v-if="file" :file="file" :bottling="b" />
        <FactRows :rows="numbers" />
      </section>
      <section class="plate side" aria-label="What became of it">
        <h2>Tasted</h2>
        <TextField
          v-if="end"
          label="How it is, in your words"
          :model-value="note"
          :rows="3"
          :maxlength="first.maxLength ?? 2000"
          placeholder="bright, a little sharp after a week"
          @update:model-value="setNote"
        />
        <ul v-if="tastings.length">
          <li v-for="e in tastings" :key="e.id" data-tasting>{{ day(e.on) }}: {{ scoresOf(e) }} of 10</li>
        </ul>
        <p v-else class="soft">Nobody has said how hot it was. A score teaches the pods behind it.</p>
        <h2>What the batch showed</h2>
        <ul v-if="lessons.length">
          <li v-for="l in lessons" :key="l.id">{{ l.says }}</li>
        </ul>
        <p v-else class="soft">Nothing was weighed that the plan did not know.</p>
        <h2>Its bottles</h2>
        <ul v-if="moves.length" data-fact="moves">
          <li v-for="m in moves.slice(0, 12)" :key="m.at">
            {{ day(m.at.slice(0, 10)) }}, {{ clock(m.at) }}: {{ plural(Math.abs(m.delta), 'bottle') }} {{ bottleWord(m.reason)
            }}{{ m.who ? ` to ${m.who}` : '' }}{{ m.maker ? `, ${m.maker}` : '' }}
          </li>
        </ul>
        <p v-else class="soft">None was opened yet.</p>
      </section>
      <AgainSheet v-if="file && again" v-model:show="again" :file="file" :batch-id="b.batchId" />
    </div>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px;
  align-items: start;
}
.side {
  padding: 12px 16px;
  display: grid;
  gap: 6px;
}
.side p {
  margin: 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  align-items: end;
  border-bottom: 7px solid var(--rim);
  padding: 4px 6px 0;
}
.row :deep(svg) {
  margin-bottom: -3px;
}
ul {
  margin: 0;
  padding-left: 18px;
}
.late {
  color: var(--warn);
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
