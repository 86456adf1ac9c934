import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { program } from '../../scripts/lib/setup.mjs';
import { beginFolder, FolderUnfit, inspectFolder, markFolder, mayEmpty, prepareFolder } from '../src/db/folder';
import { FolderLocked, lockFolder } from '../src/db/lock';
import { openDb } from '../src/db/open';
import { ownRows, settings } from '../src/db/schema';
import { backupOfDay } from '../src/backup/daily';

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

describe('the lock', () => {
  it('keeps a second server out until the first lets go', async () => {
    const unlock = await lockFolder(folder);
    await expect(lockFolder(folder)).rejects.toThrow(FolderLocked);
    unlock();
    (await lockFolder(folder))();
  });
  it('a file left behind means nothing, whoever has its number now', async () => {
    put('roskel.lock', String(process.ppid));
    (await lockFolder(folder))();
    expect(existsSync(join(folder, 'roskel.lock'))).toBe(false);
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
    (await lockFolder(folder))();
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
