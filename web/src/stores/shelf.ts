import { defineStore } from 'pinia';
import type { BottlingRecord } from '@roskel/contract';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

export const useShelf = defineStore('shelf', () => {
  const list = collection<BottlingRecord>('/shelf', 'shelf');
  const undo = useUndo();

  async function take(item: BottlingRecord, reason: 'opened' | 'given' | 'thrown') {
    await api.post(`/shelf/${item.id}/moves`, { delta: -1, reason });
    const path = `/shelf/${item.id}/moves`;
    undo.push(`a bottle of ${item.name} ${reason}`, 'shelf', {
      kind: 'calls',
      undo: [{ method: 'post', path, body: { delta: 1, reason: 'undo' } }],
      redo: [{ method: 'post', path, body: { delta: -1, reason } }],
    });
    await list.refresh();
  }
  return { ...list, take };
});
