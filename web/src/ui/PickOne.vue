<script setup lang="ts" generic="V extends string">
/** A filter: anything, or one of a few. */
defineProps<{ label: string; any: string; options: readonly V[] }>();
const chosen = defineModel<V | ''>({ required: true });
</script>

<template>
  <select v-model="chosen" class="small-entry" :aria-label="label">
    <option value="">{{ any }}</option>
    <option v-for="o in options" :key="o" :value="o">{{ o }}</option>
  </select>
</template>
