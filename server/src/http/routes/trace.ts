import { TRACE_KINDS } from '@roskel/core';
import { TraceAnswer } from '@roskel/contract';
import { NotFound } from '../../store/errors';
import { traceOf } from '../../store/trace';
import { param, type Route } from '../route';

export const traceRoutes: readonly Route[] = [
  {
    method: 'get',
    path: '/trace/:kind/:id',
    summary: 'From a lot, a row of the larder, a batch or bottles back to all they were made of, and forward to every bottle',
    answer: TraceAnswer,
    run: (k, req) => {
      const kind = TRACE_KINDS.find((t) => t === param(req, 'kind'));
      if (!kind) throw new NotFound('There is no such thing in the books of this kitchen.');
      return traceOf(k.db, kind, param(req, 'id'));
    },
  },
];
