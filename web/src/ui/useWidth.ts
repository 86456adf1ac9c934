import { onBeforeUnmount, onMounted, ref } from 'vue';

/** How wide an element is, px: what is drawn in it keeps its letters at their size. */
export function useWidth(first: number) {
  const el = ref<HTMLElement | null>(null);
  const width = ref(first);
  let watching: ResizeObserver | null = null;
  onMounted(() => {
    watching = new ResizeObserver(([e]) => (width.value = Math.max(280, Math.round(e!.contentRect.width))));
    if (el.value) watching.observe(el.value);
  });
  onBeforeUnmount(() => watching?.disconnect());
  return { el, width };
}
