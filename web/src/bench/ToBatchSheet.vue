<script setup lang="ts">
import { computed, ref, watch } from 'vue';
import { NModal } from 'naive-ui';
import { useRouter } from 'vue-router';
import { isDay, type Goal } from '@roskel/core';
import { today } from '../format';
import { useBatches } from '../stores/batches';
import { useBenchMix } from '../stores/benchMix';
import GoalFields from '../ui/GoalFields.vue';
import NameAndStart from '../ui/NameAndStart.vue';

/** Takes the mix on the bench into a batch of its own. */
const show = defineModel<boolean>('show', { required: true });
const mix = useBenchMix();
const batches = useBatches();
const router = useRouter();
const name = ref('');
const start = ref(today());
const goal = ref<Goal>({ lowShu: 1300, highShu: 3200, bottles: 5, bottleMl: 100 });
const problem = ref('');
watch(show, (open) => {
  if (!open) return;
  name.value = 'From the bench';
  start.value = today();
  problem.value = '';
  const bottles = Math.max(1, Math.round(mix.now.props.massG / 100));
  goal.value = { lowShu: mix.bracket.lowShu, highShu: mix.bracket.highShu, bottles, bottleMl: 100 };
});
const dateProblem = computed(() => (isDay(start.value) ? '' : 'Give a day to start on.'));
async function make() {
  if (name.value.trim() === '') return void (problem.value = 'Give the batch a name. Any word will do.');
  if (dateProblem.value || goal.value.highShu <= goal.value.lowShu) return;
  try {
    const record = await batches.importFile(mix.asBatch(name.value.trim(), start.value, goal.value));
    show.value = false;
    await router.push({ name: 'batch', params: { id: record.id } });
  } catch (e) {
    problem.value = (e as Error).message;
  }
}
</script>

<template>
  <NModal v-model:show="show" preset="card" title="Make it a batch" style="width: 640px; max-width: 96vw">
    <form @submit.prevent="make">
      <p class="soft">
        The pods go to the board, the rest into the jug. Salt and water stay behind, for the jar brings its own. The line then shows what
        fermenting, draining and straining make of it.
      </p>
      <NameAndStart v-model:name="name" v-model:start="start" />
      <GoalFields v-model="goal" />
      <p v-if="problem || dateProblem" class="field-error" role="alert">{{ problem || dateProblem }}</p>
      <button type="submit" class="act main">Start the batch</button>
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
