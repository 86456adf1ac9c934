<script setup lang="ts">
import { ref } from 'vue';
import { NButton, NUpload, type UploadCustomRequestOptions } from 'naive-ui';
import { api } from '../api/client';
import { useNotices } from '../stores/notices';

/** The whole kitchen in one file, out and in. */
const notices = useNotices();
const busy = ref(false);
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
      <NUpload accept=".zip,application/zip" :show-file-list="false" :custom-request="read">
        <NButton :loading="busy">Read a backup into this empty kitchen</NButton>
      </NUpload>
    </p>
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
