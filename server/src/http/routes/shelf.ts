import { BottlingAnswer, listAnswer, ShelfMoveSchema, ShelfMovesAnswer } from '@roskel/contract';
import { listShelf, moveShelf, shelfMovesOf } from '../../store/shelf';
import { announced, param, type Route } from '../route';

export const shelfRoutes: readonly Route[] = [
  { method: 'get', path: '/shelf', summary: 'What is bottled', answer: listAnswer(BottlingAnswer), run: (k) => listShelf(k.db) },
  {
    method: 'get',
    path: '/shelf/:id/moves',
    summary: 'What became of the bottles of one bottling, newest first',
    answer: ShelfMovesAnswer,
    run: (k, req) => shelfMovesOf(k.db, param(req, 'id')),
  },
  {
    method: 'post',
    path: '/shelf/:id/moves',
    summary: 'Take bottles from the shelf or put them back',
    body: ShelfMoveSchema,
    answer: BottlingAnswer,
    run: async (k, req) => {
      const { delta, reason, who } = req.body;
      const bottling = await moveShelf(k.db, param(req, 'id'), delta, reason, who);
      return announced(k, 'shelf', bottling, { did: 'moved', detail: { bottles: delta, reason } });
    },
  },
];
