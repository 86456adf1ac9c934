import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import pg from 'pg';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, inject, it } from 'vitest';
import { exampleFile, rounds } from '../../core/tests/helpers';
import { dice } from '../../core/tests/random';
import { program } from '../../scripts/lib/setup.mjs';
import { writeBackup } from '../src/backup/file';
import { countsIn, unpackKitchen } from '../src/backup/zip';
import { openDb } from '../src/db/open';
import { ownRows } from '../src/db/schema';
import { openServer } from '../src/db/server';
import type { Store } from '../src/db/store';
import { addBatch } from '../src/store/batches';
import { identityOf } from '../src/store/identity';
import { readKitchen } from './kit';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
const DAY = '2026-11-24';
const d = dice(9);
/** How often each act is cut short. */
const KILLS = rounds(12, 0.08);

/**
 * Runs a command of the house and kills it (SIGKILL): some ms after `begun` is true, so that it is in the midst of it.
 * Whether it was; a command that ends sooner was none.
 */
async function killedIn(args: readonly string[], begun: () => boolean, env: Record<string, string> = {}): Promise<boolean> {
  const child = spawn(process.execPath, args, { cwd: ROOT, env: { ...process.env, DATABASE_URL: '', ...env }, stdio: 'ignore' });
  const ended = new Promise<NodeJS.Signals | null>((done) => child.once('exit', (_, signal) => done(signal)));
  const late = d.whole(0, 400);
  const watch = setInterval(() => {
    if (!begun()) return;
    clearInterval(watch);
    setTimeout(() => child.kill('SIGKILL'), late);
  }, 5);
  const signal = await ended;
  clearInterval(watch);
  return signal === 'SIGKILL';
}
const tables = async (store: Store) => (await readKitchen(store.db, '')).tables;
async function using<T>(opened: Promise<Store>, work: (store: Store) => Promise<T>): Promise<T> {
  const store = await opened;
  try {
    return await work(store);
  } finally {
    await store.close();
  }
}

describe('killed in the midst', () => {
  let whole = '';
  let kept: Awaited<ReturnType<typeof tables>>;
  let folder = '';
  const source = () => join(whole, 'k');
  const copy = () => join(whole, 'copy.zip');
  beforeAll(async () => {
    whole = mkdtempSync(join(tmpdir(), 'roskel-whole-'));
    await using(openDb(source()), async (store) => {
      const rows = Array.from({ length: 2000 }, (_, i) => ({
        id: `m${i}`,
        kind: 'makers' as const,
        value: { id: `m${i}`, name: `Cook ${i}` },
      }));
      for (let i = 0; i < rows.length; i += 500) await store.db.insert(ownRows).values(rows.slice(i, i + 500));
      for (let i = 0; i < 12; i++) await addBatch(store.db, { ...exampleFile(), name: `Batch ${i}` }, DAY);
      kept = await tables(store);
      await writeBackup(store, copy());
    });
  });
  afterAll(() => rmSync(whole, { recursive: true, force: true }));
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-killed-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('writing a backup: what bears its name is whole, and the kitchen is as it was', async () => {
    for (let i = 0; i < KILLS; i++) {
      const path = join(folder, `copy-${i}.zip`);
      const killed = await killedIn([program('backup'), 'backup', path, '--data', source()], () => existsSync(`${path}.part`));
      expect(killed || existsSync(path)).toBe(true);
      if (existsSync(path)) expect(countsIn(readFileSync(path))).toEqual(countsIn(readFileSync(copy())));
    }
    expect(await using(openDb(source()), tables)).toEqual(kept);
    const again = join(folder, 'again.zip');
    await using(openDb(source()), (store) => writeBackup(store, again));
    expect((unpackKitchen(readFileSync(again)) as { tables: object }).tables).toEqual(kept);
  });

  it('reading a backup in: all of it is there, or none, and then a second try brings all', async () => {
    for (let i = 0; i < KILLS; i++) {
      const data = join(folder, `k${i}`);
      const args = [program('backup'), 'restore', copy(), '--data', data];
      // Its database stands: from now on rows go in.
      await killedIn(
        args,
        () => existsSync(join(data, 'roskel.json')) && !readFileSync(join(data, 'roskel.json'), 'utf8').includes('making'),
      );
      const rows = async (store: Store) => (await tables(store)).own_rows!.length;
      const there = await using(openDb(data), rows);
      expect([0, kept.own_rows!.length]).toContain(there);
      if (there === 0) await killedIn(args, () => false);
      expect((await using(openDb(data), tables)).own_rows).toEqual(kept.own_rows);
      rmSync(data, { recursive: true, force: true });
    }
  });

  it('a first start, and one that goes on: the next one opens, and nothing is gone', async () => {
    for (let i = 0; i < KILLS; i++) {
      const fresh = join(folder, `new-${i}`);
      const start = (data: string, begun: () => boolean) => killedIn([program('main'), '--data', data, '--port', '4979'], begun);
      expect(await start(fresh, () => existsSync(join(fresh, 'pg')))).toBe(true);
      await using(openDb(fresh), async (store) => expect(Object.values(await tables(store)).flat()).toEqual([]));
      expect(await start(source(), () => readdirSync(source()).some((name) => name.startsWith('pg-before')))).toBe(true);
    }
    expect(await using(openDb(source()), tables)).toEqual(kept);
  });

  it('moving to a server: there all of it or none, the same kitchen, and where it was it is untouched', async (t) => {
    const address = inject('postgres');
    if (!address) return t.skip();
    for (let i = 0; i < KILLS; i++) {
      const name = `killed_${process.pid}_${i}`;
      const admin = new pg.Client({ connectionString: `${address}/postgres` });
      await admin.connect();
      await admin.query(`create database ${name}`);
      await admin.end();
      const url = `${address}/${name}`;
      const args = [program('backup'), 'move', 'to-server', '--data', source()];
      // It was packed, and the packet is read: the server is written to.
      let packed = false;
      const written = () => {
        const now = readdirSync(folder).some((entry) => entry.startsWith('roskel-move-'));
        packed ||= now;
        return packed && !now;
      };
      await killedIn(args, written, { DATABASE_URL: url, TMPDIR: folder });
      const there = await using(openServer(url, 'home'), async (store) => (await tables(store)).own_rows!.length);
      expect([0, kept.own_rows!.length]).toContain(there);
      if (there === 0) expect(await killedIn(args, () => false, { DATABASE_URL: url })).toBe(false);
      const [here, moved] = await Promise.all([openDb(source()), openServer(url, 'home')]);
      expect(await tables(moved)).toEqual(await tables(here));
      expect(await identityOf(moved.db)).toBe(await identityOf(here.db));
      await Promise.all([here.close(), moved.close()]);
    }
  });
});
