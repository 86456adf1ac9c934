import { EditLarderSchema, LarderAnswer, LarderInputSchema, LedgerAnswer, listAnswer, MoveSchema } from '@roskel/contract';
import { addLarder, archivedLarder, archiveLarder, editLarder, larderLedger, listLarder, moveLarder } from '../../store/larder';
import { announced, archiveRoutes, moved, param, type Route } from '../route';

export const larderRoutes: readonly Route[] = [
  { method: 'get', path: '/larder', summary: 'The larder with its stock', answer: listAnswer(LarderAnswer), run: (k) => listLarder(k.db) },
  {
    method: 'post',
    path: '/larder',
    summary: 'Put an ingredient into the larder',
    body: LarderInputSchema,
    answer: LarderAnswer,
    status: 201,
    run: async (k, req) => {
      const { ingredientKey, stockG, words, facts } = req.body;
      return announced(k, 'larder', await addLarder(k.db, ingredientKey, stockG, words, facts), { did: 'added' });
    },
  },
  {
    method: 'post',
    path: '/larder/:id/moves',
    summary: 'Move stock in or out',
    body: MoveSchema,
    answer: LarderAnswer,
    run: async (k, req) => announced(k, 'larder', await moveLarder(k.db, param(req, 'id'), req.body), moved(req.body)),
  },
  {
    method: 'put',
    path: '/larder/:id',
    summary: 'Change price, package, opened day or own pH; 409 when it was changed elsewhere',
    body: EditLarderSchema,
    answer: LarderAnswer,
    run: async (k, req) =>
      announced(k, 'larder', await editLarder(k.db, param(req, 'id'), req.body.revision, req.body.facts), { did: 'changed' }),
  },
  {
    method: 'get',
    path: '/larder/:id/history',
    summary: 'Stock moves of a larder row',
    answer: LedgerAnswer,
    run: (k, req) => larderLedger(k.db, param(req, 'id')),
  },
  ...archiveRoutes('larder', { put: archiveLarder, list: archivedLarder, answer: LarderAnswer }),
];
