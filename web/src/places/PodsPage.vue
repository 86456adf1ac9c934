<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import { NButton, NVirtualList } from 'naive-ui';
import type { PodLotRecord } from '@roskel/contract';
import {
  ageHint,
  isSpoilt,
  blurQuantiles,
  daysBetween,
  FORM_NAMES,
  inSchool,
  levelName,
  lotShu,
  podsIn,
  type HeatSource,
  type PodForm,
} from '@roskel/core';
import { grams, plural, shu, today } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';
import { useWayBack } from '../house/useWayBack';
import { useKeys } from '../ui/keys';
import { remember } from '../ui/remember';
import ListState from '../ui/ListState.vue';
import SchoolStamp from '../heat/SchoolStamp.vue';
import FindField from '../ui/FindField.vue';
import PickField from '../ui/PickField.vue';
import { lazySheet } from '../ui/lazySheet';

const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));
const LotSheet = lazySheet(() => import('../pods/LotSheet.vue'));

const pods = usePods();
const settings = useSettings();
const route = useRoute();
const router = useRouter();
const find = ref('');
const archived = ref(false);
const form = ref<PodForm | ''>('');
const only = ref<'' | 'stock' | 'first' | 'hot' | 'mild'>('');
const sheet = ref(false);
const openId = ref<string | null>(null);
const from = ref<string | undefined>();
const item = computed(() => pods.items.find((p) => p.id === openId.value) ?? null);
onMounted(async () => {
  await pods.load();
  // "Add a lot of this variety", and adding one from inside a batch, lead here.
  if (typeof route.query.variety === 'string') {
    from.value = route.query.variety;
    open(null);
    await remember(router, 'pods', '/pods');
  } else if (way.to.value) open(null);
  else if (typeof route.query.lot === 'string') openId.value = route.query.lot;
  sheet.value ||= item.value !== null;
});
const way = useWayBack();
watch(sheet, (now) => {
  if (!now && way.to.value) void way.goBack();
  else void remember(router, 'pods', { query: now && openId.value ? { lot: openId.value } : way.to.value ? route.query : {} });
});
function open(p: PodLotRecord | null) {
  openId.value = p?.id ?? null;
  sheet.value = true;
}
useKeys('Pods', [{ key: 'n', says: 'add a lot', run: () => open(null) }]);

