<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed, ref } from 'vue';
import { IconAlertOctagon, IconAlertTriangle, IconInfoCircle } from '@tabler/icons-vue';
import type { Caution, LineReport, StationReport } from '@roskel/core';
import { inManner, plural } from '../format';
import CautionList from '../ui/CautionList.vue';
import SheetCard from '../ui/SheetCard.vue';

/** What to mind in one line, most dangerous first; all of it behind its link. */
const props = defineProps<{ report: LineReport; station: StationReport }>();
const emit = defineEmits<{ go: [stationId: string] }>();
const ORDER = { danger: 0, caution: 1, note: 2 } as const;
const ICONS = { danger: IconAlertOctagon, caution: IconAlertTriangle, note: IconInfoCircle };
const WORDS = { danger: 'Danger', caution: 'Caution', note: 'Note' };
const worst = (all: readonly Caution[]) => [...all].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);
const groups = computed(() =>
  [props.station, ...props.report.stations.filter((s) => s.id !== props.station.id)]
    .map((s) => ({ id: s.id, name: s.name, here: s.id === props.station.id, cautions: worst(s.cautions) }))
    .filter((g) => (g.here ? g.cautions.length > 0 : g.cautions[0]?.severity === 'danger')),
);
/** One line: a danger where somebody works now, else the worst of here, else the worst there is. */
const line = computed(() => {
  const all = groups.value.map((g) => ({ ...g, caution: g.cautions[0]! }));
  const here = all.find((g) => g.here);
  const working = all.find((g) => !g.here && props.report.stations.some((s) => s.id === g.id && s.active));
  return here?.caution.severity === 'danger' ? here : (working ?? here ?? all[0] ?? null);
});
const count = computed(() => groups.value.reduce((n, g) => n + g.cautions.length, 0));
const others = computed(() => count.value - 1);
const open = ref(false);
</script>

<template>
  <section v-if="line" class="warnings" :class="line.caution.severity" aria-label="Warnings">
    <component :is="ICONS[line.caution.severity]" :size="20" stroke="1.8" aria-hidden="true" />
    <p>
      <b>{{ WORDS[line.caution.severity] }}{{ line.here ? '' : ` at ${line.name}` }}.</b> {{ inManner(line.caution.text) }}
    </p>
    <NButton text class="link" @click="open = true">{{ others > 0 ? `why, and ${plural(others, 'other')}` : 'why' }}</NButton>
    <SheetCard v-model:show="open" title="What to mind" :width="600">
      <template v-for="g in groups" :key="g.id">
        <h3 v-if="groups.length > 1">
          {{ g.name }}
          <NButton v-if="!g.here" text class="link" @click="((open = false), emit('go', g.id))">go there</NButton>
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
  border: 1.5px solid var(--line);
  border-radius: 10px;
  background: var(--plate);
  font-size: 14px;
  line-height: 1.3;
}
.caution,
.danger {
  background: var(--warn-plate);
  border-color: var(--warn);
}
.danger {
  border-width: 2.5px;
}
svg {
  flex: none;
}
.caution svg,
.danger svg {
  color: var(--warn);
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
</style>
