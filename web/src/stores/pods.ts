import { defineStore } from 'pinia';
import type { Move, PodLotInput, PodLotRecord } from '@roskel/contract';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

export const usePods = defineStore('pods', () => {
  const list = collection<PodLotRecord>('/pods', 'pods');
  const undo = useUndo();

  async function add(input: PodLotInput, stockG: number, words: string) {
    const made = await api.post<PodLotRecord>('/pods', { input, stockG, words });
    undo.push(`${input.lot.name} added`, async () => {
      await api.remove(`/pods/${made.id}`);
      await list.load();
    });
    await list.load();
  }
  async function edit(before: PodLotRecord, input: PodLotInput) {
    const { id, revision } = before;
    await api.put(`/pods/${id}`, { revision, input });
    const { lot, gotOn, place, note, useFirst } = before;
    undo.push(`change to ${lot.name}`, async () => {
      await list.load();
      const now = list.items.value.find((p) => p.id === id);
      if (now) await api.put(`/pods/${id}`, { revision: now.revision, input: { lot, gotOn, place, note, useFirst } });
      await list.load();
    });
    await list.load();
  }
  async function move(item: PodLotRecord, m: Move) {
    await api.post(`/pods/${item.id}/moves`, m);
    undo.push(`stock of ${item.lot.name}`, async () => {
      await api.post(`/pods/${item.id}/moves`, { deltaG: -m.deltaG, reason: 'undo', words: '' });
      await list.load();
    });
    await list.load();
  }
  async function putAway(item: PodLotRecord) {
    await api.remove(`/pods/${item.id}`);
    undo.push(`${item.lot.name} put away`, async () => {
      await api.post(`/pods/${item.id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  return { ...list, add, edit, move, putAway };
});
