import { KeepSchema, LedgerAnswer, listAnswer, MoveSchema, StoredAnswer } from '@roskel/contract';
import { archivedStored, archiveStored, keepStuff, listStored, moveStored, storedLedger } from '../../store/stored';
import { announced, archiveRoutes, moved, param, type Route } from '../route';

export const storedRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/stored',
    summary: 'What batches left and was kept',
    answer: listAnswer(StoredAnswer),
    run: (k) => listStored(k.db),
  },
  {
    method: 'post',
    path: '/stored',
    summary: 'Keep what a batch leaves, or open bottles for another sauce',
    body: KeepSchema,
    answer: StoredAnswer,
    status: 201,
    run: async (k, req) => {
      const record = announced(k, 'stored', await keepStuff(k.db, req.body, k.today()), { did: 'added' });
      if ('bottlingId' in req.body.what) k.say({ topic: 'shelf', id: req.body.what.bottlingId });
      return record;
    },
  },
  {
    method: 'post',
    path: '/stored/:id/moves',
    summary: 'Move stock in or out',
    body: MoveSchema,
    answer: StoredAnswer,
    run: async (k, req) => announced(k, 'stored', await moveStored(k.db, param(req, 'id'), req.body), moved(req.body)),
  },
  {
    method: 'get',
    path: '/stored/:id/history',
    summary: 'Stock moves of something kept',
    answer: LedgerAnswer,
    run: (k, req) => storedLedger(k.db, param(req, 'id')),
  },
  ...archiveRoutes('stored', { put: archiveStored, list: archivedStored, answer: StoredAnswer }),
];
