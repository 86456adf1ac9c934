<script setup lang="ts">
import { computed, ref } from 'vue';
import { Type } from '@sinclair/typebox';
import { boilingPointC, sterilisingMinutes } from '@roskel/core';
import { degrees } from '../format';
import FactRows from '../ui/FactRows.vue';
import NumberField from '../ui/NumberField.vue';
import HeatEntry from './HeatEntry.vue';
import HeatPicture from './HeatPicture.vue';
import { HEAT_LIMITS, TIMES, useHeatLog } from './useHeatLog';

/** A thermometer's log, typed or of a logger: whether the coldest spot was hot enough for long enough. */
const heat = useHeatLog();
const { log, points, found } = heat;
const altitude = ref(0);
const Altitude = Type.Number({ title: 'The altitude', minimum: -400, maximum: 5000, unit: 'm' });
const readAs = computed<[string, string][]>(() => [
  ['Read as', `°${log.value.unit}, ${log.value.time === 'date' ? 'dates' : TIMES.find((t) => t.value === log.value.time)!.label}`],
]);
const boils = computed<[string, string][]>(() => [
  ['Water boils at', degrees(boilingPointC(altitude.value), 1)],
  ['Boil clean jars and bottles for', `${sterilisingMinutes(altitude.value)} min`],
]);
</script>

<template>
  <div class="grid">
    <section class="plate side" aria-label="The log"><HeatEntry :heat="heat" /></section>
    <section class="plate side" aria-label="What the heat did">
      <p v-if="!found" class="soft">
        Put the probe into the coldest spot, the middle of the fullest bottle, and type what it says with its minutes; or open the file of a
        logger. Commas, semicolons, clock times, °C and °F are understood.
      </p>
      <HeatPicture v-else :points="points" :more="readAs" />
      <p class="soft">{{ HEAT_LIMITS }}</p>
    </section>
    <section class="plate side" aria-label="Boiling">
      <NumberField label="Altitude" unit="m" :model-value="altitude" :schema="Altitude" @update:model-value="altitude = $event!" />
      <FactRows :rows="boils" />
    </section>
  </div>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: 330px minmax(0, 1fr) 270px;
  gap: 12px;
  align-items: start;
}
.side {
  padding: 12px 16px;
  display: grid;
  gap: 8px;
}
.side p {
  margin: 0;
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
