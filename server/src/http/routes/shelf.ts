import { BottlingAnswer, listAnswer, ShelfMoveSchema } from '@roskel/contract';
import { listShelf, moveShelf } from '../../store/shelf';
import { announced, param, type Route } from '../route';

export const shelfRoutes: readonly Route[] = [
  { method: 'get', path: '/shelf', summary: 'What is bottled', answer: listAnswer(BottlingAnswer), run: (k) => listShelf(k.db) },
  {
    method: 'post',
    path: '/shelf/:id/moves',
    summary: 'Take bottles from the shelf or put them back',
    body: ShelfMoveSchema,
    answer: BottlingAnswer,
    run: async (k, req) => announced(k, 'shelf', await moveShelf(k.db, param(req, 'id'), req.body.delta, req.body.reason)),
  },
];
