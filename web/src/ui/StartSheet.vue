<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import { useRouter } from 'vue-router';
import { DEFAULT_GOAL, isDay, type Goal } from '@roskel/core';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';

const show = defineModel<boolean>('show', { required: true });
const batches = useBatches();
const router = useRouter();
const name = ref('');
const start = ref(today());
const goal = ref<Goal>({ ...DEFAULT_GOAL });
const problem = ref('');
const busy = ref(false);
watch(show, (open) => {
  if (!open) return;
  name.value = `Batch ${batches.items.length + 1}`;
  start.value = today();
  goal.value = { ...DEFAULT_GOAL };
  problem.value = '';
});
const dateProblem = computed(() => (isDay(start.value) ? '' : 'Give a day to start on.'));

async function begin() {
  if (name.value.trim() === '') return void (problem.value = 'Give the batch a name. Any word will do.');
  if (dateProblem.value || goal.value.highShu <= goal.value.lowShu) return;
  busy.value = true;
  try {
    const record = await batches.start(name.value.trim(), start.value, goal.value);
    show.value = false;
    await router.push({ name: 'choose', params: { id: record.id } });
  } catch (e) {
    problem.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Start a batch" style="width: 640px; max-width: 96vw">
    <form @submit.prevent="begin">
      <p class="soft">A brine ferment. Change what you like; the rest is a sound plan as it stands.</p>
      <NameAndStart v-model:name="name" v-model:start="start" />
      <GoalFields v-model="goal" />
      <p v-if="problem || dateProblem" class="field-error" role="alert">{{ problem || dateProblem }}</p>
      <button type="submit" class="act main" :disabled="busy">Choose the pods next</button>
    </form>
  </NModal>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
</style>
