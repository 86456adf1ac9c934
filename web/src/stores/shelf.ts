import { defineStore } from 'pinia';
import type { BottlingRecord } from '@roskel/contract';
import { stockList } from './collection';
import { useMoves } from './moves';

export const useShelf = defineStore('shelf', () => {
  const list = stockList<BottlingRecord>('shelf', (b, by) => ({ ...b, left: b.left + by }));
  const moves = useMoves();

  /** Takes bottles off the shelf; `who` got them. One act, one undo. */
  async function take(item: BottlingRecord, reason: 'opened' | 'given' | 'thrown', count = 1, who = '') {
    await moves.act(
      `${count === 1 ? 'a bottle' : `${count} bottles`} of ${item.name} ${reason}`,
      { topic: 'shelf', id: item.id, by: -count, body: { delta: -count, reason, ...(who ? { who } : {}) } },
      { delta: count, reason: 'undo' },
    );
    await list.refresh();
  }
  return { ...list, take };
});
