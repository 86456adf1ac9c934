<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { clockOf, useTimers } from '../stores/timers';

/** The timers that run or are held, on whichever device they were begun. */
const timers = useTimers();
/** What is up stands in the alarm, over every page. */
const shown = computed(() => timers.running.filter((t) => !timers.isUp(t)));
</script>

<template>
  <ul v-if="shown.length" class="plate strip no-print" aria-label="Timers">
    <li v-for="t in shown" :key="t.id" data-timer>
      <b class="clock">{{ clockOf(timers.leftMs(t)) }}</b>
      <RouterLink v-if="t.batchId" :to="`/batches/${t.batchId}/counter`">{{ t.name }}</RouterLink>
      <span v-else>{{ t.name }}</span>
      <NButton text class="link" :aria-label="`${t.name}: ${t.endsAt === null ? 'go on' : 'hold'}`" @click="timers.toggleOne(t.id)">{{
        t.endsAt === null ? 'go on' : 'hold'
      }}</NButton>
      <NButton text class="link" :aria-label="`${t.name}: off`" @click="timers.drop(t.id)">off</NButton>
    </li>
  </ul>
</template>

<style scoped>
.strip {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  margin: 0 0 12px;
  padding: 8px 14px;
}
li {
  display: flex;
  align-items: baseline;
  gap: 12px;
}
.clock {
  font-size: 20px;
  font-variant-numeric: tabular-nums;
}
</style>
