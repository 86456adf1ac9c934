<script setup lang="ts">
import { useRouter } from 'vue-router';
import { DEFAULT_GOAL, type Goal } from '@roskel/core';
import { useBatches } from '../stores/batches';
import { useBenchMix } from '../stores/benchMix';
import BatchStart from '../batch/BatchStart.vue';

/** Takes the mix on the bench into a batch of its own. */
const show = defineModel<boolean>('show', { required: true });
const mix = useBenchMix();
const batches = useBatches();
const router = useRouter();
function suggest() {
  const { lowShu, highShu } = mix.bracket;
  const { bottleMl } = DEFAULT_GOAL;
  // A gram of sauce is about a millilitre.
  return { name: 'From the bench', goal: { lowShu, highShu, bottles: Math.max(1, Math.round(mix.now.props.massG / bottleMl)), bottleMl } };
}
async function make(name: string, start: string, goal: Goal) {
  const record = await batches.importFile(mix.asBatch(name, start, goal));
  await router.push({ name: 'batch', params: { id: record.id } });
}
</script>

<template>
  <BatchStart v-model:show="show" title="Make it a batch" verb="Start the batch" :suggest="suggest" :make="make">
    The pods go to the board, the rest into the jug. Salt and water stay behind, for the jar brings its own. The line then shows what
    fermenting, draining and straining make of it.
  </BatchStart>
</template>
