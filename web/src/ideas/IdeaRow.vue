<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { byDanger, heatWord, mainEnd, oddsText, styleOf, vesselOf, type Idea } from '@roskel/core';
import PlanAnswer from '../batch/PlanAnswer.vue';
import { heatAxis, hill } from '../charts/HeatAxis';
import { capital, day, grams, inManner, plural, shu } from '../format';
import { heatColour } from '../theme';
import { SEVERITY } from '../ui/severity';

/** A sauce that could be made: what it is, how hot, how soon, how it keeps, what it takes and what is missing. */
const props = defineProps<{
  idea: Idea;
  word: { name: string; lowShu: number; highShu: number };
  busy: boolean;
  /** Ids of dangers that the page says for all. */
  said: readonly string[];
}>();
const emit = defineEmits<{ start: [] }>();
const open = ref(false);
const style = computed(() => styleOf(props.idea.style));
const plan = computed(() => props.idea.plan);
const goal = computed(() => mainEnd(plan.value.file).goal);
const round = (m: number) => Math.max(5, 5 * Math.round(m / 5));
const when = computed(() => {
  const { handsMin, clockMin, readyOn } = plan.value.sauce;
  return props.idea.inDays === 0 ? `today, ${round(clockMin)} minutes` : `ready ${day(readyOn)}, ${round(handsMin)} minutes of work`;
});
const name = (t: { name: string }) => t.name.split(',')[0]!.toLowerCase();
/** The few things that make it; the rest stands in the plan. */
const MOST = 4;
const takes = computed(() => {
  const all = [...plan.value.uses].sort((a, b) => b.needG - a.needG).map(name);
  return all.slice(0, MOST).join(', ') + (all.length > MOST ? ` and ${all.length - MOST} more` : '');
});
const buy = computed(() => plan.value.toBuy.map((t) => `${name(t)} ${grams(t.needG)}`).join(', '));
/** Where it stands and how long: as it is, and what a measured pH would make of it ("Measured at ..., done as planned: a cool ..."). */
const keeps = computed(() => {
  const { keeping, couldKeep } = plan.value.sauce;
  const could = couldKeep?.split(': ').slice(1).join(': ');
  return { now: inManner((keeping ?? '').split(/(?<=\.) /)[0]!), could: could ? inManner(`Once measured: ${could}`) : '' };
});
const dangers = computed(() => byDanger(plan.value.dangers.filter((d) => !props.said.includes(d.id))));
const [W, H] = [230, 44] as const;
const axis = heatAxis(30, 300_000, 4, W - 4);
const sigma = computed(() => Math.max(0.1, Math.log(plan.value.heat.p90 / Math.max(1, plan.value.heat.p10)) / 2.563));
</script>

<template>
  <li class="idea" :data-idea="idea.style">
    <i class="tint" :style="{ background: plan.file ? heatColour(plan.heat.p50) : '' }" />
    <div>
      <h2>{{ capital(style.name) }}</h2>
      <p class="soft">{{ style.says }}</p>
      <p>
        <b data-fact="when">{{ when }}</b>
      </p>
    </div>
    <div>
      <svg :viewBox="`0 0 ${W} ${H}`" role="img" :aria-label="`${shu(plan.heat.p10)} to ${shu(plan.heat.p90)} SHU`">
        <line x1="0" :x2="W" :y1="H - 2" :y2="H - 2" stroke="var(--line)" stroke-width="1.5" />
        <path
          v-if="plan.heat.p50 > 1"
          :d="hill(Math.log(plan.heat.p50), sigma, axis.x, H - 2, H - 8)"
          :fill="heatColour(plan.heat.p50)"
          opacity="0.85"
        />
        <path
          :d="`M${axis.x(word.lowShu) + 4} 3 h-4 v${H - 6} h4 M${axis.x(word.highShu) - 4} 3 h4 v${H - 6} h-4`"
          fill="none"
          stroke="var(--rim)"
          stroke-width="2"
        />
      </svg>
      <p>
        <b>{{ heatWord(plan.heat.p50, style.eaten) }}</b> {{ shu(plan.heat.p10) }} to {{ shu(plan.heat.p90) }} SHU,
        <span data-fact="odds">{{ oddsText(plan.odds) }}</span>
      </p>
    </div>
    <div>
      <p>
        <b>{{ plural(goal.bottles, vesselOf(plan.file)) }}</b> of {{ goal.bottleMl }} ml. <span data-fact="keep">{{ keeps.now }}</span>
        <span v-if="keeps.could" class="soft">{{ ` ${keeps.could}` }}</span>
      </p>
      <p class="soft">takes {{ takes || 'nothing you have' }}</p>
      <p v-if="idea.usesFirst.length" class="first">uses {{ idea.usesFirst.join(' and ') }}, to be used first</p>
      <p v-if="buy" class="buy" data-fact="buy">buy {{ buy }}</p>
      <p v-else class="soft">nothing to buy</p>
      <p v-for="d in dangers" :key="d.id" class="danger">
        <component :is="SEVERITY.danger.icon" :size="17" stroke="1.8" aria-hidden="true" />
        <span
          ><b>{{ SEVERITY.danger.word }}.</b> {{ inManner(d.text) }}</span
        >
      </p>
    </div>
    <div class="acts">
      <NButton :aria-expanded="open" @click="open = !open">Look</NButton>
      <NButton type="primary" :disabled="busy" :aria-label="`Start ${style.name}`" @click="emit('start')">Start</NButton>
    </div>
    <PlanAnswer v-if="open" class="plan" :plan="plan" :working="false" :word="word" :swappable="false" />
  </li>
</template>

<style scoped>
.idea {
  display: grid;
  grid-template-columns: 14px minmax(0, 1.1fr) 230px minmax(0, 1.5fr) auto;
  gap: 8px 18px;
  align-items: center;
  padding: 12px 0;
  border-bottom: 1px dashed var(--line);
}
.idea:last-child {
  border-bottom: 0;
}
.tint {
  align-self: stretch;
  border-radius: 7px;
}
h2 {
  font-size: 19px;
}
p {
  margin: 1px 0;
  font-size: 14px;
  line-height: 1.3;
}
.first {
  font-weight: 600;
}
.buy {
  color: var(--warn);
}
.danger {
  display: grid;
  grid-template-columns: 17px 1fr;
  gap: 6px;
  font-size: 13.5px;
}
.danger > svg {
  color: var(--warn);
}
.acts {
  display: flex;
  gap: 8px;
}
.plan {
  grid-column: 2 / -1;
}
@media (max-width: 1000px) {
  .idea {
    grid-template-columns: 14px minmax(0, 1fr);
  }
  .idea > :not(.tint) {
    grid-column: 2;
  }
  .tint {
    grid-row: 1 / span 4;
  }
}
</style>
