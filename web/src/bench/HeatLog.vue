<script setup lang="ts">
import { computed, ref } from 'vue';
import { NButton } from 'naive-ui';
import { Type } from '@sinclair/typebox';
import { boilingPointC, HEATED, heatTreatment, readTempLog, sterilisingMinutes, VEGETATIVE } from '@roskel/core';
import { degrees, plural } from '../format';
import FactRows from '../ui/FactRows.vue';
import NumberField from '../ui/NumberField.vue';
import TextField from '../ui/TextField.vue';

/** A thermometer's log, typed or of a logger: whether the coldest spot was hot enough for long enough. */
const EXAMPLE = 'min, °C\n0, 25\n6, 70\n9, 83\n20, 83\n24, 70';
const text = ref('');
const altitude = ref(0);
const file = ref<HTMLInputElement | null>(null);
const Altitude = Type.Number({ title: 'The altitude', minimum: -400, maximum: 5000, unit: 'm' });
async function read(e: Event) {
  const [chosen] = (e.target as HTMLInputElement).files ?? [];
  if (chosen) text.value = (await chosen.text()).slice(0, 400_000);
  if (file.value) file.value.value = '';
}
const log = computed(() => readTempLog(text.value));
const found = computed(() => {
  try {
    return log.value.points.length > 1 ? heatTreatment(log.value.points) : null;
  } catch {
    return null;
  }
});
const says = computed(() => {
  const f = found.value;
  if (!f) return '';
  if (f.enough) return `Hot enough: ${degrees(HEATED.c)} or more for ${Math.floor(f.heldMin)} minutes without a break.`;
  return f.lacks && 'c' in f.lacks
    ? `Not hot enough: its hottest is ${degrees(f.peakC, 1)}, and ${degrees(HEATED.c)} are asked for everywhere.`
    : `Too short: ${f.heldMin.toFixed(1)} minutes at ${degrees(HEATED.c)} or more; ten are asked for without a break.`;
});
const rows = computed<[string, string][]>(() => {
  const f = found.value;
  if (!f) return [];
  return [
    ['Hottest', degrees(f.peakC, 1)],
    [`At ${degrees(HEATED.c)} or more, in one go`, `${f.heldMin.toFixed(1)} min`],
    [`Counted as minutes at ${degrees(VEGETATIVE.refC, 1)}`, f.creditMin > 999 ? 'over 999' : f.creditMin.toFixed(1)],
    ['Read as', log.value.said ? `°${log.value.unit}` : `°${log.value.unit}, by its figures`],
  ];
});
const [W, H, LEFT, FOOT] = [620, 230, 46, 26] as const;
const scale = computed(() => {
  const p = log.value.points;
  const end = Math.max(1, p.at(-1)?.min ?? 1);
  const top = Math.max(95, ...p.map((x) => x.c)) + 5;
  const low = Math.min(15, ...p.map((x) => x.c));
  return { x: (min: number) => LEFT + ((W - LEFT - 8) * min) / end, y: (c: number) => 8 + ((H - FOOT - 8) * (top - c)) / (top - low), end };
});
const path = computed(() =>
  log.value.points.map((p, i) => `${i ? 'L' : 'M'}${scale.value.x(p.min).toFixed(1)} ${scale.value.y(p.c).toFixed(1)}`).join(''),
);
const boils = computed<[string, string][]>(() => [
  ['Water boils at', degrees(boilingPointC(altitude.value), 1)],
  ['Boil clean jars and bottles for', `${sterilisingMinutes(altitude.value)} min`],
]);
</script>

<template>
  <div class="grid">
    <section class="plate side" aria-label="The log">
      <TextField v-model="text" label="Time and temperature, a line each" :rows="10" :maxlength="400000" :placeholder="EXAMPLE" />
      <div class="acts">
        <NButton @click="file?.click()">Open a logger’s file</NButton>
        <NButton text class="link" @click="text = EXAMPLE">an example</NButton>
        <input ref="file" type="file" accept=".csv,.txt,.tsv,text/*" class="visually-hidden" aria-label="A logger's file" @change="read" />
      </div>
      <p v-if="text.trim()" class="soft" role="status" data-fact="read">
        {{ plural(log.points.length, 'point') }} read<template v-if="log.bad.length"
          >, {{ plural(log.bad.length, 'line') }} left out</template
        >.
      </p>
      <ul v-if="log.bad.length" class="bad">
        <li v-for="b in log.bad.slice(0, 8)" :key="b.row">
          <b>Line {{ b.row }}</b
          >: {{ b.why }} <span class="soft">{{ b.text }}</span>
        </li>
        <li v-if="log.bad.length > 8" class="soft">and {{ log.bad.length - 8 }} more</li>
      </ul>
    </section>
    <section class="plate side" aria-label="What the heat did">
      <p v-if="!found" class="soft">
        Put the probe into the coldest spot, the middle of the fullest bottle, and type what it says with its minutes; or open the file of a
        logger. Commas, semicolons, clock times, °C and °F are understood.
      </p>
      <template v-else>
        <h2 :class="{ short: !found.enough }" data-fact="verdict">{{ says }}</h2>
        <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`Temperature over ${Math.round(scale.end)} minutes. ${says}`">
          <line :x1="LEFT" :x2="W - 8" :y1="scale.y(HEATED.c)" :y2="scale.y(HEATED.c)" class="need" />
          <text :x="LEFT - 6" :y="scale.y(HEATED.c) + 5" text-anchor="end">{{ degrees(HEATED.c) }}</text>
          <path :d="path" class="curve" />
          <text :x="LEFT" :y="H - 6">0</text>
          <text :x="W - 8" :y="H - 6" text-anchor="end">{{ Math.round(scale.end) }} min</text>
        </svg>
        <FactRows :rows="rows" />
      </template>
      <p class="soft">
        Heat like this kills what grows, not spores. It lengthens nothing by itself: only a pH of 4.0 or below, read with a meter on the
        finished, cooled sauce, does, and nothing is added after it. Sauces in oil stay in the fridge whatever was done. For sale, ask a
        process authority.
      </p>
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
.acts {
  display: flex;
  gap: 12px;
  align-items: center;
}
.bad {
  margin: 0;
  padding: 8px 12px;
  list-style: none;
  background: var(--warn-plate);
  border-radius: 8px;
  font-size: 14px;
}
h2.short {
  color: var(--warn);
}
svg {
  width: 100%;
  display: block;
}
.need {
  stroke: var(--rim);
  stroke-width: 2;
  stroke-dasharray: 6 5;
}
.curve {
  fill: none;
  stroke: var(--heat);
  stroke-width: 3;
}
text {
  font-size: 15px;
  fill: var(--soft);
}
@media (max-width: 1000px) {
  .grid {
    grid-template-columns: minmax(0, 1fr);
  }
  text {
    font-size: 26px;
  }
}
</style>
