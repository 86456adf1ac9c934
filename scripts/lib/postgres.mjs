// A PostgreSQL of Debian's, begun on loopback in a folder of its own and taken away in the end. For tests and benchmarks.
import { spawn, spawnSync } from 'node:child_process';
import { chownSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const HOME = '/usr/lib/postgresql';
/** Where its programs are; undefined where there are none. */
export const postgresAt = () =>
  (existsSync(HOME) ? readdirSync(HOME) : [])
    .filter((v) => existsSync(join(HOME, v, 'bin', 'initdb')))
    .sort((a, b) => Number(b) - Number(a))
    .map((v) => join(HOME, v, 'bin'))[0];

/** Where its programs are, installed by apt-get when there are none; null, with a plain sentence said, when that may not be. */
export function ensurePostgres() {
  const found = postgresAt();
  if (found) return found;
  if (process.getuid?.() === 0) {
    console.log('Installing PostgreSQL from Debian (apt-get).');
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const apt = (...args) => spawnSync('apt-get', args, { stdio: ['ignore', 'ignore', 'inherit'], env });
    if (!apt('update', '-qq').error) apt('install', '-y', '-qq', '--no-install-recommends', 'postgresql');
  }
  const now = postgresAt();
  if (!now) console.log('What runs on a PostgreSQL server is left out: there is none here, and this user may not install it.');
  return now ?? null;
}

const freePort = () =>
  new Promise((done) => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => done(port));
    });
  });

/**
 * Begins a server; `durable` keeps what it acknowledged when it is killed, as a real one does. Gives its address, how to
 * kill it and begin it again, and how to end it.
 */
export async function startPostgres({ durable = false } = {}) {
  const bin = ensurePostgres();
  if (!bin) return null;
  const folder = mkdtempSync(join(tmpdir(), 'roskel-pg-'));
  const data = join(folder, 'data');
  // It refuses to run as root: Debian's own user does it then.
  const root = process.getuid?.() === 0;
  const lineOf = (program, args) =>
    root ? ['runuser', ['-u', 'postgres', '--', join(bin, program), ...args]] : [join(bin, program), args];
  const as = (program, args) => {
    const done = spawnSync(...lineOf(program, args), { cwd: folder, encoding: 'utf8' });
    if (done.status !== 0) throw new Error(`${program} did not work: ${done.stderr || done.stdout || done.error}`);
    return done.stdout;
  };
  if (root) {
    const id = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
    chownSync(folder, id('-u'), id('-g'));
  }
  as('initdb', ['-D', data, '-U', 'roskel', '--auth=trust', '--encoding=UTF8', '--locale=C', '--no-sync']);
  const port = await freePort();
  const fast = durable ? '' : ' -c fsync=off -c synchronous_commit=off -c full_page_writes=off';
  const options = `-p ${port} -k ${folder} -c listen_addresses=127.0.0.1 -c max_connections=200${fast}`;
  const starting = ['-D', data, '-l', join(folder, 'log'), '-w', '-t', '60', '-o', options];
  const begin = () => as('pg_ctl', [...starting, 'start']);
  begin();
  return {
    url: (database = 'postgres') => `postgres://roskel@127.0.0.1:${port}/${database}`,
    /** Killed in the middle, as when the power goes. */
    kill: () => as('pg_ctl', ['-D', data, '-m', 'immediate', 'stop']),
    begin,
    /** Both, while whoever asks for it goes on with other things. */
    restart: () =>
      new Promise((done, fail) => {
        const child = spawn(...lineOf('pg_ctl', [...starting, '-m', 'immediate', 'restart']), { cwd: folder, stdio: 'ignore' });
        child.once('exit', (code) => (code === 0 ? done() : fail(new Error(`pg_ctl restart ended with ${code}`))));
      }),
    end: () => {
      try {
        as('pg_ctl', ['-D', data, '-m', 'immediate', 'stop']);
      } catch {
        // It was not running.
      }
      rmSync(folder, { recursive: true, force: true });
    },
  };
}
