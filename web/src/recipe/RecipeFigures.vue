<script setup lang="ts">
import { computed } from 'vue';
import { bodyWord, EATEN, endStrands, type Eaten, type Needed, type Plan, type Quantiles, oddsText } from '@roskel/core';
import CautionList from '../ui/CautionList.vue';
import { fullDay, grams, inManner, percent, plural, shu, today } from '../format';

/** What a recipe comes to before anything is cooked. */
const props = defineProps<{ plan: Plan; eaten: Eaten; word: { name: string } | null }>();
const band = (q: Quantiles | null, say: (x: number) => string) => {
  if (!q) return null;
  const [low, high] = [say(q.p10), say(q.p90)];
  return low === high ? low : `${low} to ${high}`;
};
const time = (m: number) =>
  m < 90 ? `${Math.max(5, 5 * Math.round(m / 5))} min` : `${(Math.round(m / 30) / 2).toFixed(1).replace('.0', '')} h`;
const bottles = computed(() => endStrands(props.plan.file).reduce((n, s) => n + s.goal.bottles, 0));
const rows = computed((): [string, string, string?][] => {
  const { plan } = props;
  const s = plan.sauce;
  return [
    [`Heat, ${EATEN[props.eaten].name}`, props.word?.name ?? 'no heat'],
    ['SHU', `${shu(plan.heat.p10)} to ${shu(plan.heat.p90)}`, 'heat'],
    ['pH, worked out', band(s.pH, (x) => x.toFixed(1)) ?? 'none yet', 'pH'],
    ['Salt', percent(s.saltPct)],
    ['Sweet', percent(s.sweetPct)],
    ['Cold it', band(s.body, bodyWord) ?? 'stays in pieces'],
    ['Makes', `${band(plan.fills.ml, (x) => String(10 * Math.round(x / 10))) ?? Math.round(s.massG)} ml`, 'makes'],
    [plural(bottles.value, 'bottle'), `${oddsText(plan.fills.odds)} fill ${bottles.value === 1 ? 'it' : 'all'}`],
    [
      'By hand / by the clock',
      s.readyOn > today() ? `${time(s.handsMin)}, ready ${fullDay(s.readyOn)}` : `${time(s.handsMin)} / ${time(s.clockMin)}`,
    ],
  ];
});
/** What is to be bought and not needed today says by when. */
const list = (things: readonly Needed[], buy = false) =>
  things
    .map((t) => `${grams(t.needG)} ${t.name.split(',')[0]!.toLowerCase()}${buy && t.by > today() ? ` by ${fullDay(t.by)}` : ''}`)
    .join(', ');
</script>

<template>
  <div class="figures">
    <dl>
      <div v-for="[name, value, fact] in rows" :key="name">
        <dt>{{ name }}</dt>
        <dd :data-fact="fact">{{ value }}</dd>
      </div>
    </dl>
    <p v-if="plan.sauce.keeping" data-fact="keep">
      <b>Keeps</b> {{ inManner(plan.sauce.keeping) }}
      <span v-if="plan.sauce.couldKeep" class="soft">{{ inManner(plan.sauce.couldKeep) }}</span>
    </p>
    <CautionList v-if="plan.dangers.length" :cautions="plan.dangers" />
    <p v-if="plan.toBuy.length"><b>To buy</b> {{ list(plan.toBuy, true) }}.</p>
    <p v-for="n in plan.notes" :key="n" class="note">{{ n }}</p>
  </div>
</template>

<style scoped>
.figures {
  display: grid;
  gap: 9px;
}
dl {
  margin: 0;
}
dl div {
  display: flex;
  gap: 10px;
  justify-content: space-between;
  padding: 5px 2px;
  border-bottom: 1px dashed var(--line);
  line-height: 1.25;
}
dd {
  margin: 0;
  text-align: right;
  font-weight: 600;
}
p {
  margin: 0;
  line-height: 1.35;
  font-size: 14px;
}
.note {
  padding: 7px 9px;
  background: var(--warn-plate);
  border-radius: 10px;
}
</style>
