import { defineStore } from 'pinia';
import { type LotHistory, type Move, type NewPodLot, type PodLotInput, type PodLotRecord } from '@roskel/contract';
import { TURNS, type Turn } from '@roskel/core';
import { api } from '../api/client';
import { archiveOf } from './archive';
import { stockList } from './collection';
import { massMove, useMoves, withMass } from './moves';
import { putRecord, type Begun } from './putRecord';
import { useUndo } from './undo';

/** What a maker says of a lot, out of its record. */
export function inputOf({ lot, gotOn, place, note, useFirst, ripeness, pricePerKg }: PodLotRecord): PodLotInput {
  return { lot, gotOn, place, note, useFirst, ripeness, pricePerKg };
}

export const usePods = defineStore('pods', () => {
  const list = stockList<PodLotRecord>('pods', withMass);
  const moves = useMoves();
  const undo = useUndo();
  const archive = archiveOf<PodLotRecord>('pods', (p) => p.lot.name, list.refresh);

  async function add(input: PodLotInput, stockG: number, words: string, leftBy?: NewPodLot['leftBy']): Promise<PodLotRecord> {
    const made = await api.post<PodLotRecord>('/pods', { input, stockG, words, ...(leftBy ? { leftBy } : {}) } satisfies NewPodLot);
    undo.push(`${input.lot.name} added`, 'pods', {
      kind: 'calls',
      undo: [{ method: 'remove', path: `/pods/${made.id}` }],
      redo: [{ method: 'post', path: `/pods/${made.id}/restore` }],
    });
    await list.refresh();
    return made;
  }
  async function edit(id: string, begun: Begun<PodLotInput>, mine: PodLotInput) {
    const path = `/pods/${id}`;
    const body = (input: PodLotInput) => ({ input });
    const changes = await putRecord<PodLotInput, PodLotRecord>({ path, begun, mine, body, valueOf: inputOf, kind: 'pods' });
    undo.push(`change to ${begun.value.lot.name}`, 'pods', { kind: 'record', path: '/pods', of: id, put: path, changes });
    await list.refresh();
  }
  async function move(item: PodLotRecord, m: Move) {
    await moves.act(`stock of ${item.lot.name}`, ...massMove('pods', item.id, m));
    await list.refresh();
  }
  /** Dries, freezes or grinds some of a lot into a new one. */
  async function turn(item: PodLotRecord, into: Turn, takeG: number, gotG: number | null, words: string) {
    const body = { into, takeG, gotG, words };
    const made = await api.post<PodLotRecord>(`/pods/${item.id}/turn`, body);
    undo.push(`${item.lot.name} ${TURNS[into].verb}`, 'pods', {
      kind: 'calls',
      names: { made: made.id },
      undo: [{ method: 'post', path: '/pods/{made}/unturn' }],
      redo: [{ method: 'post', path: `/pods/${item.id}/turn`, body, keep: 'made' }],
    });
    await list.refresh();
    return made;
  }
  const history = (id: string) => api.get<LotHistory>(`/pods/${id}/history`);
  return { ...list, add, edit, move, turn, archive, history };
});
