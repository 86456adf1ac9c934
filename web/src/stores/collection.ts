import { computed, shallowRef } from 'vue';
import type { ChangeEvent } from '@roskel/contract';
import { api } from '../api/client';
import { inStep } from './inStep';
import { useMoves, type StockTopic } from './moves';

/** A list kept in step with the server: loaded once, again whenever its topic changes anywhere. */
export function collection<T extends { id: string }>(path: string, topic: ChangeEvent['topic']) {
  const items = shallowRef<readonly T[]>([]);
  /** What an announcement says is taken over as it stands; what it does not say is the whole list anew. */
  function hear({ id, record, gone }: ChangeEvent): boolean {
    if (!items.value.some((i) => i.id === id) || !(gone || record)) return false;
    items.value = gone ? items.value.filter((i) => i.id !== id) : items.value.map((i) => (i.id === id ? (record as T) : i));
    return true;
  }
  const fetch = async () => void (items.value = await api.get<T[]>(path));
  return { items, ...inStep(fetch, [topic], hear) };
}

/** A list of what has stock: moves that wait for the server count, as `moved` says of a record and bottles or grams. */
export function stockList<T extends { id: string }>(topic: StockTopic, moved: (item: T, by: number) => T) {
  const list = collection<T>(`/${topic}`, topic);
  const moves = useMoves();
  moves.onSent(topic, list.refresh);
  const items = computed<readonly T[]>(() => {
    if (moves.waiting.length === 0) return list.items.value;
    return list.items.value.map((item) => {
      const by = moves.pending(topic, item.id);
      return by === 0 ? item : moved(item, by);
    });
  });
  return { ...list, items };
}
