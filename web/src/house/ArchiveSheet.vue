<script setup lang="ts" generic="T extends { id: string }">
import { shallowRef, watch } from 'vue';
import { NButton, NEmpty, NSpin } from 'naive-ui';
import type { Archive } from '../stores/archive';
import { useNotices } from '../stores/notices';
import SheetCard from '../ui/SheetCard.vue';

/** What is archived of a list, each with its way back. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ title: string; archive: Archive<T> }>();
const notices = useNotices();
const items = shallowRef<readonly T[] | null>(null);
watch(show, (open) => open && void load(), { immediate: true });
async function load() {
  items.value = await props.archive.list().catch((e: unknown) => {
    notices.fail(e);
    return [];
  });
}
async function back(item: T) {
  try {
    await props.archive.restore(item);
    notices.say(`${props.archive.nameOf(item)} is back.`);
    await load();
  } catch (e) {
    notices.fail(e);
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="title" :width="520">
    <NSpin v-if="items === null" />
    <NEmpty v-else-if="items.length === 0" description="Nothing is archived here." />
    <ul v-else>
      <li v-for="item in items" :key="item.id">
        <b>{{ archive.nameOf(item) }}</b>
        <NButton :aria-label="`Restore ${archive.nameOf(item)}`" @click="back(item)">Restore</NButton>
      </li>
    </ul>
  </SheetCard>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px dashed var(--line);
}
</style>
