<script setup lang="ts">
import { computed } from 'vue';
import { stationIn, type StationReport } from '@roskel/core';
import { grams } from '../format';
import { bodySays } from './bodyWords';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import PotWeighings from './PotWeighings.vue';
import PotPicture from './PotPicture.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'simmer'> }>();
const { batch, set, facts } = usePanel<'simmer'>(props);
const used = computed(() => batch.file?.tools?.find((t) => t.id === stationIn(batch.file!, props.station.id)?.toolId) ?? null);
const weighed = computed(() => props.station.log.massG !== undefined);
const level = (share: number) => set({ until: 'left', leftPct: Math.round(100 * share) });
/** Minutes as one says them: nobody knows a pot to the minute. */
const round = (min: number) => (min < 20 ? Math.round(min) : Math.round(min / 5) * 5);
const time = computed(() => {
  const f = facts.value;
  if (!f) return 'nothing in the pot yet';
  if (weighed.value) return 'weighed: no guess needed';
  const [low, high] = [round(f.minutesLow), round(f.minutesHigh)];
  return low === high ? `${round(f.minutes)} min` : `${low} to ${high} min`;
});
const nowG = computed(() => {
  const pot = [...(props.station.log.pot ?? [])].sort((a, b) => a.min - b.min);
  return pot.at(-1)?.massG ?? null;
});
const togo = computed(() => {
  const f = facts.value;
  if (!f || f.weighedMin === null) return '';
  const left = (m: number) => round(Math.max(0, m - f.weighedMin!));
  const [low, high] = [left(f.minutesLow), left(f.minutesHigh)];
  return low === high ? `${low} min` : `${low} to ${high} min`;
});
const rows = computed(() => {
  const f = facts.value;
  return [
    ['To the boil, about', f ? `${round(f.heatUpMin)} min` : '-'],
    f?.weighedMin == null || weighed.value ? (['From the boil', time.value] as const) : (['Still to go', togo.value] as const),
  ] as const;
});
const others = computed(() => {
  const f = facts.value;
  return [
    ['Goes off as steam', grams(f?.steamG ?? 0)],
    ...(f?.aceticKeptPct == null ? [] : ([['Of the vinegar’s acid stays', `${Math.round(f.aceticKeptPct)} %`]] as const)),
    ['Body', bodySays(f)],
    ['Boils at, about', f ? `${f.boilsC.toFixed(0)} °C` : '-'],
  ] as const;
});
</script>

<template>
  <StationSheet :station="station">
    <PotPicture
      v-if="facts"
      :began-g="facts.beganG"
      :stop-g="facts.stopG"
      :hex="station.now.hex"
      :fixed="weighed"
      :now-g="weighed ? null : nowG"
      @level="level"
    />
    <FactRows :rows="rows" />
    <p v-if="facts && !facts.reached && !weighed" class="field-error" role="alert">
      Boiling does not lead there: it is past it already, or would be dry before. Choose another end.
    </p>
    <template #look><PotWeighings v-if="facts && !weighed" :station="station" :tare-g="used?.tareG ?? null" /></template>
    <template #more
      ><FactRows :rows="others" />
      <p class="soft">
        The weight is the target, the minutes a forecast. Salt, sugar and heat grow stronger; vinegar leaves, so the pH may rise. Measure
        after.
      </p></template
    >
  </StationSheet>
</template>
