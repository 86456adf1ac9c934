import { computed, onScopeDispose, ref, watch } from 'vue';
import { useRoute } from 'vue-router';

/** What the page of the moment is about, where it says so itself: the name of a batch, of bottles. */
const own = ref('');

/** A page's own name in the title of its window, as soon as it is known. */
export function titleIs(name: () => string | null | undefined): void {
  watch(name, (now) => (own.value = now ?? ''), { immediate: true });
  onScopeDispose(() => (own.value = ''));
}

/** The title of the page of the moment: its own name, then what kind of page it is. */
export function usePageTitle() {
  const route = useRoute();
  return computed(() => [own.value, route.meta.title].filter(Boolean).join(', '));
}
