<script setup lang="ts">
import { NButton, NVirtualList, type UploadCustomRequestOptions } from 'naive-ui';
import { computed, defineAsyncComponent, onMounted, ref, watch } from 'vue';
import { RouterLink, useRoute, useRouter } from 'vue-router';
import type { BatchRow as Row } from '@roskel/contract';
import { useBatches } from '../stores/batches';
import { useNotices } from '../stores/notices';
import { ApiProblem } from '../api/client';
import BatchRow from '../batch/BatchRow.vue';
import { useKeys } from '../ui/keys';
import ListState from '../ui/ListState.vue';
import FindField from '../ui/FindField.vue';
import { lazySheet } from '../ui/lazySheet';

/** Larger than the rest of this page: it comes once the page stands, for nobody imports before they look. */
const NUpload = defineAsyncComponent(async () => {
  await new Promise((done) => setTimeout(done, 2000));
  return (await import('naive-ui/es/upload')).NUpload;
});
const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));
const PlanStart = defineAsyncComponent(() => import('../batch/PlanStart.vue'));
const StartSheet = lazySheet(() => import('../batch/StartSheet.vue'));

const batches = useBatches();
const notices = useNotices();
const router = useRouter();
const starting = ref(false);
const find = ref('');
const archived = ref(false);
onMounted(() => void batches.load());
// A way that asks for it begins a batch; back does not ask again.
const route = useRoute();
watch(
  () => route.query.start,
  (asks) => {
    if (!asks) return;
    starting.value = true;
    void router.replace({ query: {} });
  },
  { immediate: true },
);
useKeys('Batches', [{ key: 'n', says: 'start a batch', run: () => (starting.value = true) }]);

/** What wants something first stands first; then what has nothing to do, then what is done, the newest of it first. */
const place = ({ summary: s }: Row) => (s.doneOn ? `2` : s.next ? `0 ${s.next.due}` : '1');
const inOrder = (a: Row, b: Row) =>
  place(a).localeCompare(place(b)) ||
  (b.summary.doneOn ?? '').localeCompare(a.summary.doneOn ?? '') ||
  b.summary.startDate.localeCompare(a.summary.startDate);
const shown = computed(() =>
  batches.items.filter((b) => b.summary.name.toLowerCase().includes(find.value.trim().toLowerCase())).sort(inOrder),
);
const rows = computed(() => shown.value.map((b) => ({ key: b.id, b })));
const running = computed(() => batches.items.filter((b) => !b.summary.doneOn).length);

/** An example to look at: a batch on its way, imported like any file. */
async function openExample() {
  try {
    const { default: file } = await import('../../../examples/slipway-red.json');
    const record = await batches.importFile(file);
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    notices.fail(e);
  }
}

async function importFile({ file: chosen }: UploadCustomRequestOptions) {
  const file = chosen.file;
  if (!file) return;
  try {
    let value: unknown;
    try {
      value = JSON.parse(await file.text());
    } catch {
      throw new Error(`${file.name} is not JSON. Choose a batch file that was exported from Roskel.`);
    }
    const record = await batches.importFile(value);
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (error) {
    if (error instanceof ApiProblem && error.problem.errors?.length) {
      const [first] = error.problem.errors;
      notices.fail(new Error(`${file.name} cannot be read: ${first!.message}${first!.path ? ` (at ${first!.path})` : ''}`));
    } else notices.fail(error);
  }
}
</script>

<template>
  <div class="page">
    <header class="head">
      <h1>Batches</h1>
      <FindField v-if="batches.items.length || batches.state !== 'ready'" v-model="find" label="Find a batch" />
      <RouterLink class="act push" to="/batches/ideas">What could I make?</RouterLink>
      <RouterLink class="act" to="/batches/season">The season</RouterLink>
      <NButton @click="archived = true">Archive</NButton>
      <span class="import">
        <NUpload accept=".json,application/json" :show-file-list="false" :custom-request="importFile">
          <NButton>Import a file</NButton>
        </NUpload>
      </span>
      <NButton type="primary" @click="starting = true">Start a batch</NButton>
    </header>
    <p v-if="batches.items.length" class="soft counts">
      {{ running }} running or planned, {{ batches.items.length - running }} finished.
      <RouterLink to="/batches/scores">How good were we?</RouterLink>
    </p>
    <ListState
      :state="batches.state"
      :error="batches.error"
      :count="batches.items.length"
      :shown="shown.length"
      :find="find"
      what="batches"
      @retry="batches.load()"
    >
      <template #empty>
        <h2>Your first batch</h2>
        <PlanStart />
        <p class="soft example">Or look around first: <NButton text class="link" @click="openExample">open an example batch</NButton>.</p>
      </template>
      <NVirtualList class="rows" :items="rows" :item-size="138" item-resizable>
        <template #default="{ item }: { item: { key: string; b: Row } }"><BatchRow :key="item.key" :batch="item.b" /></template>
      </NVirtualList>
    </ListState>
    <StartSheet v-model:show="starting" />
    <ArchiveSheet v-model:show="archived" title="Archived batches" :archive="batches.archive" />
  </div>
</template>

<style scoped>
.page {
  height: 100%;
}
.head :deep(.find) {
  width: 180px;
}
.counts {
  margin: 0;
}
.import {
  /* As wide before it has come: nothing moves under a pointer. */
  min-width: 122px;
}
.rows {
  flex: 1;
  min-height: 280px;
}
.example {
  margin: 12px 0 0;
}
</style>
