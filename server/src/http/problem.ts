import type { ErrorRequestHandler, Response } from 'express';
import type { Problem } from '@roskel/contract';
import { codeOf, isAway } from '../db/store';
import { NotFound, Stale, Unfit } from '../store/errors';

/** Nobody reads more, and an answer must stay small whatever was asked. */
const MOST_ERRORS = 50;

export function sendProblem(res: Response, problem: Omit<Problem, 'type'>): void {
  const { errors, ...rest } = problem;
  res
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ type: 'about:blank', ...rest, ...(errors ? { errors: errors.slice(0, MOST_ERRORS) } : {}) }));
}

/** Sentences for what the HTTP layer refuses before a route sees it. */
const REFUSED: Record<number, [title: string, detail: string]> = {
  400: ['Unreadable', 'This is not JSON that can be read.'],
  413: ['Too large', 'This is larger than Roskel takes. A batch file has at most 1 MB.'],
  415: ['Not read here', 'Send JSON in UTF-8, unpacked or as gzip.'],
};

const TAKEN = '23505';
/** PostgreSQL's own word for a disk that is full, and the system's. */
const FULL = new Set(['53100', 'ENOSPC']);

/** More of a message is what somebody sent: a photo, a whole batch. */
const MOST_SAID = 400;
/** What of an error goes into the server's log: what it says, without what was sent, and where it was thrown. */
function toldOf(error: unknown): string {
  const lines: string[] = [];
  for (let at = error; at instanceof Error && lines.length < 60; at = at.cause) {
    const [message] = at.message.split('\nparams:');
    lines.push(`${lines.length > 0 ? 'caused by ' : ''}${at.name}: ${message!.slice(0, MOST_SAID)}`);
    lines.push(...(at.stack ?? '').split('\n').filter((line) => /^ {4}at /.test(line)));
  }
  return lines.length > 0 ? lines.join('\n') : String(error).slice(0, MOST_SAID);
}

/** Turns what stores throw into problem+json (RFC 9457) with a sentence a maker understands. */
export const problems: ErrorRequestHandler = (error: unknown, _req, res, next) => {
  if (res.headersSent) return next(error);
  if (error instanceof NotFound) return sendProblem(res, { status: 404, title: 'Not there', detail: error.message });
  if (error instanceof Stale) {
    return sendProblem(res, { status: 409, title: 'Changed elsewhere', detail: error.message, current: error.current });
  }
  if (error instanceof Unfit) {
    return sendProblem(res, { status: 422, title: 'That cannot be', detail: error.message, errors: error.errors });
  }
  if (codeOf(error) === TAKEN) {
    return sendProblem(res, { status: 409, title: 'There already', detail: 'There is one with this id already. Give it another.' });
  }
  if (error instanceof URIError) return sendProblem(res, { status: 400, title: 'Unreadable', detail: 'This address cannot be read.' });
  if ((error as { type?: unknown }).type === 'too.deep') {
    return sendProblem(res, { status: 422, title: 'That cannot be', detail: 'This is nested deeper than anything that Roskel reads.' });
  }
  const status = (error as { status?: unknown }).status;
  if (typeof status === 'number' && status >= 400 && status < 500) {
    const [title, detail] = REFUSED[status] ?? ['Refused', 'This cannot be done.'];
    return sendProblem(res, { status, title, detail });
  }
  if (isAway(error)) {
    const detail = 'The database does not answer just now. Try again in a moment.';
    return sendProblem(res, { status: 503, title: 'Away', detail });
  }
  if (FULL.has(codeOf(error) ?? '')) {
    const detail = 'The disk that this kitchen is kept on is full. Nothing of yours was changed. Make room there, then try again.';
    return sendProblem(res, { status: 507, title: 'No room', detail });
  }
  console.error(toldOf(error));
  if (/^(XX|58)/.test(codeOf(error) ?? '')) {
    const detail = 'The folder of this kitchen is damaged. Stop Roskel, keep the folder, and read back the newest copy (docs/server.md).';
    return sendProblem(res, { status: 500, title: 'Damaged', detail });
  }
  return sendProblem(res, { status: 500, title: 'Our fault', detail: 'Something went wrong here. Nothing of yours was changed.' });
};
