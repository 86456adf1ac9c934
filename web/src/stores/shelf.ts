import { defineStore } from 'pinia';
import type { BottlingRecord } from '@roskel/contract';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

export const useShelf = defineStore('shelf', () => {
  const list = collection<BottlingRecord>('/shelf', 'shelf');
  const undo = useUndo();

  /** Takes bottles off the shelf; `who` got them. One act, one undo. */
  async function take(item: BottlingRecord, reason: 'opened' | 'given' | 'thrown', count = 1, who = '') {
    const path = `/shelf/${item.id}/moves`;
    const body = { delta: -count, reason, ...(who ? { who } : {}) };
    await api.post(path, body);
    undo.push(`${count === 1 ? 'a bottle' : `${count} bottles`} of ${item.name} ${reason}`, 'shelf', {
      kind: 'calls',
      undo: [{ method: 'post', path, body: { delta: count, reason: 'undo' } }],
      redo: [{ method: 'post', path, body }],
    });
    await list.refresh();
  }
  return { ...list, take };
});
