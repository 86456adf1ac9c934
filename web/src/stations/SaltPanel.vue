<script setup lang="ts">
import { computed, ref } from 'vue';
import {
  CUTS,
  recount,
  saltType,
  SCHOOL_NAMES,
  SALT_TYPES,
  spoonsOf,
  VOLUMES_ML,
  type Cut,
  type School,
  type StationReport,
} from '@roskel/core';
import { grams, percent } from '../format';
import { useSettings } from '../stores/settings';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PickField from '../ui/PickField.vue';
import JarPicture from './JarPicture.vue';
import FactRows from '../ui/FactRows.vue';

const props = defineProps<{ station: StationReport<'salt'> }>();
const { params, set, facts } = usePanel<'salt'>(props);
const settings = useSettings();
const schools = (Object.keys(SCHOOL_NAMES) as School[]).map((value) => ({
  value,
  label: SCHOOL_NAMES[value],
  short: SCHOOL_NAMES[value].replace(' the', ''),
}));
const salts = SALT_TYPES.map((s) => ({ value: s.id, label: s.name, short: s.name.split(',')[0]! }));
const cuts = (Object.keys(CUTS) as Cut[]).map((value) => ({ value, label: CUTS[value].label }));
const spoons = computed(() => {
  const g = facts.value?.saltG;
  if (!g) return null;
  const s = spoonsOf(saltType(params.value.saltId), g, VOLUMES_ML[settings.value.kitchen].tbsp);
  return `${s.low.toFixed(1)} to ${s.high.toFixed(1)} tbsp`;
});
/** Switching how salt is counted keeps the grams of salt; what cannot be counted that way in these jars stays as it is. */
const refusal = ref('');
function school(to: School) {
  refusal.value = '';
  const f = facts.value;
  const pct = f ? recount(params.value, f.produceG, f.saltG, to) : params.value.pct;
  if (pct === null)
    refusal.value = `${grams(f!.saltG)} of salt cannot be counted that way in these jars. Change the salt or the jar first.`;
  else set({ school: to, pct });
}
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
  <StationFrame :station="station" picture="In the jar" wide>
    <template #set>
      <div class="three">
        <PickField class="span" label="How salt is counted" :model-value="params.school" :options="schools" @update:model-value="school" />
        <p v-if="refusal" class="field-error full" role="alert">{{ refusal }}</p>
        <PickField label="Cut" :model-value="params.cut" :options="cuts" @update:model-value="set({ cut: $event })" />
        <ParamField :station="station" name="pct" label="Salt" />
        <PickField
          class="span"
          label="Kind of salt"
          :model-value="params.saltId"
          :options="salts"
          @update:model-value="set({ saltId: $event })"
        />
        <ParamField :station="station" name="jarMl" label="Jar" />
        <ParamField :station="station" name="jars" label="Jars" />
        <ParamField :station="station" name="headspaceMl" label="Headspace" />
        <ParamField :station="station" name="displacementMl" label="Room the weight takes" />
        <template v-if="params.school !== 'mash'">
          <ParamField :station="station" name="dryPct" label="Dry salt rubbed in" optional />
          <ParamField :station="station" name="mixedMl" label="Brine mixed" optional />
        </template>
      </div>
    </template>
    <template #measured>
      <LogFields :station="station" mass-label="Jar contents, weighed" />
    </template>
    <template #picture>
      <div v-if="facts" class="jar">
        <JarPicture :params="params" :facts="facts" :hex="station.now.hex" />
        <div>
          <p class="dose">
            <b data-fact="saltG">{{ grams(facts.saltG) }}</b> salt<template v-if="spoons"
              >&nbsp;<span class="soft">({{ spoons }}; weighing is surer)</span></template
            ><br />
            <template v-if="facts.waterG"
              ><b data-fact="waterG">{{ grams(facts.waterG) }}</b> water</template
            >
            <template v-else>no water: own juice only</template>
            <template v-if="facts.dryG"
              ><br /><b data-fact="dryG">{{ grams(facts.dryG) }}</b> of it rubbed in,
              <b data-fact="brineSaltG">{{ grams(facts.saltG - facts.dryG) }}</b> in the water</template
            >
          </p>
          <FactRows :rows="ways" />
          <p v-if="leftover !== null" class="soft">
            <template v-if="leftover >= 0">{{ Math.round(leftover) }} ml of the mixed brine stay over. They do not count.</template>
            <template v-else>Mix {{ Math.round(-leftover) }} ml more at the same strength.</template>
          </p>
        </div>
      </div>
      <p v-else class="soft">Choose the pods first. Salt and water follow from their weight.</p>
    </template>
  </StationFrame>
</template>

<style scoped>
.three {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.4fr);
  gap: 6px 8px;
  align-items: end;
}
@media (max-width: 500px) {
  .three {
    grid-template-columns: 1fr 1fr;
  }
}
.span {
  grid-column: span 2;
}
.full {
  grid-column: 1 / -1;
}
.jar {
  display: grid;
  grid-template-columns: 118px 1fr;
  gap: 14px;
}
.dose {
  margin: 0 0 6px;
  font-size: 16px;
}
p {
  margin: 6px 0 0;
}
</style>
