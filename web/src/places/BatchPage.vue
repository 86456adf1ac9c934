<script setup lang="ts">
import { NButton, NDropdown } from 'naive-ui';
import { computed, defineAsyncComponent, ref, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { eatenOf, endStrands, heatWord, stationIn, styleName, type Banded, type LinePlace, oddsText } from '@roskel/core';
import { shu } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import { useBatchMenu } from '../batch/useBatchMenu';
import { useKeys } from '../ui/keys';
import { titleIs } from '../ui/title';
import { remember } from '../ui/remember';
import { useNarrow } from '../ui/useNarrow';
import { PANELS } from '../stations';
import LineList from '../line/LineList.vue';
import LineView from '../line/LineView.vue';
import PropertyStrip from '../line/PropertyStrip.vue';
import WarnLine from '../batch/WarnLine.vue';
import { keepHere, readHere } from '../ui/keepHere';
import NewsBar from '../batch/NewsBar.vue';
import SaveState from '../batch/SaveState.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';
import WhySheet from '../batch/WhySheet.vue';
import SheetCard from '../ui/SheetCard.vue';
import { lazySheet } from '../ui/lazySheet';
import MissingChip from '../batch/MissingChip.vue';
import BenchSheet from '../batch/BenchSheet.vue';

const ChangeBar = defineAsyncComponent(() => import('../batch/ChangeBar.vue'));
const WantedSheet = lazySheet(() => import('../batch/WantedSheet.vue'));
const AgainSheet = lazySheet(() => import('../batch/AgainSheet.vue'));
const BatchLogSheet = lazySheet(() => import('../log/BatchLogSheet.vue'));
const GoalSheet = lazySheet(() => import('../batch/GoalSheet.vue'));

const route = useRoute();
const router = useRouter();
const batch = useOpenBatch();
const { options: more, act, again, wanted, who, asking, written, archive, exportFile } = useBatchMenu(() => end.value);
const chosen = ref('');
const goal = ref(false);
const about = ref<{ stationId: string; what: Banded } | null>(null);

watch(
  () => String(route.params.id ?? ''),
  (id) => {
    if (!id) return;
    chosen.value = String(route.query.at ?? '');
    void batch.open(id);
  },
  { immediate: true },
);
watch(
  () => batch.report,
  (r) => {
    // A station that was just added is not in the report yet.
    // What is open still may be the batch one comes from.
    if (
      r &&
      route.params.id === batch.id &&
      !r.stations.some((s) => s.id === chosen.value) &&
      !(batch.file && stationIn(batch.file, chosen.value))
    )
      chosen.value = (r.stations.find((s) => s.active) ?? r.stations.at(-1))?.id ?? '';
  },
  { immediate: true },
);
// The address remembers where one is: back, reload and links lead there again.
const noted = new Set<string>();
watch(chosen, async (at) => {
  if (!at || route.params.id !== batch.id || route.query.at === at) return;
  noted.add(at);
  if (!(await remember(router, 'batch', { query: { ...route.query, at } }))) noted.delete(at);
});
// A way to another station of the same batch leads there; what the page noted itself is no such way.
watch(
  () => String(route.query.at ?? ''),
  (at) => {
    if (!noted.delete(at) && at && route.params.id === batch.id) chosen.value = at;
  },
);
const station = computed(() => batch.report?.stations.find((s) => s.id === chosen.value) ?? null);
const file = computed(() => batch.file);
/** The station is in the file as it stands: the report lags behind a line that was just changed. */
const here = computed(() => file.value !== null && stationIn(file.value, chosen.value) !== undefined);
/** The tracks are unfolded on a wish, and stay as one left them. */
const TRACKS_OPEN = 'roskel-tracks';
const tracks = ref(readHere<boolean>(TRACKS_OPEN) === true);
function foldTracks() {
  tracks.value = !tracks.value;
  keepHere(TRACKS_OPEN, tracks.value);
}

function step(by: number) {
  const list = batch.report?.stations ?? [];
  const at = list.findIndex((s) => s.id === chosen.value);
  const next = list[at + by];
  if (next) chosen.value = next.id;
}
useKeys('This batch', [
  ...Array.from({ length: 9 }, (_, i) => ({
    key: String(i + 1),
    says: `station ${i + 1}`,
    run: () => {
      const s = batch.report?.stations[i];
      if (s) chosen.value = s.id;
    },
  })),
  { key: 'arrowright', says: 'next station', run: () => step(1) },
  { key: 'arrowleft', says: 'station before', run: () => step(-1) },
  { key: 'g', says: 'the goal', run: () => (goal.value = true) },
  {
    key: 'c',
    says: 'choose the pods',
    run: () => void router.push({ name: 'choose', params: { id: batch.id }, query: { for: endId.value } }),
  },
  { key: 'm', says: 'make it again', run: () => (again.value = true) },
  { key: 'l', says: 'the steps: change the line', run: () => (changing.value = true) },
  { key: 'e', says: 'export the file', run: () => exportFile() },
  { key: 'w', says: 'why these numbers', run: () => chosen.value && (about.value = { stationId: chosen.value, what: 'heatShu' }) },
]);

/** The end whose goal is on the page: that of the strand one is in, else the last one looked at, else the main one. */
const endId = ref('');
const ends = computed(() => (file.value ? endStrands(file.value) : []));
watch(
  [station, ends],
  () => {
    const own = ends.value.find((e) => e.id === station.value?.strandId)?.id;
    if (own) endId.value = own;
    else if (!ends.value.some((e) => e.id === endId.value)) endId.value = ends.value[0]?.id ?? '';
  },
  { immediate: true },
);
const end = computed(() => ends.value.find((e) => e.id === endId.value) ?? null);
const endReport = computed(() => batch.report?.ends.find((e) => e.strandId === endId.value) ?? null);
/** The picture has handles while the line is changed. */
const changing = ref(false);
const aim = ref<LinePlace | null>(null);
const narrow = useNarrow(720);
titleIs(() => batch.file?.name);
</script>

<template>
  <div class="page">
    <template v-if="file">
      <header class="head no-print">
        <div>
          <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="soft crumb"> / {{ styleName(file.style) }}</span
          >&ensp;<MissingChip />
          <h1>{{ file.name }}</h1>
        </div>
        <template v-if="end">
          <NButton class="chip-act" @click="goal = true">
            <span>
              <template v-if="ends.length > 1">{{ end.name }}: </template>Heat
              <b>{{ heatWord(Math.sqrt(Math.max(1, end.goal.lowShu) * end.goal.highShu), eatenOf(file, end.goal)) }}</b>
              {{ shu(end.goal.lowShu) }} to
              {{ shu(end.goal.highShu) }}
            </span>
          </NButton>
          <NButton class="chip-act" @click="goal = true">
            <span data-fact="wished" :data-of="`${batch.id}/${endId}`"
              ><b>{{ end.goal.bottles }}</b> × {{ end.goal.bottleMl }} ml</span
            >
          </NButton>
        </template>
        <span v-if="endReport && endReport.heat.p50 > 0" class="odds"
          ><b data-fact="odds" :data-of="`${batch.id}/${endId}`">{{ oddsText(endReport.odds) }}</b
          ><br />land in the wished heat</span
        >
        <SchoolStamp />
        <SaveState class="push" />
        <NButton class="no-print" :type="changing ? 'primary' : 'default'" :aria-pressed="changing" @click="changing = !changing"
          >Steps</NButton
        >
        <NDropdown trigger="click" :options="more" @select="(key: string) => act(key)">
          <NButton class="no-print" aria-haspopup="menu">More</NButton>
        </NDropdown>
      </header>
      <div v-if="batch.lineTrouble" class="plate trouble" role="alert">
        <b>The line stops here:</b> {{ batch.lineTrouble.message }}
        <NButton text class="link" @click="chosen = batch.lineTrouble.stationId">Go there</NButton>
      </div>
      <NewsBar />
      <div v-if="batch.report" class="plate line no-print" :class="{ busy: batch.busy }">
        <LineList
          v-if="narrow"
          v-bind="{ report: batch.report, chosen, trouble: batch.stationTrouble, changing, aim }"
          @choose="chosen = $event"
        />
        <LineView
          v-else
          v-bind="{ report: batch.report, chosen, endId, trouble: batch.stationTrouble, changing, aim, tracks }"
          @choose="chosen = $event"
          @why="(stationId, what) => ((chosen = stationId), (about = { stationId, what }))"
        />
        <PropertyStrip
          v-if="station && !tracks"
          :report="batch.report"
          :station="station"
          :goal="end?.goal"
          @why="(what) => (about = { stationId: chosen, what })"
        >
          <NButton v-if="!narrow" text class="link" @click="foldTracks">unfold the tracks</NButton>
        </PropertyStrip>
        <NButton v-else-if="tracks && !narrow" text class="link fold" @click="foldTracks">fold the tracks</NButton>
      </div>
      <div v-else-if="batch.failed" class="plate trouble" role="alert">
        <b>This batch could not be worked out as it stands now:</b> {{ batch.failed }}
        <NButton text class="link" @click="batch.recompute()">Try again</NButton>
      </div>
      <p v-else class="soft">Working out the line.</p>
      <ChangeBar
        v-if="changing && here"
        class="no-print"
        :station-id="chosen"
        @choose="chosen = $event"
        @done="changing = false"
        @aim="aim = $event"
      />
      <section v-if="batch.report && station && here" class="below no-print" :aria-label="`At ${station.name}`">
        <WarnLine :report="batch.report" :station="station" @go="chosen = $event" />
        <component :is="PANELS[station.kind]" :key="station.id" :station="station" @go="chosen = $event" />
      </section>
      <BenchSheet v-if="batch.report" :file="file" :report="batch.report" />
      <GoalSheet v-if="endId" v-model:show="goal" :strand-id="endId" />
      <WantedSheet v-model:show="wanted" />
      <BatchLogSheet v-model:show="who" :batch-id="batch.id" />
      <AgainSheet v-if="again" v-model:show="again" :file="file" :batch-id="batch.id" />
      <SheetCard v-model:show="written" title="The recipe as it was written" :width="560">
        <p class="written">{{ file.recipe }}</p>
      </SheetCard>
      <SheetCard v-model:show="asking" title="Archive a batch on its way?" :width="460">
        <p>{{ file.name }} is not bottled yet. In the archive nobody is reminded of its jars; it can be restored at any time.</p>
        <p class="two">
          <NButton type="primary" @click="asking = false">Keep it here</NButton>
          <NButton @click="archive">Archive it</NButton>
        </p>
      </SheetCard>
      <WhySheet
        v-if="batch.report"
        :file="file"
        :report="batch.report"
        :about="about"
        @close="about = null"
        @ask="(what) => about && (about = { ...about, what })"
        @station="(id) => ((chosen = id), (about = null))"
      />
    </template>
    <p v-else-if="batch.state === 'missing'">
      This batch is not there any more. <RouterLink to="/batches">Go to your batches.</RouterLink>
    </p>
    <p v-else-if="batch.state === 'offline'">
      The server does not answer. <NButton text class="link" @click="batch.open(String(route.params.id))">Try again</NButton>
    </p>
    <p v-else class="soft">Fetching the batch.</p>
  </div>
</template>

<style scoped>
.written {
  margin: 0;
  white-space: pre-wrap;
  line-height: 1.45;
}
.two {
  display: flex;
  gap: 12px;
}
.page {
  gap: 8px;
}
.crumb {
  font-size: 13px;
  color: var(--soft);
  text-decoration: none;
}
.odds {
  font-size: 13px;
  line-height: 1.15;
  color: var(--soft);
}
.odds b {
  color: var(--ink);
  font-size: 15px;
}
.line {
  overflow: hidden;
  flex: none;
  transition: opacity 150ms;
}
.line.busy {
  opacity: 0.75;
}
.trouble {
  padding: 8px 14px;
  background: var(--warn-plate);
  border-color: var(--warn);
}
.fold {
  margin: 0 14px 6px;
}
.below {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 8px;
}
</style>
