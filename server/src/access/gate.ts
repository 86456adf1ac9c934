import { createHash, createHmac, timingSafeEqual } from 'node:crypto';
import type { TLSSocket } from 'node:tls';
import cookieSession from 'cookie-session';
import express, { type Request, type RequestHandler, type Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { EnterSchema } from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import { sendProblem } from '../http/problem';
import { opens, type Access } from './passphrase';

const DAY_MS = 86_400_000;
/** A tablet at the counter is asked once a month. */
const SESSION_MS = 30 * DAY_MS;
/** Tries of one address, and of all of them together, in a quarter of an hour. */
const WINDOW_MS = 15 * 60_000;
const TRIES = { one: 10, all: 60 } as const;

const tooMany: RequestHandler = (_req, res) =>
  sendProblem(res, { status: 429, title: 'Too many tries', detail: 'Too many tries. Wait a quarter of an hour, then try again.' });
const limit = (most: number, of?: string) =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: tooMany,
    ...(of ? { keyGenerator: () => of } : {}),
  });

/** A calendar program cannot say a passphrase: an address with this key reads the duties, and nothing else. Another passphrase, another key. */
export const feedKey = ({ secret }: Access): string => createHmac('sha256', secret).update('calendar').digest('base64url');
const FEED = '/calendar.ics';
function readsFeed(req: Request, key: string): boolean {
  const said = req.query.key;
  if ((req.method !== 'GET' && req.method !== 'HEAD') || req.path !== FEED || typeof said !== 'string') return false;
  const [a, b] = [Buffer.from(said), Buffer.from(key)];
  return a.length === b.length && timingSafeEqual(a, b);
}

/**
 * Lets in who knows the passphrase, and nobody else to anything of the kitchen. The session is a signed cookie that other
 * sites do not send along and scripts do not see; another passphrase is another secret, and ends all of them.
 */
export function gate(access: Access): Router {
  const router = express.Router();
  const key = feedKey(access);
  // Browsers do not part cookies by port: two kitchens of one machine do not overwrite each other's.
  const name = `roskel-${createHash('sha256').update(access.secret).digest('hex').slice(0, 8)}`;
  // Nor does plain HTTP overwrite a cookie that goes over TLS only: beside our own TLS each has its own (RFC 6265bis, 5.7).
  const nameOf = (req: Request) => ((req.socket as TLSSocket).encrypted ? `${name}-tls` : name);
  router.use((req, res, next) =>
    cookieSession({
      name: nameOf(req),
      keys: [access.secret],
      maxAge: SESSION_MS,
      httpOnly: true,
      sameSite: 'strict',
      // Behind a TLS proxy it goes no other way; in the house over plain HTTP it must.
      secure: req.secure,
    })(req, res, next),
  );
  router.post('/enter', limit(TRIES.one), limit(TRIES.all, 'all'), express.json({ limit: '4kb' }), async (req, res) => {
    const body: unknown = req.body ?? {};
    const errors = errorsOf(EnterSchema, body);
    if (errors.length > 0 || !(await opens((body as { passphrase?: unknown }).passphrase, access)))
      return sendProblem(res, { status: 401, title: 'Not that', detail: 'That is not the passphrase of this kitchen.' });
    req.session = { in: Date.now() };
    res.json({ done: true });
  });
  router.post('/leave', (req, res) => {
    req.session = null;
    res.json({ done: true });
  });
  router.use((req, res, next) => {
    const since = (req.session as { in?: unknown } | null | undefined)?.in;
    if (typeof since === 'number' && Date.now() - since < SESSION_MS) return next();
    if (readsFeed(req, key)) return next();
    sendProblem(res, { status: 401, title: 'Say the passphrase', detail: 'Say the passphrase of this kitchen first.' });
  });
  return router;
}
