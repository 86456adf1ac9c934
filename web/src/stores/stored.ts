import { defineStore } from 'pinia';
import type { KeepInput, LedgerLine, Move, StoredRecord } from '@roskel/contract';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { stockList } from './collection';
import { massMove, useMoves, withMass } from './moves';
import { useUndo } from './undo';

/** What batches left and was kept: brine, the rest of a base, bottles opened for another sauce. */
export const useStored = defineStore('stored', () => {
  const list = stockList<StoredRecord>('stored', withMass);
  const moves = useMoves();
  const undo = useUndo();
  const archive = archiveOf<StoredRecord>('stored', (s) => s.stuff.name, list.refresh);

  async function keep(input: KeepInput): Promise<StoredRecord> {
    const record = await api.post<StoredRecord>('/stored', input);
    const bottles = 'bottlingId' in input.what ? input.what : null;
    const shelf = bottles && { method: 'post' as const, path: `/shelf/${bottles.bottlingId}/moves` };
    undo.push(`${input.name} kept`, bottles ? 'shelf' : `batch:${record.batchId ?? ''}`, {
      kind: 'calls',
      undo: [
        { method: 'remove', path: `/stored/${record.id}` },
        ...(shelf ? [{ ...shelf, body: { delta: bottles.bottles, reason: 'undo' } }] : []),
      ],
      redo: [
        { method: 'post', path: `/stored/${record.id}/restore` },
        ...(shelf ? [{ ...shelf, body: { delta: -bottles.bottles, reason: 'opened' } }] : []),
      ],
    });
    await list.refresh();
    return record;
  }
  async function move(s: StoredRecord, m: Move) {
    await moves.act(`stock of ${s.stuff.name}`, ...massMove('stored', s.id, m));
    await list.refresh();
  }
  const history = (id: string) => api.get<LedgerLine[]>(`/stored/${id}/history`);
  return { ...list, keep, move, archive, history };
});
