import { onUnmounted, ref, shallowRef, watch } from 'vue';
import type { LogLine } from '@roskel/contract';
import { api } from '../api/client';
import { onChange } from '../api/events';
import { useNotices } from '../stores/notices';

/** As many lines as come at once. */
const AT_ONCE = 60;
/** After a change elsewhere, until the newest lines are asked for: many come together. */
const SOON_MS = 400;

/** Lines of the log by what is asked for (`topic`, `item`, `maker`), kept in step; earlier ones on demand. */
export function useLog(asked: () => Record<string, string | undefined>) {
  const notices = useNotices();
  const lines = shallowRef<readonly LogLine[]>([]);
  const state = ref<'loading' | 'ready' | 'failed'>('loading');
  const error = ref('');
  /** There may be earlier ones. */
  const more = ref(false);
  let turn = 0;

  const fetched = (before?: number) => {
    const query = new URLSearchParams({ most: String(AT_ONCE) });
    for (const [key, value] of Object.entries(asked())) if (value) query.set(key, value);
    if (before !== undefined) query.set('before', String(before));
    return api.get<LogLine[]>(`/log?${query.toString()}`);
  };
  async function load() {
    const mine = ++turn;
    try {
      const found = await fetched();
      // Somebody asked for something else meanwhile.
      if (mine !== turn) return;
      // Earlier ones that were brought up already stay, unless more came in between than were fetched.
      const oldest = found.at(-1)?.id ?? 0;
      const joins = state.value === 'ready' && lines.value.some((l) => l.id >= oldest);
      const before = joins ? lines.value.filter((l) => l.id < oldest) : [];
      lines.value = found.length === AT_ONCE ? [...found, ...before] : found;
      more.value = before.length > 0 ? more.value : found.length === AT_ONCE;
      state.value = 'ready';
    } catch (e) {
      if (mine !== turn) return;
      error.value = (e as Error).message;
      if (state.value !== 'ready') state.value = 'failed';
    }
  }
  async function earlier() {
    const mine = turn;
    try {
      const found = await fetched(lines.value.at(-1)?.id);
      if (mine !== turn) return;
      lines.value = [...lines.value, ...found];
      more.value = found.length === AT_ONCE;
    } catch (e) {
      notices.fail(e);
    }
  }
  watch(
    () => JSON.stringify(asked()),
    () => {
      state.value = 'loading';
      void load();
    },
    { immediate: true },
  );
  let soon: ReturnType<typeof setTimeout> | undefined;
  const stop = onChange(() => {
    clearTimeout(soon);
    soon = setTimeout(() => void load(), SOON_MS);
  });
  onUnmounted(() => {
    stop();
    clearTimeout(soon);
  });
  return { lines, state, error, more, load, earlier };
}
