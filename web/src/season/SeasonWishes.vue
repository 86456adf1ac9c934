<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { oddsText, SHORT_OF, type Harvest, type Pin, type Season, type SeasonWish } from '@roskel/core';
import { day, grams, plural } from '../format';
import { useTools } from '../stores/own';
import { nameOf } from './words';

/** What comes of each wish, in how many seasons, and what gives way. */
const props = defineProps<{
  season: Season;
  wishes: readonly SeasonWish[];
  luck: ReadonlyMap<string, number>;
  harvests: readonly Harvest[];
  perMonth: number;
  /** Held, and not to be had then. */
  inVain: readonly Pin[];
}>();
const emit = defineEmits<{ free: [pin: Pin] }>();
/** Each wish with what it gets, and of how many seasons that comes true. */
const told = computed(() =>
  props.wishes.map((w) => {
    const parts = props.season.parts.filter((p) => p.wishId === w.id);
    const got = parts.reduce((n, p) => n + p.got, 0);
    const why = [...new Set(parts.flatMap((p) => (p.why ? [SHORT_OF[p.why]] : [])))].join('; ');
    return { w, got, of: w.bottles, why, odds: props.luck.get(w.id) ?? null };
  }),
);
const months = computed(() => props.season.parts.filter((p) => p.wishId === null));
const shortMonths = computed(() => months.value.filter((p) => p.got < p.bottles));
/** By name: pickings of one kind of pod are said once. */
const spoils = computed(() => {
  const byName = new Map<string, number>();
  for (const { harvestId, g } of props.season.spoils) {
    const name = props.harvests.find((h) => h.id === harvestId)?.name ?? '';
    byName.set(name, (byName.get(name) ?? 0) + g);
  }
  return [...byName].map(([name, g]) => ({ name, g })).filter((x) => x.g >= 1);
});
const tools = useTools();
const noJars = computed(() => !tools.items.some((t) => t.value.kind === 'jar'));
const frozenG = computed(() => props.season.frozen.reduce((g, x) => g + x.g, 0));
</script>

<template>
  <section class="plate" aria-labelledby="wished">
    <h2 id="wished">What comes of the wishes</h2>
    <ul>
      <li v-for="t in told" :key="t.w.id" :class="{ short: t.got < t.of }" data-fact="wish">
        <b>{{ t.got }} of {{ t.of }}</b> {{ t.w.says }}{{ t.why ? `: ${t.why}` : '' }}
        <span v-if="t.got === t.of && t.odds !== null" class="soft">as the weather will have it, in {{ oddsText(t.odds) }} seasons</span>
      </li>
      <li v-if="months.length" :class="{ short: shortMonths.length }">
        <b>{{ months.length - shortMonths.length }} of {{ months.length }} months</b> with {{ plural(perMonth, 'bottle') }} to use up
      </li>
      <li v-for="x in spoils" :key="x.name" class="short">{{ grams(x.g) }} of {{ x.name }} spoil: nothing wants them in time</li>
      <li v-for="p in inVain" :key="`${p.style} ${p.start}`" class="short">
        {{ nameOf(p) }} is held on {{ day(p.start) }} and cannot be made then.
        <NButton size="tiny" quaternary @click="emit('free', p)">let go</NButton>
      </li>
      <li v-if="noJars">
        No jar stands under <RouterLink to="/larder/tools">Things of the kitchen</RouterLink>: nothing is fermented in this plan.
      </li>
      <li v-if="frozenG >= 1">{{ grams(frozenG) }} go into the freezer first</li>
    </ul>
  </section>
</template>

<style scoped>
section {
  padding: 6px 18px 10px;
}
ul {
  margin: 0 0 6px;
  padding-left: 18px;
}
.short {
  color: var(--wrong);
}
</style>
