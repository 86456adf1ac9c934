<script setup lang="ts">
import { useRouter } from 'vue-router';
import { DEFAULT_GOAL, type Goal } from '@roskel/core';
import { useBatches } from '../stores/batches';
import BatchStart from './BatchStart.vue';

const show = defineModel<boolean>('show', { required: true });
const batches = useBatches();
const router = useRouter();
const suggest = () => ({ name: `Batch ${batches.items.length + 1}`, goal: { ...DEFAULT_GOAL } });
async function make(name: string, start: string, goal: Goal) {
  const record = await batches.start(name, start, goal);
  await router.push({ name: 'choose', params: { id: record.id } });
}
</script>

<template>
  <BatchStart v-model:show="show" title="Start a batch" verb="Choose the pods next" :suggest="suggest" :make="make">
    A brine ferment. Change what you like; the rest is a sound plan as it stands.
  </BatchStart>
</template>
