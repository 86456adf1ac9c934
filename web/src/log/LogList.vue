<script setup lang="ts">
import { computed } from 'vue';
import dayjs from 'dayjs';
import { RouterLink } from 'vue-router';
import type { LogLine } from '@roskel/contract';
import { clock, fullDay } from '../format';
import { didWords, placeOf } from './words';

/** What was done, the latest first, a heading for each day. `plain`: of one thing, so its name goes without saying. */
const props = defineProps<{ lines: readonly LogLine[]; plain?: boolean }>();
const days = computed(() => {
  const found: { day: string; lines: LogLine[] }[] = [];
  for (const line of props.lines) {
    const day = dayjs(line.at).format('YYYY-MM-DD');
    if (found.at(-1)?.day !== day) found.push({ day, lines: [] });
    found.at(-1)!.lines.push(line);
  }
  return found;
});
</script>

<template>
  <section v-for="d in days" :key="d.day" :aria-label="fullDay(d.day)">
    <h2>{{ fullDay(d.day) }}</h2>
    <ul>
      <li v-for="l in d.lines" :key="l.id" data-log>
        <span class="soft at">{{ clock(l.at) }}</span>
        <b class="who" :class="{ soft: !l.maker }">{{ l.maker ?? 'not said' }}</b>
        <span>
          <template v-if="!plain"
            ><RouterLink v-if="placeOf(l)" :to="placeOf(l)!">{{ l.name }}</RouterLink
            ><template v-else>{{ l.name }}</template
            >{{ l.name ? ': ' : '' }}</template
          >{{ didWords(l) }}
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
h2 {
  font-size: 15px;
  margin: 12px 0 2px;
}
section:first-child h2 {
  margin-top: 0;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  display: grid;
  grid-template-columns: 52px 110px minmax(0, 1fr);
  gap: 0 10px;
  padding: 5px 0;
  border-bottom: 1px dashed var(--line);
}
.who {
  overflow: hidden;
  text-overflow: ellipsis;
}
@media (max-width: 560px) {
  li {
    grid-template-columns: 46px minmax(0, 1fr);
  }
  li > :last-child {
    grid-column: 2;
  }
}
</style>
