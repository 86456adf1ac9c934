<script setup lang="ts">
import { computed } from 'vue';
import { dutyKey, type LineReport } from '@roskel/core';
import { due, inManner } from '../format';
import TickField from '../ui/TickField.vue';

const props = defineProps<{ report: LineReport }>();
const emit = defineEmits<{ tick: [key: string, done: boolean] }>();
const list = computed(() => {
  const active = new Set(props.report.stations.filter((s) => s.active).map((s) => s.id));
  return [...props.report.duties]
    .filter((d) => active.has(d.stationId) || active.size === 0 || d.standing)
    .sort((a, b) => Number(a.done) - Number(b.done) || a.due.localeCompare(b.due));
});
/** With more than one station at work, each duty says whose it is. */
const several = computed(() => new Set(list.value.map((d) => d.stationId)).size > 1);
const nameOf = (id: string) => props.report.stations.find((s) => s.id === id)?.name ?? '';
</script>

<template>
  <section class="plate now" aria-labelledby="do-now">
    <h2 id="do-now">Do now</h2>
    <p v-if="list.length === 0" class="soft">Nothing is due. Every step of this batch is done.</p>
    <ul>
      <li v-for="d in list" :key="dutyKey(d.stationId, d.key)">
        <TickField :label="d.text" :model-value="d.done" @update:model-value="emit('tick', dutyKey(d.stationId, d.key), $event)">
          <span :class="{ done: d.done }">
            <b>{{ several ? `${nameOf(d.stationId)}: ` : '' }}{{ inManner(d.text) }}</b>
            <span class="soft"
              ><span :class="{ late: due(d.due).late && !d.done }">{{ due(d.due).text }}</span
              >. {{ inManner(d.why) }}</span
            >
          </span>
        </TickField>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.now {
  padding: 10px 14px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
span span {
  display: block;
  line-height: 1.3;
}
.soft span {
  display: inline;
}
.late {
  color: var(--warn);
  font-weight: 600;
}
.done {
  color: var(--soft);
  text-decoration: line-through;
}
</style>
