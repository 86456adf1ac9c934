import { ref } from 'vue';
import type { House } from '@roskel/contract';
import { api, Offline } from '../api/client';
import { useNotices } from '../stores/notices';

/** Where others in the house find this kitchen; null until it is known, and while the server is away. */
export function useHouse() {
  const notices = useNotices();
  const house = ref<House | null>(null);
  api
    .get<House>('/house')
    .then((h) => (house.value = h))
    .catch((e: unknown) => e instanceof Offline || notices.fail(e));
  return house;
}
