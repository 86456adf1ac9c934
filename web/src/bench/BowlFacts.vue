<script setup lang="ts">
import { computed } from 'vue';
import { bodyWord, colourFamily, type BenchMix, type BlendWish } from '@roskel/core';
import { grams, money, percent, plural } from '../format';

/** What a mix comes to, each beside the wish it answers. */
const props = defineProps<{ mix: BenchMix; wish: BlendWish }>();
interface Fact {
  name: string;
  is: string;
  wish: string;
  met: boolean | null;
}
const facts = computed<Fact[]>(() => {
  const { props: p, perKg } = props.mix;
  const w = props.wish;
  const out: Fact[] = [
    { name: 'Mass', is: grams(p.massG), wish: grams(w.massG), met: Math.abs(p.massG / w.massG - 1) < 0.03 },
    {
      name: 'pH',
      is: p.pH === null ? 'none' : `about ${p.pH.toFixed(1)}`,
      wish: w.pH ? `at most ${w.pH.max.toFixed(1)}` : '',
      met: w.pH ? p.pH !== null && p.pH <= w.pH.max : null,
    },
    {
      name: 'Salt',
      is: percent(p.saltPct),
      wish: w.saltPct ? `${w.saltPct.low} to ${w.saltPct.high} %` : '',
      met: w.saltPct ? p.saltPct >= w.saltPct.low - 0.05 && p.saltPct <= w.saltPct.high + 0.05 : null,
    },
    {
      name: 'Sugar',
      is: percent(p.sweetPct),
      wish: w.sugarPct ? `at most ${w.sugarPct.high} %` : '',
      met: w.sugarPct ? p.sweetPct <= w.sugarPct.high + 0.05 : null,
    },
    {
      name: 'Ground smooth',
      is: p.body === null ? 'dry' : bodyWord(p.body),
      wish: w.body ? `at least ${bodyWord(w.body.low)}` : '',
      met: w.body ? p.body !== null && p.body >= w.body.low - 0.02 : null,
    },
    { name: 'Acetic acid', is: percent(p.aceticPct), wish: '', met: null },
  ];
  if (perKg !== null)
    out.push({
      name: 'Cost a kg',
      is: money(perKg),
      wish: w.perKg ? `at most ${w.perKg.max}` : '',
      met: w.perKg ? perKg <= w.perKg.max : null,
    });
  const counted = Object.values(props.mix.pods).reduce((s, n) => s + n, 0);
  if (counted > 0) out.push({ name: 'Whole pods', is: plural(counted, 'pod'), wish: '', met: null });
  return out;
});
</script>

<template>
  <section class="plate facts" aria-label="In the bowl">
    <h2>
      In the bowl <i :style="{ background: mix.props.hex }" /><span class="soft tint">{{ colourFamily(mix.props.hex) ?? 'brown' }}</span>
    </h2>
    <div v-for="f in facts" :key="f.name" class="fact" :data-fact="f.name">
      <span>{{ f.name }}</span>
      <b>{{ f.is }}</b>
      <span class="soft">{{ f.wish }}</span>
      <span :class="f.met === false ? 'no' : 'soft'">{{ f.met === null ? '' : f.met ? 'met' : 'not met' }}</span>
    </div>
  </section>
</template>

<style scoped>
.facts {
  padding: 8px 14px;
}
h2 {
  display: flex;
  align-items: center;
  gap: 10px;
}
h2 .tint {
  font:
    400 14px 'Hanken Grotesk Variable',
    sans-serif;
}
h2 i {
  width: 34px;
  height: 16px;
  border-radius: 8px;
  border: 1.5px solid var(--rim);
}
.fact {
  display: grid;
  grid-template-columns: 1fr auto 92px 52px;
  gap: 10px;
  padding: 3px 0;
  border-bottom: 1px dashed var(--line);
  font-size: 14px;
}
.no {
  color: var(--warn);
  font-weight: 600;
}
</style>
