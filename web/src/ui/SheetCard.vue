<script setup lang="ts">
import { NModal } from 'naive-ui';
import { commitTyping } from './typing';

/** A sheet that lies over the page: one thing to do or to read, closed by Escape, a click beside it or its cross. */
const show = defineModel<boolean>('show', { required: true });
/** What stands in a field is taken over before the sheet goes. */
function close(open: boolean) {
  if (!open) commitTyping();
  show.value = open;
}
withDefaults(defineProps<{ title: string; width?: number; must?: boolean }>(), { width: 560, must: false });
</script>

<template>
  <NModal
    :show="show"
    preset="card"
    :title="title"
    :aria-label="title"
    :style="{ width: `${width}px`, maxWidth: '96vw' }"
    :closable="!must"
    :mask-closable="!must"
    :close-on-esc="!must"
    class="sheet"
    @update:show="close"
  >
    <slot />
  </NModal>
</template>
