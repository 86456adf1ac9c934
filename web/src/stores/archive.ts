import type { OwnKind } from '@roskel/contract';
import { api } from '../api/client';
import { useUndo } from './undo';

export type ArchiveTopic = 'batches' | 'pods' | 'larder' | 'stored' | OwnKind;

/** Archiving things of a list, seeing what is archived, and bringing it back. */
export interface Archive<T> {
  put(id: string, name: string): Promise<void>;
  restore(item: T): Promise<void>;
  list(): Promise<readonly T[]>;
  nameOf(item: T): string;
}

export function archiveOf<T extends { id: string }>(
  topic: ArchiveTopic,
  nameOf: (item: T) => string,
  load: () => Promise<void>,
): Archive<T> {
  const undo = useUndo();
  const away = (id: string) => ({ method: 'remove', path: `/${topic}/${id}` }) as const;
  const back = (id: string) => ({ method: 'post', path: `/${topic}/${id}/restore` }) as const;
  return {
    nameOf,
    list: () => api.get<T[]>(`/${topic}/archive`),
    async put(id, name) {
      await api.remove(`/${topic}/${id}`);
      undo.push(`${name} archived`, topic, { kind: 'calls', undo: [back(id)], redo: [away(id)] });
      await load();
    },
    async restore(item) {
      await api.post(`/${topic}/${item.id}/restore`, {});
      undo.push(`${nameOf(item)} restored`, topic, { kind: 'calls', undo: [away(item.id)], redo: [back(item.id)] });
      await load();
    },
  };
}
