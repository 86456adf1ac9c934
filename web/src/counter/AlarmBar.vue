<script setup lang="ts">
import { computed, onUnmounted, watch } from 'vue';
import { NButton } from 'naive-ui';
import { plural } from '../format';
import { clockOf, useTimers } from '../stores/timers';
import { usePageTitle } from '../ui/title';
import { readySound, sound } from './alarm';

/** What is up stands over every page and rings until somebody ends it; the window's name counts down to the next. */
const timers = useTimers();
const NAME = 'Roskel';
const pageTitle = usePageTitle();
const title = computed(() => {
  const [up] = timers.ringing;
  if (up) return `Time is up: ${up.name} · ${NAME}`;
  const page = pageTitle.value ? `${pageTitle.value} · ${NAME}` : NAME;
  return timers.next ? `${clockOf(timers.leftMs(timers.next))} ${timers.next.name} · ${NAME}` : page;
});
watch(title, (now) => (document.title = now), { immediate: true });
/** Of many that ring at once the first are told by name. */
const MOST = 3;
const told = computed(() => timers.ringing.slice(0, MOST));
function since(endsAt: number): string {
  const minutes = Math.floor((timers.now - endsAt) / 60_000);
  if (minutes < 1) return '';
  return minutes < 120
    ? `${plural(minutes, 'minute')} ago.`
    : minutes < 2880
      ? `${plural(Math.floor(minutes / 60), 'hour')} ago.`
      : 'Days ago.';
}
function endAll() {
  for (const t of timers.ringing) timers.end(t.id);
}
/** After a reload a browser is silent until the page is tapped: any tap will do. */
const tapped = () => {
  if (timers.running.length > 0 && sound.value !== 'ready') void readySound();
};
window.addEventListener('pointerdown', tapped);
window.addEventListener('keydown', tapped);
onUnmounted(() => {
  window.removeEventListener('pointerdown', tapped);
  window.removeEventListener('keydown', tapped);
});
</script>

<template>
  <section v-if="timers.ringing.length" class="alarm no-print" role="alert" aria-label="Time is up" :data-sound="sound">
    <p v-for="t in told" :key="t.id">
      <b>{{ t.name }}: time is up.</b>
      <span v-if="since(t.endsAt!)">{{ since(t.endsAt!) }}</span>
      <span class="acts">
        <RouterLink v-if="t.batchId" :to="`/batches/${t.batchId}/counter`">Counter</RouterLink>
        <NButton @click="timers.more(t.id, 5)">5 min more</NButton>
        <NButton type="primary" @click="timers.end(t.id)">End the alarm</NButton>
      </span>
    </p>
    <p v-if="timers.ringing.length > told.length">
      and {{ timers.ringing.length - told.length }} more
      <span class="acts"><NButton @click="endAll">End them all</NButton></span>
    </p>
    <p v-if="sound === 'blocked'" class="silent">
      This browser holds the sound back.
      <NButton @click="readySound()">Let it ring</NButton>
    </p>
  </section>
</template>

<style scoped>
.alarm {
  background: var(--warn-plate);
  border-bottom: 3px solid var(--warn);
  padding: 8px 20px;
  position: sticky;
  top: 0;
  z-index: 20;
}
p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 16px;
  margin: 4px 0;
  font-size: 18px;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
  margin-left: auto;
}
.silent {
  font-size: 15px;
}
@media (max-width: 500px) {
  .acts {
    margin-left: 0;
  }
}
</style>
