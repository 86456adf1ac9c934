import { createReadStream, existsSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import compression from 'compression';
import compressedFiles from 'express-static-gzip';
import express, { type Express, type Request, type RequestHandler, type Response } from 'express';
import helmet from 'helmet';
import { refuseDeep } from './depth';
import { AUTHORITY_PATH, KEY_HEADER, MAKER_HEADER, type ChangeEvent, type House, type LogEntry } from '@roskel/contract';
import { errorsOf } from '@roskel/contract/validate';
import type { Store } from '../db/store';
import { feedKey, gate } from '../access/gate';
import type { Access } from '../access/passphrase';
import { localDay } from '../day';
import { DeviceRack } from '../devices';
import { Announcer } from './events';
import { NOT_STORABLE, unstorableIn } from '../db/storable';
import { localOnly, ownChanges, ownKitchen } from './guard';
import { openapi } from './openapi';
import { problems, sendProblem } from './problem';
import { FileAnswer, type Kitchen, type Route } from './route';
import { ROUTES } from './routes';
import { keepAnswer, keptAnswer } from '../store/idempotency';
import { identityOf } from '../store/identity';
import { signed, writeLog } from '../store/log';

export { localDay };

export interface AppOptions {
  store: Store;
  /** Folder of the built interface; left out in tests of the API. */
  webRoot?: string;
  today?: () => string;
  /** The data folder of a kitchen in one. */
  folder?: string;
  /** Simulated devices are at hand. */
  standIns?: boolean;
  /** Open to the house: what lets people in, and what else this machine is called. */
  open?: { access: Access; names: readonly string[] };
}

const POLICY = {
  defaultSrc: ["'self'"],
  // The solver is WebAssembly.
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  // The component library writes its styles into the page.
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'data:'],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  workerSrc: ["'self'"],
  objectSrc: ["'none'"],
  baseUri: ["'none'"],
  formAction: ["'self'"],
  frameAncestors: ["'none'"],
};

/** The key of a request that may be sent again (IETF draft, the Idempotency-Key header field, from memory); null where none is sent. */
function keyOf(req: Request): string | null {
  const key = req.get(KEY_HEADER);
  return key !== undefined && /^[\w-]{8,64}$/.test(key) ? key : null;
}

/** Everything that changes the kitchen is one change: the windows hear of it once it is there. */
async function changed(route: Route, kitchen: Kitchen, store: Store, req: Request): Promise<unknown> {
  // What was done and not heard of is asked again, and not done again.
  const key = route.method === 'post' ? keyOf(req) : null;
  const before = key && (await keptAnswer(store.db, key, req.path));
  if (before) return before.answer;
  const ready = await route.ready?.(kitchen, req);
  const { value, said } = await store.write(async (db, say) => {
    const beside = key && (await keptAnswer(db, key, req.path));
    if (beside) return beside.answer;
    const entries: LogEntry[] = [];
    await signed(db, req.get(MAKER_HEADER));
    const answer = await route.run({ ...kitchen, db, say, log: (entry) => void entries.push(entry) }, req, ready);
    await writeLog(db, entries);
    if (key && !(answer instanceof FileAnswer)) await keepAnswer(db, key, req.path, answer ?? null);
    return answer;
  });
  said.forEach(kitchen.say);
  return value;
}

async function sendFile(res: Response, { name, type, content }: FileAnswer): Promise<void> {
  res.attachment(name).type(type);
  if (content instanceof Uint8Array) return void res.send(Buffer.from(content));
  // Who goes away before the end gets no more of it.
  await pipeline(createReadStream(join(content.folder, content.file)), res).catch(() => res.destroy());
  rmSync(content.folder, { recursive: true, force: true });
}

function handler(route: Route, kitchen: Kitchen, store: Store): RequestHandler {
  return async (req, res) => {
    const odd = unstorableIn(req.params) ?? unstorableIn(req.query) ?? unstorableIn(route.takes ? null : req.body);
    if (odd !== null) {
      const errors = [{ path: odd.slice(0, 200), message: NOT_STORABLE }];
      sendProblem(res, { status: 422, title: 'That cannot be', detail: NOT_STORABLE, errors });
      return;
    }
    if (route.body) {
      const errors = errorsOf(route.body, req.body ?? {});
      if (errors.length > 0) {
        sendProblem(res, { status: 422, title: 'That cannot be', detail: errors[0]!.message, errors });
        return;
      }
    }
    const answer = route.method === 'get' ? await route.run(kitchen, req) : await changed(route, kitchen, store, req);
    res.status(route.status ?? 200);
    if (answer instanceof FileAnswer) await sendFile(res, answer);
    else res.json(answer);
  };
}

