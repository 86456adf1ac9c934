<script setup lang="ts">
import { NForm } from 'naive-ui';

/** A form in one column, as most sheets have it. */
const emit = defineEmits<{ submit: [] }>();
</script>

<template>
  <NForm class="sheet-form" @submit.prevent="emit('submit')"><slot /></NForm>
</template>

<style scoped>
.sheet-form {
  display: grid;
  gap: 10px;
}
.sheet-form > :slotted(p) {
  margin: 0;
}
</style>
