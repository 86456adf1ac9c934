import { defineStore } from 'pinia';
import type { BatchRecord } from '@roskel/contract';
import type { BatchFile, Goal } from '@roskel/core';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

/** The shelf of lines. One open batch lives in `openBatch.ts`. */
export const useBatches = defineStore('batches', () => {
  const list = collection<BatchRecord>('/batches', 'batches');
  const undo = useUndo();

  function undoable(record: BatchRecord, label: string) {
    undo.push(label, async () => {
      await api.remove(`/batches/${record.id}`);
      await list.load();
    });
    return record;
  }
  async function start(name: string, startDate: string, goal: Goal) {
    return undoable(await api.post<BatchRecord>('/batches', { name, startDate, goal }), `${name} started`);
  }
  async function importFile(file: unknown) {
    const record = await api.post<BatchRecord>('/batches/import', { file });
    return undoable(record, `${record.file.name} imported`);
  }
  async function putAway(record: { id: string; file: BatchFile }) {
    await api.remove(`/batches/${record.id}`);
    undo.push(`${record.file.name} put away`, async () => {
      await api.post(`/batches/${record.id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  return { ...list, start, importFile, putAway };
});
