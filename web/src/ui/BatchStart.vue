<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import { isDay, type Goal } from '@roskel/core';
import { today } from '../format';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';

/** Name, first day and goal of a batch that is about to be; `make` makes it, or throws the sentence why it cannot. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{
  title: string;
  verb: string;
  suggest: () => { name: string; goal: Goal };
  make: (name: string, start: string, goal: Goal) => Promise<void>;
}>();
const name = ref('');
const start = ref(today());
const goal = ref<Goal>(props.suggest().goal);
const problem = ref('');
const busy = ref(false);
watch(show, (open) => {
  if (!open) return;
  const first = props.suggest();
  name.value = first.name;
  start.value = today();
  goal.value = { ...first.goal };
  problem.value = '';
});
const dateProblem = computed(() => (isDay(start.value) ? '' : 'Give a day to start on.'));

async function begin() {
  if (name.value.trim() === '') return void (problem.value = 'Give the batch a name. Any word will do.');
  if (dateProblem.value || goal.value.highShu <= goal.value.lowShu) return;
  busy.value = true;
  try {
    await props.make(name.value.trim(), start.value, goal.value);
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" :title="title" style="width: 640px; max-width: 96vw">
    <form @submit.prevent="begin">
      <p class="soft"><slot /></p>
      <NameAndStart v-model:name="name" v-model:start="start" />
      <GoalFields v-model="goal" />
      <p v-if="problem || dateProblem" class="field-error" role="alert">{{ problem || dateProblem }}</p>
      <button type="submit" class="act main" :disabled="busy">{{ verb }}</button>
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
