<script setup lang="ts">
import { computed, ref } from 'vue';
import { BODY_WORDS, bracketOfLevel, LEVEL_NAMES, levelOf, PH_MARGIN, type BlendWish } from '@roskel/core';
import { shu } from '../format';
import ColourTaste from '../ui/ColourTaste.vue';

/** What is wanted of a mix: heat, size, salt, sugar, acid, body, colour, taste, price, how many kinds. */
const wish = defineModel<BlendWish>({ required: true });
const set = (change: Partial<BlendWish>) => (wish.value = { ...wish.value, ...change });
/** Least share of the mix that carries the colour or the taste (our judgement: enough to see and taste among the rest). */
const SHARE = { colour: 0.6, flavour: 0.2 };
const wrong = ref('');
const levels = LEVEL_NAMES.map((name, level) => ({ name, level, ...bracketOfLevel(level) })).slice(1, 11);
const level = computed(
  () => levels.find((l) => wish.value.heat?.lowShu === l.lowShu && wish.value.heat.highShu === l.highShu)?.level ?? -1,
);

/** A number typed into a wish; null when empty. A slip says so and changes nothing. */
function num(e: Event, low: number, high: number, what: string): number | null | undefined {
  const text = (e.target as HTMLInputElement).value.trim().replace(',', '.');
  wrong.value = '';
  if (text === '') return null;
  const x = /^\d*\.?\d+$/.test(text) ? Number(text) : Number.NaN;
  if (x >= low && x <= high) return x;
  wrong.value = `${what} must be between ${low.toLocaleString('en')} and ${high.toLocaleString('en')}.`;
  return undefined;
}
function heatEnd(end: 'lowShu' | 'highShu', e: Event) {
  const x = num(e, 0, 3_000_000, 'Heat in SHU');
  if (x === undefined || x === null) return;
  const heat = { ...(wish.value.heat ?? bracketOfLevel(4)), [end]: x };
  if (heat.highShu <= heat.lowShu) wrong.value = 'The high end must be above the low end.';
  else set({ heat: { lowShu: heat.lowShu, highShu: heat.highShu } });
}
function setMass(e: Event) {
  const x = num(e, 20, 20_000, 'The amount in grams');
  if (x) set({ massG: x });
}
function salt(end: 'low' | 'high', e: Event) {
  const x = num(e, 0, 20, 'Salt in %');
  if (x === undefined) return;
  const now = wish.value.saltPct ?? { low: 0, high: 20 };
  const next = { ...now, [end]: x ?? (end === 'low' ? 0 : 20) };
  if (next.low > next.high) wrong.value = 'Salt: the low end is above the high end.';
  else set({ saltPct: next.low === 0 && next.high === 20 ? null : next });
}
function setPh(e: Event) {
  const x = num(e, 2.5, 6, 'pH');
  if (x !== undefined) set({ pH: x === null ? null : { max: x, margin: PH_MARGIN } });
}
</script>

<template>
  <div class="wishes" role="group" aria-label="Wishes">
    <label
      >heat
      <select
        class="small-entry"
        aria-label="Heat by name"
        :value="level"
        @change="set({ heat: bracketOfLevel(Number(($event.target as HTMLSelectElement).value)) })"
      >
        <option v-if="level < 0" :value="-1">
          {{ wish.heat ? LEVEL_NAMES[Math.round(levelOf(Math.sqrt(Math.max(1, wish.heat.lowShu) * wish.heat.highShu)))] : 'any' }}
        </option>
        <option v-for="l in levels" :key="l.level" :value="l.level">{{ l.name }}</option>
      </select>
      <input
        class="small-entry shu"
        inputmode="numeric"
        aria-label="Heat from, SHU"
        :value="wish.heat?.lowShu"
        @change="heatEnd('lowShu', $event)"
      />
      to
      <input
        class="small-entry shu"
        inputmode="numeric"
        aria-label="Heat to, SHU"
        :value="wish.heat?.highShu"
        @change="heatEnd('highShu', $event)"
      />
      SHU</label
    >
    <label><input class="small-entry" inputmode="numeric" aria-label="Amount, g" :value="wish.massG" @change="setMass" /> g</label>
    <label
      >pH at most
      <input class="small-entry" inputmode="decimal" aria-label="pH at most" placeholder="any" :value="wish.pH?.max ?? ''" @change="setPh"
    /></label>
    <label
      >salt
      <input
        class="small-entry"
        inputmode="decimal"
        aria-label="Salt from, %"
        :value="wish.saltPct?.low ?? ''"
        @change="salt('low', $event)"
      />
      to
      <input
        class="small-entry"
        inputmode="decimal"
        aria-label="Salt to, %"
        :value="wish.saltPct?.high ?? ''"
        @change="salt('high', $event)"
      />
      %</label
    >
    <label
      >sugar at most
      <input
        class="small-entry"
        inputmode="decimal"
        aria-label="Sugar at most, %"
        placeholder="any"
        :value="wish.sugarPct?.high ?? ''"
        @change="
          (e) => {
            const x = num(e, 0, 60, 'Sugar in %');
            if (x !== undefined) set({ sugarPct: x === null ? null : { low: 0, high: x } });
          }
        "
      />
      %</label
    >
    <label
      >body
      <select
        class="small-entry"
        aria-label="Body"
        :value="wish.body?.low ?? 0"
        @change="
          set({
            body: Number(($event.target as HTMLSelectElement).value) ? { low: Number(($event.target as HTMLSelectElement).value) } : null,
          })
        "
      >
        <option :value="0">any</option>
        <option v-for="b in BODY_WORDS" :key="b.low" :value="b.low">{{ b.name }}</option>
      </select>
    </label>
    <label
      >at most
      <select
        class="small-entry"
        aria-label="At most how many kinds of pods"
        :value="wish.varieties ?? 0"
        @change="set({ varieties: Number(($event.target as HTMLSelectElement).value) || null })"
      >
        <option v-for="k in 5" :key="k" :value="k">{{ k }}</option>
        <option :value="0">any</option>
      </select>
      kinds of pods</label
    >
    <label class="tick"
      ><input type="checkbox" :checked="wish.wholePods" @change="set({ wholePods: ($event.target as HTMLInputElement).checked })" /> whole
      pods</label
    >
    <ColourTaste :share="SHARE" :model-value="wish" @update:model-value="set($event)" />
    <label
      >cost up to
      <input
        class="small-entry"
        inputmode="decimal"
        aria-label="Cost a kg, at most"
        placeholder="any"
        :value="wish.perKg?.max ?? ''"
        @change="
          (e) => {
            const x = num(e, 0, 1000, 'Cost a kg');
            if (x !== undefined) set({ perKg: x === null || x === 0 ? null : { max: x } });
          }
        "
      />
      a kg</label
    >
    <p v-if="wrong" class="field-error" role="alert">{{ wrong }}</p>
    <span v-if="wish.heat" class="visually-hidden">{{ shu(wish.heat.lowShu) }} to {{ shu(wish.heat.highShu) }} SHU</span>
  </div>
</template>

<style scoped>
.wishes {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  font-size: 14px;
}
label {
  display: inline-flex;
  gap: 5px;
  align-items: center;
  min-height: 36px;
}
input.small-entry {
  width: 56px;
}
input.shu {
  width: 78px;
}
.tick input {
  width: 19px;
  height: 19px;
  accent-color: var(--rim);
}
p {
  margin: 0;
}
</style>
