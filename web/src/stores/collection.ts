import { shallowRef } from 'vue';
import type { ChangeEvent } from '@roskel/contract';
import { api } from '../api/client';
import { inStep } from './inStep';

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
