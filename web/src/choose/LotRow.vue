<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PodLotRecord } from '@roskel/contract';
import { FORM_NAMES, lotShu, type PodChoice } from '@roskel/core';
import { grams as g, shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import KnifeFire from '../ui/KnifeFire.vue';
import LeastMost from '../ui/LeastMost.vue';
import type { Entry } from './useMix';

/** One lot to hand: whether the solver may use it, grams in the mix, knife and fire, and its hill of heat. */
/** The page's own reactive entry: changed in place. */
const entry = defineModel<Entry>('entry', { required: true });
const props = defineProps<{ choice: PodChoice; record: PodLotRecord; axis: ReturnType<typeof heatAxis>; width: number }>();
const emit = defineEmits<{ grams: [value: number] }>();
const name = computed(() => props.choice.lot.name);
const median = computed(() => lotShu(props.choice.lot));
const mu = computed(() => (median.value > 0 ? Math.log(median.value) : null));
const wrong = ref<{ text: string; says: string } | null>(null);

function read(text: string): number {
  const t = text.trim().replace(',', '.').replace(/\s*g$/, '');
  return t === '' ? 0 : /^\d*\.?\d+$/.test(t) ? Number(t) : Number.NaN;
}
function typed(text: string) {
  const value = read(text);
  wrong.value = null;
  if (Number.isNaN(value)) wrong.value = { text, says: 'Type grams, such as 250.' };
  else if (value > props.choice.stockG + 0.5) wrong.value = { text, says: `There are only ${g(props.choice.stockG)}.` };
  else emit('grams', value);
}
</script>

<template>
  <div class="lot" :class="{ out: entry.g <= 0 }">
    <label class="use" :title="`Let the solver use ${name}`">
      <input v-model="entry.use" type="checkbox" :aria-label="`Let the solver use ${name}`" :disabled="choice.stockG <= 0" />
    </label>
    <div class="name">
      <i :style="{ background: choice.lot.hex }" />
      <span>
        <b>{{ name }}</b>
        <span class="soft"
          >{{ FORM_NAMES[choice.lot.form] }}{{ record.place ? `, ${record.place}` : ''
          }}<b v-if="record.useFirst" class="first">, use first</b></span
        >
      </span>
    </div>
    <div class="dose">
      <div class="nums">
        <input
          class="entry grams"
          :value="wrong?.text ?? (entry.g > 0 ? Math.round(entry.g * 10) / 10 : '')"
          placeholder="0"
          inputmode="decimal"
          :aria-label="`${name}, grams in the mix`"
          :aria-invalid="wrong ? 'true' : undefined"
          @change="typed(($event.target as HTMLInputElement).value)"
        />
        <span class="soft">of {{ g(choice.stockG) }}</span>
        <KnifeFire v-model:prep="entry.prep" v-model:fire="entry.fire" :lot="choice.lot" />
        <LeastMost v-model:least="entry.leastG" v-model:most="entry.mostG" :name="name" unit="g" />
      </div>
      <input
        type="range"
        class="share"
        min="0"
        :max="Math.max(1, choice.stockG)"
        step="1"
        :value="entry.g"
        :style="{ '--p': `${(100 * entry.g) / Math.max(1, choice.stockG)}%` }"
        :aria-label="`${name}, share`"
        :aria-valuetext="g(entry.g)"
        @input="emit('grams', Number(($event.target as HTMLInputElement).value))"
      />
      <p v-if="wrong" class="field-error" role="alert">{{ wrong.says }}</p>
    </div>
    <div class="hill">
      <svg
        :viewBox="`0 0 ${width} 46`"
        preserveAspectRatio="none"
        role="img"
        :aria-label="mu === null ? 'no heat' : `about ${shu(median)} SHU as it is`"
      >
        <line v-for="t in axis.ticks" :key="t" :x1="axis.x(t)" :x2="axis.x(t)" y1="0" y2="46" stroke="#ece5d4" />
        <path v-if="mu !== null" :d="hill(mu, choice.lot.heat!.sigma, axis.x, 44, 36)" :fill="heatColour(median)" opacity="0.85" />
      </svg>
      <span v-if="mu === null" class="soft">no heat, all body</span>
    </div>
  </div>
</template>

<style scoped>
.lot {
  display: grid;
  grid-template-columns: 26px 126px 318px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  border-bottom: 1px dashed var(--line);
  padding: 3px 0;
}
.lot svg {
  width: 100%;
  height: 46px;
}
.hill {
  position: relative;
}
.hill span {
  position: absolute;
  left: 10px;
  top: 14px;
  font-size: 13px;
}
.lot.out .name i,
.lot.out .hill {
  opacity: 0.55;
}
.lot.out .name b {
  font-weight: 500;
}
.use {
  display: grid;
  place-items: center;
  min-height: 44px;
}
.use input {
  width: 20px;
  height: 20px;
  accent-color: var(--rim);
}
.name {
  display: grid;
  grid-template-columns: 14px 1fr;
  gap: 8px;
  align-items: center;
  line-height: 1.2;
}
.name i {
  height: 32px;
  border-radius: 6px 6px 9px 9px;
}
.name .soft {
  display: block;
  font-size: 13px;
}
.first {
  color: var(--warn);
}
.nums {
  display: grid;
  grid-template-columns: 56px 60px minmax(0, 1fr) auto;
  gap: 4px;
  align-items: center;
  font-size: 12.5px;
  white-space: nowrap;
}
.grams {
  width: 56px;
  min-height: 32px;
  padding: 2px 8px;
  font-weight: 700;
  font-size: 15px;
}
@media (max-width: 1000px) {
  .lot {
    grid-template-columns: 28px 1fr;
  }
  .dose,
  .hill {
    grid-column: 2;
  }
}
</style>
