<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import type { StationLog } from '@roskel/core';
import { grams } from '../format';
import { clockOf, useTimers } from '../stores/timers';
import { leftMinutes, type Step } from './steps';

/** The clock of a step, and the scale it ends by. */
const props = defineProps<{ step: Step; batchId: string; log: StationLog }>();
const timers = useTimers();
const timer = computed(() => timers.at(props.batchId, props.step.station.id));
const leftMin = computed(() => leftMinutes(props.step, props.log));
const share = computed(() => {
  const { untilG, station } = props.step;
  if (untilG === null) return null;
  const began = station.bowlG;
  const isNow = props.log.massG ?? props.log.pot?.at(-1)?.massG ?? null;
  return { began, untilG, now: isNow, at: isNow === null ? 0 : Math.min(1, Math.max(0, (began - isNow) / Math.max(1, began - untilG))) };
});
</script>

<template>
  <template v-if="step.minutes !== null || timer">
    <p class="clock" :class="{ up: timer && timers.isUp(timer) }" role="timer" data-fact="clock">
      {{ timer ? clockOf(timers.leftMs(timer)) : clockOf((leftMin ?? 0) * 60_000) }}
    </p>
    <div class="acts">
      <NButton size="large" @click="timers.toggle({ batchId, stationId: step.station.id, name: step.title }, leftMin)">{{
        !timer || timer.rung || timers.isUp(timer)
          ? leftMin === step.minutes
            ? 'Start the timer'
            : `Start: still ${leftMin} min`
          : timer.endsAt === null
            ? 'Go on'
            : 'Hold'
      }}</NButton>
      <NButton v-if="timer" size="large" @click="timers.more(timer.id, 5)">5 min more</NButton>
      <NButton v-if="timer" size="large" @click="timers.drop(timer.id)">Off</NButton>
    </div>
  </template>
  <template v-if="share">
    <p class="soft">about; until the scale says</p>
    <p class="target" data-fact="target">{{ grams(share.untilG) }}</p>
    <div class="bar" aria-hidden="true"><i :style="{ width: `${100 * share.at}%` }" /></div>
    <p class="ends">
      <span>{{ grams(share.began) }}</span>
      <b v-if="share.now !== null">{{ grams(share.now) }}</b>
      <span>{{ grams(share.untilG) }}</span>
    </p>
  </template>
</template>

<style scoped>
p {
  margin: 4px 0;
}
.clock {
  font-family: 'Bricolage Grotesque Variable', sans-serif;
  font-weight: 700;
  font-size: clamp(64px, 8vw, 104px);
  line-height: 1;
}
.clock.up {
  color: var(--warn);
}
.target {
  font-family: 'Bricolage Grotesque Variable', sans-serif;
  font-weight: 700;
  font-size: 54px;
  line-height: 1;
  color: var(--rim);
}
.acts {
  display: flex;
  gap: 8px;
  justify-content: center;
  flex-wrap: wrap;
}
.bar {
  height: 12px;
  border-radius: 6px;
  background: var(--line);
  overflow: hidden;
}
.bar i {
  display: block;
  height: 100%;
  background: var(--warn);
}
.ends {
  display: flex;
  justify-content: space-between;
}
</style>
