<script setup lang="ts">
import { computed } from 'vue';
import { NAlert, NSpin } from 'naive-ui';
import type { Eaten, Rail, Says, TasteWord, TrimOffer, TrimTold, Window } from '@roskel/core';
import { grams, inManner, money, plural } from '../format';
import FactRows from '../ui/FactRows.vue';
import RailRow from './RailRow.vue';
import { SCALES } from './scales';
import SpoonRow from './SpoonRow.vue';

/** Five rails to say what is wrong on, the ways to put it right, and what the chosen one does to the rest. */
const props = defineProps<{
  told: TrimTold | null;
  says: Says;
  set: Partial<Record<Rail, Window>>;
  working: boolean;
  phMeasured: boolean;
  /** How it is eaten; on the bench by the drop. */
  eaten?: Eaten | undefined;
}>();
const chosen = defineModel<number>('chosen', { required: true });
const emit = defineEmits<{ say: [rail: Rail, word: TasteWord | null]; set: [rail: Rail, window: Window] }>();
const offer = computed<TrimOffer | null>(() => props.told?.offers[chosen.value] ?? null);
const rails = computed(() => SCALES.filter((s) => props.told && props.told.now[s.rail] !== null));
/** As it is dragged, before it is answered: no key is lost to an answer that is on its way. */
const wishOf = (rail: Rail) => {
  const dragged = props.set[rail];
  return dragged ? { ...dragged, named: true } : props.told!.wish[rail];
};
const lead = (o: TrimOffer) =>
  o.puts
    .slice(0, 2)
    .map((p) => p.name.split(',')[0]!)
    .join(' and ');
const rest = computed<[string, string][]>(() => {
  const o = offer.value;
  const t = props.told;
  if (!o || !t) return [];
  const pH = o.after.sour;
  return [
    ['Mass', `${grams(t.massG)} → ${grams(t.massG + o.addedG)}`],
    ['pH after, measure it', pH === null ? 'none' : `${(pH - 0.1).toFixed(1)} to ${(pH + 0.1).toFixed(1)}`],
    ['All acids', `${t.acidPct.toFixed(1)} → ${o.acidPct.toFixed(1)} %`],
    ...(o.end ?? []).flatMap((e): [string, string][] => [
      [`${e.bottleMl} ml of ${e.name}`, `${e.possible} of ${e.wanted} wished`],
      ['Keeps', e.keeping ? e.keeping.text.split(/[.;]/)[0]! : 'not known yet'],
    ]),
    ...(o.cost === null ? [] : [['What goes in costs', money(o.cost)] as [string, string]]),
  ];
});
</script>

<template>
  <div class="board">
    <section class="plate rails" aria-label="How it tastes">
      <RailRow
        v-for="s in rails"
        :key="s.rail"
        :scale="s"
        :now="told!.now[s.rail]!"
        :measured="s.rail === 'sour' && phMeasured"
        :wish="wishOf(s.rail)"
        :after="offer?.after[s.rail] ?? null"
        :word="says[s.rail]"
        :eaten="eaten ?? 'drop'"
        @say="emit('say', s.rail, $event)"
        @set="emit('set', s.rail, $event)"
      />
      <p v-if="!told" class="soft note">Working out what it is.</p>
    </section>
    <div class="under">
      <div class="ways" aria-label="Ways to put it right" role="radiogroup" :aria-busy="working">
        <p v-if="working" class="soft working"><NSpin :size="16" /> Looking for the smallest set of spoons.</p>
        <NAlert v-for="n in told?.notes ?? []" :key="n" type="info" :show-icon="false">{{ inManner(n) }}</NAlert>
        <NAlert v-if="told?.short" type="warning" :title="told.short.gist" :show-icon="false" role="status">
          <p v-for="l in told.short.lines" :key="l">{{ inManner(l) }}</p>
          <p v-if="told.offers.length">The nearest there is:</p>
        </NAlert>
        <p v-if="told && !working && !told.short && told.offers.length === 0" class="soft note">
          Say on the rails what is wrong, or drag a bracket to where it should be. What nobody names is held where it is.
        </p>
        <NAlert v-if="told?.bought && !working" type="info" :show-icon="false" role="status"
          >What is there does not get there alone. With something from the shop it does:</NAlert
        >
        <button
          v-for="(o, n) in told?.offers ?? []"
          :key="n"
          type="button"
          role="radio"
          class="plate way"
          :class="{ on: n === chosen }"
          :aria-checked="n === chosen"
          data-way
          @click="chosen = n"
        >
          <span class="top"
            ><b>{{ lead(o) }}</b
            ><span class="soft">+ {{ grams(o.addedG) }}{{ o.cost === null ? '' : `, ${money(o.cost)}` }}</span></span
          >
          <SpoonRow v-for="p in o.puts" :key="p.of" :put="p" />
          <span v-if="o.night" class="soft">Leave it a night before you taste again: powder goes on coming out.</span>
        </button>
      </div>
      <section class="plate does" aria-label="What it does to the rest">
        <h2>What it does to the rest</h2>
        <FactRows v-if="rest.length" :rows="rest" />
        <p v-else class="soft">Choose a way, and it stands here.</p>
        <p v-if="told?.loosened && !told.short && offer" class="soft">It moves what nobody named as well: look at all five rails.</p>
        <p v-if="offer" class="soft">
          {{ plural(offer.puts.length, 'thing') }}. Weigh it in, stir, wait twenty minutes; taste it at the warmth it is eaten at.
        </p>
        <slot />
      </section>
    </div>
  </div>
</template>

<style scoped>
.board {
  display: grid;
  gap: 12px;
}
.rails {
  padding: 6px 18px;
}
.under {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 12px;
  align-items: start;
}
.ways {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(300px, 1fr));
  gap: 12px;
  align-items: start;
}
.ways > :not(.way) {
  grid-column: 1 / -1;
  margin: 0;
}
.way {
  font: inherit;
  color: inherit;
  text-align: left;
  display: grid;
  gap: 6px;
  padding: 10px 14px;
  border-color: var(--line);
  cursor: pointer;
}
.way.on {
  border-color: var(--rim);
  background: var(--active);
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: baseline;
}
.top b {
  font-family: 'Bricolage Grotesque Variable', sans-serif;
  font-size: 16px;
}
.soft {
  font-size: 13.5px;
}
.working {
  display: flex;
  gap: 8px;
  align-items: center;
}
.does {
  padding: 12px 16px;
}
.does p {
  margin: 8px 0 0;
}
@media (max-width: 900px) {
  .under {
    grid-template-columns: minmax(0, 1fr);
  }
  .rails {
    padding: 6px 12px;
  }
}
</style>
