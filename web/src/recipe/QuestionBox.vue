<script setup lang="ts">
import { NButton } from 'naive-ui';

/** A question about the recipe as a whole. */
defineProps<{ ask: string; answers: readonly (readonly [value: string, says: string])[] }>();
const emit = defineEmits<{ say: [value: string] }>();
</script>

<template>
  <div class="box" role="group" aria-label="A question">
    <span><b>A question.</b> {{ ask }}</span>
    <span class="acts"
      ><NButton v-for="[value, says] in answers" :key="value" size="small" @click="emit('say', value)">{{ says }}</NButton></span
    >
  </div>
</template>

<style scoped>
.box {
  display: grid;
  gap: 6px;
  padding: 9px 11px;
  background: var(--warn-plate);
  border: 1px solid var(--warn);
  border-radius: 10px;
  line-height: 1.35;
}
.acts {
  display: flex;
  gap: 8px;
  flex-wrap: wrap;
}
</style>
