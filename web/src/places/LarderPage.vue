<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, onMounted, ref } from 'vue';
import type { LarderRecord } from '@roskel/contract';
import { RouterLink, useRoute } from 'vue-router';
import { grams, plural, today } from '../format';
import { kindOf, BOARDS, hintOf } from '@roskel/core';
import { useNotices } from '../stores/notices';
import { useLarder } from '../stores/larder';
import { useKeys } from '../ui/keys';
import ListState from '../ui/ListState.vue';
import KeptBoard from '../larder/KeptBoard.vue';
import FindField from '../ui/FindField.vue';
import PickField from '../ui/PickField.vue';
import { lazySheet } from '../ui/lazySheet';

const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));
const LarderSheet = lazySheet(() => import('../larder/LarderSheet.vue'));
const ReaderSheet = lazySheet(() => import('../larder/ReaderSheet.vue'));

const larder = useLarder();
const notices = useNotices();
const route = useRoute();
/** "What it hangs on" of a batch leads here with a name. */
const find = ref(typeof route.query.find === 'string' ? route.query.find : '');
const archived = ref(false);
const only = ref<'' | 'hint'>('');
const sheet = ref(false);
const reading = ref(false);
const openId = ref<string | null>(null);
const item = computed(() => larder.items.find((l) => l.id === openId.value) ?? null);
onMounted(() => void larder.load());
function open(l: LarderRecord | null) {
  openId.value = l?.id ?? null;
  sheet.value = true;
}
useKeys('Larder', [
  { key: 'n', says: 'add something', run: () => open(null) },
  { key: 'v', says: 'paste a list', run: () => (reading.value = true) },
]);
/** A pasted shopping list goes in, each line as a move of its own. */
async function take(items: { id: string; name: string; massG: number; words: string }[]) {
  try {
    for (const i of items) await larder.add(i.id, i.name, i.massG, i.words);
    notices.say(`${plural(items.length, 'thing')} added. Undo takes them out one by one.`);
  } catch (e) {
    notices.fail(e);
  }
}

