<script setup lang="ts">
import TextField from '../ui/TextField.vue';
import DateField from '../ui/DateField.vue';
/** Name and first day of a batch. */
const name = defineModel<string>('name', { required: true });
const start = defineModel<string>('start', { required: true });
</script>

<template>
  <div class="top">
    <TextField v-model="name" label="Name" :maxlength="60" />
    <DateField :model-value="start" label="Start" @update:model-value="start = $event ?? ''" />
  </div>
</template>

<style scoped>
.top {
  display: grid;
  grid-template-columns: 1fr 180px;
  gap: 10px;
}
</style>
