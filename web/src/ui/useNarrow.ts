import { onBeforeUnmount, onMounted, ref } from 'vue';

/** True while the window is no wider than so many pixels. */
export function useNarrow(px: number) {
  const media = window.matchMedia(`(max-width: ${px}px)`);
  const narrow = ref(media.matches);
  const measure = () => (narrow.value = media.matches);
  onMounted(() => media.addEventListener('change', measure));
  onBeforeUnmount(() => media.removeEventListener('change', measure));
  return narrow;
}
