// The demo on a PostgreSQL server of Debian's: one command, one database, two processes. The database is gone afterwards.
import { spawn } from 'node:child_process';
import { ensurePostgres, startPostgres } from './lib/postgres.mjs';
import { ensureBuilt, ensureInstalled, program, ROOT } from './lib/setup.mjs';

ensureInstalled();
ensureBuilt();
if (!ensurePostgres()) process.exit(1);
const server = await startPostgres({ durable: true });
console.log(`PostgreSQL is ready: ${server.url()}`);
const env = { ...process.env, DATABASE_URL: server.url() };
const children = ['4180', '4181'].map((port) =>
  spawn(process.execPath, [program('main'), '--demo', '--port', port], { cwd: ROOT, env, stdio: 'inherit' }),
);
let open = children.length;
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => children.forEach((c) => c.kill(signal)));
for (const child of children)
  child.on('exit', () => {
    if (--open > 0) return;
    server.end();
    process.exit(0);
  });
