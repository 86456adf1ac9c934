<script setup lang="ts">
import { useNotices } from '../stores/notices';

const notices = useNotices();
</script>

<template>
  <div class="notices no-print" role="status" aria-live="polite">
    <p v-for="n in notices.list" :key="n.id" class="plate" :class="n.kind">
      {{ n.text }}
      <button type="button" class="link" @click="notices.drop(n.id)">Close</button>
    </p>
  </div>
</template>

<style scoped>
.notices {
  position: fixed;
  right: 20px;
  bottom: 16px;
  display: grid;
  gap: 8px;
  z-index: 5000;
  max-width: min(440px, 90vw);
}
p {
  margin: 0;
  padding: 10px 14px;
  display: flex;
  gap: 14px;
  justify-content: space-between;
}
.error {
  background: var(--warn-plate);
  border-color: var(--warn);
}
</style>
