import { ref, shallowRef } from 'vue';
import type { ChangeEvent } from '@roskel/contract';
import { api } from '../api/client';
import { onChange } from '../api/events';

/** A list kept in step with the server: loaded once, again whenever its topic changes anywhere. */
export function collection<T extends { id: string }>(path: string, topic: ChangeEvent['topic']) {
  const items = shallowRef<readonly T[]>([]);
  const state = ref<'empty' | 'loading' | 'ready' | 'failed'>('empty');
  const error = ref('');
  let stop: (() => void) | null = null;

  async function load(): Promise<void> {
    if (state.value === 'empty') state.value = 'loading';
    try {
      items.value = await api.get<T[]>(path);
      state.value = 'ready';
      error.value = '';
    } catch (e) {
      error.value = (e as Error).message;
      if (state.value !== 'ready') state.value = 'failed';
    }
    stop ??= onChange((event) => {
      if (event.topic === topic) void load();
    });
  }
  return { items, state, error, load };
}
