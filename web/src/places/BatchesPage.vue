<script setup lang="ts">
import { NButton, type UploadCustomRequestOptions } from 'naive-ui';
import { computed, defineAsyncComponent, onMounted, ref } from 'vue';
import { RouterLink, useRouter } from 'vue-router';
import type { BatchRecord } from '@roskel/contract';
import type { LineReport } from '@roskel/core';
import { daysBetween } from '@roskel/core';
import { due, day, plural, shu, today } from '../format';
import { useBatches } from '../stores/batches';
import { useNotices } from '../stores/notices';
import { ApiProblem } from '../api/client';
import { useReports } from '../worker/reports';
import { useKeys } from '../ui/keys';
import MiniRibbon from '../line/MiniRibbon.vue';
import ListState from '../ui/ListState.vue';
import FindField from '../ui/FindField.vue';
import { lazySheet } from '../ui/lazySheet';

/** Larger than the rest of this page; nobody imports before they look. */
const NUpload = defineAsyncComponent(() => import('naive-ui/es/upload').then((m) => m.NUpload));
const ArchiveSheet = lazySheet(() => import('../house/ArchiveSheet.vue'));
const StartSheet = lazySheet(() => import('../batch/StartSheet.vue'));

const batches = useBatches();
const notices = useNotices();
const router = useRouter();
const starting = ref(false);
const find = ref('');
const archived = ref(false);
const reports = useReports(() => batches.items);
onMounted(() => void batches.load());
useKeys('Batches', [{ key: 'n', says: 'start a batch', run: () => (starting.value = true) }]);

const done = (b: BatchRecord) => b.file.stations.at(-1)?.log.doneOn !== undefined;
const shown = computed(() => batches.items.filter((b) => b.file.name.toLowerCase().includes(find.value.trim().toLowerCase())));
const running = computed(() => batches.items.filter((b) => !done(b)).length);

function stage(b: BatchRecord, r: LineReport): string {
  if (done(b)) return `bottled ${day(b.file.stations.at(-1)!.log.doneOn!)}`;
  const active = r.stations.find((s) => s.active);
  if (!r.stations.some((s) => s.done)) return `planned, starts ${day(b.file.startDate)}`;
  if (active && active.from !== active.to)
    return `day ${daysBetween(active.from, today())} of about ${daysBetween(active.from, active.to)}`;
  return `next: ${active?.name.toLowerCase() ?? 'done'}`;
}
function next(r: LineReport) {
  const active = r.stations.find((s) => s.active)?.id;
  return r.duties.filter((d) => !d.done && d.stationId === active).sort((a, b) => a.due.localeCompare(b.due))[0] ?? null;
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
      <FindField v-model="find" label="Find a batch" />
      <span class="push chip">{{ running }} running or planned</span>
      <span class="chip">{{ batches.items.length - running }} finished</span>
      <NButton @click="archived = true">Archive</NButton>
      <NUpload accept=".json,application/json" :show-file-list="false" :custom-request="importFile">
        <NButton>Import a file</NButton>
      </NUpload>
      <NButton type="primary" @click="starting = true">Start a batch</NButton>
    </header>
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
        <h2>No batch yet</h2>
        <p>Say how hot and how many bottles. Roskel chooses the pods from what you have and plans the rest.</p>
        <NButton type="primary" @click="starting = true">Start a batch</NButton>
      </template>
      <ul>
        <li v-for="b in shown" :key="b.id">
          <RouterLink class="plate batch" :to="{ name: 'batch', params: { id: b.id } }">
            <div class="who">
              <h2>{{ b.file.name }}</h2>
              <template v-if="reports.get(b.id)?.report">
                <span class="soft">brine ferment, {{ stage(b, reports.get(b.id)!.report!) }}</span>
                <span
                  ><b class="hot">{{ shu(reports.get(b.id)!.report!.heat.p50) }}</b> of {{ shu(b.file.goal.lowShu) }} to
                  {{ shu(b.file.goal.highShu) }} SHU</span
                >
              </template>
              <span>{{ plural(b.file.goal.bottles, 'bottle') }} of {{ b.file.goal.bottleMl }} ml</span>
            </div>
            <div class="ribbon">
              <MiniRibbon
                v-if="reports.get(b.id)?.report && reports.get(b.id)!.report!.finished.massG > 0"
                :report="reports.get(b.id)!.report!"
                :name="b.file.name"
              />
              <span v-else-if="reports.get(b.id)?.trouble" class="field-error">{{ reports.get(b.id)!.trouble }}</span>
              <span v-else-if="reports.get(b.id)?.report" class="soft">No pods chosen yet.</span>
            </div>
            <div class="next">
              <template v-if="reports.get(b.id)?.report && next(reports.get(b.id)!.report!)">
                <b>{{ next(reports.get(b.id)!.report!)!.text }}</b>
                <span :class="{ late: due(next(reports.get(b.id)!.report!)!.due).late }">{{
                  due(next(reports.get(b.id)!.report!)!.due).text
                }}</span>
              </template>
              <template v-else-if="reports.get(b.id)?.report">
                <b>On the shelf</b>
                <span class="soft">{{ plural(reports.get(b.id)!.report!.bottles.filled, 'bottle') }}</span>
              </template>
            </div>
          </RouterLink>
        </li>
      </ul>
    </ListState>
    <StartSheet v-model:show="starting" />
    <ArchiveSheet v-model:show="archived" title="Archived batches" :archive="batches.archive" />
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 12px;
}
.batch {
  display: grid;
  grid-template-columns: 280px minmax(0, 1fr) 240px;
  gap: 18px;
  padding: 14px 18px;
  color: inherit;
  text-decoration: none;
  align-items: center;
  min-height: 124px;
}
.batch:hover {
  background: var(--white);
}
.who {
  display: grid;
  gap: 2px;
}
.who h2 {
  font-size: 19px;
}
.hot {
  color: var(--heat);
}
.next {
  display: grid;
}
.late {
  color: var(--warn);
  font-weight: 600;
}
@media (max-width: 900px) {
  .batch {
    grid-template-columns: 1fr;
    gap: 8px;
  }
}
</style>
