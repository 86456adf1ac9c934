import type { RequestHandler } from 'express';
import { ANOTHER_KITCHEN, KITCHEN_HEADER } from '@roskel/contract';
import { sendProblem } from './problem';

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;
/** Only our own pages and programs send it: another site's page may not without asking first, and is refused then. */
export const OWN_HEADER = 'X-Roskel';
const READS = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Only requests that name this machine: another site cannot reach the API through a name of its own (DNS rebinding).
 * `names` are what else it is called, where it is open to the house.
 */
export const localOnly =
  (names: readonly string[] = []): RequestHandler =>
  (req, res, next) => {
    const host = req.headers.host ?? '';
    const origin = req.headers.origin;
    const known = LOCAL.test(host) || names.includes(host.replace(/:\d+$/, '').toLowerCase());
    // The page and the API have one address, port included.
    if (known && (!origin || origin.replace(/^https?:\/\//, '') === host)) return next();
    sendProblem(res, { status: 403, title: 'Not from here', detail: 'Roskel answers only to its own page, by a name of this machine.' });
  };

/** What changes something must come from us, and as something the browser asks leave for. */
export const ownChanges: RequestHandler = (req, res, next) => {
  if (READS.has(req.method)) return next();
  if (!req.get(OWN_HEADER)) {
    sendProblem(res, { status: 403, title: 'Not from us', detail: `A change needs the header ${OWN_HEADER}: 1.` });
    return;
  }
  const has = Number(req.headers['content-length'] ?? 0) > 0 || req.headers['transfer-encoding'] !== undefined;
  if (has && !req.is(['application/json', 'application/zip'])) {
    sendProblem(res, { status: 415, title: 'Not read here', detail: 'Send JSON (Content-Type: application/json).' });
    return;
  }
  next();
};

/** Says which kitchen this is; what means another one is neither answered nor done. */
export const ownKitchen =
  (identity: () => Promise<string>): RequestHandler =>
  async (req, res, next) => {
    const here = await identity();
    res.set(KITCHEN_HEADER, here);
    if ((req.get(KITCHEN_HEADER) ?? here) === here) return next();
    const detail = 'Another kitchen answers at this address than before. Nothing was changed; open the page again.';
    sendProblem(res, { status: ANOTHER_KITCHEN, title: 'Another kitchen', detail });
  };
