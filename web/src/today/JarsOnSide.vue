<script setup lang="ts">
import { RouterLink } from 'vue-router';
import { addDays, daysBetween } from '@roskel/core';
import { day, grams, ph, today } from '../format';
import type { JarOf } from '../stores/today';

/** The jars that stand on the side, as jars on a board: how far they are, what was read, when they are ready. */
defineProps<{ jars: readonly JarOf[] }>();
const age = (j: JarOf) => daysBetween(j.from, today());
/** How full the glass is drawn: jars of all sizes in one row, told apart by what is in them. */
const level = (j: JarOf) => 44 + 40 * Math.min(1, j.massG / 2500);
function ready(j: JarOf): string {
  const f = j.forecast;
  if (j.warns) return 'see what is wrong';
  if (!f) return 'working it out';
  if (j.last && j.last.pH <= j.targetPh) return 'sour enough: read it again';
  const { from, to } = f.ready;
  if (from === null) return `not within ${f.days.at(-1)} days`;
  const [a, b] = [addDays(j.from, from), to === null ? null : addDays(j.from, to)];
  const when = b === null ? `ready from ${day(a)}` : a === b ? `ready ${day(a)}` : `ready ${day(a)} to ${day(b)}`;
  // The plan is the maker's: where it is too early, both are said.
  return j.to < a ? `planned to ${day(j.to)}, ${when}` : when;
}
</script>

<template>
  <div class="side">
    <RouterLink
      v-for="j in jars"
      :key="j.key"
      class="jar"
      :to="{ name: 'batch', params: { id: j.batchId }, query: { at: j.stationId } }"
      :data-jar="j.batchId"
    >
      <svg viewBox="0 0 92 128" width="72" height="100" aria-hidden="true">
        <rect x="20" y="2" width="52" height="11" rx="4" fill="var(--rim)" />
        <clipPath :id="`in-${j.key}`"><rect x="6" y="18" width="80" height="104" rx="13" /></clipPath>
        <g :clip-path="`url(#in-${j.key})`">
          <rect x="6" :y="122 - level(j)" width="80" :height="level(j)" :fill="j.hex" opacity="0.8" />
          <line x1="6" x2="86" :y1="122 - level(j)" :y2="122 - level(j)" stroke="var(--plate)" stroke-width="2" />
        </g>
        <rect x="6" y="18" width="80" height="104" rx="13" fill="none" stroke="var(--rim)" stroke-width="2.5" />
        <g v-if="j.warns">
          <circle cx="76" cy="22" r="13" fill="var(--warn)" />
          <text x="76" y="28" text-anchor="middle" fill="var(--white)" font-weight="700" font-size="18">!</text>
        </g>
      </svg>
      <i class="board" />
      <b>{{ j.batch }}</b>
      <span class="soft">day {{ age(j) }}, {{ j.last ? `pH ${ph(j.last.pH, true)}` : 'not read yet' }}</span>
      <span class="soft">{{ ready(j) }}</span>
      <span class="visually-hidden">{{ grams(j.massG) }} in it. {{ j.warns ?? '' }}</span>
    </RouterLink>
  </div>
</template>

<style scoped>
.side {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 0;
}
.jar {
  flex: 1 1 132px;
  max-width: 190px;
  display: flex;
  flex-direction: column;
  align-items: center;
  text-align: center;
  text-decoration: none;
  color: var(--ink);
  line-height: 1.25;
  font-size: 13.5px;
  padding: 0 4px;
}
.jar b {
  font-size: 15px;
}
.board {
  align-self: stretch;
  height: 7px;
  background: var(--rim);
  margin: 0 -4px 5px;
}
</style>
