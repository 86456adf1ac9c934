import { computed, ref } from 'vue';

/** The first of a long list, and more of it by wish: nobody looks at a thousand rows at once. `always` stays in it. */
export function useFew<T>(list: () => readonly T[], few: number, always: (of: T) => boolean = () => false) {
  const most = ref(few);
  const shown = computed(() => list().filter((x, i) => i < most.value || always(x)));
  const hidden = computed(() => list().length - shown.value.length);
  const more = () => (most.value += 2 * few);
  return { shown, hidden, more };
}
