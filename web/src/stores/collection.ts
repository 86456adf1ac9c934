import { ref, shallowRef } from 'vue';
import type { ChangeEvent } from '@roskel/contract';
import { api } from '../api/client';
import { concerns, onChange } from '../api/events';

/** A list kept in step with the server: loaded once, again whenever its topic changes anywhere. */
export function collection<T extends { id: string }>(path: string, topic: ChangeEvent['topic']) {
  const items = shallowRef<readonly T[]>([]);
  const state = ref<'empty' | 'loading' | 'ready' | 'failed'>('empty');
  const error = ref('');
  let stop: (() => void) | null = null;
  /** Many announcements at once are one fetch, and one more after it when some came meanwhile. */
  let running: Promise<void> | null = null;
  let again = false;

  async function fetchAll(): Promise<void> {
    if (state.value === 'empty') state.value = 'loading';
    try {
      items.value = await api.get<T[]>(path);
      state.value = 'ready';
      error.value = '';
    } catch (e) {
      error.value = (e as Error).message;
      if (state.value !== 'ready') state.value = 'failed';
    }
  }
  /** What an announcement says is taken over as it stands; what it does not say is the whole list anew. */
  function hear({ id, record, gone }: ChangeEvent): void {
    const known = items.value.some((i) => i.id === id);
    if (gone && known && !running) items.value = items.value.filter((i) => i.id !== id);
    else if (record && known && !running) items.value = items.value.map((i) => (i.id === id ? (record as T) : i));
    else void refresh();
  }
  /** Sees to it that the list is there. One that is, is in step already. */
  const load = (): Promise<void> => (state.value === 'ready' ? Promise.resolve() : (running ?? refresh()));
  /** Fetches the list anew. */
  function refresh(): Promise<void> {
    stop ??= onChange((event) => {
      if (concerns(event, topic)) hear(event);
    });
    if (running) {
      again = true;
      return running;
    }
    running = (async () => {
      do {
        again = false;
        await fetchAll();
      } while (again);
      running = null;
    })();
    return running;
  }
  return { items, state, error, load, refresh };
}
