<script setup lang="ts">
import { useFew } from '../ui/few';
import MoreRows from '../ui/MoreRows.vue';
import { NButton } from 'naive-ui';
import { computed, onMounted } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { bitterSeeds, colourFamily, eatenOf, endStrands, heatKept, KNIFE, podStationId, preparedPerGram, seedShare } from '@roskel/core';
import { heatAxis } from '../charts/HeatAxis';
import { plural, shu } from '../format';
import { useMix } from '../pods/useMix';
import { useBatchHere } from '../batch/useBatchHere';
import { usePods } from '../stores/pods';
import { useKeys } from '../ui/keys';
import { titleIs } from '../ui/title';
import { stopBench } from '../worker/client';
import BottleHeat from '../charts/BottleHeat.vue';
import LotRow from '../pods/LotRow.vue';
import PodWishes from '../pods/PodWishes.vue';
import DoubtPlate from '../heat/DoubtPlate.vue';
import SaveState from '../batch/SaveState.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';
import WayList from '../pods/WayList.vue';

const route = useRoute();
const router = useRouter();
const { batch, ready: here } = useBatchHere();
const pods = usePods();
const file = computed(() => batch.file);
/** The strand whose goal the pods are chosen for: two bowls of one base are two goals. */
const strandId = computed(() => {
  const ends = file.value ? endStrands(file.value) : [];
  return (ends.find((s) => s.id === route.query.for) ?? ends[0])?.id ?? '';
});
const goal = computed(() => file.value?.strands.find((s) => s.id === strandId.value)?.goal ?? null);
const mix = useMix(file, strandId);
const { wish, answer, trouble, stopped, solving, solveMs, picked, ready, choices, allowed, live, bottles, whole, rows, pending, hex } = mix;

onMounted(async () => {
  await Promise.all([here(), pods.load()]);
  if (!file.value) return;
  const had = mix.begin();
  if (pods.items.some((p) => p.stockG > 0)) await mix.solve(!had);
});

async function confirm() {
  if (!file.value) return;
  try {
    mix.confirm();
    await router.push({ name: 'batch', params: { id: batch.id }, query: { at: podStationId(file.value, strandId.value) } });
  } catch (e) {
    trouble.value = (e as Error).message;
  }
}
useKeys('Choose the pods', [
  { key: 'x', says: 'find mixes', run: () => void mix.solve() },
  { key: 'u', says: 'use this mix', run: () => void confirm() },
]);

/** Of the batch's own mix its odds; of a way as it was found those that the batch will tell; of one changed by hand those of its blur, until it is used. */
const oddsNow = computed(() => {
  if (pending.value.length === 0) {
    const end = batch.report?.ends.find((e) => e.strandId === strandId.value);
    if (end && end.finished.massG > 0) return end.odds;
  }
  const found = answer.value?.status === 'found' ? answer.value.mixes[picked.value] : undefined;
  return found?.odds ?? live.value?.band?.odds;
});
const AX = 300;
const axis = heatAxis(50, 1_500_000, 8, AX - 8);
/** Of many lots what is in the mix, and the first of the others. */
const FEW = 40;
const few = useFew(
  () => rows.value,
  FEW,
  (r) => r.entry.g > 0,
);
const used = computed(() => rows.value.filter((r) => r.entry.g > 0));
const pct = (x: number) => `${Math.round(100 * x)} %`;
/** What to do at the board, once for each way of cutting, and what to know about it. */
const board = computed(() => {
  const ways = [...new Set(used.value.map((r) => r.entry.prep))].map((p) => {
    const cut = used.value.filter((r) => r.entry.prep === p && r.c.lot.anatomy);
    const names = cut.map(({ c }) => {
      const { share, low, high } = heatKept(p, c.lot.capsaicinoidClass, c.lot.anatomy);
      return p === 'whole' || !c.lot.heat ? c.lot.name : `${c.lot.name} (keeps ${pct(share)} of its heat, ${pct(low)} to ${pct(high)})`;
    });
    return names.length > 0 ? `${names.join(', ')} ${KNIFE[p].name}: ${KNIFE[p].note}` : '';
  });
  const cut = used.value.map((r) => ({ r, g: r.entry.g * preparedPerGram(r.c.lot, r.c.prep).massG }));
  const total = cut.reduce((s, x) => s + x.g, 0);
  const seeds = cut.reduce((s, { r, g }) => s + g * seedShare(r.c.prep, r.c.lot.capsaicinoidClass, r.c.lot.anatomy), 0);
  const bitter = total > 0 ? bitterSeeds(seeds / total).map((c) => c.text) : [];
  return [...ways, ...bitter].filter(Boolean);
});
const wholeText = computed(() => {
  if (whole.value.counts.length === 0) return 'Weigh these; there are no pods to count.';
  const list = whole.value.counts.map((n) => `${n.pods} ${choices.value.find((c) => c.lot.id === n.lotId)!.lot.name}`).join(', ');
  const mid = whole.value.blur ? Math.exp(whole.value.blur.mu) : 0;
  return `${list}. Rounded to whole pods the middle is ${shu(mid)} SHU. Weighing is surer than counting.`;
});
titleIs(() => file.value?.name);
</script>

