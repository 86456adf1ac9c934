<script setup lang="ts">
import { NButton } from 'naive-ui';
/** What a list shows while it is fetched, when that failed, when it is empty, and when nothing matches the find. */
defineProps<{ state: 'empty' | 'loading' | 'ready' | 'failed'; error: string; count: number; shown: number; find: string; what: string }>();
const emit = defineEmits<{ retry: [] }>();
</script>

<template>
  <p v-if="state === 'failed'" class="plate note">{{ error }} <NButton text class="link" @click="emit('retry')">Try again</NButton></p>
  <p v-else-if="state !== 'ready'" class="soft">Fetching your {{ what }}.</p>
  <div v-else-if="count === 0" class="plate note"><slot name="empty" /></div>
  <p v-else-if="shown === 0" class="soft">Nothing here matches "{{ find }}".</p>
  <slot v-else />
</template>
