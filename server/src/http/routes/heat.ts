import { HeatBookAnswer, HeatInputSchema, HeatRecordAnswer } from '@roskel/contract';
import { heatBook, withdrawHeat, type HeatSaved } from '../../store/heat';
import { addHeat } from '../../store/tasting';
import { Empty, serial, type Kitchen, type Route } from '../route';

function announceHeat(k: Kitchen, { record, lots }: HeatSaved, did: 'tasted' | 'withdrawn' | 'entered') {
  k.say({ topic: 'heat', id: String(record.id) });
  for (const id of lots) k.say({ topic: 'pods', id });
  k.log({ topic: 'heat', itemId: String(record.id), name: '', did, detail: { reason: record.event.kind } });
  return { ...record, lots };
}

export const heatRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/heat',
    summary: 'What was tasted and measured, and the scales of the tasters',
    answer: HeatBookAnswer,
    run: (k) => heatBook(k.db),
  },
  {
    method: 'post',
    path: '/heat',
    summary: 'Enter a tasting, a dilution test or a labelled sauce; the lots learn from it',
    body: HeatInputSchema,
    answer: HeatRecordAnswer,
    status: 201,
    run: async (k, req) => announceHeat(k, await addHeat(k.db, req.body, k.today()), 'tasted'),
  },
  {
    method: 'delete',
    path: '/heat/:id',
    summary: 'Take an entry back; the lots unlearn it',
    answer: HeatRecordAnswer,
    run: async (k, req) => announceHeat(k, await withdrawHeat(k.db, serial(req, 'id'), true), 'withdrawn'),
  },
  {
    method: 'post',
    path: '/heat/:id/restore',
    summary: 'Put an entry in again',
    body: Empty,
    answer: HeatRecordAnswer,
    run: async (k, req) => announceHeat(k, await withdrawHeat(k.db, serial(req, 'id'), false), 'entered'),
  },
];
