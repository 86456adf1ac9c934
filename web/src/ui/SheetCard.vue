<script setup lang="ts">
import { nextTick, watch } from 'vue';
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
/** The library gives its titles the role of a heading without a level, and to the bar around them as well. */
watch(
  show,
  async (open) => {
    if (!open) return;
    await nextTick();
    for (const bar of document.querySelectorAll('.sheet .n-card-header')) {
      bar.removeAttribute('role');
      bar.querySelector('.n-card-header__main')?.setAttribute('aria-level', '2');
    }
  },
  { immediate: true },
);
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
