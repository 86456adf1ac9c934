<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { NButton } from 'naive-ui';
import type { Tool } from '@roskel/core';
import { grams } from '../format';
import { TOOL_NAMES, learntWords } from '../house/tools';
import ToolSheet from '../house/ToolSheet.vue';
import { useOwnTable } from '../house/useOwnTable';
import { useTools } from '../stores/own';
import CompareTable, { type Column } from '../ui/CompareTable.vue';
import OwnActs from '../ui/OwnActs.vue';
import { lazySheet } from '../ui/lazySheet';

const LearntSheet = lazySheet(() => import('../house/LearntSheet.vue'));
const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));

/** The pots, sieves and jugs of this kitchen, and what each was found to do. */
const tools = useTools();
const find = ref('');
const others = ref(false);
const { sheet, archived, start, editing, ownOf, copy, edit, away } = useOwnTable(tools);
onMounted(() => void tools.load());
const rows = computed(() =>
  tools.items
    .filter((o) => `${o.value.name} ${TOOL_NAMES[o.value.kind]}`.toLowerCase().includes(find.value.trim().toLowerCase()))
    .map((o) => ({ key: o.id, t: o.value, own: ownOf(o.id)! })),
);
type Row = (typeof rows.value)[number];
const columns: Column<Row>[] = [
  { name: 'Name', width: 190, by: (r) => r.t.name },
  { name: 'What it is', width: 120, by: (r) => r.t.kind, text: (r) => TOOL_NAMES[r.t.kind] },
  { name: 'across', width: 90, figure: true, by: (r) => r.t.acrossCm ?? 0, text: (r) => (r.t.acrossCm ? `${r.t.acrossCm} cm` : '') },
  {
    name: 'holds',
    width: 100,
    figure: true,
    by: (r) => r.t.volumeMl ?? 0,
    text: (r) => (r.t.volumeMl ? `${(r.t.count ?? 1) > 1 ? `${r.t.count} of ` : ''}${r.t.volumeMl} ml` : ''),
  },
  { name: 'empty', width: 100, figure: true, by: (r) => r.t.tareG ?? 0, text: (r) => (r.t.tareG ? grams(r.t.tareG) : '') },
  { name: 'Known of it', width: 280, soft: true, text: (r) => learntWords(r.t) },
];
const BLANK: Tool = { id: 'tool', kind: 'pot', name: '', acrossCm: 24, seen: [] };
</script>

<template>
  <CompareTable
    v-model:find="find"
    title="Things of the kitchen"
    what="a thing"
    :up="{ to: '/larder', name: 'Larder' }"
    :columns="columns"
    :rows="rows"
    :acts-width="206"
    :none="tools.items.length === 0 ? 'Nothing here yet. Add the pot, the sieve, the jug you cook with.' : ''"
  >
    <template #filters>
      <NButton type="primary" @click="copy(BLANK)">Add one</NButton>
      <NButton @click="others = true">Other kitchens</NButton>
      <NButton @click="archived = true">Archive</NButton>
    </template>
    <template #cell="{ row: r, name }">
      <b v-if="name === 'Name'">{{ r.t.name }}</b>
    </template>
    <template #acts="{ row: r }">
      <span class="acts"><OwnActs :name="r.t.name" own @copy="copy(r.t)" @edit="edit(r.own)" @away="away(r.own)" /></span>
    </template>
    <template #foot>
      Kinds of bottle are chosen where bottles are filled, a meter where a pH is read. A pot learns how fast it boils down, a sieve how much
      it holds back, a blender how thick it makes things, a place how lively jars sour in it, whenever a weighing, a look or a jar is taught
      to it on a batch's page.
    </template>
    <ArchiveSheet v-model:show="archived" title="Archived things" :archive="tools.archive" />
    <LearntSheet v-model:show="others" />
    <ToolSheet v-model:show="sheet" :start="start" :editing="editing" />
  </CompareTable>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 12px;
}
</style>
