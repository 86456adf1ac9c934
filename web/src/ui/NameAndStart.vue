<script setup lang="ts">
/** Name and first day of a batch. */
const name = defineModel<string>('name', { required: true });
const start = defineModel<string>('start', { required: true });
</script>

<template>
  <div class="top">
    <label class="field">
      <span>Name</span>
      <input v-model="name" class="entry" maxlength="60" />
    </label>
    <label class="field">
      <span>Start</span>
      <input v-model="start" type="date" class="entry" />
    </label>
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 1fr 180px;
  gap: 10px;
}
</style>
