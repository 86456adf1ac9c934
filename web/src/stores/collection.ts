import { ref, shallowRef } from 'vue';
import type { ChangeEvent } from '@roskel/contract';
import { api } from '../api/client';
import { concerns, onChange } from '../api/events';

/** A list kept in step with the server: loaded once, again whenever its topic changes anywhere. */
export function collection<T extends { id: string; revision?: number }>(path: string, topic: ChangeEvent['topic']) {
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
  /** One record that only has a newer revision is fetched alone; anything else is the whole list anew. */
  async function hear(event: ChangeEvent): Promise<void> {
    const at = items.value.findIndex((i) => i.id === event.id);
    if (at < 0 || event.revision === undefined || running) return load();
    if ((items.value[at]!.revision ?? 0) >= event.revision) return;
    try {
      const fresh = await api.get<T>(`${path}/${event.id}`);
      items.value = items.value.map((i) => (i.id === fresh.id ? fresh : i));
    } catch {
      await load();
    }
  }
  function load(): Promise<void> {
    stop ??= onChange((event) => {
      if (concerns(event, topic)) void hear(event);
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
  return { items, state, error, load };
}
