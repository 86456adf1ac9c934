import { ScoresAnswer } from '@roskel/contract';
import { listScores } from '../../store/scores';
import type { Route } from '../route';

export const scoreRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/scores',
    summary: 'What was foretold of all that was measured, as it stood before',
    answer: ScoresAnswer,
    run: (k) => listScores(k.db),
  },
];
