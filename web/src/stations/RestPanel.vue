<script setup lang="ts">
import { computed } from 'vue';
import type { StationReport } from '@roskel/core';
import { degrees } from '../format';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import ParamCurve from './ParamCurve.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'rest'> }>();
const { facts } = usePanel<'rest'>(props);
/** Nobody knows to the minute how a pot cools: within a factor of 1.4. */
const time = (min: number) =>
  !Number.isFinite(min)
    ? 'never'
    : min < 1
      ? 'at once'
      : min < 90
        ? `about ${5 * Math.max(1, Math.round(min / 5))} min`
        : `about ${(min / 60).toFixed(0)} h`;
const rows = computed(() => {
  const f = facts.value;
  return [
    [`Below ${degrees(60)}`, f ? time(f.toWarmMin) : '-'],
    [`From ${degrees(57)} to ${degrees(21)}`, f ? time(f.warmMin) : '-'],
    ['The same in cold water', f ? time(f.bathMin) : '-'],
    ['A pH reading counts after', f ? `${f.phHours} h` : '-'],
    ['Of its heat is felt then', f ? `about ${Math.round(f.feltPct)} in 100` : '-'],
  ] as const;
});
</script>

<template>
  <StationSheet :station="station">
    <ParamCurve
      :station="station"
      name="hours"
      :points="facts?.curve"
      across="It stands"
      up="how warm it is"
      :say-y="(y) => degrees(y)"
      :step="0.5"
      :mark="{ value: 21, says: `${degrees(21)}, within two hours` }"
    />
    <template #says>
      <p class="soft">
        Hot, the nose says too sour and the tongue not salty enough. Taste it cold, and after a night when powder or raw garlic went in.
      </p></template
    >
    <template #more><FactRows :rows="rows" /></template>
  </StationSheet>
</template>
