<script setup lang="ts">
import { computed, ref } from 'vue';
import { Type } from '@sinclair/typebox';
import { bracketOfLevel, HEAT_WORDS, levelName, PH_MARGIN, type BlendWish } from '@roskel/core';
import { shu } from '../format';
import { LEAST_BODY } from '../stations/bodyWords';
import ColourTaste from '../pods/ColourTaste.vue';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TickField from '../ui/TickField.vue';

/** What is wanted of a mix: heat, size, salt, sugar, acid, body, colour, taste, price, how many kinds. */
const wish = defineModel<BlendWish>({ required: true });
const set = (change: Partial<BlendWish>) => (wish.value = { ...wish.value, ...change });
/** Least share of the mix that carries the colour or the taste (our judgement: enough to see and taste among the rest). */
const SHARE = { colour: 0.6, flavour: 0.2 };
const wrong = ref('');
const P = {
  heat: Type.Number({ title: 'Heat in SHU', minimum: 0, maximum: 3_000_000 }),
  mass: Type.Number({ title: 'The amount', minimum: 20, maximum: 20_000, unit: 'g' }),
  pH: Type.Number({ title: 'pH', minimum: 2.5, maximum: 6 }),
  salt: Type.Number({ title: 'Salt in %', minimum: 0, maximum: 20 }),
  sugar: Type.Number({ title: 'Sugar in %', minimum: 0, maximum: 60 }),
  cost: Type.Number({ title: 'Cost a kg', minimum: 0, maximum: 1000 }),
};
const level = computed(
  () => HEAT_WORDS.find((w) => wish.value.heat?.lowShu === w.lowShu && wish.value.heat.highShu === w.highShu)?.name ?? '',
);
const levelChoices = computed(() => [
  ...(level.value === ''
    ? [
        {
          value: '',
          label: wish.value.heat ? `about ${levelName(Math.sqrt(Math.max(1, wish.value.heat.lowShu) * wish.value.heat.highShu))}` : 'any',
        },
      ]
    : []),
  ...HEAT_WORDS.map((w) => ({ value: w.name as string, label: w.name })),
]);
function named(name: string) {
  const w = HEAT_WORDS.find((x) => x.name === name);
  if (w) set({ heat: { lowShu: w.lowShu, highShu: w.highShu } });
}
const kinds = [
  ...[1, 2, 3, 4, 5].map((k) => ({ value: k, label: k === 1 ? '1 kind of pods' : `up to ${k} kinds` })),
  { value: 0, label: 'any number' },
];

function heatEnd(end: 'lowShu' | 'highShu', x: number) {
  const heat = { ...(wish.value.heat ?? bracketOfLevel(4)), [end]: x };
  wrong.value = heat.highShu <= heat.lowShu ? 'The high end must be above the low end.' : '';
  if (!wrong.value) set({ heat: { lowShu: heat.lowShu, highShu: heat.highShu } });
}
function salt(end: 'low' | 'high', x: number | null) {
  const now = wish.value.saltPct ?? { low: 0, high: 20 };
  const next = { ...now, [end]: x ?? (end === 'low' ? 0 : 20) };
  wrong.value = next.low > next.high ? 'Salt: the low end is above the high end.' : '';
  if (!wrong.value) set({ saltPct: next.low === 0 && next.high === 20 ? null : next });
}
</script>

<template>
  <div class="wishes" role="group" aria-label="Wishes">
    <span class="w"
      >heat
      <PickField
        class="name"
        small
        hide-label
        label="Heat by name"
        :model-value="level"
        :options="levelChoices"
        @update:model-value="named"
      />
      <NumberField
        class="shu"
        small
        hide-label
        label="Heat from"
        unit="SHU"
        :digits="0"
        :model-value="wish.heat?.lowShu"
        :schema="P.heat"
        @update:model-value="heatEnd('lowShu', $event!)"
      />
      to
      <NumberField
        class="shu"
        small
        hide-label
        label="Heat to"
        unit="SHU"
        :digits="0"
        :model-value="wish.heat?.highShu"
        :schema="P.heat"
        @update:model-value="heatEnd('highShu', $event!)"
      />
      SHU</span
    >
    <span class="w"
      >amount
      <NumberField
        class="mid"
        small
        hide-label
        label="Amount"
        unit="g"
        :digits="1"
        :model-value="wish.massG"
        :schema="P.mass"
        @update:model-value="set({ massG: $event! })"
    /></span>
    <span class="w"
      >pH at most
      <NumberField
        small
        hide-label
        optional
        label="pH at most"
        placeholder="any"
        :model-value="wish.pH?.max ?? null"
        :schema="P.pH"
        @update:model-value="set({ pH: $event === null ? null : { max: $event, margin: PH_MARGIN } })"
    /></span>
    <span class="w"
      >salt
      <NumberField
        small
        hide-label
        optional
        label="Salt from"
        unit="%"
        :model-value="wish.saltPct?.low ?? null"
        :schema="P.salt"
        @update:model-value="salt('low', $event)"
      />
      to
      <NumberField
        small
        hide-label
        optional
        label="Salt to"
        unit="%"
        :model-value="wish.saltPct?.high ?? null"
        :schema="P.salt"
        @update:model-value="salt('high', $event)"
      />
      %</span
    >
    <span class="w"
      >sugar at most
      <NumberField
        small
        hide-label
        optional
        label="Sugar at most"
        unit="%"
        placeholder="any"
        :model-value="wish.sugarPct?.high ?? null"
        :schema="P.sugar"
        @update:model-value="set({ sugarPct: $event === null ? null : { low: 0, high: $event } })"
      />
      %</span
    >
    <PickField
      class="body"
      small
      hide-label
      label="Body"
      :model-value="wish.body?.low ?? 0"
      :options="LEAST_BODY"
      @update:model-value="set({ body: $event ? { low: $event } : null })"
    />
    <PickField
      class="pick"
      small
      hide-label
      label="At most how many kinds of pods"
      :model-value="wish.varieties ?? 0"
      :options="kinds"
      @update:model-value="set({ varieties: $event || null })"
    />
    <ColourTaste class="pick" :share="SHARE" :model-value="wish" @update:model-value="set($event)" />
    <TickField label="whole pods" :model-value="wish.wholePods" @update:model-value="set({ wholePods: $event })" />
    <span class="w"
      >cost up to
      <NumberField
        small
        hide-label
        optional
        label="Cost a kg, at most"
        placeholder="any"
        :model-value="wish.perKg?.max ?? null"
        :schema="P.cost"
        @update:model-value="set({ perKg: $event ? { max: $event } : null })"
      />
      a kg</span
    >
    <p v-if="wrong" class="field-error" role="alert">{{ wrong }}</p>
    <span v-if="wish.heat" class="visually-hidden">{{ shu(wish.heat.lowShu) }} to {{ shu(wish.heat.highShu) }} SHU</span>
  </div>
</template>

<style scoped>
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  font-size: 14px;
}
.w {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}
.w :deep(.labelled) {
  width: 58px;
}
.w :deep(.shu) {
  width: 84px;
}
.w :deep(.mid) {
  width: 76px;
}
.w :deep(.name) {
  width: 112px;
}
.wishes > :deep(.labelled) {
  width: 126px;
}
.wishes > :deep(.body) {
  width: 186px;
}
p {
  margin: 0;
}
</style>
