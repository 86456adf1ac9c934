import { computed } from 'vue';
import { useRoute, useRouter } from 'vue-router';

/** Someone came from inside a batch to add something: where to, when that is done. Only our own batches lead back. */
export function useWayBack() {
  const route = useRoute();
  const router = useRouter();
  const to = computed(() =>
    typeof route.query.back === 'string' && /^\/batches\/[\w.:-]+/.test(route.query.back) ? route.query.back : null,
  );
  async function goBack(): Promise<void> {
    if (to.value) await router.push(to.value);
  }
  return { to, goBack };
}
