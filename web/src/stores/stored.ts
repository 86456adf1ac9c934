import { defineStore } from 'pinia';
import type { KeepInput, LedgerLine, Move, StoredRecord } from '@roskel/contract';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { collection } from './collection';
import { useUndo } from './undo';

/** What batches left and was kept: brine, the rest of a base, bottles opened for another sauce. */
export const useStored = defineStore('stored', () => {
  const list = collection<StoredRecord>('/stored', 'stored');
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
    const path = `/stored/${s.id}/moves`;
    await api.post(path, m);
    undo.push(`stock of ${s.stuff.name}`, 'stored', {
      kind: 'calls',
      undo: [{ method: 'post', path, body: { deltaG: -m.deltaG, reason: 'undo', words: '' } satisfies Move }],
      redo: [{ method: 'post', path, body: m }],
    });
    await list.refresh();
  }
  const history = (id: string) => api.get<LedgerLine[]>(`/stored/${id}/history`);
  return { ...list, keep, move, archive, history };
});
