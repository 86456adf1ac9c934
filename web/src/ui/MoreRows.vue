<script setup lang="ts">
import { NButton } from 'naive-ui';

/** The rest of a long list, by wish. */
defineProps<{ hidden: number; what: string }>();
const emit = defineEmits<{ more: [] }>();
</script>

<template>
  <p v-if="hidden > 0" class="more">
    <NButton class="no-print" @click="emit('more')">Show more of {{ hidden.toLocaleString('en') }} {{ what }}</NButton>
  </p>
</template>

<style scoped>
.more {
  margin: 4px 0;
}
</style>
