import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  symlinkSync,
  truncateSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { sql } from 'drizzle-orm';
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it, vi } from 'vitest';
import { program } from '../../scripts/lib/setup.mjs';
import { beginFolder, FolderUnfit, inspectFolder, markFolder, mayEmpty, prepareFolder } from '../src/db/folder';
import { heldBy, holdLease, LeaseLost, whereabouts } from '../src/db/lease';
import { FolderLocked, lockFolder } from '../src/db/lock';
import { openDb } from '../src/db/open';
import { ownRows, settings } from '../src/db/schema';
import { backupOfDay } from '../src/backup/daily';
import { localDay } from '../src/day';

const ROOT = fileURLToPath(new URL('../..', import.meta.url));
let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-folder-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));
const put = (path: string, text = '') => {
  mkdirSync(join(folder, path, '..'), { recursive: true });
  writeFileSync(join(folder, path), text);
};

describe('a data folder', () => {
  it('is new when it is empty, and ours once it is marked', () => {
    expect(inspectFolder(folder)).toBe('new');
    beginFolder(folder);
    put('pg/half', 'x');
    // A first start that was cut short begins again.
    expect(inspectFolder(folder)).toBe('new');
    beginFolder(folder);
    put('pg/PG_VERSION', '18\n');
    markFolder(folder);
    expect(inspectFolder(folder)).toBe('ours');
  });
  it.each([
    ['somebody else’s files', { 'letters.txt': 'dear' }, /not empty/],
    ['a database without its version', { 'pg/base/1': 'x' }, /PG_VERSION is missing/],
    ['a lost database', { 'roskel.json': '{"format":"roskel-data","version":1}' }, /is gone/],
    ['another storage version', { 'pg/PG_VERSION': '15\n' }, /storage engine \(15/],
    ['a newer Roskel', { 'roskel.json': '{"format":"roskel-data","version":2}', 'pg/PG_VERSION': '18' }, /newer Roskel/],
    ['a broken mark', { 'roskel.json': '{"for', 'pg/PG_VERSION': '18' }, /cannot be read/],
    ['a mark of something else', { 'roskel.json': '{"format":"beans"}', 'pg/PG_VERSION': '18' }, /something else/],
  ])('%s: refused with a sentence, and left alone', async (_, files, why) => {
    for (const [path, text] of Object.entries(files as Record<string, string>)) put(path, text);
    const before = readdirSync(folder, { recursive: true }).sort();
    await expect(openDb(folder)).rejects.toThrow(why as RegExp);
    await expect(openDb(folder, { fresh: true })).rejects.toThrow(FolderUnfit);
    expect(readdirSync(folder, { recursive: true }).sort()).toEqual(before);
  });
  it('a file, a folder below a file', () => {
    put('file', 'x');
    expect(() => prepareFolder(join(folder, 'file'))).toThrow(/is a file/);
    expect(() => prepareFolder(join(folder, 'file', 'inner'))).toThrow(/below something that is a file/);
  });
  it.skipIf(process.getuid?.() === 0)('one that may not be written', () => {
    chmodSync(folder, 0o500);
    expect(() => prepareFolder(folder)).toThrow(/may not be written/);
    chmodSync(folder, 0o700);
  });
});

it('what a kitchen keeps is for its owner alone, backups too, also what lay open before', async () => {
  const kitchen = join(folder, 'kitchen');
  const open = (place: string) =>
    [place, ...readdirSync(place, { recursive: true, encoding: 'utf8' }).map((name) => join(place, name))].filter(
      (path) => (statSync(path).mode & 0o077) !== 0,
    );
  const first = await openDb(kitchen);
  expect(open(kitchen)).toEqual([]);
  await first.close();
  for (const path of [kitchen, join(kitchen, 'roskel.json'), join(kitchen, 'pg', 'PG_VERSION')]) chmodSync(path, 0o777);
  const again = await openDb(kitchen);
  expect(open(kitchen)).toEqual([]);
  const backups = `${kitchen}-backups`;
  mkdirSync(backups);
  writeFileSync(join(backups, 'roskel-2026-11-29.zip'), 'old');
  for (const path of [backups, join(backups, 'roskel-2026-11-29.zip')]) chmodSync(path, 0o777);
  await again.db.insert(ownRows).values({ id: 'p', kind: 'tools', value: { name: 'Pot' } as never });
  expect(await backupOfDay(again, kitchen, '2026-11-30')).toBe(true);
  expect(open(backups)).toEqual([]);
  await again.close();
});

it('a demo may be emptied, and never a kitchen that is none', () => {
  const made = (demo?: boolean) => {
    beginFolder(folder, demo);
    put('pg/PG_VERSION', '18\n');
    markFolder(folder);
  };
  made();
  expect(() => mayEmpty(folder)).toThrow(/no demo, and is not emptied/);
  made(true);
  // Opened again as anything, a demo stays one.
  markFolder(folder);
  expect(() => mayEmpty(folder)).not.toThrow();
  // Folders of before the mark are known by the name that the demo command gives them.
  put('demo/roskel.json', '{"format":"roskel-data","version":1}');
  put('kitchen/roskel.json', '{"format":"roskel-data","version":1}');
  expect(() => mayEmpty(join(folder, 'demo'))).not.toThrow();
  expect(() => mayEmpty(join(folder, 'kitchen'))).toThrow(FolderUnfit);
});

describe('the command', () => {
  const start = (...args: string[]) =>
    spawnSync(process.execPath, [program('main'), ...args], {
      ...{ cwd: ROOT, encoding: 'utf8', timeout: 600_000 },
      env: { ...process.env, DATABASE_URL: args.includes('twice') ? 'postgres://127.0.0.1:1/none' : '' },
    });
  it.each([
    [['--dta', 'x'], /Unknown option '--dta'.*Known are --data/],
    [['--port', 'soup'], /"soup" is no port/],
    [['--port', '70000'], /"70000" is no port/],
    [['--fresh'], /together with --demo/],
    [['--kitchen', 'stall'], /Set DATABASE_URL too/],
    [['--kitchen', 'twice', '--kitchen', 'twice'], /--kitchen twice is said twice/],
    [['--data', fileURLToPath(import.meta.url)], /is a file, not a folder/],
  ])('%j is answered in a sentence', (args, why) => {
    const { status, stderr } = start(...(args as string[]));
    expect(status).toBe(1);
    expect(stderr.replace(/\n/g, ' ')).toMatch(why as RegExp);
    expect(stderr).not.toMatch(/\n\s+at /);
  });
});

describe('a folder that was damaged', () => {
  const hashes = (of: string) =>
    readdirSync(of, { recursive: true, encoding: 'utf8' })
      .filter((name) => statSync(join(of, name)).isFile())
      .map(
        (name) =>
          `${name} ${createHash('sha256')
            .update(readFileSync(join(of, name)))
            .digest('hex')}`,
      )
      .sort();
  const garble = (path: string, at: number, n: number) => {
    const fd = openSync(path, 'r+');
    writeSync(fd, Buffer.alloc(n, 0x5a), 0, n, at);
    closeSync(fd);
  };
  let whole = '';
  const places: Record<string, string> = {};
  beforeAll(async () => {
    whole = mkdtempSync(join(tmpdir(), 'roskel-whole-'));
    const store = await openDb(join(whole, 'k'));
    const cook = (id: string) => ({ id, kind: 'makers', value: { id, name: `Cook ${id}` } }) as const;
    await store.db.insert(ownRows).values(Array.from({ length: 40 }, (_, i) => cook(`maker-${i}`)));
    for (const table of ['own_rows', 'pg_class']) {
      const { rows } = (await store.db.execute(sql`select pg_relation_filepath(${table}) as path`)) as unknown as {
        rows: { path: string }[];
      };
      places[table] = rows[0]!.path;
    }
    await backupOfDay(store, join(whole, 'k'), localDay());
    await store.close();
  });
  afterAll(() => rmSync(whole, { recursive: true, force: true }));
  const UNCHANGED = /is damaged: the database does not open .*Nothing was changed/;
  const LESS = /There is less in .*own_rows: 0 rows, 40 then.*Nothing was thrown away.*--as-it-is/;
  it.each<[string, (pg: string) => void, RegExp]>([
    ['its control file is empty', (pg) => truncateSync(join(pg, 'global/pg_control'), 0), UNCHANGED],
    ['its log is gone', (pg) => rmSync(join(pg, 'pg_wal'), { recursive: true }), UNCHANGED],
    ['its catalogue is garbled', (pg) => garble(join(pg, places.pg_class!), 0, 8192), UNCHANGED],
    ['a table is empty', (pg) => truncateSync(join(pg, places.own_rows!), 0), LESS],
  ])('%s: says so, changes nothing, and tells which copy to read back', (_, damage, why) => {
    const data = join(folder, 'k');
    cpSync(whole, folder, { recursive: true });
    damage(join(data, 'pg'));
    const before = hashes(join(data, 'pg'));
    const run = (file: 'main' | 'backup', ...args: string[]) =>
      spawnSync(process.execPath, [program(file), ...args], {
        ...{ cwd: ROOT, encoding: 'utf8', timeout: 120_000 },
        env: { ...process.env, DATABASE_URL: '' },
      });
    const { status, stderr } = run('main', '--data', data, '--port', '4977');
    expect(stderr).toMatch(why);
    expect([status, /\n\s+at /.test(stderr)]).toEqual([1, false]);
    if (why === UNCHANGED) expect(hashes(join(data, 'pg'))).toEqual(before);
    // The commands that it names do it (tried once).
    const [, aside] = /mv (\S+) (?=\S+-damaged)/.exec(stderr)!;
    const [, copy, to] = /npm run restore -- (\S+) --data (\S+)\.(?:\s|$)/.exec(stderr)!;
    expect([aside, to]).toEqual([data, data]);
    if (why !== LESS) return;
    renameSync(data, `${data}-damaged`);
    const back = run('backup', 'restore', copy!, '--data', to!);
    expect([back.status, back.stderr, back.stdout]).toEqual([0, '', expect.stringContaining('is read in from')]);
  });
  it('killed while it was being put back: the copy of before is what opens', async () => {
    cpSync(whole, folder, { recursive: true });
    renameSync(join(folder, 'k/pg'), join(folder, 'k/pg-before'));
    const { db, close } = await openDb(join(folder, 'k'));
    expect((await db.select().from(ownRows)).length).toBe(40);
    await close();
  });
});

describe('the lock', () => {
  it('keeps a second server out until the first lets go', async () => {
    const lock = await lockFolder(folder);
    await expect(lockFolder(folder)).rejects.toThrow(FolderLocked);
    // By another path as well.
    symlinkSync(folder, `${folder}-too`);
    await expect(lockFolder(`${folder}-too`)).rejects.toThrow(new RegExp(`process ${process.pid}`));
    rmSync(`${folder}-too`);
    lock.release();
    (await lockFolder(folder)).release();
  });
  it('a file left behind means nothing, whoever has its number now', async () => {
    for (const left of [String(process.ppid), '{"pid":1', JSON.stringify({ pid: 1, id: 'x', where: whereabouts(), beat: 7 })]) {
      put('roskel.lock', left);
      (await lockFolder(folder)).release();
      expect(existsSync(join(folder, 'roskel.lock'))).toBe(false);
    }
  });
  it('one in another container is seen by its lease while it lives, and not after', async () => {
    const there = join(folder, 'roskel.lock');
    const other = holdLease(there, () => {}, 'another container', 20);
    await expect(lockFolder(folder, () => {}, 'here', 40)).rejects.toThrow(FolderLocked);
    expect(heldBy(there)).toMatchObject({ where: 'another container' });
    other.release();
    put('roskel.lock', JSON.stringify({ pid: 1, id: 'dead', where: 'another container', beat: 3 }));
    const mine = await lockFolder(folder, () => {}, 'here', 40);
    expect(() => mine.check()).not.toThrow();
    mine.release();
  });
  it('a server that stood still while another took over writes nothing any more', async () => {
    const told: string[] = [];
    const slept = await lockFolder(folder, (error) => told.push(error.message), 'here', 20);
    const other = holdLease(join(folder, 'roskel.lock'), () => {}, 'another container', 20);
    expect(() => slept.check()).toThrow(LeaseLost);
    await vi.waitFor(() => expect(told).toEqual([expect.stringMatching(/Only one server uses a folder/)]));
    slept.release();
    // What is the other's stays.
    expect(heldBy(join(folder, 'roskel.lock'))).toMatchObject({ where: 'another container' });
    other.release();
  });
  it('of many takers at once one wins; a killed one holds nothing', async () => {
    const script = `import(${JSON.stringify(join(ROOT, 'server/src/db/lock.ts'))}).then((m) => m.lockFolder(${JSON.stringify(folder)})).then(() => { console.log('won'); setInterval(() => {}, 1000); }, () => console.log('lost'));`;
    const takers = Array.from({ length: 4 }, () => spawn(process.execPath, ['--import', 'tsx', '-e', script], { cwd: ROOT }));
    const words = await Promise.all(
      takers.map((t) => new Promise<string>((ok) => t.stdout.once('data', (c: Buffer) => ok(c.toString().trim())))),
    );
    expect(words.filter((w) => w === 'won')).toHaveLength(1);
    const winner = takers[words.indexOf('won')]!;
    const ended = new Promise((ok) => winner.once('exit', ok));
    winner.kill('SIGKILL');
    await ended;
    (await lockFolder(folder)).release();
  });
});

it('a commit is on the disk when it is acknowledged: each asks the system to sync the log', async () => {
  // The very module object that the engine's file layer was given.
  const fs = createRequire(import.meta.url)('node:fs') as typeof import('node:fs');
  const { syncBuiltinESMExports } = createRequire(import.meta.url)('node:module') as typeof import('node:module');
  const synced: string[] = [];
  const real = fs.fsyncSync;
  const spy = vi.spyOn(fs, 'fsyncSync').mockImplementation((fd) => {
    synced.push(fs.readlinkSync(`/proc/self/fd/${fd}`));
    real(fd);
  });
  syncBuiltinESMExports();
  try {
    const { db, close } = await openDb(folder);
    // The first start lays out its files, and asks for all of them.
    expect(synced.some((p) => p.endsWith('/global/pg_control'))).toBe(true);
    for (let i = 0; i < 20; i++) {
      synced.length = 0;
      await db.insert(settings).values({ id: `s${i}`, value: { i } });
      expect(synced.filter((p) => p.includes('/pg_wal/')).length).toBeGreaterThan(0);
    }
    await close();
  } finally {
    spy.mockRestore();
    syncBuiltinESMExports();
  }
  expect(readFileSync(join(folder, 'roskel.json'), 'utf8')).toContain('"version":1');
});
