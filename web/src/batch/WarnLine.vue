<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { toMind, type LineReport, type StationReport } from '@roskel/core';
import { inManner, plural } from '../format';
import CautionList from '../ui/CautionList.vue';
import { SEVERITY } from '../ui/severity';
import SheetCard from '../ui/SheetCard.vue';

/** What to mind in one line, most dangerous first; all of it behind its links. */
const props = defineProps<{ report: LineReport; station: StationReport }>();
const emit = defineEmits<{ go: [stationId: string] }>();
const told = computed(() => toMind(props.report.stations, props.station.id));
const first = computed(() => told.value?.first.cautions[0] ?? null);
const more = computed(() => {
  const { others = 0, dangers = [] } = told.value ?? {};
  if (others === 0) return 'why';
  // Nobody misses a danger for its being elsewhere.
  const [name, ...rest] = [...new Set(dangers)];
  const there = name === undefined ? '' : `; danger at ${name}${rest.length > 0 ? ` and ${plural(rest.length, 'other')}` : ''}`;
  return `why, and ${plural(others, 'other')}${there}`;
});
const open = ref(false);
</script>

<template>
  <section v-if="told && first" class="warnings told" :class="`told-${first.severity}`" aria-label="Warnings">
    <component :is="SEVERITY[first.severity].icon" :size="20" stroke="1.8" aria-hidden="true" />
    <p>
      <b>{{ SEVERITY[first.severity].word }}{{ told.first.id === station.id ? '' : ` at ${told.first.name}` }}.</b>
      {{ inManner(first.text) }}
    </p>
    <NButton text class="link" @click="open = true">{{ more }}</NButton>
    <SheetCard v-model:show="open" title="What to mind" :width="600">
      <template v-for="g in told.all" :key="g.id">
        <h3 v-if="told.all.length > 1">
          {{ g.name }}
          <NButton v-if="g.id !== station.id" text class="link" @click="((open = false), emit('go', g.id))">go there</NButton>
        </h3>
        <CautionList :cautions="g.cautions" />
      </template>
    </SheetCard>
  </section>
</template>

<style scoped>
.warnings {
  display: flex;
  align-items: center;
  gap: 10px;
  min-height: 40px;
  padding: 2px 14px;
  font-size: 14px;
}
svg {
  flex: none;
}
p {
  margin: 0;
  flex: 1;
}
h3 {
  display: flex;
  gap: 12px;
  align-items: baseline;
  margin: 12px 0 6px;
  font-size: 15px;
}
@media (max-width: 760px) {
  .warnings {
    flex-wrap: wrap;
    padding: 6px 12px;
  }
  p {
    flex: 1 1 220px;
  }
}
@media (max-width: 360px) {
  p {
    flex-basis: 180px;
  }
  .link.n-button {
    flex: 1 1 100%;
    min-width: 0;
    justify-content: start;
    height: auto;
  }
  .link :deep(.n-button__content) {
    white-space: normal;
    text-align: left;
  }
}
</style>
