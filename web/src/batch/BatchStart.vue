<script setup lang="ts">
import { NButton, NForm } from 'naive-ui';
import { computed, reactive, ref, toRef, watch } from 'vue';
import { eatenOf, isDay, newBatch, type Goal } from '@roskel/core';
import { today } from '../format';
import GoalFields from './GoalFields.vue';
import NameAndStart from './NameAndStart.vue';
import SheetCard from '../ui/SheetCard.vue';
import DraftBar from '../ui/DraftBar.vue';
import { commitTyping } from '../ui/typing';
import { useDraft } from '../ui/useDraft';

/** Name, first day and goal of a batch that is about to be; `make` makes it, or throws the sentence why it cannot. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{
  title: string;
  verb: string;
  suggest: () => { name: string; goal: Goal };
  make: (name: string, start: string, goal: Goal) => Promise<void>;
}>();
const blank = () => {
  const { name, goal } = props.suggest();
  return { name, start: today(), goal: { ...goal } as Goal };
};
const form = reactive(blank());
const name = toRef(form, 'name');
const start = toRef(form, 'start');
const goal = toRef(form, 'goal');
const draft = useDraft(() => `start.${props.verb}`, form, blank, toRef(show));
const problem = ref('');
const busy = ref(false);
watch(show, () => (problem.value = ''));
/** A batch from a mix is the plain ferment, which is eaten as that is. */
const styleEaten = eatenOf(newBatch('', today()), null);
const dateProblem = computed(() => (isDay(start.value) ? '' : 'Give a day to start on.'));

async function begin() {
  commitTyping();
  if (name.value.trim() === '') return void (problem.value = 'Give the batch a name. Any word will do.');
  if (dateProblem.value || goal.value.highShu <= goal.value.lowShu) return;
  busy.value = true;
  try {
    await props.make(name.value.trim(), start.value, { ...goal.value });
    await draft.done();
    show.value = false;
  } catch (e) {
    problem.value = (e as Error).message;
  } finally {
    busy.value = false;
  }
}
</script>

<template>
  <SheetCard v-model:show="show" :title="title" :width="640">
    <NForm @submit.prevent="begin">
      <DraftBar :show="draft.takenUp.value" @anew="draft.anew" />
      <p class="soft"><slot /></p>
      <NameAndStart v-model:name="name" v-model:start="start" />
      <GoalFields v-model="goal" :eaten="styleEaten" />
      <p v-if="problem || dateProblem" class="field-error" role="alert">{{ problem || dateProblem }}</p>
      <NButton type="primary" attr-type="submit" :disabled="busy">{{ verb }}</NButton>
    </NForm>
  </SheetCard>
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
