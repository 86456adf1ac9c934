import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import { errorsOf } from '@roskel/contract/validate';
import type { Db } from '../db/open';
import { Announcer } from './events';
import { openapi } from './openapi';
import { problems, sendProblem } from './problem';
import type { Kitchen, Route } from './route';
import { ROUTES } from './routes';

export interface AppOptions {
  db: Db;
  /** Folder of the built interface; left out in tests of the API. */
  webRoot?: string;
  today?: () => string;
}

const LOCAL = /^(localhost|127\.0\.0\.1|\[::1\])(:\d+)?$/;

/** Only requests that name this machine: another site cannot reach the API through a name of its own. */
const localOnly: RequestHandler = (req, res, next) => {
  const origin = req.headers.origin;
  const named = LOCAL.test(req.headers.host ?? '') && (!origin || LOCAL.test(origin.replace(/^https?:\/\//, '')));
  if (named) return next();
  sendProblem(res, { status: 403, title: 'Not from here', detail: 'Roskel answers only on this machine.' });
};

function handler(route: Route, kitchen: Kitchen): RequestHandler {
  return async (req, res) => {
    if (route.body) {
      const errors = errorsOf(route.body, req.body ?? {});
      if (errors.length > 0) {
        sendProblem(res, { status: 422, title: 'That cannot be', detail: errors[0]!.message, errors });
        return;
      }
    }
    res.status(route.status ?? 200).json(await route.run(kitchen, req));
  };
}

/** Today on this machine's clock, as a calendar day. */
export function localDay(now = new Date()): string {
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}

/** The server without a port: security, the API, and the built interface. */
export function createApp(options: AppOptions): { app: Express; announcer: Announcer } {
  const app = express();
  const announcer = new Announcer();
  const kitchen: Kitchen = { db: options.db, announcer, today: options.today ?? (() => localDay()) };
  app.disable('x-powered-by');
  app.use(localOnly);
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
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
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(express.json({ limit: '1mb' }));
  const api = express.Router();
  for (const route of ROUTES) api[route.method](route.path, handler(route, kitchen));
  api.get('/events', announcer.listen);
  api.get('/openapi.json', (_req, res) => void res.json(openapi(ROUTES)));
  api.use((_req, res) => sendProblem(res, { status: 404, title: 'Not there', detail: 'There is nothing at this address.' }));
  app.use('/api', api);
  const root = options.webRoot;
  if (root && existsSync(root)) {
    app.use(express.static(root, { index: false, maxAge: '1h' }));
    app.use((req, res, next) => (req.method === 'GET' ? res.sendFile(join(root, 'index.html')) : next()));
  }
  app.use(problems);
  return { app, announcer };
}
