<script setup lang="ts">
import { NButton } from 'naive-ui';

/** Says that a form was taken up where it was left, and offers to begin anew. */
defineProps<{ show: boolean }>();
const emit = defineEmits<{ anew: [] }>();
</script>

<template>
  <p v-if="show" class="draft" role="status">
    <span>Taken up where you left it.</span>
    <NButton text class="link" @click="emit('anew')">Start anew</NButton>
  </p>
</template>

<style scoped>
.draft {
  grid-column: 1 / -1;
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  margin: 0;
  padding: 0 12px;
  min-height: 44px;
  background: var(--active);
  border-radius: 10px;
}
</style>