const W = 560;
const axis = heatAxis(50, 1_500_000, 10, W - 14);
const SURE: Record<HeatSource, string> = {
  table: 'from the table',
  kitchens: 'as kitchens learnt',
  packet: 'a quoted figure',
  label: 'from a label',
  lab: 'measured',
  taste: 'tasted',
  batch: 'from its batch',
};
/** Hot and mild part at a lively heat of the pod itself, SHU (our judgement). */
const HOT = 3000;
/** More was taken than ever came in: somebody forgot to say what they bought. */
const owing = (p: PodLotRecord) => (p.stockG < -0.5 ? `${grams(-p.stockG)} more taken than came in` : null);
/** What a lot wants its owner to know: to be thrown away, to be used first, or that it has lain long. */
function hintOf(p: PodLotRecord): string | null {
  if (p.stockG <= 0) return owing(p);
  if (isSpoilt(p.lot)) return 'throw it away: its jar spoilt';
  return p.useFirst ? 'use first' : ageHint(p.lot.form, p.gotOn, today());
}
function wanted(p: PodLotRecord): boolean {
  const words = `${p.lot.name} ${FORM_NAMES[p.lot.form]} ${p.place} ${p.ripeness} ${(p.lot.flavour ?? []).join(' ')}`.toLowerCase();
  if (!words.includes(find.value.trim().toLowerCase())) return false;
  if (form.value && p.lot.form !== form.value) return false;
  if (only.value === 'stock') return p.stockG > 0;
  if (only.value === 'first') return hintOf(p) !== null;
  if (only.value === 'hot') return lotShu(p.lot) >= HOT;
  return only.value === 'mild' ? lotShu(p.lot) < HOT : true;
}
const rows = computed(() =>
  pods.items
    .filter(wanted)
    .map((p) => {
      const lot = inSchool(p.lot, settings.value.school);
      const median = lotShu(lot);
      const n = podsIn(lot, p.stockG);
      const q = median > 0 ? blurQuantiles({ mu: Math.log(median), sigma: lot.heat!.sigma }) : null;
      return {
        key: p.id,
        p,
        lot,
        median,
        q,
        // "About 40 pods": counts from a typical pod weight deserve two figures at most.
        count: Number.isFinite(n) && n >= 1 ? `about ${plural(n < 20 ? Math.round(n) : Math.round(n / 5) * 5, 'pod')}` : '',
        promised: p.promised.reduce((s, x) => s + x.g, 0),
        hint: hintOf(p),
        age: p.gotOn ? daysBetween(p.gotOn, today()) : null,
      };
    })
    .sort((a, b) => a.median - b.median),
);
type Row = (typeof rows.value)[number];
const most = computed(() => Math.max(1, ...pods.items.map((p) => p.stockG)));
const total = computed(() => pods.items.reduce((s, p) => s + Math.max(0, p.stockG), 0));
const formChoices = computed(() => [
  { value: '' as PodForm | '', label: 'all forms' },
  ...[...new Set(pods.items.map((p) => p.lot.form))].map((f) => ({ value: f as PodForm | '', label: FORM_NAMES[f] })),
]);
const ONLY: { value: typeof only.value; label: string }[] = [
  { value: '', label: 'all lots' },
  { value: 'stock', label: 'in stock' },
  { value: 'first', label: 'use first or look over' },
  { value: 'hot', label: 'hot' },
  { value: 'mild', label: 'mild' },
];
const ageText = (d: number | null) =>
  d === null ? '' : d === 0 ? 'today' : d < 60 ? `${plural(d, 'day')} ago` : `${plural(Math.round(d / 30), 'month')} ago`;
const about = (r: Row) => [FORM_NAMES[r.lot.form], r.p.ripeness, r.p.place, ageText(r.age)].filter(Boolean).join(', ');
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Pods</h1>
      <FindField v-model="find" label="Find a lot" />
      <PickField v-model="form" class="filter" hide-label label="Form" :options="formChoices" />
      <PickField v-model="only" class="filter" hide-label label="Which lots" :options="ONLY" />
      <SchoolStamp />
      <NButton @click="archived = true">Archive</NButton>
      <RouterLink class="act small" to="/pods/varieties">Varieties</RouterLink>
      <span class="push chip">{{ plural(pods.items.length, 'lot') }}, {{ grams(total) }}</span>
      <NButton type="primary" @click="open(null)">Add a lot</NButton>
    </header>
    <ListState
      :state="pods.state"
      :error="pods.error"
      :count="pods.items.length"
      :shown="rows.length"
      :find="find"
      what="pods"
      @retry="pods.load()"
    >
      <template #empty>
        <h2>No pods yet</h2>
        <p>Add what you picked, bought or froze. Every lot carries how hot it may be, not one number.</p>
        <NButton type="primary" @click="open(null)">Add a lot</NButton>
      </template>
      <section class="plate list">
        <div class="row headrow">
          <b>Lot</b><b>Stock</b>
          <svg :viewBox="`0 0 ${W} 18`" aria-hidden="true">
            <text v-for="t in axis.ticks" :key="t" :x="axis.x(t)" y="13" text-anchor="middle">
              {{ t >= 1e6 ? '1 million' : t.toLocaleString('en') }}
            </text>
          </svg>
          <b>8 in 10 lots, SHU as it is</b>
        </div>
        <NVirtualList class="virtual" :items="rows" :item-size="58" item-resizable>
          <template #default="{ item: r }: { item: Row }">
            <button :key="r.key" type="button" class="row bare" :class="{ none: r.p.stockG <= 0 }" @click="open(r.p)">
              <span class="name">
                <i :style="{ background: r.lot.hex }" />
                <span
                  ><b>{{ r.lot.name }}</b
                  ><span class="soft">{{ about(r) }}</span></span
                >
              </span>
              <span class="stock">
                <b :data-stock="r.p.id">{{ grams(Math.max(0, r.p.stockG)) }}</b>
                <span class="level"><i :style="{ width: `${(100 * Math.max(0, r.p.stockG)) / most}%` }" /></span>
                <span class="soft"
                  ><template v-if="r.promised > 0"
                    ><span :class="{ first: r.promised > r.p.stockG + 0.5 }">{{ grams(r.promised) }} promised</span>,
                    {{ grams(Math.max(0, r.p.stockG - r.promised)) }} free</template
                  ><template v-else>{{ r.count }}</template
                  >{{ (r.count || r.promised > 0) && r.hint ? ', ' : '' }}<span v-if="r.hint" class="first">{{ r.hint }}</span></span
                >
              </span>
              <svg :viewBox="`0 0 ${W} 50`" preserveAspectRatio="none" aria-hidden="true">
                <line v-for="t in axis.ticks" :key="t" :x1="axis.x(t)" :x2="axis.x(t)" y1="0" y2="50" stroke="var(--grid)" />
                <template v-if="r.q">
                  <path :d="hill(Math.log(r.median), r.lot.heat!.sigma, axis.x, 48, 40)" :fill="heatColour(r.median)" opacity="0.85" />
                  <line :x1="axis.x(r.median)" :x2="axis.x(r.median)" y1="8" y2="48" stroke="var(--ink)" stroke-width="1.3" />
                </template>
                <text v-else x="16" y="29">no heat, all body</text>
              </svg>
              <span class="sure" :data-band="r.p.id">
                <template v-if="r.q"
                  ><b>{{ shu(r.q.p10) }} to {{ shu(r.q.p90) }}</b
                  ><span class="soft">{{ levelName(r.median) }}, {{ SURE[r.lot.heat!.source] }}</span></template
                >
                <span v-else class="soft">certain</span>
              </span>
            </button>
          </template>
        </NVirtualList>
      </section>
      <p class="soft foot">
        The hills show 8 in 10 lots of that variety. SHU as the pod is, water included; the number quoted for a variety means dry matter.
      </p>
    </ListState>
    <LotSheet v-model:show="sheet" :item="item" :from="from" />
    <ArchiveSheet v-model:show="archived" title="Archived lots" :archive="pods.archive" />
  </div>
