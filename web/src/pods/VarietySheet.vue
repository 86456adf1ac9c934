<script setup lang="ts">
import { VarietySchema, type OwnVariety } from '@roskel/contract';
import { varietyProblems, type CapsaicinoidClass, type Variety } from '@roskel/core';
import { useVarieties } from '../stores/own';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import OwnSheet from '../house/OwnSheet.vue';
import { useOwnRow } from '../house/useOwnRow';
import { NColorPicker } from 'naive-ui';
import TextField from '../ui/TextField.vue';
import LabelledField from '../ui/LabelledField.vue';

/** A variety of the maker's own: copied from one near by, changed, checked while it is typed. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ start: Variety | null; editing: OwnVariety | null }>();
const varieties = useVarieties();
const P = VarietySchema.properties;
const {
  row: v,
  set,
  problems,
  refused,
  save,
  draft,
} = useOwnRow(show, props, {
  fresh: (copy) => ({ ...copy, id: `own-${Date.now().toString(36)}`, name: `${copy.name}, mine`, source: `copied from ${copy.name}` }),
  problems: varietyProblems,
  add: varieties.add,
  edit: varieties.edit,
});
const heat = (end: 'low' | 'typical' | 'high', x: number | null) => set({ shuDry: { ...v.value!.shuDry, [end]: x ?? 0 } });
const podG = (x: number | null) => {
  const { pod } = v.value!;
  if (pod && x)
    set({ pod: { ...pod, massG: { low: Math.min(pod.massG.low, x * 0.6), typical: x, high: Math.max(pod.massG.high, x * 1.5) } } });
};
/** Words while they are typed: a comma at the end is a word to come. */
const taste = (text: string) =>
  set({
    flavour: text
      .split(/,\s*/)
      .map((w) => w.slice(0, 40))
      .slice(0, 12),
  });
const CLASSES: { value: CapsaicinoidClass; label: string }[] = [
  { value: 'sweet', label: 'no heat at all' },
  { value: 'std', label: 'most peppers' },
  { value: 'chinense', label: 'habanero kind' },
  { value: 'superhot', label: 'superhot' },
];
</script>

<template>
  <OwnSheet
    v-model:show="show"
    :title="editing ? 'Your variety' : 'A variety of your own'"
    :width="640"
    :ready="v !== null"
    :taken-up="draft.takenUp.value"
    :problems="problems"
    :refused="refused"
    well="It hangs together: water and solids, heat range and pod add up."
    :verb="editing ? 'Keep the changes' : 'Add the variety'"
    @save="save"
    @anew="draft.anew"
  >
    <template v-if="v">
      <TextField class="wide" label="Name" :maxlength="80" :model-value="v.name" @update:model-value="set({ name: $event })" />
      <NumberField
        label="Mild end"
        unit="SHU dry"
        :digits="0"
        :model-value="v.shuDry.low"
        :schema="P.shuDry.properties.low"
        @update:model-value="heat('low', $event)"
      />
      <NumberField
        label="Usual"
        unit="SHU dry"
        :digits="0"
        :model-value="v.shuDry.typical"
        :schema="P.shuDry.properties.typical"
        @update:model-value="heat('typical', $event)"
      />
      <NumberField
        label="Hot end"
        unit="SHU dry"
        :digits="0"
        :model-value="v.shuDry.high"
        :schema="P.shuDry.properties.high"
        @update:model-value="heat('high', $event)"
      />
      <NumberField label="Water" unit="%" :model-value="v.waterPct" :schema="P.waterPct" @update:model-value="set({ waterPct: $event! })" />
      <NumberField
        label="Sugar"
        unit="%"
        :model-value="v.solubleSugarGPer100g"
        :schema="P.solubleSugarGPer100g"
        @update:model-value="set({ solubleSugarGPer100g: $event! })"
      />
      <NumberField
        v-if="v.pod"
        label="A pod weighs"
        unit="g"
        :model-value="v.pod.massG.typical"
        :schema="{ ...P.waterPct, title: 'The pod', minimum: 0.05, maximum: 1000, unit: 'g' }"
        @update:model-value="podG"
      />
      <PickField
        label="Where its heat sits"
        :model-value="v.capsaicinoidClass"
        :options="CLASSES"
        @update:model-value="set({ capsaicinoidClass: $event })"
      />
      <PickField
        v-if="v.pod"
        label="Wall"
        :model-value="v.wall ?? 'medium'"
        :options="(['thin', 'medium', 'thick'] as const).map((w) => ({ value: w, label: w }))"
        @update:model-value="set({ wall: $event })"
      />
      <LabelledField label="Ripe colour" for-id="ripe-colour">
        <NColorPicker
          id="ripe-colour"
          :value="v.ripeColour"
          :modes="['hex']"
          :show-alpha="false"
          :actions="[]"
          aria-label="Ripe colour"
          @update:value="set({ ripeColour: String($event).toUpperCase() })"
        />
      </LabelledField>
      <TextField class="wide" label="Taste, in words with commas" :model-value="v.flavour.join(', ')" @update:model-value="taste" />
    </template>
  </OwnSheet>
</template>
