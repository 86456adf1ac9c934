<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { ref, watch } from 'vue';
import { RouterLink } from 'vue-router';
import type { OwnMaker } from '@roskel/contract';
import { makerHere, setMakerHere } from '../api/maker';
import ArchiveSheet from '../house/ArchiveSheet.vue';
import { useMakers } from '../stores/makers';
import { useNotices } from '../stores/notices';
import TextField from '../ui/TextField.vue';
import MakerPick from './MakerPick.vue';

/** Who works in this kitchen: names, so that the log can say who did what. */
const makers = useMakers();
const notices = useNotices();
void makers.load();
const name = ref('');
const problem = ref('');
const renaming = ref<OwnMaker | null>(null);
const archived = ref(false);
const form = ref<HTMLElement | null>(null);
watch(name, () => (problem.value = ''));

/** Two of the same name could not be told apart. */
const taken = (wanted: string) =>
  makers.items.some((m) => m.id !== renaming.value?.id && m.value.name.toLowerCase() === wanted.toLowerCase());
async function keep() {
  const wanted = name.value.trim().replace(/\s+/g, ' ');
  problem.value = wanted === '' ? 'Type a name.' : taken(wanted) ? `${wanted} is there already. Add a letter to tell them apart.` : '';
  if (problem.value) return;
  try {
    const row = renaming.value;
    if (row) await makers.edit(row.id, { revision: row.revision, value: row.value }, { ...row.value, name: wanted });
    else {
      const id = `maker-${Date.now().toString(36)}${Math.random().toString(36).slice(2, 6)}`;
      await makers.add({ id, name: wanted });
      // Who adds the first name is the one who stands here.
      if (makers.items.length === 1) setMakerHere(id);
    }
    begin(null);
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
function begin(row: OwnMaker | null) {
  renaming.value = row;
  name.value = row?.value.name ?? '';
  problem.value = '';
  // The field may be below what is in sight.
  if (row) form.value?.querySelector('input')?.focus();
}
async function away(row: OwnMaker) {
  try {
    await makers.archive.put(row.id, row.value.name);
    if (makerHere.value === row.id) setMakerHere(null);
    notices.say(`${row.value.name} is archived. What is in the log stays theirs.`);
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <section aria-label="Makers">
    <h3>Makers</h3>
    <p class="soft">
      Where several people cook, each device says who is at it, and the <RouterLink to="/log">log</RouterLink> who did what.
    </p>
    <ul v-if="makers.items.length">
      <li v-for="m in makers.items" :key="m.id">
        <b>{{ m.value.name }}</b>
        <NButton text class="link" :aria-label="`Rename ${m.value.name}`" @click="begin(m)">rename</NButton>
        <NButton text class="link" :aria-label="`Archive ${m.value.name}`" @click="away(m)">archive</NButton>
      </li>
    </ul>
    <div ref="form">
      <NForm class="row" @submit.prevent="keep">
        <TextField
          v-model="name"
          :label="renaming ? `Another name for ${renaming.value.name}` : 'One more maker'"
          :maxlength="40"
          :problem="problem"
        />
        <NButton attr-type="submit">{{ renaming ? 'Rename' : 'Add' }}</NButton>
        <NButton v-if="renaming" text class="link" @click="begin(null)">Leave it</NButton>
      </NForm>
    </div>
    <div class="row">
      <MakerPick label="At this device is" />
      <NButton text class="link" @click="archived = true">Archived</NButton>
    </div>
    <ArchiveSheet v-model:show="archived" title="Archived makers" :archive="makers.archive" />
  </section>
</template>

<style scoped>
p {
  margin: 0 0 6px;
}
ul {
  list-style: none;
  margin: 0 0 8px;
  padding: 0;
}
li {
  display: flex;
  align-items: baseline;
  gap: 14px;
  padding: 4px 0;
  border-bottom: 1px dashed var(--line);
}
li b {
  flex: 1;
}
.row {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  align-items: end;
  gap: 10px;
  margin-bottom: 8px;
}
</style>
