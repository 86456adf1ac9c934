<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { NButton, NUpload, type UploadCustomRequestOptions } from 'naive-ui';
import { api } from '../api/client';
import { useBatches } from '../stores/batches';
import { useLarder } from '../stores/larder';
import { useNotices } from '../stores/notices';
import { usePods } from '../stores/pods';
import { lazySheet } from '../ui/lazySheet';
import { useHouse } from './useHouse';

/** The whole kitchen in one file, out and in. */
const notices = useNotices();
const busy = ref(false);
const back = ref(false);
const house = useHouse();
/** Copies lie beside the data only of a kitchen in a folder. */
const inFolder = computed(() => house.value?.kitchen === null);
const GoBackSheet = lazySheet(() => import('./GoBackSheet.vue'));
const lists = [useBatches(), usePods(), useLarder()];
onMounted(() => void Promise.all(lists.map((l) => l.load())).catch((e: unknown) => notices.fail(e)));
/** Only then a backup is read in: nothing that is here could be lost by it. */
const empty = computed(() => lists.every((l) => l.state === 'ready' && l.items.length === 0));
function save() {
  const a = document.createElement('a');
  a.href = '/api/kitchen';
  a.download = '';
  a.click();
}
async function read({ file }: UploadCustomRequestOptions) {
  if (!file.file) return;
  busy.value = true;
  try {
    await api.post('/kitchen', new Blob([file.file], { type: 'application/zip' }));
    notices.say('The backup is read in. This is your kitchen again.');
  } catch (e) {
    notices.fail(e);
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <section class="backup">
    <h3>Backup</h3>
    <p class="soft">
      One file holds everything: batches, pods, larder, shelf, what was learnt. On one machine Roskel also keeps the last seven days beside
      its data.
    </p>
    <p class="acts">
      <NButton @click="save">Save a backup</NButton>
      <NUpload v-if="empty" accept=".zip,application/zip" :show-file-list="false" :custom-request="read">
        <NButton :loading="busy">Read a backup into this empty kitchen</NButton>
      </NUpload>
      <NButton v-else-if="inFolder" @click="back = true">Go back to a backup</NButton>
    </p>
    <p v-if="!empty && !inFolder" class="soft">
      A backup is read into an empty kitchen of the server: <code>npm run restore -- FILE --kitchen NAME</code>.
    </p>
    <GoBackSheet v-model:show="back" />
  </section>
</template>

<style scoped>
p {
  margin: 4px 0 8px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
