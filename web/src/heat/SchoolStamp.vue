<script setup lang="ts">
import { FRESH_STAMP } from '@roskel/core';
import { useSettings } from '../stores/settings';

/** Stands wherever heat is shown while it is counted on fresh weight. */
const settings = useSettings();
</script>

<template>
  <span v-if="settings.value.school === 'fresh'" class="stamp" data-fact="school">{{ FRESH_STAMP }}</span>
</template>