</template>

<style scoped>
.filter {
  width: 150px;
}
.page {
  height: 100%;
}
.list {
  padding: 4px 16px;
  flex: 1;
  min-height: 240px;
  display: flex;
  flex-direction: column;
}
.virtual {
  flex: 1;
  min-height: 0;
}
.row {
  display: grid;
  grid-template-columns: 230px 172px minmax(0, 1fr) 170px;
  gap: 16px;
  width: 100%;
  align-items: center;
  padding: 3px 0;
  min-height: 54px;
  border-bottom: 1px dashed var(--line);
}
button.row:hover {
  background: var(--white);
}
.headrow {
  min-height: 28px;
  font-size: 13.5px;
}
.headrow svg {
  height: 18px;
}
svg {
  width: 100%;
  height: 50px;
}
svg text {
  /* The picture is drawn wider than it stands. */
  font-size: 16px;
  fill: var(--soft);
}
.name {
  display: grid;
  grid-template-columns: 16px 1fr;
  gap: 10px;
  align-items: center;
}
.name > i {
  height: 36px;
  border-radius: 7px 7px 10px 10px;
}
.name .soft,
.stock .soft,
.sure .soft {
  display: block;
  font-size: 13px;
  line-height: 1.2;
}
.level {
  display: block;
  height: 6px;
  border-radius: 3px;
  background: var(--track);
  overflow: hidden;
}
.level i {
  display: block;
  height: 100%;
  background: var(--rim);
}
.first {
  color: var(--warn);
  font-weight: 600;
}
/* An empty lot: its colour fades, its words stay readable. */
.none .name > i,
.none svg {
  opacity: 0.4;
}
.foot {
  margin: 0;
  font-size: 13.5px;
}
@media (max-width: 900px) {
  .row {
    grid-template-columns: 1fr 1fr;
  }
  .row svg {
    grid-column: 1 / -1;
  }
}
</style>
