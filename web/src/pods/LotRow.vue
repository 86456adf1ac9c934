<script setup lang="ts">
import { computed, ref } from 'vue';
import type { PodLotRecord } from '@roskel/contract';
import { isSpoilt, FORM_NAMES, lotShu, type PodChoice } from '@roskel/core';
import { grams as g, shu } from '../format';
import { heatColour } from '../theme';
import { heatAxis, hill } from '../charts/HeatAxis';
import KnifeField from './KnifeField.vue';
import LeastMost from '../ui/LeastMost.vue';
import type { Entry } from './useMix';
import { Type } from '@sinclair/typebox';
import { figureOf } from '../ui/figures';
import NumberField from '../ui/NumberField.vue';
import ShareSlider from '../ui/ShareSlider.vue';
import TickField from '../ui/TickField.vue';

/** One lot to hand: whether the solver may use it, grams in the mix, the knife, and its hill of heat. */
/** The page's own reactive entry: changed in place. */
const entry = defineModel<Entry>('entry', { required: true });
const props = defineProps<{ choice: PodChoice; record: PodLotRecord; axis: ReturnType<typeof heatAxis>; width: number }>();
const emit = defineEmits<{ grams: [value: number] }>();
const name = computed(() => props.choice.lot.name);
const median = computed(() => lotShu(props.choice.lot));
const mu = computed(() => (median.value > 0 ? Math.log(median.value) : null));
/** In the very unit of the field beside it. */
const there = computed(() => {
  const { unit, show } = figureOf('g');
  return unit === 'g' ? g(props.choice.stockG) : `${show(props.choice.stockG).toFixed(0)} ${unit}`;
});
const wrong = ref<string | null>(null);
const Dose = Type.Number({ title: 'The amount', minimum: 0, maximum: 200_000, unit: 'g' });
function typed(value: number) {
  wrong.value = value > props.choice.stockG + 0.5 ? `There are only ${g(props.choice.stockG)}.` : null;
  if (!wrong.value) emit('grams', value);
}
</script>

<template>
  <div class="lot" :class="{ out: entry.g <= 0 }">
    <TickField v-model="entry.use" class="use" hide-label :label="`May be used: ${name}`" :disabled="choice.stockG <= 0" />
    <div class="name">
      <i :style="{ background: choice.lot.hex }" />
      <span>
        <b>{{ name }}</b>
        <span class="soft"
          >{{ FORM_NAMES[choice.lot.form] }}{{ record.place ? `, ${record.place}` : ''
          }}<b v-if="isSpoilt(choice.lot)" class="first">, throw it away: its jar spoilt</b
          ><b v-else-if="record.useFirst" class="first">, use first</b></span
        >
      </span>
    </div>
    <div class="dose">
      <div class="nums">
        <NumberField
          class="grams"
          small
          hide-label
          optional
          :label="`${name} in the mix`"
          unit="g"
          placeholder="0"
          :digits="1"
          :model-value="entry.g > 0 ? entry.g : null"
          :schema="Dose"
          :trouble="wrong"
          @update:model-value="typed($event ?? 0)"
        />
        <span class="soft">of {{ there }}</span>
        <KnifeField v-model:prep="entry.prep" class="knife" :lot="choice.lot" />
        <LeastMost v-model:least="entry.leastG" v-model:most="entry.mostG" :name="name" unit="g" />
      </div>
      <ShareSlider
        :label="`${name}, share`"
        :max="Math.max(1, choice.stockG)"
        :says="g(entry.g)"
        :model-value="entry.g"
        @update:model-value="emit('grams', $event)"
      />
    </div>
    <div class="hill">
      <svg
        :viewBox="`0 0 ${width} 46`"
        preserveAspectRatio="none"
        role="img"
        :aria-label="mu === null ? 'no heat' : `about ${shu(median)} SHU as it is`"
      >
        <line v-for="t in axis.ticks" :key="t" :x1="axis.x(t)" :x2="axis.x(t)" y1="0" y2="46" stroke="var(--grid)" />
        <path v-if="mu !== null" :d="hill(mu, choice.lot.heat!.sigma, axis.x, 44, 36)" :fill="heatColour(median)" opacity="0.85" />
      </svg>
      <span v-if="mu === null" class="soft">no heat, all body</span>
    </div>
  </div>
</template>

<style scoped>
.lot {
  display: grid;
  grid-template-columns: 26px 118px 366px minmax(0, 1fr);
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
.lot.out .hill svg {
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
  grid-template-columns: 66px 66px minmax(0, 1fr) auto;
  gap: 4px;
  align-items: center;
  font-size: 13px;
  white-space: nowrap;
}
.grams {
  font-weight: 700;
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
/* Their words need a line of their own. */
@media (max-width: 500px) {
  .nums {
    grid-template-columns: 80px minmax(0, 1fr) auto;
  }
  .knife {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
