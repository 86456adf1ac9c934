import { createHash, createHmac, randomUUID, timingSafeEqual } from 'node:crypto';
import type { TLSSocket } from 'node:tls';
import cookieSession from 'cookie-session';
import express, { type Request, type RequestHandler, type Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import { EnterSchema } from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import { sendProblem } from '../http/problem';
import type { Store } from '../db/store';
import { leaveSession, SESSION_DAYS, wasLeft } from '../store/sessions';
import { opens, type Access } from './passphrase';

const DAY_MS = 86_400_000;
const SESSION_MS = SESSION_DAYS * DAY_MS;
/** Tries of one address, and of all strange devices together, in a quarter of an hour. */
const WINDOW_MS = 15 * 60_000;
const TRIES = { one: 10, all: 60 } as const;
/** A device that was let in once is no stranger for a year. */
const KNOWN_MS = 365 * DAY_MS;

const tooMany: RequestHandler = (req, res) => {
  const { resetTime } = (req as Request & { rateLimit: { resetTime: Date } }).rateLimit;
  const minutes = Math.max(1, Math.ceil((resetTime.getTime() - Date.now()) / 60_000));
  const wait = `${minutes} ${minutes === 1 ? 'minute' : 'minutes'}`;
  sendProblem(res, { status: 429, title: 'Too many tries', detail: `Too many tries. Wait ${wait}, then try again.` });
};
const limit = (most: number, all?: { but: (req: Request) => boolean }) =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: most,
    standardHeaders: 'draft-7',
    legacyHeaders: false,
    skipSuccessfulRequests: true,
    handler: tooMany,
    ...(all ? { keyGenerator: () => 'all', skip: all.but } : {}),
  });

const same = (said: string, key: string): boolean => {
  const [a, b] = [Buffer.from(said), Buffer.from(key)];
  return a.length === b.length && timingSafeEqual(a, b);
};
const keyFor = (secret: string, what: string) => createHmac('sha256', secret).update(what).digest('base64url');

/** A calendar program cannot say a passphrase: an address with this key reads the duties, and nothing else. Another passphrase, another key. */
export const feedKey = ({ secret }: Access): string => keyFor(secret, 'calendar');
const FEED = '/calendar.ics';
function readsFeed(req: Request, key: string): boolean {
  const said = req.query.key;
  if ((req.method !== 'GET' && req.method !== 'HEAD') || req.path !== FEED || typeof said !== 'string') return false;
  return same(said, key);
}

/** The session that a request belongs to, as its cookie says it; null for none, or one whose time is over. */
function sessionOf(req: Request): { id: string } | null {
  const { in: since, id } = (req.session ?? {}) as { in?: unknown; id?: unknown };
  return typeof since === 'number' && Date.now() - since < SESSION_MS && typeof id === 'string' ? { id } : null;
}

/**
 * Lets in who knows the passphrase, and nobody else to anything of the kitchen. The session is a signed cookie that other
 * sites do not send along and scripts do not see; one that was left is known here, and another passphrase is another secret,
 * which ends all of them.
 */
export function gate(access: Access, store: Store): Router {
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
  // Strangers who guess from many addresses do not lock out a device that was in before.
  const knownKey = keyFor(access.secret, 'known');
  const knownName = (req: Request) => `${nameOf(req)}-known`;
  const known = (req: Request) =>
    same(new RegExp(`(?:^|; )${knownName(req)}=([\\w-]+)`).exec(req.headers.cookie ?? '')?.[1] ?? '', knownKey);
  router.post('/enter', limit(TRIES.one), limit(TRIES.all, { but: known }), express.json({ limit: '4kb' }), async (req, res) => {
    const body: unknown = req.body ?? {};
    const errors = errorsOf(EnterSchema, body);
    if (errors.length > 0 || !(await opens((body as { passphrase?: unknown }).passphrase, access)))
      return sendProblem(res, { status: 401, title: 'Not that', detail: 'That is not the passphrase of this kitchen.' });
    req.session = { in: Date.now(), id: randomUUID() };
    res.cookie(knownName(req), knownKey, { maxAge: KNOWN_MS, httpOnly: true, sameSite: 'strict', secure: req.secure });
    res.json({ done: true });
  });
  router.post('/leave', async (req, res) => {
    const session = sessionOf(req);
    if (session) await store.write((db) => leaveSession(db, session.id));
    req.session = null;
    res.json({ done: true });
  });
  router.use(async (req, res, next) => {
    const session = sessionOf(req);
    if (session && !(await wasLeft(store.db, session.id))) return next();
    if (readsFeed(req, key)) return next();
    sendProblem(res, { status: 401, title: 'Say the passphrase', detail: 'Say the passphrase of this kitchen first.' });
  });
  return router;
}
