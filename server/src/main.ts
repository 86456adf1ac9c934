import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { keepDaily } from './backup/daily';
import { isEmpty } from './backup/kitchen';
import { FolderUnfit } from './db/folder';
import { FolderLocked } from './db/lock';
import { openDb } from './db/open';
import { createApp, localDay } from './http/app';
import { seedDemo } from './seed/demo';
import { refreshAll, refreshDay } from './store/batches';

/** Something the caller said that cannot be; the sentence is all they need. */
class Misused extends Error {}

const USAGE = 'Known are --data FOLDER, --port NUMBER, --demo and --fresh (with --demo).';
const LAST_PORT = 65_535;
/** How often the server looks whether a new day has come. */
const LOOK_AT_THE_DAY_MS = 60_000;

function told() {
  try {
    const { values } = parseArgs({
      options: {
        data: { type: 'string', default: '.roskel/data' },
        port: { type: 'string', default: '4180' },
        demo: { type: 'boolean', default: false },
        fresh: { type: 'boolean', default: false },
      },
    });
    const port = Number(values.port);
    if (!/^\d+$/.test(values.port) || port < 1 || port > LAST_PORT) {
      throw new Misused(`"${values.port}" is no port. Say a number between 1 and ${LAST_PORT} with --port.`);
    }
    if (values.data.trim() === '') throw new Misused('--data needs a folder.');
    if (values.fresh && !values.demo) throw new Misused('--fresh empties the demo only. Say it together with --demo.');
    return { ...values, port };
  } catch (error) {
    if (error instanceof Misused) throw error;
    throw new Misused(`${(error as Error).message.split('. ')[0]}. ${USAGE}`);
  }
}

async function listen(server: ReturnType<typeof createServer>, first: number): Promise<number> {
  const last = Math.min(first + 19, LAST_PORT);
  for (let port = first; port <= last; port++) {
    const free = await new Promise<boolean>((done, fail) => {
      const onError = (error: NodeJS.ErrnoException) => {
        if (error.code === 'EADDRINUSE') return done(false);
        fail(
          error.code === 'EACCES' ? new Misused(`Port ${port} belongs to the system. Say one above 1023 with --port.`) : (error as Error),
        );
      };
      server.once('error', onError);
      server.listen(port, '127.0.0.1', () => {
        server.off('error', onError);
        done(true);
      });
    });
    if (free) return port;
  }
  throw new Misused(`No free port between ${first} and ${last}. Say another with --port.`);
}

try {
  const { data, demo, fresh, port: first } = told();
  const folder = resolve(data);
  const { db, close } = await openDb(folder, { demo, fresh });
  if (demo && (await isEmpty(db))) await seedDemo(db, localDay());
  await refreshAll(db, localDay());
  const daily = demo ? null : keepDaily(db, folder);
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const { app, announcer } = createApp({ db, webRoot });
  const server = createServer(app);
  const port = await listen(server, first);
  const midnight = setInterval(() => {
    void refreshDay(db, localDay()).then((changed) => changed && announcer.say({ topic: 'batches', id: '' }));
  }, LOOK_AT_THE_DAY_MS).unref();
  console.log(`Roskel${demo ? ' (demo)' : ''} is ready: http://localhost:${port}`);
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    clearInterval(midnight);
    announcer.close();
    server.close(
      () =>
        void Promise.resolve(daily?.stop())
          .then(close)
          .then(() => process.exit(0)),
    );
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  const known = error instanceof FolderLocked || error instanceof FolderUnfit || error instanceof Misused;
  console.error(known ? error.message : error);
  process.exit(1);
}
