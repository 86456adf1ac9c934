<script setup lang="ts">
import { NButton } from 'naive-ui';
import { computed } from 'vue';
import { newsFor, type News } from '@roskel/core';
import { shu } from '../format';
import { useLarder } from '../stores/larder';
import { useOpenBatch } from '../stores/openBatch';
import { usePods } from '../stores/pods';
import { useSettings } from '../stores/settings';

/** What was learnt since the open batch took its pods and ingredients, on offer. */
const batch = useOpenBatch();
const pods = usePods();
const larder = useLarder();
const settings = useSettings();
void pods.load();
void larder.load();
const fresh = computed(() =>
  batch.file && pods.state === 'ready' && larder.state === 'ready'
    ? newsFor(
        batch.file,
        // Counted as quoted, what tasting taught is hidden.
        settings.value.school === 'dry' ? pods.items.map((p) => p.lot) : [],
        larder.rows,
      )
    : null,
);
const say = ({ name, of, before, after }: News) =>
  of === 'heat'
    ? `${name} ${shu(after.low)} to ${shu(after.high)} SHU, not ${shu(before.low)} to ${shu(before.high)}`
    : `${name} pH ${after.low.toFixed(1)} to ${after.high.toFixed(1)}, not ${before.low.toFixed(1)} to ${before.high.toFixed(1)}`;
</script>

<template>
  <div v-if="fresh && fresh.news.length" class="plate news no-print" role="status">
    <span><b>Known better by now:</b> {{ fresh.news.map(say).join('; ') }}.</span>
    <NButton text class="link" @click="batch.change('new knowledge', fresh.file)">Use it here</NButton>
  </div>
</template>

<style scoped>
.news {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 14px;
  padding: 1px 14px;
  flex: none;
}
.news button {
  flex: none;
  min-height: 44px;
}
</style>
