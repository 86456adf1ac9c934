<script setup lang="ts">
import { computed, onMounted } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import {
  eatenOf,
  logRefusal,
  mainEnd,
  stationIn,
  stationKind,
  whyNoRound,
  withLogged,
  withRound,
  type BatchFile,
  type Round,
} from '@roskel/core';
import SaveState from '../batch/SaveState.vue';
import { grams } from '../format';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { useBatchHere } from '../batch/useBatchHere';
import { usePods } from '../stores/pods';
import RoundList from '../trim/RoundList.vue';
import TrimBoard from '../trim/TrimBoard.vue';
import { newRound, usePalate } from '../trim/rounds';
import { useTrim } from '../trim/useTrim';
import { today } from '../format';
import { useKeys } from '../ui/keys';
import { bench } from '../worker/client';

/** Trim by taste: what is wrong with a sauce is said on five rails, and the least that puts it right is weighed in. */
const route = useRoute();
const router = useRouter();
const { batch, ready } = useBatchHere();
const larder = useLarder();
const pods = usePods();
const notices = useNotices();
const palate = usePalate();
const stationId = computed(() => String(route.params.station));
/** As the end that it flows to is eaten. */
const eaten = computed(() => (batch.file ? eatenOf(batch.file, mainEnd(batch.file).goal) : undefined));
const entry = computed(() => (batch.file ? stationIn(batch.file, stationId.value) : undefined));
const report = computed(() => batch.report?.stations.find((s) => s.id === stationId.value) ?? null);
const trim = useTrim(
  (stocks, shop, ask) =>
    batch.file && entry.value ? bench().trim(JSON.parse(JSON.stringify(batch.file)), stationId.value, stocks, shop, ask, today()) : null,
  () => batch.file,
);
const { says, set, told, trouble, working, chosen, offer } = trim;
onMounted(async () => {
  await Promise.all([ready(), trim.load()]);
});
/** Why nothing goes in here any more. */
const closed = computed(() => (batch.file ? whyNoRound(batch.file, stationId.value) : null));
const back = computed(() => ({ name: 'batch', params: { id: String(route.params.id) }, query: { at: stationId.value } }));

function take(round: Round, label: string, then: (file: BatchFile) => BatchFile = (file) => file) {
  const lots = pods.items.map((p) => p.lot);
  batch.change(label, batch.carried(then(withRound(batch.file!, stationId.value, round, larder.rows, lots))));
}
/** What is chosen goes in: said, weighed, kept as a round. */
function weighIn() {
  if (!offer.value || !told.value || closed.value) return;
  const what = offer.value.puts.map((p) => `${p.words} ${p.name.split(',')[0]!}`).join(', ');
  take(newRound(says.value, told.value.now, offer.value.puts), `Weighed in: ${what}`);
  notices.say(`${what}: weighed in. Stir, wait, taste again; then read the pH anew.`);
  trim.clear();
}
/** Where only tasting is done, that it is right ends it; a jug may get more yet, and so may what its own steps wait for. */
const ended = (file: BatchFile) => {
  const noted = { doneOn: today() };
  const kind = entry.value && stationKind(entry.value.kind);
  const ends = kind?.byTaste && !report.value?.doubtsEnd && !logRefusal(file, stationId.value, noted, today());
  return ends ? withLogged(file, stationId.value, noted) : file;
};
/** Nothing is wrong any more: what it is now is what this maker calls right. */
async function right() {
  if (!told.value || closed.value) return;
  const all = { heat: 'right', sour: 'right', salt: 'right', sweet: 'right', body: 'right' } as const;
  const round = newRound({ ...all, ...says.value }, told.value.now, []);
  take(round, 'Tasted: right', ended);
  try {
    await palate.learn(round);
    notices.say('Kept as what is right for you. It draws the next wish.');
  } catch (e) {
    notices.fail(e);
  }
  await router.push(back.value);
}
useKeys('Trim', [
  { key: 'w', says: 'weigh in the chosen way', run: weighIn },
  { key: 'r', says: 'it is right', run: () => void right() },
]);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <RouterLink class="crumb" :to="back">{{ batch.file?.name ?? 'batch' }}</RouterLink>
        <h1>Trim by taste</h1>
      </div>
      <span v-if="report" class="chip">{{ grams(report.now.massG) }} {{ entry?.log.massG === undefined ? 'by the plan' : 'weighed' }}</span>
      <span v-if="report?.now.pH != null" class="chip"
        >pH&nbsp;<b>{{ report.phMeasured ? report.now.pH.toFixed(2) : `about ${report.now.pH.toFixed(1)}` }}</b
        >&nbsp;{{ report.phMeasured ? 'measured' : 'worked out' }}</span
      >
      <SaveState class="push" />
      <NButton :disabled="!told || working || closed !== null" @click="right">It is right</NButton>
      <NButton type="primary" :disabled="!offer || working || closed !== null" @click="weighIn">Weigh this in</NButton>
    </header>
    <p v-if="closed" class="plate note" role="status">{{ closed }} <RouterLink :to="back">Back to the batch</RouterLink>.</p>
    <p v-if="trouble && entry" class="plate note field-error" role="alert">{{ trouble }}</p>
    <TrimBoard
      v-if="!trouble && entry && stationKind(entry.kind).tasted"
      v-model:chosen="chosen"
      :told="told"
      :says="says"
      :eaten="eaten"
      :set="set"
      :working="working"
      :ph-measured="report?.phMeasured ?? false"
      @say="trim.say"
      @set="trim.place"
    >
      <RoundList v-if="entry.log.rounds?.length" :station-id="stationId" />
    </TrimBoard>
  </div>
</template>
