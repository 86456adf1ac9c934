<script setup lang="ts">
import { computed } from 'vue';
import { bracketOfLevel, GoalSchema, LEVEL_NAMES, levelOf, type Goal } from '@roskel/core';
import { shu } from '../format';
import { heatColour } from '../theme';
import NumberField from './NumberField.vue';

/** The wish: how hot, how many bottles of what size. Levels by name, or SHU for those who know. */
const goal = defineModel<Goal>({ required: true });
const P = GoalSchema.properties;
const set = (change: Partial<Goal>) => (goal.value = { ...goal.value, ...change });
const levels = LEVEL_NAMES.map((name, level) => ({ name, level, ...bracketOfLevel(level) })).slice(1, 10);
const middle = computed(() => Math.round(levelOf(Math.sqrt(Math.max(1, goal.value.lowShu) * goal.value.highShu))));
const exact = (l: (typeof levels)[number]) => goal.value.lowShu === l.lowShu && goal.value.highShu === l.highShu;
const order = computed(() => (goal.value.highShu > goal.value.lowShu ? null : 'The high end must be above the low end.'));
</script>

<template>
  <div class="goal">
    <fieldset>
      <legend>How hot</legend>
      <label v-for="l in levels" :key="l.level" :class="{ on: exact(l), near: !exact(l) && middle === l.level }">
        <input
          type="radio"
          name="level"
          class="visually-hidden"
          :checked="exact(l)"
          @change="set({ lowShu: l.lowShu, highShu: l.highShu })"
        />
        <i :style="{ background: heatColour((l.lowShu + l.highShu) / 2) }" />
        {{ l.name }}
        <span class="soft">{{ shu(l.lowShu) }} to {{ shu(l.highShu) }}</span>
      </label>
    </fieldset>
    <div class="row">
      <NumberField
        label="From"
        unit="SHU"
        :digits="0"
        :model-value="goal.lowShu"
        :schema="P.lowShu"
        @update:model-value="set({ lowShu: $event! })"
      />
      <NumberField
        label="To"
        unit="SHU"
        :digits="0"
        :model-value="goal.highShu"
        :schema="P.highShu"
        :trouble="order"
        @update:model-value="set({ highShu: $event! })"
      />
      <NumberField label="Bottles" :model-value="goal.bottles" :schema="P.bottles" @update:model-value="set({ bottles: $event! })" />
      <NumberField
        label="Bottle size"
        unit="ml"
        :model-value="goal.bottleMl"
        :schema="P.bottleMl"
        @update:model-value="set({ bottleMl: $event! })"
      />
    </div>
  </div>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 10px;
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
}
legend {
  font-size: 13px;
  color: var(--soft);
}
label {
  display: grid;
  grid-template-columns: 14px 1fr;
  column-gap: 8px;
  align-items: center;
  min-height: 48px;
  padding: 3px 10px;
  border: 1.5px solid var(--line);
  border-radius: 10px;
  cursor: pointer;
  font-weight: 600;
  line-height: 1.15;
}
label i {
  grid-row: 1 / 3;
  width: 14px;
  height: 28px;
  border-radius: 6px 6px 8px 8px;
}
label .soft {
  font-weight: 400;
  font-size: 12px;
}
label.on {
  border: 2px solid var(--rim);
  background: var(--active);
}
label.near {
  border-color: var(--rim);
  border-style: dashed;
}
label:focus-within {
  outline: 3px solid var(--acid);
}
.row {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
}
@media (max-width: 560px) {
  fieldset,
  .row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
