<script setup lang="ts">
import { computed } from 'vue';
import { CUTS, saltType, SALT_TYPES, spoonsOf, VOLUMES_ML, type Cut, type SaltParams, type School, type StationReport } from '@roskel/core';
import { grams, percent } from '../format';
import { useSettings } from '../stores/settings';
import { usePanel } from './panel';
import StationFrame from '../ui/StationFrame.vue';
import LogFields from '../ui/LogFields.vue';
import ParamField from './ParamField.vue';
import ChoiceField from '../ui/ChoiceField.vue';
import JarPicture from './JarPicture.vue';

const props = defineProps<{ station: StationReport }>();
const { params, set, figure } = usePanel<SaltParams>(props);
const settings = useSettings();
const SCHOOL_NAMES: Record<School, string> = {
  wholeJar: '% of the whole jar',
  waterOnly: '% of the water only',
  mash: 'dry mash, % of the pods',
};
const schools = (Object.keys(SCHOOL_NAMES) as School[]).map((value) => ({ value, label: SCHOOL_NAMES[value] }));
const salts = SALT_TYPES.map((s) => ({ value: s.id, label: s.name }));
const cuts = (Object.keys(CUTS) as Cut[]).map((value) => ({ value, label: CUTS[value].label }));
const spoons = computed(() => {
  const g = figure('saltG');
  if (!g) return null;
  const s = spoonsOf(saltType(params.value.saltId), g, VOLUMES_ML[settings.value.kitchen].tbsp);
  return `${s.low.toFixed(1)} to ${s.high.toFixed(1)} tbsp`;
});
/** Switching the school keeps the same grams of salt: only the number's name changes. */
function school(to: School) {
  const pct = { wholeJar: figure('wholeJarPct'), waterOnly: figure('waterOnlyPct'), mash: figure('ofProducePct') }[to];
  const keep = pct === null || (to === 'mash') !== (params.value.school === 'mash') ? params.value.pct : pct;
  set({ school: to, pct: Math.round(keep * 100) / 100 });
}
const ways = computed(() => {
  const f = (name: string) => (figure(name) === null ? 'none' : percent(figure(name)!));
  return [
    ['Whole jar', f('wholeJarPct')],
    ['Water only', f('waterOnlyPct')],
    ['Of the pods', f('ofProducePct')],
    ['Felt by microbes', f('waterPhasePct')],
  ];
});
const leftover = computed(() => figure('leftoverMl'));
</script>

<template>
  <StationFrame :station="station" picture="In the jar" wide>
    <template #set>
      <div class="three">
        <ChoiceField class="span" label="Salt counted as" :model-value="params.school" :options="schools" @update:model-value="school" />
        <ChoiceField label="Cut" :model-value="params.cut" :options="cuts" @update:model-value="set({ cut: $event })" />
        <ParamField :station="station" name="pct" label="Salt" />
        <ChoiceField
          class="span"
          label="Kind of salt"
          :model-value="params.saltId"
          :options="salts"
          @update:model-value="set({ saltId: $event })"
        />
        <ParamField :station="station" name="jarMl" label="Jar" />
        <ParamField :station="station" name="jars" label="Jars" />
        <ParamField :station="station" name="headspaceMl" label="Headspace" />
        <ParamField :station="station" name="displacementMl" label="Weight" />
        <ParamField class="span" :station="station" name="mixedMl" label="Brine mixed" optional placeholder="as needed" />
      </div>
    </template>
    <template #measured>
      <LogFields :station="station" mass-label="Jar contents, weighed" />
    </template>
    <template #picture>
      <div v-if="figure('saltG') !== null" class="jar">
        <JarPicture :params="params" :station="station" />
        <div>
          <p class="dose">
            <b data-fact="saltG">{{ grams(figure('saltG')!) }}</b> salt<template v-if="spoons"
              >&nbsp;<span class="soft">({{ spoons }}; weighing is surer)</span></template
            ><br />
            <template v-if="figure('waterG')"
              ><b data-fact="waterG">{{ grams(figure('waterG')!) }}</b> water</template
            >
            <template v-else>no water: own juice only</template>
          </p>
          <table>
            <tbody>
              <tr v-for="[name, value] in ways" :key="name">
                <th>{{ name }}</th>
                <td>{{ value }}</td>
              </tr>
            </tbody>
          </table>
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
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr) minmax(0, 1.25fr);
  gap: 6px 8px;
}
.span {
  grid-column: span 2;
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
table {
  width: 100%;
  border-collapse: collapse;
}
th {
  text-align: left;
  font-weight: 400;
  padding: 3px 0;
}
td {
  text-align: right;
  font-weight: 700;
}
tr {
  border-bottom: 1px dashed var(--line);
}
p {
  margin: 6px 0 0;
}
</style>
