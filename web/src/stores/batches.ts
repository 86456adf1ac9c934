import { defineStore } from 'pinia';
import type { BatchRecord, BatchRow } from '@roskel/contract';
import type { BatchFile, Goal } from '@roskel/core';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { collection } from './collection';
import { useUndo } from './undo';

/** The shelf of lines. One open batch lives in `openBatch.ts`. */
export const useBatches = defineStore('batches', () => {
  const list = collection<BatchRow>('/batches', 'batches');
  const undo = useUndo();
  const archive = archiveOf<BatchRow>('batches', (b) => b.summary.name, list.refresh);

  function undoable(record: BatchRecord, label: string) {
    undo.push(label, 'batches', {
      kind: 'calls',
      undo: [{ method: 'remove', path: `/batches/${record.id}` }],
      redo: [{ method: 'post', path: `/batches/${record.id}/restore` }],
      onlyAt: {
        path: `/batches/${record.id}`,
        revision: record.revision,
        says: 'work was done in it since. Archive it on its own page if it is to go.',
      },
    });
    return record;
  }
  async function start(name: string, startDate: string, goal: Goal) {
    return undoable(await api.post<BatchRecord>('/batches', { name, startDate, goal }), `${name} started`);
  }
  /** Starts a batch from a whole file, such as a plan. */
  async function startFile(file: BatchFile) {
    return undoable(await api.post<BatchRecord>('/batches/import', { file, begun: true }), `${file.name} started`);
  }
  async function importFile(file: unknown) {
    const record = await api.post<BatchRecord>('/batches/import', { file });
    return undoable(record, `${record.file.name} imported`);
  }
  return { ...list, start, startFile, importFile, archive };
});
