<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink, useRouter } from 'vue-router';
import { addDays, daysBetween, isSpoilt } from '@roskel/core';
import { day, grams, plural, today, weekday } from '../format';
import { useLarder } from '../stores/larder';
import { useNeeds } from '../stores/needs';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { useShelf } from '../stores/shelf';
import { useToday, type DutyOf } from '../stores/today';
import TimerStrip from '../counter/TimerStrip.vue';
import { useFirst } from '../shelf/standing';
import DutyRow from '../today/DutyRow.vue';
import FallingAcid from '../today/FallingAcid.vue';
import JarsOnSide from '../today/JarsOnSide.vue';
import { useKeys } from '../ui/keys';
import { lazySheet } from '../ui/lazySheet';

/** What to do now over all batches, what stands on the side, and the next two weeks. */
const ClashList = defineAsyncComponent(() => import('../today/ClashList.vue'));
const LookSheet = lazySheet(() => import('../today/LookSheet.vue'));
const ReadingSheet = lazySheet(() => import('../batch/ReadingSheet.vue'));
const FeedSheet = lazySheet(() => import('../today/FeedSheet.vue'));
const feed = ref(false);
const todays = useToday();
const pods = usePods();
const larder = useLarder();
const shelf = useShelf();
const needs = useNeeds();
const notices = useNotices();
const router = useRouter();
onMounted(() => {
  for (const list of [todays, needs, pods, larder, shelf]) void list.load().catch((e: unknown) => notices.fail(e));
});
const COMING = 14;
const now = computed(() => todays.duties.filter((d) => d.due <= today()));
const coming = computed(() => todays.duties.filter((d) => d.due > today() && daysBetween(today(), d.due) < COMING));
/** What one station asks for on one day is one row; what has to be worked at stands before what is looked at. */
function rowsOf(duties: readonly DutyOf[]): DutyOf[][] {
  const by = new Map<string, DutyOf[]>();
  for (const d of duties) {
    const key = `${d.batchId} ${d.stationId} ${d.due > today() ? d.due : ''}`;
    by.set(key, [...(by.get(key) ?? []), d]);
  }
  return [...by.values()];
}
const nowRows = computed(() => rowsOf(now.value));
const minutes = computed(() => now.value.reduce((s, d) => s + d.minutes, 0));
const title = computed(() => {
  if (todays.state !== 'ready') return 'Now';
  if (now.value.length === 0) return 'Nothing is due today';
  return `${plural(now.value.length, 'thing')}, about ${plural(minutes.value, 'minute')}`;
});

const PLACES = { pods: '/pods', larder: '/larder', stored: '/larder' } as const;
const first = computed(() => [
  ...pods.items
    .filter((p) => p.useFirst && p.stockG > 0 && !isSpoilt(p.lot))
    .map((p) => ({ name: p.lot.name, says: grams(p.stockG), to: '/pods' })),
  ...larder.items
    .filter((l) => l.useFirst && l.stockG > 0)
    .map((l) => ({ name: larder.row(l.ingredientKey)?.name ?? '', says: grams(l.stockG), to: '/larder' })),
  ...[useFirst(shelf.items, today())].flatMap((b) => (b ? [{ name: b.name, says: `by ${day(b.useBy)}`, to: `/shelf/${b.id}` }] : [])),
]);

/** Of a long list the next few are shown. */
const FEW = 3;
const all = ref(false);
const buys = computed(() => needs.shorts);

/** The duty that the keys act on. */
const at = ref(0);
/** Of very many things the first are drawn, and as far as the keys have gone. */
const MANY = 25;
const everything = ref(false);
const ahead = ref(false);
const rows = computed(() => (everything.value ? nowRows.value : nowRows.value.slice(0, Math.max(MANY, at.value + 1))));
const chosen = computed(() => nowRows.value[Math.min(at.value, nowRows.value.length - 1)] ?? null);
const move = (by: number) => (at.value = Math.max(0, Math.min(nowRows.value.length - 1, at.value + by)));

