<script setup lang="ts">
import { computed } from 'vue';
import { NButton } from 'naive-ui';
import { addDays, clashesOf, freeStart, type KitchenClash } from '@roskel/core';
import { day, today, weekday } from '../format';
import { useNotices } from '../stores/notices';
import { useToday } from '../stores/today';
import { useJarStock } from './useJarStock';

/** What batches want of the kitchen at once, and for those that have not begun the next day that is free. */
const todays = useToday();
const notices = useNotices();
const stock = useJarStock();
/** Of very many, the next ones, and as many ways out of each. */
const FEW = 4;
const WAYS = 3;
const found = computed(() => clashesOf(todays.occupants, stock.value, today()));
const clashes = computed(() =>
  found.value.slice(0, FEW).map((c) => ({
    ...c,
    ways: waysOf(c),
    when: c.from === c.to ? day(c.from) : `${day(c.from)} to ${day(c.to)}`,
  })),
);
function waysOf(c: KitchenClash) {
  return todays.occupants
    .filter((b) => c.batchIds.includes(b.id) && !b.begun)
    .slice(0, WAYS)
    .flatMap((b) => {
      const from = addDays(b.startDate > today() ? b.startDate : today(), 1);
      const start = freeStart(b, todays.occupants, stock.value, from, today());
      return start ? [{ id: b.id, name: b.name, start }] : [];
    });
}
const begin = (id: string, start: string) => todays.beginOn(id, start).catch((e: unknown) => notices.fail(e));
</script>

<template>
  <section v-if="clashes.length" class="plate clashes" aria-label="Clashes">
    <h2>{{ found.length === 1 ? 'One clash' : `${found.length} clashes` }}{{ found.length > FEW ? `; the next ${FEW}` : '' }}</h2>
    <div v-for="c in clashes" :key="`${c.kind}${c.from}`" class="clash" :data-clash="c.kind">
      <p>
        <b>{{ c.when }}.</b> {{ c.says }}
      </p>
      <NButton v-for="w in c.ways" :key="w.id" size="small" @click="begin(w.id, w.start)"
        >Begin {{ w.name }} on {{ weekday(w.start) }}</NButton
      >
      <span v-if="c.ways.length === 0" class="soft">{{
        c.kind === 'jars' ? 'One more jar would do, or one that is emptied sooner.' : 'All of them have begun: leave one a day longer.'
      }}</span>
    </div>
  </section>
</template>

<style scoped>
.clashes {
  padding: 12px 20px;
  background: var(--warn-plate);
  border-color: var(--warn);
}
.clash {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
  padding: 4px 0;
}
p {
  margin: 0;
}
</style>
