<script setup lang="ts">
import { computed, ref } from 'vue';
import { NButton } from 'naive-ui';
import { heatTreatment, stationIn, type HeatPoint, type StationReport } from '@roskel/core';
import { heatSays } from '../bench/useHeatLog';
import { useOpenBatch } from '../stores/openBatch';
import HeatSheet from './HeatSheet.vue';

/** The temperature log of a step that is heated, and what it says. */
const props = defineProps<{ station: StationReport }>();
const batch = useOpenBatch();
const log = computed(() => (batch.file && stationIn(batch.file, props.station.id)?.log) ?? props.station.log);
const open = ref(false);
const says = computed(() => (log.value.heat ? heatSays(heatTreatment(log.value.heat)) : ''));
const keep = (points: HeatPoint[] | null) => batch.setLog(props.station.id, { heat: points });
</script>

<template>
  <div class="heat">
    <NButton text class="link" @click="open = true">{{ log.heat ? 'The temperature log' : 'Add a temperature log' }}</NButton>
    <p v-if="says" class="soft" data-fact="heat">{{ says }}</p>
    <HeatSheet v-model:show="open" :kept="log.heat" @keep="keep" />
  </div>
</template>

<style scoped>
.heat {
  display: grid;
  gap: 2px;
  justify-items: start;
}
p {
  margin: 0;
  font-size: 13px;
  line-height: 1.3;
}
</style>
