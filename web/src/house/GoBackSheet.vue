<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue';
import { NButton, NSpin, NUpload, type UploadCustomRequestOptions } from 'naive-ui';
import type { CopyRows, KitchenCopies, ReadBack } from '@roskel/contract';
import { api } from '../api/client';
import { day, plural } from '../format';
import { useNotices } from '../stores/notices';
import SheetCard from '../ui/SheetCard.vue';

/** Goes back to a backup in place of what is here: to one of the copies beside the data, or to a file. Asked twice; a copy of now is kept. */
const show = defineModel<boolean>('show', { required: true });
const notices = useNotices();
const there = shallowRef<KitchenCopies | null>(null);
/** What was chosen and is asked about. */
const chosen = shallowRef<{ words: string; rows: CopyRows | null; read: () => Promise<ReadBack> } | null>(null);
const busy = ref(false);
watch(show, (open) => open && void load(), { immediate: true });
async function load() {
  chosen.value = null;
  there.value = await api.get<KitchenCopies>('/kitchen/copies').catch((e: unknown) => {
    notices.fail(e);
    return null;
  });
}
/** The maker's own day and time of it. */
function moment(iso: string): string {
  const at = new Date(iso);
  const local = new Date(at.getTime() - at.getTimezoneOffset() * 60_000).toISOString();
  return `${day(local.slice(0, 10))}, ${local.slice(11, 16)}`;
}
const rowsSay = (r: CopyRows) =>
  [
    plural(r.batches, 'batch', 'batches'),
    plural(r.pods, 'lot'),
    plural(r.larder, 'thing in the larder', 'things in the larder'),
    plural(r.bottlings, 'bottling'),
  ].join(', ');
const now = computed(() => (there.value ? rowsSay(there.value.now) : ''));
function copy(c: NonNullable<KitchenCopies['copies']>[number]) {
  const read = () => api.post<ReadBack>(`/kitchen/copies/${c.name}/back`, {});
  chosen.value = { words: `the copy of ${moment(c.writtenAt)}`, rows: c.rows, read };
}
function file({ file }: UploadCustomRequestOptions) {
  const got = file.file;
  if (!got) return;
  const read = () => api.put<ReadBack>('/kitchen', new Blob([got], { type: 'application/zip' }));
  chosen.value = { words: `the file ${got.name}`, rows: null, read };
}
async function go() {
  const { words, read } = chosen.value!;
  busy.value = true;
  try {
    await read();
    notices.say(`This is ${words} now. What was here before is the first of the copies.`);
    show.value = false;
  } catch (e) {
    notices.fail(e);
    await load();
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="Go back to a backup" :width="600" :must="busy">
    <NSpin v-if="there === null" />
    <template v-else-if="chosen">
      <p>
        In place of what is here now ({{ now }}) comes <b>{{ chosen.words }}</b><template v-if="chosen.rows">
          ({{ rowsSay(chosen.rows) }})</template
        >.
      </p>
      <p>What is here now is kept as a copy first: the same list leads back to it. If anything fails, nothing is changed.</p>
      <div class="acts">
        <NButton type="primary" :disabled="busy" @click="chosen = null">Leave it as it is</NButton>
        <NButton :loading="busy" @click="go">Put it in its place</NButton>
      </div>
    </template>
    <template v-else>
      <p class="soft">Here now: {{ now }}.</p>
      <ul v-if="there.copies?.length" aria-label="Copies">
        <li v-for="c in there.copies" :key="c.name">
          <span>
            <b>{{ moment(c.writtenAt) }}</b> <span class="soft">{{ c.daily ? 'of the day' : 'before going back' }}</span>
            <span class="soft rows">{{ c.rows ? rowsSay(c.rows) : 'does not say how much it holds' }}</span>
          </span>
          <NButton :aria-label="`Choose the copy of ${moment(c.writtenAt)}`" @click="copy(c)">Choose</NButton>
        </li>
      </ul>
      <p v-else class="soft">No copies lie beside the data yet.</p>
      <NUpload accept=".zip,application/zip" :show-file-list="false" :custom-request="file">
        <NButton>A backup from a file</NButton>
      </NUpload>
    </template>
  </SheetCard>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0 0 12px;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px dashed var(--line);
}
.rows {
  display: block;
  font-size: 14px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 12px;
}
</style>
