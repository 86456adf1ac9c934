<script setup lang="ts">
import { computed } from 'vue';
import type { OwnIngredient } from '@roskel/contract';
import { ACIDS, INGREDIENTS, IngredientSchema, ingredientProblems, ingredientUnsaid, type Acid, type Ingredient } from '@roskel/core';
import { useOwnIngredients } from '../stores/own';
import AllergenField from './AllergenField.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import OwnSheet from '../house/OwnSheet.vue';
import { useOwnRow } from '../house/useOwnRow';
import TextField from '../ui/TextField.vue';
import { one } from '../format';

/** An ingredient of the maker's own: copied from one near by, changed, checked while it is typed. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ start: Ingredient | null; editing: OwnIngredient | null }>();
const own = useOwnIngredients();
const P = IngredientSchema.properties;
const { row, set, problems, refused, save, draft } = useOwnRow(show, props, {
  fresh: (copy) => ({
    ...copy,
    key: `own-${Date.now().toString(36)}`,
    name: `${copy.name}, mine`,
    like: copy.like ?? copy.key,
    allergens: [],
    confidence: 'low' as const,
  }),
  problems: (row) => [...ingredientProblems(row), ...ingredientUnsaid(row)],
  add: own.add,
  edit: own.edit,
});
const LIKE = INGREDIENTS.map((i) => ({ value: i.key, label: i.name }));
const SHARES: [keyof Ingredient & ('water' | 'sugars' | 'salt' | 'fat' | 'protein' | 'tss'), string][] = [
  ['water', 'Water'],
  ['sugars', 'Sugar'],
  ['tss', 'Soluble solids'],
  ['salt', 'Salt'],
  ['fat', 'Fat'],
  ['protein', 'Protein'],
];
const NAMES: Partial<Record<Acid, string>> = {
  acetic: 'Acetic acid',
  citric: 'Citric acid',
  malic: 'Malic acid',
  lactic: 'Lactic acid',
  tartaric: 'Tartaric acid',
};
/** The acids a label may tell; others stay as copied. */
const shown = ACIDS.filter((a) => NAMES[a]);
const share = { ...P.water, title: 'The share', unit: '%' };
const setAcid = (a: Acid, x: number | null) => set({ acids: { ...row.value!.acids, [a]: x ?? 0 } });
const piece = computed(() => Object.entries(row.value?.pieces ?? {})[0] ?? null);
const setPiece = (x: number | null) => piece.value && x && set({ pieces: { ...row.value!.pieces, [piece.value[0]]: x } });
const setPh = (end: 'lo' | 'typ' | 'hi', x: number | null) => row.value!.pH && x && set({ pH: { ...row.value!.pH, [end]: x } });
</script>

<template>
  <OwnSheet
    v-model:show="show"
    :title="editing ? 'Your ingredient' : 'An ingredient of your own'"
    :width="640"
    :ready="row !== null"
    :taken-up="draft.takenUp.value"
    :problems="problems"
    :refused="refused"
    well="It hangs together: water and solids add up, and the pH fits the acids."
    :verb="editing ? 'Keep the changes' : 'Add the ingredient'"
    @save="save"
    @anew="draft.anew"
  >
    <template v-if="row">
      <TextField class="wide" label="Name" :maxlength="120" :model-value="row.name" @update:model-value="set({ name: $event })" />
      <PickField
        class="wide"
        label="It is like"
        :model-value="row.like ?? null"
        :options="LIKE"
        @update:model-value="set({ like: $event })"
      />
      <AllergenField class="wide" :model-value="row.allergens" @update:model-value="set({ allergens: $event })" />
      <NumberField
        v-for="[field, label] in SHARES"
        :key="field"
        :label="label"
        unit="%"
        :model-value="row[field]"
        :schema="share"
        @update:model-value="set({ [field]: $event! })"
      />
      <NumberField
        v-for="a in shown"
        :key="a"
        :label="NAMES[a]!"
        unit="%"
        optional
        :model-value="row.acids[a] ?? 0"
        :schema="share"
        @update:model-value="setAcid(a, $event)"
      />
      <template v-if="row.pH">
        <NumberField
          label="pH, lowest"
          :model-value="row.pH.lo"
          :schema="P.pH.anyOf[0].properties.typ"
          @update:model-value="setPh('lo', $event)"
        />
        <NumberField
          label="pH, usual"
          :model-value="row.pH.typ"
          :schema="P.pH.anyOf[0].properties.typ"
          @update:model-value="setPh('typ', $event)"
        />
        <NumberField
          label="pH, highest"
          :model-value="row.pH.hi"
          :schema="P.pH.anyOf[0].properties.typ"
          @update:model-value="setPh('hi', $event)"
        />
      </template>
      <NumberField
        label="A US cup weighs"
        unit="g"
        :model-value="row.measure.cup"
        :schema="{ ...P.density, maximum: 500 }"
        @update:model-value="set({ measure: { cup: $event!, tbsp: $event! / 16, tsp: $event! / 48 } })"
      />
      <NumberField
        v-if="piece"
        :label="`${one(piece[0].replaceAll('_', ' '))} weighs`.replace(/^a/, 'A')"
        unit="g"
        :model-value="piece[1]"
        :schema="{ ...P.density, maximum: 5000 }"
        @update:model-value="setPiece"
      />
    </template>
  </OwnSheet>
</template>
