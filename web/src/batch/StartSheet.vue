<script setup lang="ts">
import SheetCard from '../ui/SheetCard.vue';
import PlanStart from './PlanStart.vue';

/** Starts a batch from what is there and what is wished. */
const show = defineModel<boolean>('show', { required: true });
</script>

<template>
  <SheetCard v-model:show="show" title="Start a batch" :width="980"><PlanStart @done="show = false" /></SheetCard>
</template>
