<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { ref, watch } from 'vue';
import { isDay, type Goal } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';
import SheetCard from '../ui/SheetCard.vue';

const show = defineModel<boolean>('show', { required: true });
const batch = useOpenBatch();
const name = ref('');
const start = ref('');
const goal = ref<Goal | null>(null);
const problem = ref('');
watch(
  show,
  (open) => {
    if (!open || !batch.file) return;
    name.value = batch.file.name;
    start.value = batch.file.startDate;
    goal.value = { ...batch.file.goal };
    problem.value = '';
  },
  { immediate: true },
);
function save() {
  const first = batch.file!.stations.find((s) => s.log.doneOn)?.log.doneOn;
  if (name.value.trim() === '') problem.value = 'Give the batch a name.';
  else if (!isDay(start.value)) problem.value = 'Give a day to start on.';
  else if (first && start.value > first) problem.value = `The first step was done on ${first}. The start cannot be later.`;
  else if (goal.value!.highShu <= goal.value!.lowShu) problem.value = 'The high end of the heat must be above the low end.';
  else {
    batch.change('the goal', { ...batch.file!, name: name.value.trim(), startDate: start.value, goal: goal.value! });
    show.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="The goal" :width="640">
    <NForm v-if="goal" class="form" @submit.prevent="save">
      <NameAndStart v-model:name="name" v-model:start="start" />
      <GoalFields v-model="goal" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <NButton type="primary" attr-type="submit">Keep this goal</NButton>
    </NForm>
  </SheetCard>
</template>

<style scoped>
.form {
  display: grid;
  gap: 10px;
}
p {
  margin: 0;
}
</style>
