<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { reactive, ref, watch } from 'vue';
import { changesBetween, forceChange, isDay, type Goal } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';
import SheetCard from '../ui/SheetCard.vue';
import DraftBar from '../ui/DraftBar.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

const show = defineModel<boolean>('show', { required: true });
const batch = useOpenBatch();
interface Aim {
  name: string;
  startDate: string;
  goal: Goal;
}
const aimOf = ({ name, startDate, goal }: Aim): Aim => ({ name, startDate, goal: { ...goal } });
/** As it stands, and as it was when the sheet was opened: only what was changed here is changed. */
const blank = () => {
  const aim = batch.file ? aimOf(batch.file) : null;
  return { aim, begun: aim && aimOf(aim) };
};
const form = reactive<ReturnType<typeof blank>>({ aim: null, begun: null });
const draft = useDraft(() => `goal.${batch.id}`, form, blank, show);
const problem = ref('');
watch(show, () => (problem.value = ''));
async function save() {
  commitTyping();
  const { name, startDate, goal } = form.aim!;
  const first = batch.file!.stations.find((s) => s.log.doneOn)?.log.doneOn;
  if (name.trim() === '') problem.value = 'Give the batch a name.';
  else if (!isDay(startDate)) problem.value = 'Give a day to start on.';
  else if (first && startDate > first) problem.value = `The first step was done on ${first}. The start cannot be later.`;
  else if (goal.highShu <= goal.lowShu) problem.value = 'The high end of the heat must be above the low end.';
  else {
    const changes = changesBetween(form.begun, { name: name.trim(), startDate, goal: { ...goal } });
    batch.change(
      'the goal',
      changes.reduce((f, c) => forceChange(f, c), batch.file!),
    );
    await draft.done();
    show.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="The goal" :width="640">
    <NForm v-if="form.aim" class="form" @submit.prevent="save">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <NameAndStart v-model:name="form.aim.name" v-model:start="form.aim.startDate" />
      <GoalFields v-model="form.aim.goal" />
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