/** Every route, and for what has an address but not that method, a plain word (RFC 9110: 405 names what is allowed). */
function apiRouter(kitchen: Kitchen, store: Store, announcer: Announcer): express.Router {
  const api = express.Router();
  // Nothing of the kitchen lies about in the browser's cache; an unchanged list is not sent twice all the same (ETag).
  api.use((_req, res, next) => {
    res.set('Cache-Control', 'no-cache');
    next();
  });
  const methods = new Map<string, string[]>();
  for (const route of ROUTES) {
    api[route.method](route.path, handler(route, kitchen, store));
    methods.set(route.path, [...(methods.get(route.path) ?? []), route.method.toUpperCase()]);
  }
  api.get('/events', announcer.listen);
  api.get('/openapi.json', (_req, res) => void res.json(openapi(ROUTES)));
  for (const path of ['/events', '/openapi.json']) methods.set(path, ['GET']);
  for (const [path, known] of methods) {
    const allow = [...known, ...(known.includes('GET') ? ['HEAD'] : [])].join(', ');
    api.all(path, (_req, res) => {
      res.set('Allow', allow);
      sendProblem(res, { status: 405, title: 'Not that way', detail: `This address knows ${allow}.` });
    });
  }
  api.use((_req, res) => sendProblem(res, { status: 404, title: 'Not there', detail: 'There is nothing at this address.' }));
  return api;
}

const YEAR_S = 31_536_000;

/** This machine itself, by the address that a request comes from. */
const HERE = /^(::1|(::ffff:)?127\.)/;
/** A phone's way to the program is longer than that of a browser on this machine, to which nothing is made small. */
const LONG_BYTES = 4096;
const small = compression({
  threshold: LONG_BYTES,
  filter: (req, res) => !HERE.test((req as Request).ip ?? '') && compression.filter(req, res),
});

/** The built interface, as it was compressed when it was built: files whose names change with their content are kept for good, the page is asked for anew. */
function pages(root: string): express.Router {
  const router = express.Router();
  // An address that is none is told as everywhere, and not by the package in its own words.
  router.use((req, _res, next) => {
    try {
      decodeURIComponent(req.path);
      next();
    } catch (error) {
      next(error);
    }
  });
  router.use(small);
  const files = (folder: string, serveStatic: { immutable?: boolean; maxAge: number }) =>
    compressedFiles(folder, { enableBrotli: true, orderPreference: ['br'], index: false, serveStatic: { index: false, ...serveStatic } });
  router.use('/assets', files(`${root}/assets`, { immutable: true, maxAge: YEAR_S * 1000 }));
  router.use(files(root, { maxAge: 0 }));
  router.use((req, res) => {
    if (req.method !== 'GET' && req.method !== 'HEAD') {
      res.set('Allow', 'GET, HEAD');
      return sendProblem(res, { status: 405, title: 'Not that way', detail: 'Pages are read, not written.' });
    }
    // A file that is not there is not the page.
    if (req.path.startsWith('/assets/') || /\.\w{1,8}$/.test(req.path)) {
      return sendProblem(res, { status: 404, title: 'Not there', detail: 'There is no such file.' });
    }
    res.set('Cache-Control', 'no-cache');
    res.sendFile('index.html', { root });
  });
  return router;
}

/** What is asked once and known from then on; asked again where that failed, or where it was forgotten. */
function once<T>(ask: () => Promise<T>): { known(): Promise<T>; forget(): void } {
  let answer: Promise<T> | null = null;
  const forget = () => {
    answer = null;
  };
  const known = () =>
    (answer ??= ask().catch((error: unknown) => {
      forget();
      throw error;
    }));
  return { known, forget };
}

/** The server without a port: security, the API, and the built interface. */
export function createApp(options: AppOptions): { app: Express; announcer: Announcer; devices: DeviceRack; house: House } {
  const app = express();
  const announcer = new Announcer();
  const devices = new DeviceRack(options.standIns ?? false);
  devices.hub.tell = (state) => announcer.tell('device', state);
  const { store } = options;
  const say = (event: ChangeEvent) => announcer.say(event);
  const identity = once(() => identityOf(store.db));
  store.hear((event) => {
    // Everything may be another: a kitchen that moved here.
    if (event.topic === 'all') identity.forget();
    say(event);
  });
  const house: House = {
    ...{ kitchen: store.kitchen, open: options.open !== undefined, addresses: [], secure: [], authority: null },
    feedKey: options.open ? feedKey(options.open.access) : null,
  };
  const log = () => {
    throw new Error('What only reads has nothing to log.');
  };
  const kitchen: Kitchen = {
    ...{ db: store.db, store, say, log, devices, house, folder: options.folder ?? null },
    today: options.today ?? (() => localDay()),
  };
  app.disable('x-powered-by');
  // A TLS proxy stands on this machine.
  app.set('trust proxy', 'loopback');
  app.use(localOnly(options.open?.names), ownChanges);
  app.use(helmet({ contentSecurityPolicy: { useDefaults: false, directives: POLICY }, strictTransportSecurity: false }));
  app.get(AUTHORITY_PATH, (_req, res, next) => {
    if (house.authority === null) return next();
    res.type('application/x-x509-ca-cert').attachment(AUTHORITY_PATH.slice(1)).send(house.authority);
  });
  // What is heard as it happens is not held back to be made small.
  app.use('/api', (req, res, next) => (req.path === '/events' ? next() : small(req, res, next)));
  if (options.open) app.use('/api', gate(options.open.access, store));
  app.use('/api', ownKitchen(identity.known));
  app.use(
    express.json({ limit: '1mb', verify: (_req, _res, body) => refuseDeep(body) }),
    express.raw({ type: 'application/zip', limit: '64mb' }),
  );
  app.use('/api', apiRouter(kitchen, store, announcer));
  if (options.webRoot && existsSync(options.webRoot)) app.use(pages(options.webRoot));
  app.use(problems);
  return { app, announcer, devices, house };
}
