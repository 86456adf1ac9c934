<script setup lang="ts">
import { computed } from 'vue';
import { EATEN, EATEN_IDS, GoalSchema, heatWord, heatWords, type Eaten, type Goal } from '@roskel/core';
import { shu } from '../format';
import { heatColour } from '../theme';
import PickField from '../ui/PickField.vue';
import NumberField from '../ui/NumberField.vue';
import RadioCards from '../ui/RadioCards.vue';

/** The wish: how hot, how many bottles of what size. Levels by name, or SHU for those who know. */
const goal = defineModel<Goal>({ required: true });
/** How the style is eaten. */
const props = defineProps<{ eaten: Eaten }>();
const P = GoalSchema.properties;
const set = (change: Partial<Goal>) => (goal.value = { ...goal.value, ...change });
const how = computed(() => goal.value.eaten ?? props.eaten);
const ways = EATEN_IDS.map((e) => ({ value: e, label: EATEN[e].name }));
const levels = computed(() =>
  heatWords(how.value).map((w) => ({ ...w, value: w.name as string, title: w.name, says: `${shu(w.lowShu)} to ${shu(w.highShu)} SHU` })),
);
/** Its heat stays what it is; only its word changes. */
function eat(e: string) {
  const { eaten: _, ...rest } = goal.value;
  goal.value = e === props.eaten ? rest : { ...rest, eaten: e as Eaten };
}
const middle = computed(() => heatWord(Math.sqrt(Math.max(1, goal.value.lowShu) * goal.value.highShu), how.value));
const exactLevel = computed(
  () => levels.value.find((l) => goal.value.lowShu === l.lowShu && goal.value.highShu === l.highShu)?.value ?? null,
);
function pick(value: string | null) {
  const { lowShu, highShu } = levels.value.find((l) => l.value === value)!;
  set({ lowShu, highShu });
}
const order = computed(() => (goal.value.highShu > goal.value.lowShu ? null : 'The high end must be above the low end.'));
</script>

<template>
  <div class="goal">
    <RadioCards :model-value="exactLevel" label="How hot" :columns="3" :options="levels" @update:model-value="pick">
      <template #default="{ option, on }">
        <span class="level" :class="{ near: !on && middle === option.value }">
          <i :style="{ background: heatColour(Math.sqrt(option.lowShu * option.highShu)) }" />
          <span
            ><b>{{ option.title }}</b
            ><span class="soft says">{{ option.says }}</span></span
          >
        </span>
      </template>
    </RadioCards>
    <PickField label="Eaten" :model-value="how" :options="ways" @update:model-value="eat" />
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
.goal {
  display: grid;
  gap: 10px;
}
.level {
  display: grid;
  grid-template-columns: 14px 1fr;
  gap: 8px;
  align-items: center;
}
.level i {
  height: 28px;
  border-radius: 6px 6px 8px 8px;
}
.level.near b {
  text-decoration: underline dashed;
  text-underline-offset: 3px;
}
.says {
  display: block;
  font-size: 13px;
}
.row {
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 8px;
}
@media (max-width: 560px) {
  .row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
