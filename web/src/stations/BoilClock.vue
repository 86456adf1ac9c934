<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { clockOf, useTimers } from '../stores/timers';

/** The clock of the bottles that are boiled clean: it goes on when the page is closed, and rings anywhere in the house. */
const props = defineProps<{ batchId: string; stationId: string; minutes: number }>();
const timers = useTimers();
const of = computed(() => ({ batchId: props.batchId, stationId: `${props.stationId} bottles`, name: 'Bottles on the boil' }));
const timer = computed(() => timers.at(of.value.batchId, of.value.stationId));
const runs = computed(() => timer.value && !timer.value.rung && !timers.isUp(timer.value));
</script>

<template>
  <NButton @click="timers.toggle(of, minutes)">
    <template v-if="runs"
      ><b data-fact="boil-clock">{{ clockOf(timers.leftMs(timer!)) }}</b
      >&nbsp;{{ timer!.endsAt === null ? 'held, go on' : 'of the boil, hold' }}</template
    >
    <template v-else>They boil: start the clock, {{ minutes }} min</template>
  </NButton>
</template>
