import type { ErrorRequestHandler, Response } from 'express';
import type { Problem } from '@roskel/contract';
import { NotFound, Stale, Unfit } from '../store/errors';

export function sendProblem(res: Response, problem: Omit<Problem, 'type'>): void {
  res
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', ...problem }));
}

/** Turns what stores throw into problem+json (RFC 9457) with a sentence a maker understands. */
export const problems: ErrorRequestHandler = (error: unknown, _req, res, _next) => {
  if (error instanceof NotFound) return sendProblem(res, { status: 404, title: 'Not there', detail: error.message });
  if (error instanceof Stale) {
    return sendProblem(res, { status: 409, title: 'Changed elsewhere', detail: error.message, current: error.current });
  }
  if (error instanceof Unfit) {
    return sendProblem(res, { status: 422, title: 'That cannot be', detail: error.message, errors: error.errors });
  }
  const status = (error as { status?: number }).status;
  if (status === 413)
    return sendProblem(res, { status, title: 'Too large', detail: 'This is larger than 1 MB. A batch file is far smaller.' });
  if (status === 400) return sendProblem(res, { status, title: 'Unreadable', detail: 'This is not JSON that can be read.' });
  console.error(error);
  return sendProblem(res, { status: 500, title: 'Our fault', detail: 'Something went wrong here. Nothing of yours was changed.' });
};
