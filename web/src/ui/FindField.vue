<script setup lang="ts">
import { NInput } from 'naive-ui';
import { IconSearch } from '@tabler/icons-vue';

/** Finds in a list while one types; the key "/" leads here. */
const text = defineModel<string>({ required: true });
defineProps<{ label: string }>();
</script>

<template>
  <NInput
    v-model:value="text"
    class="find"
    clearable
    :placeholder="label"
    :input-props="{ type: 'search', 'aria-label': label, ['data-find' as string]: '' } as never"
  >
    <template #prefix><IconSearch :size="18" stroke="1.7" aria-hidden="true" /></template>
  </NInput>
</template>

<style scoped>
.find {
  width: 220px;
  flex: none;
}
</style>
