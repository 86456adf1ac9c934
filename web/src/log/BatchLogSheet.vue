<script setup lang="ts">
import { NButton } from 'naive-ui';
import SheetCard from '../ui/SheetCard.vue';
import LogList from './LogList.vue';
import { useLog } from './useLog';

/** What was done to one batch, and by whom. */
const show = defineModel<boolean>('show', { required: true });
const props = defineProps<{ batchId: string }>();
const { lines, state, error, more, load, earlier } = useLog(() => ({ topic: 'batches', item: props.batchId }));
</script>

<template>
  <SheetCard v-model:show="show" title="Who did what" :width="680">
    <p v-if="state === 'loading'" class="soft">Reading the log.</p>
    <p v-else-if="state === 'failed'" role="alert">{{ error }} <NButton text class="link" @click="load">Try again</NButton></p>
    <p v-else-if="lines.length === 0" class="soft">Nothing was changed since this kitchen keeps a log.</p>
    <LogList :lines="lines" plain />
    <p v-if="more"><NButton @click="earlier">Earlier</NButton></p>
  </SheetCard>
</template>