const looking = ref(false);
const reading = ref(false);
const of = ref<DutyOf | null>(null);
const lookedAt = computed(() => todays.jars.find((j) => j.batchId === of.value?.batchId && j.stationId === of.value?.stationId));
const from = computed(() => lookedAt.value?.from ?? '');
async function act(d: DutyOf) {
  try {
    of.value = d;
    if (d.does === 'tick') await todays.done(d);
    else if (d.does === 'look') looking.value = true;
    else if (d.does === 'read') {
      await (await import('../stores/openBatch')).useOpenBatch().open(d.batchId);
      reading.value = true;
    } else await router.push({ name: 'batch', params: { id: d.batchId }, query: { at: d.stationId } });
  } catch (e) {
    notices.fail(e);
  }
}
async function later(ds: readonly DutyOf[]) {
  try {
    const until = addDays(today(), 1);
    await todays.later(ds, until);
    notices.say(`Put off until ${weekday(until)}.`);
  } catch (e) {
    notices.fail(e);
  }
}
useKeys('Today', [
  { key: 'arrowdown', says: 'the next thing', run: () => move(1) },
  { key: 'arrowup', says: 'the one before', run: () => move(-1) },
  { key: 'd', says: 'do it, or tick it off', run: () => chosen.value && void act(chosen.value[0]!) },
  { key: 'o', says: 'put it off until tomorrow', run: () => chosen.value && void later(chosen.value) },
]);
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Today</h1>
      <span class="soft">{{ weekday(today()) }}</span>
      <NButton class="push" @click="feed = true">Calendar</NButton>
    </header>
    <p v-if="todays.state === 'failed'" class="plate note" role="alert">
      {{ todays.error }} <NButton text class="link" @click="todays.refresh()">Try again</NButton>
    </p>
    <TimerStrip />
    <div class="top">
      <section class="plate list" aria-labelledby="now-title">
        <h2 id="now-title" data-fact="now">{{ title }}</h2>
        <ul v-if="now.length">
          <DutyRow
            v-for="(ds, i) in rows"
            :key="`${ds[0]!.batchId}/${ds[0]!.stationId}`"
            :duties="ds"
            :chosen="i === Math.min(at, nowRows.length - 1)"
            @act="act"
            @later="later(ds)"
          />
        </ul>
        <NButton v-if="nowRows.length > rows.length" text class="link" @click="everything = true"
          >and {{ nowRows.length - rows.length }} more</NButton
        >
        <p v-if="now.length === 0 && todays.state === 'ready'" class="soft">
          {{ todays.jars.length ? 'The jars stand and sour by themselves.' : 'Nothing stands on the side.' }}
          <RouterLink to="/batches">{{ todays.rows.length ? 'To your batches' : 'Start your first batch' }}</RouterLink><template
            v-if="pods.items.length"
            >, or see <RouterLink to="/batches/ideas">what you could make</RouterLink></template
          >.
        </p>
        <details v-if="coming.length" class="coming" @toggle="ahead = ($event.target as HTMLDetailsElement).open">
          <summary>{{ plural(coming.length, 'more thing') }} in the next two weeks</summary>
          <ul v-if="ahead">
            <DutyRow
              v-for="ds in rowsOf(coming).slice(0, MANY)"
              :key="`${ds[0]!.batchId}/${ds[0]!.id}`"
              :duties="ds"
              :chosen="false"
              @act="act"
              @later="later(ds)"
            />
          </ul>
        </details>
      </section>
      <section class="plate jars" aria-label="Jars on the counter">
        <h2>Jars on the counter</h2>
        <JarsOnSide v-if="todays.jars.length" :jars="todays.side" />
        <p v-else class="soft">No jar is at work. A batch that sours stands here from the day it is packed.</p>
        <NButton
          v-if="todays.jars.length > todays.side.length || todays.everyJar"
          text
          class="link"
          @click="todays.everyJar = !todays.everyJar"
          >{{
            todays.everyJar ? 'only those that want something first' : `and ${todays.jars.length - todays.side.length} more jars`
          }}</NButton
        >
        <div v-if="buys.length || first.length" class="more">
          <p v-for="b in buys.slice(0, all ? undefined : FEW)" :key="`${b.store} ${b.id} ${b.batchId}`" data-buy>
            <b>Buy</b> <RouterLink :to="PLACES[b.store]">{{ b.name }}</RouterLink>:
            <span data-fact="short" :data-of="`${b.batchId} ${b.store} ${b.id}`">{{ grams(b.shortG) }}</span> for {{ b.batch }},
            {{ b.by <= today() ? 'today' : weekday(b.by) }}.
          </p>
          <NButton v-if="buys.length > FEW" text class="link" @click="all = !all">{{
            all ? 'fewer' : `and ${buys.length - FEW} more to buy`
          }}</NButton>
          <p v-if="first.length" data-first>
            <b>Use first:</b>
            <template v-for="(f, i) in first" :key="f.name"
              >{{ i ? ', ' : ' ' }}<RouterLink :to="f.to">{{ f.name }}</RouterLink> ({{ f.says }})</template
            >.
          </p>
        </div>
      </section>
    </div>
    <ClashList />
    <section v-if="todays.jars.length" class="plate acid" aria-label="How sour, the next two weeks">
      <h2>How sour, the next two weeks</h2>
      <FallingAcid :jars="todays.side" :duties="todays.duties" />
    </section>
    <FeedSheet v-model:show="feed" />
    <LookSheet
      v-if="of"
      v-model:show="looking"
      :batch-id="of.batchId"
      :station-id="of.stationId"
      :jars="lookedAt?.left ?? []"
      :name="of.batch"
      @done="todays.done(of)"
    />
    <ReadingSheet v-if="of && from" v-model:show="reading" :station="{ id: of.stationId, from }" :reading="null" />
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 12px;
  align-items: stretch;
}
.list,
.jars,
.acid {
  padding: 10px 14px;
}
.list {
  /* As high as what stands beside it; longer lists are scrolled. */
  height: 0;
  min-height: max(100%, 392px);
  overflow: auto;
}
.jars {
  min-height: 392px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.coming {
  margin-top: 6px;
}
summary {
  cursor: pointer;
  min-height: 32px;
  color: var(--rim);
}
.more {
  margin-top: 12px;
  font-size: 14px;
}
.more p {
  margin: 3px 0;
}
.jars h2 {
  margin-bottom: 10px;
}
@media (max-width: 900px) {
  .top {
    grid-template-columns: 1fr;
  }
  .list {
    height: auto;
    min-height: 0;
  }
  .jars {
    min-height: 0;
  }
}
</style>
