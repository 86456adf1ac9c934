<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import type { PodLotRecord } from '@roskel/contract';
import { blurQuantiles, daysBetween, levelName, lotShu, podsIn } from '@roskel/core';
import { grams, plural, shu, today } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import { usePods } from '../stores/pods';
import { useKeys } from '../ui/keys';
import LotSheet from '../ui/LotSheet.vue';
import ListState from '../ui/ListState.vue';

const pods = usePods();
const find = ref('');
const sheet = ref(false);
const item = ref<PodLotRecord | null>(null);
onMounted(() => void pods.load());
function open(p: PodLotRecord | null) {
  item.value = p;
  sheet.value = true;
}
useKeys('Pods', [{ key: 'n', says: 'add a lot', run: () => open(null) }]);

const W = 560;
const axis = heatAxis(50, 400_000, 10, W - 14);
const SURE: Record<string, string> = { table: 'from the table', label: 'a figure you gave', lab: 'measured', taste: 'tasted' };
const rows = computed(() =>
  pods.items
    .filter((p) => `${p.lot.name} ${p.lot.form} ${p.place}`.toLowerCase().includes(find.value.trim().toLowerCase()))
    .map((p) => {
      const median = lotShu(p.lot);
      const n = podsIn(p.lot, p.stockG);
      const q = median > 0 ? blurQuantiles({ mu: Math.log(median), sigma: p.lot.heat!.sigma }) : null;
      return {
        p,
        median,
        q,
        // "About 40 pods": counts from a typical pod weight deserve two figures at most.
        count: Number.isFinite(n) && n >= 1 ? `about ${plural(n < 20 ? Math.round(n) : Math.round(n / 5) * 5, 'pod')}` : '',
        age: p.gotOn ? daysBetween(p.gotOn, today()) : null,
      };
    })
    .sort((a, b) => a.median - b.median),
);
const most = computed(() => Math.max(1, ...pods.items.map((p) => p.stockG)));
const total = computed(() => pods.items.reduce((s, p) => s + p.stockG, 0));
const ageText = (d: number | null) =>
  d === null ? '' : d === 0 ? 'today' : d < 60 ? `${plural(d, 'day')} ago` : `${plural(Math.round(d / 30), 'month')} ago`;
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Pods</h1>
      <input v-model="find" data-find class="entry find" type="search" placeholder="Find a lot" aria-label="Find a lot" />
      <span class="push chip"
        ><b>{{ pods.items.length }}</b
        >&nbsp;lots, {{ grams(total) }}</span
      >
      <button type="button" class="act main" @click="open(null)">Add a lot</button>
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
        <button type="button" class="act main" @click="open(null)">Add a lot</button>
      </template>
      <section class="plate list">
        <div class="row headrow">
          <b>Lot</b><b>Stock</b>
          <svg :viewBox="`0 0 ${W} 18`" aria-hidden="true">
            <text v-for="t in axis.ticks" :key="t" :x="axis.x(t)" y="13" text-anchor="middle">
              {{ t.toLocaleString('en') }}{{ t === 100000 ? ' SHU as it is' : '' }}
            </text>
          </svg>
          <b>How sure</b>
        </div>
        <button
          v-for="r in rows"
          :key="r.p.id"
          type="button"
          class="row bare"
          :class="{ none: r.p.stockG <= 0 }"
          :aria-label="`${r.p.lot.name}, ${grams(r.p.stockG)}`"
          @click="open(r.p)"
        >
          <span class="name">
            <i :style="{ background: r.p.lot.hex }" />
            <span
              ><b>{{ r.p.lot.name }}</b
              ><span class="soft">{{ [r.p.lot.form, r.p.place, ageText(r.age)].filter(Boolean).join(', ') }}</span></span
            >
          </span>
          <span class="stock">
            <b :data-stock="r.p.id">{{ grams(r.p.stockG) }}</b>
            <span class="level"><i :style="{ width: `${(100 * Math.max(0, r.p.stockG)) / most}%` }" /></span>
            <span class="soft">{{ r.count }}<span v-if="r.p.useFirst" class="first">, use first</span></span>
          </span>
          <svg :viewBox="`0 0 ${W} 50`" preserveAspectRatio="none" aria-hidden="true">
            <line v-for="t in axis.ticks" :key="t" :x1="axis.x(t)" :x2="axis.x(t)" y1="0" y2="50" stroke="#ece5d4" />
            <template v-if="r.q">
              <path :d="hill(Math.log(r.median), r.p.lot.heat!.sigma, axis.x, 48, 40)" :fill="heatColour(r.median)" opacity="0.85" />
              <line :x1="axis.x(r.median)" :x2="axis.x(r.median)" y1="8" y2="48" stroke="var(--ink)" stroke-width="1.3" />
            </template>
            <text v-else x="16" y="29">no heat, all body</text>
          </svg>
          <span class="sure">
            <template v-if="r.q"
              ><b>{{ shu(r.q.p10) }} to {{ shu(r.q.p90) }}</b
              ><span class="soft">{{ levelName(r.median) }}, {{ SURE[r.p.lot.heat!.source] }}</span></template
            >
            <span v-else class="soft">certain</span>
          </span>
        </button>
      </section>
      <p class="soft foot">
        The hills show 8 in 10 lots of that variety. SHU as the pod is, water included; the number quoted for a variety means dry matter.
      </p>
    </ListState>
    <LotSheet v-model:show="sheet" :item="item" />
  </div>
</template>

<style scoped>
.list {
  padding: 4px 16px;
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
  background: #fff;
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
  font-size: 12px;
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
  background: #e8e1cf;
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
.none {
  opacity: 0.55;
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
