import { createServer } from 'node:http';
import { resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { parseArgs } from 'node:util';
import { FolderLocked } from './db/lock';
import { openDb } from './db/open';
import { createApp, localDay } from './http/app';
import { seedDemo } from './seed/demo';
import { listBatches, refreshShelf } from './store/batches';

const { values } = parseArgs({
  options: {
    data: { type: 'string', default: '.roskel/data' },
    port: { type: 'string', default: '4180' },
    demo: { type: 'boolean', default: false },
    fresh: { type: 'boolean', default: false },
  },
});

async function listen(server: ReturnType<typeof createServer>, first: number): Promise<number> {
  for (let port = first; port < first + 20; port++) {
    const free = await new Promise<boolean>((done, fail) => {
      const onError = (error: NodeJS.ErrnoException) => (error.code === 'EADDRINUSE' ? done(false) : fail(error));
      server.once('error', onError);
      server.listen(port, '127.0.0.1', () => {
        server.off('error', onError);
        done(true);
      });
    });
    if (free) return port;
  }
  throw new Error(`No free port between ${first} and ${first + 19}. Say another with --port.`);
}

try {
  const { db, close } = await openDb(resolve(values.data), values.demo && values.fresh);
  if (values.demo && (await listBatches(db)).length === 0) await seedDemo(db, localDay());
  await refreshShelf(db, localDay());
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const { app, announcer } = createApp({ db, webRoot });
  const server = createServer(app);
  const port = await listen(server, Number(values.port));
  console.log(`Roskel${values.demo ? ' (demo)' : ''} is ready: http://localhost:${port}`);
  let stopping = false;
  const stop = () => {
    if (stopping) return;
    stopping = true;
    announcer.close();
    server.close(() => void close().then(() => process.exit(0)));
    server.closeAllConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
} catch (error) {
  console.error(error instanceof FolderLocked ? error.message : error);
  process.exit(1);
}
