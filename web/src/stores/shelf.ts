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
    undo.push(`a bottle of ${item.name} ${reason}`, async () => {
      await api.post(`/shelf/${item.id}/moves`, { delta: 1, reason: 'undo' });
      await list.load();
    });
    await list.load();
  }
  return { ...list, take };
});
