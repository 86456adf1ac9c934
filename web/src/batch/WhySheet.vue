<script setup lang="ts">
import { inManner } from '../format';
import { NButton } from 'naive-ui';
import { RouterLink } from 'vue-router';
import { computed } from 'vue';
import { whyOf, type Banded, type BatchFile, type LineReport } from '@roskel/core';
import HangsOn from './HangsOn.vue';
import PillField from '../ui/PillField.vue';
import SheetCard from '../ui/SheetCard.vue';

const props = defineProps<{ file: BatchFile; report: LineReport; about: { stationId: string; what: Banded } | null }>();
const emit = defineEmits<{ close: []; station: [id: string]; ask: [what: Banded] }>();
const NUMBERS: readonly { value: Banded; label: string }[] = [
  { value: 'massG', label: 'Mass' },
  { value: 'heatShu', label: 'Heat' },
  { value: 'pH', label: 'Acid' },
  { value: 'saltPct', label: 'Salt' },
  { value: 'sweetPct', label: 'Sweet' },
  { value: 'body', label: 'Body' },
];
const band = computed(() => {
  const { about, report } = props;
  return (about && report.stations.find((s) => s.id === about.stationId)?.band[about.what]) ?? null;
});
const why = computed(() => (props.about ? whyOf(props.file, props.report, props.about.stationId, props.about.what) : null));
</script>

<template>
  <SheetCard :show="why !== null" :title="why ? `Why? ${why.title}` : ''" :width="540" @update:show="emit('close')">
    <template v-if="why && about">
      <PillField label="Number" :model-value="about.what" :options="NUMBERS" @update:model-value="$event && emit('ask', $event)" />
      <ul>
        <li v-for="f in why.from" :key="f">{{ inManner(f) }}</li>
      </ul>
      <p class="formula">{{ why.formula }}</p>
      <p v-if="why.assumed.length" class="soft">Assumed: {{ why.assumed.join('; ') }}.</p>
      <p class="soft">Source: {{ why.source }}. <RouterLink :to="`/guide/${why.guide}`">More in the guide</RouterLink></p>
      <HangsOn :file="file" :station-id="about.stationId" :what="about.what" :band="band" @station="emit('station', $event)" />
      <NButton @click="emit('station', about.stationId)">Correct it at this station</NButton>
    </template>
  </SheetCard>
</template>

<style scoped>
ul {
  margin: 10px 0;
  padding-left: 18px;
}
.formula {
  padding: 8px 12px;
  background: var(--active);
  border-radius: 10px;
}
</style>
