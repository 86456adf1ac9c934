<script setup lang="ts">
import { computed } from 'vue';
import { saltType, spoonsOf, VOLUMES_ML, type StationReport } from '@roskel/core';
import { grams, percent } from '../format';
import { useSettings } from '../stores/settings';
import { usePanel } from './panel';
import StationSheet from '../batch/StationSheet.vue';
import FactRows from '../ui/FactRows.vue';
import JarPicture from './JarPicture.vue';

const props = defineProps<{ station: StationReport<'salt'> }>();
const { params, facts } = usePanel<'salt'>(props);
const settings = useSettings();
/** Salt in spoons, and what of it is rubbed in. */
const words = computed((): Record<string, string> => {
  const f = facts.value;
  if (!f?.saltG) return {};
  const s = spoonsOf(saltType(params.value.saltId), f.saltG, VOLUMES_ML[settings.value.kitchen].tbsp);
  const rubbed = f.dryG ? `; ${grams(f.dryG)} of it rubbed in, ${grams(f.saltG - f.dryG)} in the water` : '';
  return { salt: `${s.low.toFixed(1)} to ${s.high.toFixed(1)} tbsp; weighing is surer${rubbed}` };
});
const ways = computed(() => {
  const f = (v: number | null | undefined) => (v == null ? 'none' : percent(v));
  return [
    ['Whole jar', f(facts.value?.wholeJarPct)],
    ['Water only', f(facts.value?.waterOnlyPct)],
    ['Of the pods', f(facts.value?.ofProducePct)],
    ['Salt in the liquid', f(facts.value?.waterPhasePct)],
  ] as [string, string][];
});
const leftover = computed(() => facts.value?.leftoverMl ?? null);
</script>

<template>
  <StationSheet :station="station" :made-words="words">
    <div v-if="facts" class="jar">
      <JarPicture :params="params" :facts="facts" :hex="station.now.hex" />
      <div>
        <p v-if="params.jars > 1" class="soft">{{ params.jars }} jars alike: the picture is of one.</p>
        <FactRows :rows="ways" />
        <p v-if="!facts.waterG">No water: own juice only.</p>
        <p v-if="leftover !== null" class="soft">
          <template v-if="leftover >= 0">{{ Math.round(leftover) }} ml of the mixed brine stay over. They do not count.</template>
          <template v-else>Mix {{ Math.round(-leftover) }} ml more at the same strength.</template>
        </p>
      </div>
    </div>
    <p v-else class="soft">Choose the pods first. Salt and water follow from their weight.</p>
  </StationSheet>
</template>

<style scoped>
.jar {
  display: grid;
  grid-template-columns: 118px minmax(0, 1fr);
  gap: 14px;
}
p {
  margin: 4px 0;
  font-size: 14px;
}
</style>
