<script setup lang="ts">
import { NButton } from 'naive-ui';
import { reactive, ref, watch } from 'vue';
import { changesBetween, eatenOf, forceChange, goalOf, isDay, stationsOf, withGoal, type BatchFile, type Goal } from '@roskel/core';
import { useOpenBatch } from '../stores/openBatch';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';
import SheetCard from '../ui/SheetCard.vue';
import SheetForm from '../ui/SheetForm.vue';
import DraftBar from '../ui/DraftBar.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

const show = defineModel<boolean>('show', { required: true });
/** The strand whose goal it is. */
const props = defineProps<{ strandId: string }>();
const batch = useOpenBatch();
interface Aim {
  name: string;
  startDate: string;
  goal: Goal;
}
const aimOf = (file: BatchFile): Aim => ({ name: file.name, startDate: file.startDate, goal: { ...goalOf(file, props.strandId) } });
/** As it stands, and as it was when the sheet was opened: only what was changed here is changed. */
const blank = () => {
  const stands = batch.file?.strands.some((s) => s.id === props.strandId && s.goal);
  return { aim: stands ? aimOf(batch.file!) : null, begun: stands ? aimOf(batch.file!) : null };
};
const form = reactive<ReturnType<typeof blank>>({ aim: null, begun: null });
const draft = useDraft(() => `goal.${batch.id}.${props.strandId}`, form, blank, show);
const problem = ref('');
watch(show, () => (problem.value = ''));
async function save() {
  commitTyping();
  const { name, startDate, goal } = form.aim!;
  const first = stationsOf(batch.file!)
    .flatMap((s) => s.entry.log.doneOn ?? [])
    .sort()[0];
  if (name.trim() === '') problem.value = 'Give the batch a name.';
  else if (!isDay(startDate)) problem.value = 'Give a day to start on.';
  else if (first && startDate > first) problem.value = `The first step was done on ${first}. The start cannot be later.`;
  else if (goal.highShu <= goal.lowShu) problem.value = 'The high end of the heat must be above the low end.';
  else {
    const changes = changesBetween(form.begun, { name: name.trim(), startDate, goal: { ...goal } });
    const next = changes.reduce((f, c) => forceChange(f, c), aimOf(batch.file!));
    batch.change('the goal', withGoal({ ...batch.file!, name: next.name, startDate: next.startDate }, props.strandId, next.goal));
    await draft.done();
    show.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" title="The goal" :width="640">
    <SheetForm v-if="form.aim" @submit="save">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <NameAndStart v-model:name="form.aim.name" v-model:start="form.aim.startDate" />
      <GoalFields v-model="form.aim.goal" :eaten="eatenOf(batch.file!, null)" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <NButton type="primary" attr-type="submit">Keep this goal</NButton>
    </SheetForm>
  </SheetCard>
</template>
