<script setup lang="ts">
/** What can be done with a row of a table: copy it; change or put away one's own. */
defineProps<{ name: string; own: boolean }>();
const emit = defineEmits<{ copy: []; edit: []; away: [] }>();
</script>

<template>
  <template v-if="own">
    <button type="button" class="link" :aria-label="`Change ${name}`" @click="emit('edit')">change</button>
    <button type="button" class="link" :aria-label="`Put ${name} away`" @click="emit('away')">put away</button>
  </template>
  <button type="button" class="link" :aria-label="`Copy ${name}`" @click="emit('copy')">copy</button>
</template>
