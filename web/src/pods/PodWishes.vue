<script setup lang="ts">
import { Type } from '@sinclair/typebox';
import type { PodWish } from '@roskel/core';
import { plural } from '../format';
import NumberField from '../ui/NumberField.vue';
import PickField from '../ui/PickField.vue';
import TickField from '../ui/TickField.vue';
import { LEAST_BODY } from '../stations/bodyWords';
import ColourTaste from './ColourTaste.vue';

/** What is wanted of the pods beyond heat and bottles: how many lots, whole pods, a colour, a taste, a price. */
const wish = defineModel<PodWish>({ required: true });
const set = (change: Partial<PodWish>) => (wish.value = { ...wish.value, ...change });
/** At least this share of the mix carries the colour or the taste (our judgement: enough to see and taste it). */
const SHARE = { colour: 0.6, flavour: 0.3 };
const counts = [...[1, 2, 3, 4, 5, 6].map((k) => ({ value: k, label: `up to ${plural(k, 'lot')}` })), { value: 0, label: 'any number' }];
const Cost = Type.Number({ title: 'The price', minimum: 0, maximum: 10_000 });
</script>

<template>
  <div class="wishes" role="group" aria-label="Wishes">
    <PickField
      small
      hide-label
      label="At most how many lots"
      :model-value="wish.varieties ?? 0"
      :options="counts"
      @update:model-value="set({ varieties: $event || null })"
    />
    <ColourTaste :share="SHARE" :model-value="wish" @update:model-value="set($event)" />
    <PickField
      class="body"
      small
      hide-label
      label="Body of the sauce"
      :model-value="wish.body?.low ?? 0"
      :options="LEAST_BODY"
      @update:model-value="set({ body: $event ? { low: $event } : null })"
    />
    <NumberField
      small
      hide-label
      optional
      label="Price of the pods per kg, at most"
      placeholder="price a kg"
      :model-value="wish.perKg?.max ?? null"
      :schema="Cost"
      @update:model-value="set({ perKg: $event ? { max: $event } : null })"
    />
    <TickField label="whole pods" :model-value="wish.wholePods" @update:model-value="set({ wholePods: $event })" />
  </div>
</template>

<style scoped>
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 8px;
  align-items: center;
  font-size: 13.5px;
}
.wishes :deep(.labelled) {
  width: 116px;
}
.wishes :deep(.body) {
  width: 186px;
}
</style>
