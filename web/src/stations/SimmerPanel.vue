<script setup lang="ts">
import { computed } from 'vue';
import { simmerSchema, SOFTENS, stationIn, type ParamsOf, type PieceShape, type Softens, type StationReport } from '@roskel/core';
import { grams, ph } from '../format';
import { BODY_CHOICES, bodySays } from './bodyWords';
import { usePanel } from './panel';
import StationFrame from '../batch/StationFrame.vue';
import LogFields from '../batch/LogFields.vue';
import ParamField from './ParamField.vue';
import PotWeighings from './PotWeighings.vue';
import ToolField from '../batch/ToolField.vue';
import NumberField from '../ui/NumberField.vue';
import HeatField from './HeatField.vue';
import PotPicture from './PotPicture.vue';
import FactRows from '../ui/FactRows.vue';
import PickField from '../ui/PickField.vue';

const props = defineProps<{ station: StationReport<'simmer'> }>();
const { batch, params, set, facts } = usePanel<'simmer'>(props);
type Params = ParamsOf<'simmer'>;
const BOILS: { value: Params['boil']; label: string }[] = [
  { value: 'bare', label: 'barely moving' },
  { value: 'gentle', label: 'gentle simmer' },
  { value: 'steady', label: 'steady simmer' },
  { value: 'rolling', label: 'rolling boil' },
];
const LIDS: { value: Params['lid']; label: string }[] = [
  { value: 'off', label: 'off' },
  { value: 'ajar', label: 'ajar' },
  { value: 'on', label: 'on' },
];
const UNTIL: { value: Params['until']; label: string }[] = [
  { value: 'minutes', label: 'some minutes' },
  { value: 'soft', label: 'it is soft' },
  { value: 'left', label: 'a share of it is left' },
  { value: 'weight', label: 'it weighs' },
  { value: 'solids', label: 'a Brix reading' },
  { value: 'temperature', label: 'the thermometer says' },
  { value: 'body', label: 'its body when cold' },
];
const WHAT = (Object.keys(SOFTENS) as Softens[]).map((value) => ({ value, label: value }));
const CUTS: { value: PieceShape; label: string }[] = [
  { value: 'slice', label: 'slices' },
  { value: 'stick', label: 'sticks, whole roots' },
  { value: 'dice', label: 'dice' },
];
const soft = computed(() => params.value.soft ?? { what: 'carrot' as const, shape: 'slice' as const, mm: 8 });
const mmOf = simmerSchema.properties.soft.properties.mm;
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
const body = computed(() => bodySays(facts.value));
const rows = computed(() => {
  const f = facts.value;
  return [
    ['To the boil, about', f ? `${round(f.heatUpMin)} min` : '-'],
    f?.weighedMin == null || weighed.value ? (['From the boil', time.value] as const) : (['Still to go', togo.value] as const),
    ['Goes off as steam', grams(f?.steamG ?? 0)],
    ...(f?.aceticKeptPct == null ? [] : ([['Of the vinegar’s acid stays', `${Math.round(f.aceticKeptPct)} %`]] as const)),
    ['Boils at, about', f ? `${f.boilsC.toFixed(0)} °C` : '-'],
    ['Body', body.value],
    ['pH', props.station.now.pH === null ? 'no pH' : ph(props.station.now.pH, props.station.phMeasured)],
  ] as const;
});
</script>

<template>
  <StationFrame :station="station" picture="Look into the pot">
    <template #set>
      <PickField label="Until" :model-value="params.until" :options="UNTIL" @update:model-value="set({ until: $event })" />
      <ParamField v-if="params.until === 'minutes'" :station="station" name="minutes" label="From the boil" />
      <template v-if="params.until === 'soft'">
        <PickField label="What" :model-value="soft.what" :options="WHAT" @update:model-value="set({ soft: { ...soft, what: $event } })" />
        <PickField label="In" :model-value="soft.shape" :options="CUTS" @update:model-value="set({ soft: { ...soft, shape: $event } })" />
        <NumberField
          label="How thick"
          unit="mm"
          :model-value="soft.mm"
          :schema="mmOf"
          @update:model-value="set({ soft: { ...soft, mm: $event! } })"
        />
      </template>
      <ParamField v-if="params.until === 'temperature'" :station="station" name="stopC" label="Thermometer" />
      <ParamField v-if="params.until === 'left'" :station="station" name="leftPct" label="What stays" />
      <ParamField v-if="params.until === 'weight'" :station="station" name="leftG" label="Weight, without the pot" />
      <ParamField v-if="params.until === 'solids'" :station="station" name="brix" label="Solids" />
      <PickField
        v-if="params.until === 'body'"
        label="When cold it is"
        :model-value="Math.round(params.step)"
        :options="BODY_CHOICES"
        @update:model-value="set({ step: $event })"
      />
      <PickField label="Fire" :model-value="params.boil" :options="BOILS" @update:model-value="set({ boil: $event })" />
      <PickField label="Lid" :model-value="params.lid" :options="LIDS" @update:model-value="set({ lid: $event })" />
      <ToolField :station="station" @tool="$event.acrossCm && set({ potCm: $event.acrossCm })" />
      <ParamField v-if="!used?.acrossCm" :station="station" name="potCm" label="Pot, across" />
      <ParamField
        v-if="params.until === 'soft' || params.until === 'temperature'"
        :station="station"
        name="altitudeM"
        label="Altitude"
        optional
      />
    </template>
    <template #measured
      ><LogFields :station="station" mass-label="Weighed, less the pot" />
      <PotWeighings v-if="facts && !weighed" :station="station" :tare-g="used?.tareG ?? null" />
      <HeatField :station="station" />
    </template>
    <template #picture>
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
      <p class="soft">
        The weight is the target, the minutes a forecast. Salt, sugar and heat grow stronger; vinegar leaves, so the pH may rise. Measure
        after.
      </p>
    </template>
  </StationFrame>
</template>