<template>
  <div class="page">
    <header class="head">
      <div>
        <RouterLink class="crumb" to="/batches">Batches</RouterLink><span class="crumb"> / </span>
        <RouterLink class="crumb" :to="{ name: 'batch', params: { id: String(route.params.id) } }">{{ file?.name ?? 'batch' }}</RouterLink>
        <h1>Choose the pods</h1>
      </div>
      <span v-if="goal" class="chip"
        >{{ plural(goal.bottles, 'bottle') }} of {{ goal.bottleMl }} ml, {{ shu(goal.lowShu) }} to {{ shu(goal.highShu) }} SHU</span
      >
      <span v-if="hex" class="chip"><i class="tint" :style="{ background: hex }" />{{ colourFamily(hex) ?? 'brown' }}</span>
      <RouterLink class="act" :to="{ path: '/pods', query: { back: route.fullPath } }">Add a lot</RouterLink>
      <SchoolStamp />
      <span v-if="pending.length" class="soft push pending" role="status"
        >Not in the batch yet: {{ pending.slice(0, 3).join(', ') }}{{ pending.length > 3 ? ` and ${pending.length - 3} more` : '' }}</span
      >
      <SaveState v-else class="push" />
      <NButton v-if="solving" @click="stopBench()">Stop looking</NButton>
      <NButton v-else :disabled="allowed.length === 0" @click="mix.solve()">Find mixes</NButton>
      <NButton type="primary" :disabled="!live || live.finishedG <= 0" @click="confirm">Use this mix</NButton>
    </header>
    <p v-if="ready && pods.items.length === 0" class="plate note">
      There are no pods yet. <RouterLink :to="{ path: '/pods', query: { back: route.fullPath } }">Add a lot of pods</RouterLink>; it leads
      back here.
    </p>
    <div v-else-if="file" class="grid answer-first">
      <section class="plate lots" aria-label="Pods to hand">
        <PodWishes v-model="wish" class="wishes" @update:model-value="mix.solve()" />
        <div class="headrow">
          <span />
          <b>Pods to hand</b>
          <b>In the mix</b>
          <div class="ticks" aria-hidden="true">
            <span v-for="t in axis.ticks" :key="t" :style="{ left: `${(100 * axis.x(t)) / AX}%` }">{{
              t >= 1e6 ? `${t / 1e6}M` : t >= 1000 ? `${t / 1000}k` : t
            }}</span>
          </div>
        </div>
        <LotRow
          v-for="r in few.shown.value"
          :key="r.c.lot.id"
          :choice="r.c"
          :record="r.record"
          :entry="r.entry"
          :axis="axis"
          :width="AX"
          @grams="mix.setGrams(r.c.lot.id, $event)"
        />
        <MoreRows :hidden="few.hidden.value" what="lots" @more="few.more" />
      </section>
      <div class="right">
        <section v-if="stopped" class="plate stop" role="alert">
          <h2>Nothing can be worked out yet</h2>
          <p>{{ stopped }} <RouterLink :to="{ name: 'batch', params: { id: route.params.id } }">Go to the batch</RouterLink></p>
        </section>
        <BottleHeat
          v-else-if="goal"
          :blur="live?.blur ?? null"
          :odds-now="oddsNow"
          :goal="goal"
          :bottles="bottles"
          :eaten="file ? eatenOf(file, goal) : undefined"
        />
        <WayList v-if="!stopped" :answer="answer" :trouble="trouble" :picked="picked" :choices="choices" @take="mix.take" />
        <span v-if="solveMs !== null" class="visually-hidden" data-fact="solve-ms">{{ solveMs.toFixed(1) }}</span>
      </div>
      <section v-if="!stopped" class="plate notes">
        <DoubtPlate :doubts="live?.doubts ?? []" :remedies="live?.remedies ?? []" :now="live?.band?.odds ?? 0" />
        <div class="scroll">
          <h2>Cutting and cooking</h2>
          <p v-if="board.length === 0">Nothing to cut yet.</p>
          <p v-for="b in board" :key="b">{{ b }}</p>
          <p>The heat sits in the pale ribs, not in the seeds. Gloves on, hands off your eyes.</p>
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
.tint {
  width: 26px;
  height: 16px;
  border-radius: 8px;
  margin-right: 8px;
}
.pending {
  max-width: 240px;
  font-size: 13.5px;
  line-height: 1.25;
}
.stop {
  padding: 10px 16px;
  background: var(--warn-plate);
  border-color: var(--warn);
}
.grid {
  display: grid;
  grid-template-columns: minmax(0, 1.6fr) minmax(0, 1fr);
  grid-template-rows: minmax(max(420px, calc(100dvh - 298px)), auto) auto;
  gap: 12px;
}
/* The one thing that scrolls by itself: shares are moved while the heat stays in sight. */
.lots {
  overflow: auto;
  /* As high as what stands beside it. */
  height: 0;
  min-height: 100%;
  padding: 0 14px 4px;
}
.wishes {
  padding: 5px 0;
  border-bottom: 2px solid var(--rim);
}
.headrow {
  display: grid;
  grid-template-columns: 26px 118px 366px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  position: sticky;
  top: 0;
  background: var(--plate);
  z-index: 1;
  padding: 3px 0;
}
.ticks {
  position: relative;
  height: 18px;
  font-size: 13px;
  color: var(--soft);
}
.ticks span {
  position: absolute;
  transform: translateX(-50%);
}
.right {
  display: grid;
  align-content: start;
  gap: 12px;
}
.notes {
  grid-column: 1 / -1;
  display: grid;
  grid-template-columns: 1.15fr 1.15fr 0.8fr;
  gap: 20px;
  padding: 8px 16px;
}
.notes p {
  margin: 2px 0 0;
  font-size: 13.5px;
  line-height: 1.3;
  color: var(--soft);
}
@media (max-width: 1000px) {
  .lots {
    overflow: visible;
    height: auto;
  }
  .notes {
    grid-template-columns: 1fr;
  }
  .headrow {
    display: none;
  }
}
</style>
