<script setup lang="ts">
import { NButton } from 'naive-ui';
/** The end of a sheet for an own row: the sanity check, what the server refused, and the button. */
defineProps<{ problems: readonly { field: string; message: string }[]; refused: string; well: string; verb: string }>();
</script>

<template>
  <ul aria-label="Sanity check">
    <li v-for="p in problems" :key="p.field + p.message" class="field-error">{{ p.message }}</li>
    <li v-if="problems.length === 0" class="soft">{{ well }}</li>
  </ul>
  <p v-if="refused" class="field-error" role="alert">{{ refused }}</p>
  <NButton type="primary" attr-type="submit" :disabled="problems.length > 0">{{ verb }}</NButton>
</template>

<style scoped>
ul {
  margin: 0;
  padding-left: 18px;
}
p {
  margin: 0;
}
ul,
p,
button {
  grid-column: 1 / -1;
}
</style>
