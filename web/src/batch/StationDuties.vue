<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { dutyKey, withDuty, type LineReport, type StationReport } from '@roskel/core';
import { due, inManner, plural, today } from '../format';
import { useOpenBatch } from '../stores/openBatch';
import TickField from '../ui/TickField.vue';

/** What is due at this station, to be ticked off; what comes later behind a link, and a way to where else something is due. */
const props = defineProps<{ report: LineReport; station: StationReport }>();
const emit = defineEmits<{ go: [stationId: string] }>();
const batch = useOpenBatch();
const working = computed(() => new Set(props.report.stations.filter((s) => s.active).map((s) => s.id)));
const open = computed(() =>
  props.report.duties
    .filter((d) => working.value.has(d.stationId) || d.standing || (working.value.size === 0 && d.stationId === props.station.id))
    .sort((a, b) => Number(a.done) - Number(b.done) || a.due.localeCompare(b.due)),
);
const here = computed(() => open.value.filter((d) => d.stationId === props.station.id));
const now = computed(() => here.value.filter((d) => d.due <= today() || d.done));
const later = computed(() => here.value.filter((d) => d.due > today() && !d.done));
const all = ref(false);
const shown = computed(() => (all.value || now.value.length === 0 ? [...now.value, ...later.value] : now.value));
const elsewhere = computed(() => {
  const counts = new Map<string, number>();
  for (const d of open.value)
    if (d.stationId !== props.station.id && !d.done && d.due <= today()) counts.set(d.stationId, (counts.get(d.stationId) ?? 0) + 1);
  return [...counts].map(([id, n]) => ({ id, n, name: props.report.stations.find((s) => s.id === id)?.name ?? '' }));
});
function tick(key: string, done: boolean) {
  batch.change('a tick', withDuty(batch.file!, key, done));
}
</script>

<template>
  <h3 v-if="shown.length">{{ working.has(station.id) ? 'Do now' : 'To do here' }}</h3>
  <ul v-if="shown.length" class="duties" :aria-label="`Due at ${station.name}`">
    <li v-for="d in shown" :key="d.key">
      <TickField :label="d.text" :model-value="d.done" @update:model-value="tick(dutyKey(d.stationId, d.key), $event)">
        <span :class="{ done: d.done }" :title="inManner(d.why)">
          <b>{{ inManner(d.text) }}</b>
          <span class="soft">
            <span :class="{ late: due(d.due).late && !d.done }">{{ due(d.due).text }}</span><template v-if="all"
              >. {{ inManner(d.why) }}</template
            ></span
          >
        </span>
      </TickField>
    </li>
  </ul>
  <p v-if="(later.length && now.length) || elsewhere.length" class="soft more">
    <NButton v-if="here.length" text class="link" @click="all = !all">{{
      all ? 'only what is due' : later.length ? `why, and ${later.length} later` : 'why'
    }}</NButton>
    <template v-for="e in elsewhere" :key="e.id">
      <span
        >{{ e.name }}: <NButton text class="link" @click="emit('go', e.id)">{{ plural(e.n, 'thing') }} due</NButton></span
      >
    </template>
  </p>
</template>

<style scoped>
h3 {
  margin: 8px 0 0;
  font-size: 15px;
}
.duties {
  list-style: none;
  margin: 0;
  padding: 0;
}
li span.soft {
  display: block;
  font-size: 13px;
}
.duties :deep(.n-checkbox) {
  line-height: 1.25;
}
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 0 14px;
  margin: 0;
  font-size: 13px;
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
