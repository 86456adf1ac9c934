<script setup lang="ts">
import type { PodWish } from '@roskel/core';
import ColourTaste from '../ui/ColourTaste.vue';

/** What is wanted of the pods beyond heat and bottles: how many lots, whole pods, a colour, a taste, a price. */
const wish = defineModel<PodWish>({ required: true });
const set = (change: Partial<PodWish>) => (wish.value = { ...wish.value, ...change });
/** g of sieved pulp a g of pods: thin walls give 0.65, thick ones 0.85 (chapter 2, section 2). */
const BODIES = [
  { low: 0.72, name: 'some flesh' },
  { low: 0.8, name: 'fleshy' },
];
/** At least this share of the mix carries the colour or the taste (our judgement: enough to see and taste it). */
const SHARE = { colour: 0.6, flavour: 0.3 };
</script>

<template>
  <div class="wishes" role="group" aria-label="Wishes">
    <select
      class="small-entry"
      aria-label="At most how many lots"
      :value="wish.varieties ?? 0"
      @change="set({ varieties: Number(($event.target as HTMLSelectElement).value) || null })"
    >
      <option v-for="k in 6" :key="k" :value="k">up to {{ k }} {{ k === 1 ? 'lot' : 'lots' }}</option>
      <option :value="0">any number</option>
    </select>
    <label class="tick"
      ><input type="checkbox" :checked="wish.wholePods" @change="set({ wholePods: ($event.target as HTMLInputElement).checked })" /> whole
      pods</label
    >
    <ColourTaste :share="SHARE" :model-value="wish" @update:model-value="set($event)" />
    <select
      class="small-entry"
      aria-label="Body of the pods"
      :value="wish.body?.low ?? 0"
      @change="
        set({
          body: Number(($event.target as HTMLSelectElement).value) ? { low: Number(($event.target as HTMLSelectElement).value) } : null,
        })
      "
    >
      <option :value="0">any body</option>
      <option v-for="b in BODIES" :key="b.low" :value="b.low">{{ b.name }}</option>
    </select>
    <input
      class="small-entry price"
      inputmode="decimal"
      placeholder="price a kg"
      aria-label="Price of the pods per kg, at most"
      :value="wish.perKg?.max ?? ''"
      @change="
        set({
          perKg:
            Number(($event.target as HTMLInputElement).value.replace(',', '.')) > 0
              ? { max: Number(($event.target as HTMLInputElement).value.replace(',', '.')) }
              : null,
        })
      "
    />
  </div>
</template>

<style scoped>
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 9px;
  align-items: center;
  font-size: 13.5px;
}
label {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  min-height: 36px;
}
.tick input {
  width: 19px;
  height: 19px;
  accent-color: var(--rim);
}
.price {
  width: 88px;
}
.wishes :deep(select) {
  max-width: 102px;
}
.wishes select:first-child {
  max-width: 110px;
}
</style>