const PH = { low: 2, high: 7.5 };
const rows = computed(() =>
  larder.items.flatMap((l) => {
    const i = larder.row(l.ingredientKey);
    return i ? [{ l, i, hint: hintOf(l, i, today()) }] : [];
  }),
);
const shown = computed(() =>
  rows.value.filter((r) => r.i.name.toLowerCase().includes(find.value.trim().toLowerCase()) && (only.value === '' || r.hint !== null)),
);
const boards = computed(() =>
  BOARDS.map((name) => ({ name, rows: shown.value.filter((r) => kindOf(r.i).board === name) })).filter((b) => b.rows.length > 0),
);
const hints = computed(() => rows.value.filter((r) => r.hint !== null).length);
const x = (pH: number) => 4 + (92 * (Math.min(PH.high, Math.max(PH.low, pH)) - PH.low)) / (PH.high - PH.low);
/** What fits on two lines of a jar; the rest of a long name stands on its sheet. */
const LONG = 34;
function onJar(name: string): string {
  const parts = name.split(', ');
  while (parts.length > 1 && parts.join(', ').length > LONG) parts.pop();
  return parts.join(', ');
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Larder</h1>
      <FindField v-model="find" label="Find in the larder" />
      <PickField
        v-model="only"
        class="which"
        hide-label
        label="Which things"
        :options="[
          { value: '', label: 'everything' },
          { value: 'hint', label: `low or to use first (${hints})` },
        ]"
      />
      <span class="push soft key"
        ><svg width="64" height="12" aria-hidden="true">
          <rect x="4" y="4" width="30" height="5" rx="2.5" fill="var(--acid)" opacity="0.3" />
          <circle cx="19" cy="6.5" r="3.6" fill="var(--plate)" stroke="var(--acid)" stroke-width="1.6" /></svg
        >pH 2 to 7.5</span
      >
      <NButton @click="archived = true">Archive</NButton>
      <RouterLink class="act small" to="/larder/table">Ingredients</RouterLink>
      <RouterLink class="act small" to="/larder/tools">Things of the kitchen</RouterLink>
      <RouterLink class="act small" to="/larder/devices">Devices</RouterLink>
      <NButton @click="reading = true">Paste a list</NButton>
      <NButton type="primary" @click="open(null)">Add something</NButton>
    </header>
    <ListState
      :state="larder.state"
      :error="larder.error"
      :count="larder.items.length"
      :shown="shown.length"
      :find="find"
      what="larder"
      @retry="larder.load()"
    >
      <template #empty>
        <h2>The larder is empty</h2>
        <p>Vinegar, salt and garlic are enough to begin. Say amounts as you like: 2 cups, 3 heads, 500 g.</p>
        <NButton type="primary" @click="open(null)">Add something</NButton>
      </template>
      <section v-for="b in boards" :key="b.name" class="board" :aria-label="b.name">
        <h2>{{ b.name }}</h2>
        <div class="jars">
          <button v-for="{ l, i, hint } in b.rows" :key="l.id" type="button" class="plate jar bare" @click="open(l)">
            <i class="lid" :style="{ background: i.hex }" />
            <b class="n" :title="i.name">{{ onJar(i.name) }}</b>
            <span class="g" :class="{ low: hint?.urgent }" :data-stock="l.id"
              >{{ grams(Math.max(0, l.stockG)) }}<span v-if="hint" class="hint">, {{ hint.text }}</span></span
            >
            <svg v-if="i.pH" viewBox="0 0 100 12" aria-hidden="true">
              <line x1="4" x2="96" y1="6" y2="6" stroke="var(--track)" stroke-width="2" />
              <rect
                :x="x(i.pH.lo)"
                y="3.5"
                :width="Math.max(2, x(i.pH.hi) - x(i.pH.lo))"
                height="5"
                rx="2.5"
                fill="var(--acid)"
                opacity="0.35"
              />
              <circle
                :cx="x(i.pH.typ)"
                cy="6"
                r="3.4"
                :fill="l.ownPh === null ? 'var(--plate)' : 'var(--acid)'"
                stroke="var(--acid)"
                stroke-width="1.6"
              />
            </svg>
            <span v-else class="soft none">no pH of its own</span>
          </button>
        </div>
      </section>
    </ListState>
    <KeptBoard :find="find" />
    <LarderSheet v-model:show="sheet" :item="item" />
    <ReaderSheet v-model:show="reading" verb="Add to the larder" @take="take" />
    <ArchiveSheet v-model:show="archived" title="Archived from the larder" :archive="larder.archive" />
  </div>
</template>

<style scoped>
.which {
  width: 190px;
}
.key {
  display: flex;
  align-items: center;
  gap: 4px;
  font-size: 13px;
}
.board h2 {
  font-size: 15px;
  margin-bottom: 4px;
}
.jars {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 10px;
  padding-bottom: 6px;
  background: repeating-linear-gradient(to bottom, transparent 0 82px, var(--rim) 82px 88px, transparent 88px 94px);
}
.jar {
  display: grid;
  grid-template-columns: 12px 1fr;
  grid-template-rows: auto auto auto;
  column-gap: 9px;
  width: 178px;
  height: 82px;
  padding: 6px 10px 5px;
  border-bottom: 0;
  border-radius: 12px 12px 0 0;
  background: var(--plate);
  border: 2px solid var(--rim);
  border-bottom-width: 0;
  cursor: pointer;
}
.jar:hover {
  background: var(--white);
}
.lid {
  grid-row: 1 / 4;
  border-radius: 6px;
  border: 1px solid rgb(0 0 0 / 12%);
}
.n {
  line-height: 1.15;
  font-size: 14px;
  align-self: start;
  display: -webkit-box;
  -webkit-line-clamp: 2;
  -webkit-box-orient: vertical;
  overflow: hidden;
}
.g {
  font-weight: 600;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
.hint {
  font-weight: 400;
}
.low {
  color: var(--warn);
}
.jar svg {
  width: 100%;
  height: 12px;
}
.none {
  font-size: 13px;
}
</style>
