<script setup lang="ts">
import { NButton } from 'naive-ui';
/** What can be done with a row of a table: copy it; change or archive one's own. */
defineProps<{ name: string; own: boolean }>();
const emit = defineEmits<{ copy: []; edit: []; away: [] }>();
</script>

<template>
  <template v-if="own">
    <NButton text class="link" :aria-label="`Change ${name}`" @click="emit('edit')">change</NButton>
    <NButton text class="link" :aria-label="`Archive ${name}`" @click="emit('away')">archive</NButton>
  </template>
  <NButton text class="link no-print" :aria-label="`Copy ${name}`" @click="emit('copy')">copy</NButton>
</template>
