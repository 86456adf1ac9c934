import { defineStore } from 'pinia';
import type { LotHistory, Move, PodLotInput, PodLotRecord } from '@roskel/contract';
import { TURNS, type Turn } from '@roskel/core';
import { api } from '../api/client';
import { collection } from './collection';
import { useUndo } from './undo';

/** What a maker says of a lot, out of its record. */
export function inputOf({ lot, gotOn, place, note, useFirst, ripeness, pricePerKg }: PodLotRecord): PodLotInput {
  return { lot, gotOn, place, note, useFirst, ripeness, pricePerKg };
}

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
    undo.push(`change to ${before.lot.name}`, async () => {
      await list.load();
      const now = list.items.value.find((p) => p.id === id);
      if (now) await api.put(`/pods/${id}`, { revision: now.revision, input: inputOf(before) });
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
  /** Dries, freezes or grinds some of a lot into a new one. */
  async function turn(item: PodLotRecord, into: Turn, takeG: number, gotG: number | null, words: string) {
    const made = await api.post<PodLotRecord>(`/pods/${item.id}/turn`, { into, takeG, gotG, words });
    undo.push(`${item.lot.name} ${TURNS[into].verb}`, async () => {
      await api.post(`/pods/${made.id}/unturn`, {});
      await list.load();
    });
    await list.load();
    return made;
  }
  async function putAway(item: PodLotRecord) {
    await api.remove(`/pods/${item.id}`);
    undo.push(`${item.lot.name} put away`, async () => {
      await api.post(`/pods/${item.id}/restore`, {});
      await list.load();
    });
    await list.load();
  }
  const history = (id: string) => api.get<LotHistory>(`/pods/${id}/history`);
  return { ...list, add, edit, move, turn, putAway, history };
});
