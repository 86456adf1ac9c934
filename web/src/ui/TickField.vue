<script setup lang="ts">
import { NCheckbox } from 'naive-ui';

/** Yes or no. */
const ticked = defineModel<boolean>({ required: true });
defineProps<{ label: string; hideLabel?: boolean; disabled?: boolean }>();
</script>

<template>
  <NCheckbox v-model:checked="ticked" class="tick" :disabled="disabled ?? false" :aria-disabled="disabled || undefined">
    <span :class="{ 'visually-hidden': hideLabel }"
      ><slot>{{ label }}</slot></span
    >
  </NCheckbox>
</template>

<style scoped>
.tick {
  min-height: 44px;
  align-items: center;
}
</style>
