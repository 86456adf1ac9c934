<script setup lang="ts">
import { computed, reactive, ref, watch } from 'vue';
import { NButton } from 'naive-ui';
import { addDays, CUTS, STARTERS, oneIn, type Cut, type Forecast, type ForecastInput, type JarForecast, type Starter } from '@roskel/core';
import { day, degrees, percent } from '../format';
import PickField from '../ui/PickField.vue';
import ShareSlider from '../ui/ShareSlider.vue';
import { bench, latest } from '../worker/client';

/** The same jar otherwise: warmer, saltier, cut finer, with a starter, sweeter. Drawn beside what it is while one drags. */
const props = defineProps<{ forecast: JarForecast; from: string }>();
const emit = defineEmits<{ other: [forecast: Forecast | null] }>();
const blank = () => {
  const { tempC, conditions: c } = props.forecast.asked;
  return { tempC, saltPct: c.saltPct, cut: c.cut, sugar: 1, starter: 'none' as Starter };
};
const w = reactive(blank());
const told = ref('');
const same = computed(() => JSON.stringify(w) === JSON.stringify(blank()));
const ask = latest(async (asked: ForecastInput) => bench().jar(asked));
watch(
  () => props.forecast.asked,
  () => Object.assign(w, blank()),
);
watch(
  w,
  async () => {
    if (same.value) {
      told.value = '';
      emit('other', null);
      return;
    }
    const { asked } = props.forecast;
    const c = asked.conditions;
    const conditions = {
      ...c,
      saltPct: w.saltPct,
      brinePct: (c.brinePct * w.saltPct) / Math.max(0.1, c.saltPct),
      cut: w.cut,
      sugarMmol: c.sugarMmol * w.sugar,
      ...(STARTERS[w.starter] > 0 ? { starter: STARTERS[w.starter] } : {}),
    };
    // Another jar: what was read in this one says nothing of it, but for how lively and sour its pods are.
    const answer = await ask({
      ...asked,
      conditions,
      tempC: w.tempC,
      temps: [],
      readings: [],
      now: null,
      members: 150,
      risk: { ...asked.risk, looks: [] },
    });
    if (!answer?.ok) return;
    emit('other', answer.answer);
    const { from, to } = answer.answer.ready;
    told.value =
      from === null
        ? `not ready within ${answer.answer.days.at(-1)} days`
        : `ready ${day(addDays(props.from, from))}${to === null ? ' or much later' : ` to ${day(addDays(props.from, to))}`}`;
    told.value += `; odds that it goes wrong: ${oneIn(answer.answer.wrong.p)}`;
  },
  { deep: true },
);
</script>

<template>
  <details class="what" @toggle="!($event.target as HTMLDetailsElement).open && Object.assign(w, blank())">
    <summary>What if it stood warmer, or were saltier?</summary>
    <div class="grid">
      <div>
        <span class="is">{{ degrees(w.tempC) }}</span>
        <ShareSlider v-model="w.tempC" label="Temperature" :min="8" :max="32" :step="0.5" :says="degrees(w.tempC)" />
      </div>
      <div>
        <span class="is">{{ percent(w.saltPct) }} salt</span>
        <ShareSlider v-model="w.saltPct" label="Salt in its water" :min="0.5" :max="14" :step="0.1" :says="percent(w.saltPct)" />
      </div>
      <div>
        <span class="is">sugar × {{ w.sugar.toFixed(1) }}</span>
        <ShareSlider v-model="w.sugar" label="Sugar" :min="0.5" :max="3" :step="0.1" :says="`times ${w.sugar.toFixed(1)}`" />
      </div>
      <PickField
        label="Cut"
        :model-value="w.cut"
        :options="(Object.keys(CUTS) as Cut[]).map((c) => ({ value: c, label: CUTS[c].label }))"
        @update:model-value="w.cut = $event as Cut"
      />
      <PickField
        label="Starter"
        :model-value="w.starter"
        :options="[
          { value: 'none', label: 'none' },
          { value: 'brine', label: 'lively brine, a twentieth' },
          { value: 'culture', label: 'a culture' },
        ]"
        @update:model-value="w.starter = $event as Starter"
      />
    </div>
    <p v-if="told" data-fact="what-if" role="status">
      Begun like that: <b>{{ told }}</b>. <NButton text class="link" @click="Object.assign(w, blank())">as it is</NButton>
    </p>
  </details>
</template>

<style scoped>
summary {
  cursor: pointer;
  font-size: 13.5px;
  min-height: 30px;
}
.grid {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 4px 16px;
  align-items: end;
}
.is {
  font-size: 13.5px;
}
p {
  margin: 4px 0;
  font-size: 14px;
}
@media (max-width: 720px) {
  .grid {
    grid-template-columns: 1fr;
  }
}
</style>
