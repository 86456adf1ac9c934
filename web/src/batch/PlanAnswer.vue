<script setup lang="ts">
import { NButton, NSpin } from 'naive-ui';
import { computed, ref } from 'vue';
import { bodyWord, endStrands, mainEnd, vesselOf, type Needed, type Plan, type Quantiles, oddsText } from '@roskel/core';
import CautionList from '../ui/CautionList.vue';
import { fullDay, grams, inManner, percent, plural, shu, today } from '../format';

/** A plan before anything is begun: what it makes, what it takes, what is missing and what can stand in for it. */
const props = defineProps<{ plan: Plan; working: boolean; word: { name: string; lowShu: number; highShu: number }; swappable: boolean }>();
const emit = defineEmits<{ swap: [key: string, by: string] }>();
const nameOf = (t: { name: string }) => t.name.split(',')[0]!.toLowerCase();
/** What is to be bought and not needed today says by when. */
const list = (things: readonly Needed[], buy = false) =>
  things.map((t) => `${grams(t.needG)} ${nameOf(t)}${buy && t.by > today() ? ` by ${fullDay(t.by)}` : ''}`).join(', ');
const bottles = computed(() => endStrands(props.plan.file).reduce((n, s) => n + s.goal.bottles, 0));
const band = (q: Quantiles | null, say: (x: number) => string) => {
  if (!q) return null;
  const [low, high] = [say(q.p10), say(q.p90)];
  return low === high ? low : `${low} to ${high}`;
};
const sauce = computed(() => {
  const s = props.plan.sauce;
  const round = (m: number) =>
    m < 60 ? `${Math.max(5, 5 * Math.round(m / 5))} min` : `${(Math.round(m / 30) / 2).toFixed(1).replace('.0', '')} h`;
  const when = s.readyOn > today() ? `ready on ${fullDay(s.readyOn)}` : `${round(s.clockMin)} by the clock`;
  return [
    ['pH', band(s.pH, (x) => x.toFixed(1)) ?? 'none yet'],
    ['Salt', percent(s.saltPct)],
    ['Sweet', percent(s.sweetPct)],
    ['Body', band(s.body, bodyWord) ?? 'in pieces'],
    ['Makes', `${grams(s.massG)}, ${band(props.plan.fills.ml, (x) => String(10 * Math.round(x / 10)))} ml`],
    ['Work', `${round(s.handsMin)}, ${when}`],
  ] as const;
});
/** What a stand-in changes besides the taste. */
function changes(s: Needed['standIns'][number]): string {
  const more = (g: number, what: string) => (Math.abs(g) < 0.3 ? [] : [`${grams(Math.abs(g))} ${g > 0 ? 'more' : 'less'} ${what}`]);
  const plain = (all: string[]) => all.map((a) => a.replace('?', ' (check the packet)')).join(', ');
  return [
    s.says,
    ...more(s.saltG, 'salt'),
    ...more(s.acidG, 'acid'),
    ...more(s.sugarsG, 'sugar'),
    ...(s.brings.length ? [`brings ${plain(s.brings)}`] : []),
    ...(s.spares.length ? [`spares ${plain(s.spares)}`] : []),
  ].join('; ');
}
/** Words that say more than the grams beside them. */
const spoken = (words: string | null) => (words && !/^[\d.,]+ ?k?g\b/i.test(words) ? ` (${words})` : '');
const where = ref(false);
const missing = computed(() =>
  props.plan.toBuy.flatMap((t) => (props.swappable && t.standIns[0] && t.id ? [{ ...t, id: t.id, by: t.standIns[0] }] : [])),
);
</script>

<template>
  <div class="said">
    <p class="figures">
      <b>{{ plural(bottles, vesselOf(plan.file)) }}</b> of {{ mainEnd(plan.file).goal.bottleMl }} ml,
      <b>{{ shu(plan.heat.p10) }} to {{ shu(plan.heat.p90) }} SHU</b> <NSpin v-if="working" :size="14" />
    </p>
    <p>
      Of such batches <b data-fact="full">{{ oddsText(plan.fills.odds) }}</b> fill {{ bottles === 1 ? 'it' : 'all of them' }}.
    </p>
    <p>
      <b data-fact="odds">{{ oddsText(plan.odds) }}</b> of such batches come out {{ word.name }} ({{ shu(word.lowShu) }} to
      {{ shu(word.highShu) }}).
    </p>
    <dl>
      <template v-for="[name, value] in sauce" :key="name">
        <dt>{{ name }}</dt>
        <dd>{{ value }}</dd>
      </template>
    </dl>
    <p v-if="plan.sauce.keeping" data-fact="keep">
      <b>Keep</b> {{ inManner(plan.sauce.keeping) }}
      <span v-if="plan.sauce.couldKeep" class="soft" data-fact="could-keep">{{ inManner(plan.sauce.couldKeep) }}</span>
    </p>
    <CautionList v-if="plan.dangers.length" :cautions="plan.dangers" />
    <p><b>Takes</b> {{ list(plan.uses) || 'nothing you have' }}.</p>
    <p v-if="plan.toBuy.length"><b>To buy</b> {{ list(plan.toBuy, true) }}.</p>
    <ul v-if="missing.length" aria-label="What can stand in">
      <li v-for="t in missing" :key="t.id">
        <span
          >No {{ nameOf(t) }}? {{ grams(t.by.massG) }} {{ nameOf(t.by) }}<template v-if="t.by.there">, which you have</template>:
          <span class="soft">{{ changes(t.by) }}</span></span
        >
        <NButton size="small" :aria-label="`Take ${nameOf(t.by)} in the place of ${nameOf(t)}`" @click="emit('swap', t.id, t.by.key)"
          >take it</NButton
        >
      </li>
    </ul>
    <div>
      <NButton text class="link" :aria-expanded="where" @click="where = !where">What goes in where</NButton>
      <ol v-if="where" data-fact="where">
        <li v-for="(p, n) in plan.placed" :key="n">
          <b>{{ p.station }}</b>:
          {{ p.things.map((t) => `${grams(t.g)} ${nameOf(t)}${spoken(t.words)}${t.late ? ', in the last minutes' : ''}`).join('; ') }}
        </li>
      </ol>
    </div>
    <p v-for="n in plan.notes" :key="n" class="note">{{ n }}</p>
  </div>
</template>

<style scoped>
.said {
  display: grid;
  gap: 8px;
}
p {
  margin: 0;
  line-height: 1.35;
}
.figures {
  font-size: 17px;
}
dl {
  display: grid;
  grid-template-columns: auto 1fr auto 1fr;
  gap: 1px 10px;
  margin: 0;
  font-size: 14px;
}
dt {
  color: var(--soft);
}
dd {
  margin: 0;
}
ul,
ol {
  margin: 0;
  padding: 0;
  list-style: none;
  display: grid;
  gap: 4px;
  font-size: 14px;
}
ul li {
  display: flex;
  gap: 10px;
  align-items: center;
  justify-content: space-between;
  line-height: 1.25;
}
.note {
  padding: 8px 10px;
  background: var(--warn-plate);
  border-radius: 10px;
}
@media (max-width: 760px) {
  dl {
    grid-template-columns: auto 1fr;
  }
}
</style>
