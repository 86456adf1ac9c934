import { ref } from 'vue';
import { concerns, onChange } from '../api/events';
import type { ChangeEvent } from '@roskel/contract';

export type ListState = 'empty' | 'loading' | 'ready' | 'failed';

/**
 * Keeps something in step with the server: fetched when it is first wanted, and anew whenever one of its topics changes
 * anywhere, but for what `hear` takes over from the announcement itself. Many announcements at once are one fetch, and one
 * more after it when some came meanwhile.
 */
export function inStep(fetch: () => Promise<void>, topics: readonly ChangeEvent['topic'][], hear?: (event: ChangeEvent) => boolean) {
  const state = ref<ListState>('empty');
  const error = ref('');
  let listening = false;
  let running: Promise<void> | null = null;
  let again = false;
  async function once(): Promise<void> {
    if (state.value === 'empty') state.value = 'loading';
    try {
      await fetch();
      state.value = 'ready';
      error.value = '';
    } catch (e) {
      error.value = (e as Error).message;
      if (state.value !== 'ready') state.value = 'failed';
    }
  }
  function listen(): void {
    if (listening) return;
    listening = true;
    onChange((event) => {
      if (topics.some((t) => concerns(event, t)) && (running || !hear?.(event))) void refresh();
    });
  }
  /** Fetches it anew. */
  function refresh(): Promise<void> {
    listen();
    if (running) {
      again = true;
      return running;
    }
    running = (async () => {
      do {
        again = false;
        await once();
      } while (again);
      running = null;
    })();
    return running;
  }
  /** Sees to it that it is there. What is, is in step already. */
  const load = (): Promise<void> => (state.value === 'ready' ? Promise.resolve() : (running ?? refresh()));
  return { state, error, load, refresh };
}
