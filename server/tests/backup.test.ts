import { line } from './kit';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { strToU8, unzipSync, zipSync } from 'fflate';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it, vi } from 'vitest';
import { KitchenFileSchema, type BatchRecord, type BatchRow, type KitchenCopies, type KitchenFile, type LogLine } from '@roskel/contract';
import { firstError } from '@roskel/contract/validate';
import type { BatchFile } from '@roskel/core';
import { backupOfDay, lostSince, nothingLost } from '../src/backup/daily';
import { goOnFromHere } from '../src/db/folder';
import { openDb } from '../src/db/open';
import { replaceKitchen, writeKitchen } from '../src/backup/kitchen';
import { goBack, readyBack } from '../src/backup/readBack';
import { writeBackup } from '../src/backup/file';
import { countsIn, unpackKitchen } from '../src/backup/zip';
import { log as logTable, stockMoves } from '../src/db/schema';
import type { Db, Store } from '../src/db/store';
import { getBatch } from '../src/store/batchReads';
import { addBatch } from '../src/store/batches';
import { addLarder } from '../src/store/larder';
import { addPhoto, getPhoto } from '../src/store/photos';
import { addHeat } from '../src/store/tasting';
import { DEMO_DAY } from './image';
import { GOAL, memoryDb, readKitchen, serveKitchen, zipOf } from './kit';
import { batch1 } from './old';

const TODAY = DEMO_DAY;
/** The database as one whose larder finds nothing by its key. */
const hiding = (db: Db): Db =>
  new Proxy(db, {
    get: (of, name) => {
      const real = Reflect.get(of, name) as unknown;
      if (name !== 'select') return typeof real === 'function' ? (real as (...a: unknown[]) => unknown).bind(of) : real;
      const nothing = { from: () => ({ where: () => ({ orderBy: () => ({ limit: () => Promise.resolve([]) }) }) }) };
      return (columns: Record<string, unknown>) => ('packG' in columns ? nothing : of.select(columns as never));
    },
  });
let folder = '';
/** A kitchen to be backed up: the demo, which nobody changes here, or an empty one of the test's own. */
let demo: Store;
const opened: Store[] = [];
/** An empty kitchen of the test's own. */
async function empty(): Promise<Store> {
  const store = await memoryDb();
  opened.push(store);
  return store;
}
beforeAll(async () => {
  demo = await memoryDb('demo');
});
afterAll(() => demo.close());
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-backup-'))));
afterEach(async () => {
  await Promise.all(opened.splice(0).map((store) => store.close()));
  rmSync(folder, { recursive: true, force: true });
});

it('a kitchen goes into a file and comes back the same, bit by bit, and goes on from there', async () => {
  const to = await empty();
  const { id } = await addPhoto(demo.db, 'slipway-red-3', '/9j/4AAQSkZJRg==');
  const file = await readKitchen(demo.db);
  const path = join(folder, 'kitchen.zip');
  const counts = await writeBackup(demo, path, file.made);
  const zip = readFileSync(path);
  expect(unpackKitchen(zip)).toEqual(file);
  await writeKitchen(to.db, unpackKitchen(zip));
  const back = await readKitchen(to.db, file.made);
  expect(JSON.stringify(back)).toBe(JSON.stringify(file));
  expect(await getPhoto(to.db, id)).toEqual(await getPhoto(demo.db, id));
  expect(Object.keys(unzipSync(zip))).toEqual(['kitchen.json', 'counts.json']);
  expect(countsIn(zip)).toEqual(counts);
  expect(counts).toEqual(Object.fromEntries(Object.entries(file.tables).map(([name, rows]) => [name, rows.length])));
  expect(readdirSync(folder)).toEqual(['kitchen.zip']);
  // Numbers go on after the last that came in.
  const next = { kind: 'measured', how: 'match', subject: { lotId: 'lot-cayenne', pods: 3 }, shu: 9000, sigma: 0.5, sure: true } as const;
  const { record } = await addHeat(to.db, next, TODAY);
  expect(record.id).toBe(1 + Math.max(...file.tables.heat_events!.map((e) => Number(e.id))));
  // A kitchen that holds something is never written over.
  await expect(writeKitchen(to.db, file)).rejects.toThrow(/not empty/);
});

it('what is no backup is refused with a sentence, and nothing of it stays', async () => {
  const to = await empty();
  const good = await readKitchen(demo.db);
  const bad = (change: (f: KitchenFile) => void) => {
    const f = structuredClone(good);
    change(f);
    return f;
  };
  const lots = good.tables.pod_lots!;
  for (const [file, why] of [
    [{ format: 'beans' }, /not a backup/],
    [{ ...good, version: 9 }, /not a backup/],
    [bad((f) => (f.tables.recipes = [])), /not known/],
    [bad((f) => (f.tables.photos = [{ id: 'p', batchId: 'slipway-red-3', jpeg: '<script>' }])), /cannot be/],
    [bad((f) => (f.tables.pod_lots![0]!.colour = 'red')), /not known/],
    [bad((f) => (f.tables.pod_lots![0] = { ...lots[0], lot: { name: 'x' } })), /cannot be/],
    [bad((f) => (line(f.tables.batches![0]!.document as BatchFile)[0]!.kind = 'oven')), /Nothing was read in/],
    [bad((f) => (f.tables.batches![0]!.summary = {})), /not known/],
    [bad((f) => (f.tables.readings![0]!.batchId = 'nobody')), /do not fit/],
    [bad((f) => (f.tables.stock_moves![0]!.deltaG = 'lots')), /do not fit/],
  ] as const) {
    await expect(writeKitchen(to.db, file)).rejects.toThrow(why);
    expect((await readKitchen(to.db)).tables.pod_lots).toEqual([]);
  }
  for (const [change, why] of [
    [(f: KitchenFile) => (f.tables.settings = [{ id: 'maker', value: { kitchen: 'moon' } }]), /cannot be/],
    [(f: KitchenFile) => (f.tables.larder_lots![0]!.ownPh = 40), /cannot be/],
    [(f: KitchenFile) => (f.tables.own_rows = [{ id: 'own-x', kind: 'ingredients', value: { key: 'own-x' } }]), /cannot be/],
  ] as const) {
    await expect(writeKitchen(to.db, bad(change))).rejects.toThrow(why);
    expect((await readKitchen(to.db)).tables.pod_lots).toEqual([]);
  }
  expect(() => unpackKitchen(new Uint8Array([1, 2, 3]))).toThrow(/no zip/);
  await writeKitchen(to.db, good);
});

it('a backup of an older version is read as the same kitchen', async () => {
  const to = await empty();
  const from = await empty();
  const { readings: _, ...document } = batch1();
  const today = await addBatch(from.db, batch1(), TODAY, 'old');
  const now = await readKitchen(from.db);
  const second = { ...now.tables, batches: now.tables.batches!.map((row) => ({ ...row, document })) };
  await writeKitchen(to.db, { ...now, version: 2, tables: second }, TODAY);
  expect(await readKitchen(to.db, now.made)).toEqual(now);
  expect((await getBatch(to.db, 'old')).file).toEqual(today.record.file);
  const other = await empty();
  const { style, seed, goal, stations, dutiesDone, lots, ingredients } = document;
  const first = {
    ...now.tables,
    // In any order: the position counts.
    stations: stations.map((s, position) => ({ batchId: 'old', position, ...s })).reverse(),
    duties_done: dutiesDone.map((key) => ({ batchId: 'old', key, at: TODAY })),
    batches: now.tables.batches!.map(({ document: __, ...row }) => ({ ...row, style, seed: seed ?? null, goal, lots, ingredients })),
  };
  await writeKitchen(other.db, { ...now, version: 1, tables: first }, TODAY);
  expect(await readKitchen(other.db, now.made)).toEqual(now);
});

it('a file that promises more than its batches hold is told by the rules', async () => {
  const to = await empty();
  const good = await readKitchen(demo.db);
  const forged = structuredClone(good);
  for (const b of forged.tables.bottlings!)
    Object.assign(b, { place: 'cupboard', keeping: 'Keeps for ever.', useBy: '2999-01-01', phMeasured: true });
  await writeKitchen(to.db, forged, TODAY);
  expect((await readKitchen(to.db)).tables.bottlings).toEqual(good.tables.bottlings);
});

it('bottles of a line that cannot run promise nothing, and what was to be thrown away stays so', async () => {
  const good = await readKitchen(demo.db);
  for (const place of ['cupboard', 'bin']) {
    const to = await empty();
    const broken = structuredClone(good);
    for (const b of broken.tables.batches!) {
      const salt = line(b.document as BatchFile).find((s) => s.kind === 'salt');
      if (salt) Object.assign(salt.params as object, { jarMl: 120, jars: 1 });
    }
    for (const b of broken.tables.bottlings!) Object.assign(b, { place, keeping: 'As it was.', useBy: '2999-01-01' });
    await writeKitchen(to.db, broken, TODAY);
    const [row] = (await readKitchen(to.db)).tables.bottlings!;
    if (place === 'bin') expect(row).toMatchObject({ place: 'bin', keeping: 'As it was.' });
    else
      expect(row).toMatchObject({
        place: 'fridge',
        useBy: row!.bottledOn,
        phMeasured: false,
        keeping: expect.stringMatching(/do not eat it/) as string,
      });
  }
});

it('others have their turn while it is written, and what they change is in it whole', async () => {
  const from = await empty();
  await addLarder(from.db, 'honey', 100, '');
  const [{ id } = { id: '' }] = (await readKitchen(from.db)).tables.larder_lots as { id: string }[];
  for (let i = 0; i < 12; i++)
    await from.db
      .insert(stockMoves)
      .values(Array.from({ length: 500 }, () => ({ store: 'larder', itemId: id, deltaG: 1, reason: 'in' }) as const));
  const path = join(folder, 'kitchen.zip');
  // Moves come in pairs: a backup has both of a pair or none.
  const writes: Promise<unknown>[] = [];
  let going = true;
  const others = (async () => {
    for (let n = 0; going && n < 2; n++) {
      await new Promise((later) => setTimeout(later, 5));
      const pair = [7, -7].map((deltaG) => ({ store: 'larder', itemId: id, deltaG, reason: 'in' }) as const);
      writes.push(
        from.write(async (db) => {
          for (const move of pair) await db.insert(stockMoves).values(move);
        }),
      );
    }
  })();
  await writeBackup(from, path);
  going = false;
  await others;
  await Promise.all(writes);
  const { tables } = unpackKitchen(readFileSync(path)) as KitchenFile;
  const moves = tables.stock_moves!.map((m) => Number(m.deltaG)).filter((g) => Math.abs(g) === 7);
  expect(moves.reduce((sum, g) => sum + g, 0)).toBe(0);
  expect(new Set(tables.stock_moves!.map((m) => m.id)).size).toBe(tables.stock_moves!.length);
  expect(tables.stock_moves!.length).toBeGreaterThanOrEqual(6001);
});

it('a clock that was ahead throws no good copy away, and a kitchen that lost rows none at all', async () => {
  const from = await empty();
  const data = join(folder, 'data');
  const names = () => readdirSync(`${data}-backups`).sort();
  await addLarder(from.db, 'honey', 100, '');
  for (let d = 1; d <= 7; d++) await backupOfDay(from, data, `2027-03-0${d}`);
  for (let d = 1; d <= 3; d++) await backupOfDay(from, data, `2026-11-0${d}`);
  expect(names()).toEqual([...[1, 2, 3].map((d) => `roskel-2026-11-0${d}.zip`), ...[4, 5, 6, 7].map((d) => `roskel-2027-03-0${d}.zip`)]);
  await from.db
    .insert(logTable)
    .values(Array.from({ length: 30 }, () => ({ topic: 'larder', itemId: 'x', name: 'Honey', did: 'moved', detail: {} }) as never));
  for (let d = 4; d <= 9; d++) await backupOfDay(from, data, `2026-11-0${d}`);
  const before = names();
  expect(before).toHaveLength(7);
  await from.db.delete(logTable);
  const said: string[] = [];
  const spy = vi.spyOn(console, 'error').mockImplementation((line: string) => void said.push(line));
  for (const day of ['10', '11', '12']) expect(await backupOfDay(from, data, `2026-11-${day}`)).toBe(true);
  spy.mockRestore();
  expect(names()).toEqual(expect.arrayContaining(before));
  expect(said.join()).toMatch(
    /There is less in .* than in its copy roskel-2026-11-09\.zip \(log: 0 rows, 30 then\).*No older copy.*npm run restore/,
  );
  // Accepted by its maker it goes on, and the old ones go in time.
  await expect(nothingLost(from, data, '2026-11-13')).rejects.toThrow(/--as-it-is/);
  mkdirSync(data);
  goOnFromHere(data);
  await nothingLost(from, data, '2026-11-13');
  await backupOfDay(from, data, '2026-11-13');
  expect(names()).toHaveLength(7);
  expect(lostSince({ log: 5, pod_lots: 12, photos: 3 }, { log: 5, pod_lots: 6, photos: 0 })).toEqual([]);
  expect(lostSince({ log: 5, pod_lots: 12, batches: 40 }, { log: 6, pod_lots: 5 })).toEqual(['pod_lots', 'batches']);
});

it('a table that gives other rows than it counts makes no backup', async () => {
  const from = await empty();
  await addLarder(from.db, 'honey', 100, '');
  const path = join(folder, 'kitchen.zip');
  // A damaged index: by its key a row is not found that lies there.
  const short = { ...from, asOfNow: (read: (db: Db) => Promise<unknown>) => read(hiding(from.db)) } as Store;
  await expect(writeBackup(short, path)).rejects.toThrow(/"larder_lots" has 1 rows and gives 0/);
  expect(readdirSync(folder)).toEqual([]);
});

it('a file made to fill the memory is refused at once, whatever it says of itself', () => {
  const nested = `${'['.repeat(200)}${']'.repeat(200)}`;
  const cases: [string, Uint8Array, RegExp][] = [
    ['a bomb of 60 MB in 60 kB', zipSync({ 'kitchen.json': new Uint8Array(60e6).fill(32) }, { level: 9 }), /more than any kitchen/],
    ['lists by the million', zipSync({ 'kitchen.json': strToU8(`[${'{},'.repeat(3e6)}{}]`) }, { level: 0 }), /damaged/],
    ['a tower', zipOf(JSON.parse(nested)), /damaged/],
    ['cut short', zipOf({ a: 'x'.repeat(5000) }).slice(0, 60), /no zip|damaged|no kitchen/],
  ];
  for (const [name, bytes, why] of cases) expect(() => unpackKitchen(bytes), name).toThrow(why);
  // Many rows that are none are one mistake.
  expect(firstError(KitchenFileSchema, { tables: { log: Array(2e5).fill(1) } })).toMatchObject({ path: expect.any(String) as string });
});

it('seven daily backups are kept, one a day, none of an empty kitchen', async () => {
  const from = await empty();
  const data = join(folder, 'data');
  expect(await backupOfDay(from, data, '2026-11-01')).toBe(false);
  expect(existsSync(`${data}-backups`)).toBe(false);
  await addLarder(from.db, 'honey', 100, '');
  for (let d = 1; d <= 9; d++) expect(await backupOfDay(from, data, `2026-11-0${d}`)).toBe(true);
  expect(await backupOfDay(from, data, '2026-11-09')).toBe(false);
  expect(readdirSync(`${data}-backups`)).toEqual([3, 4, 5, 6, 7, 8, 9].map((d) => `roskel-2026-11-0${d}.zip`));
});

it('a copy is put in place of what is there: what was there is kept first, and whatever fails changes nothing', async () => {
  const data = join(folder, 'k');
  const open = await openDb(data);
  const k = await serveKitchen(open, DEMO_DAY, undefined, false, undefined, data);
  const batch = async (name: string) =>
    (await k.call<BatchRecord>('POST', '/batches', { name, startDate: '2026-11-01', goal: GOAL })).value.id;
  const names = async () => (await k.call<BatchRow[]>('GET', '/batches')).value.map((b) => b.summary.name).sort();
  const put = (bytes: Uint8Array) =>
    fetch(`${k.base}/kitchen`, { method: 'PUT', headers: { 'X-Roskel': '1', 'Content-Type': 'application/zip' }, body: bytes as never });
  try {
    await batch('First');
    const copy = new Uint8Array(await (await fetch(`${k.base}/kitchen`)).arrayBuffer());
    await batch('Second');
    const kept = await readKitchen(open.db, '');
    // What cannot be: no zip, and one whose rows say what no kitchen holds.
    for (const bytes of [
      new Uint8Array([1, 2]),
      zipOf({
        ...kept,
        made: '2026-11-24T00:00:00.000Z',
        tables: { ...kept.tables, settings: [{ id: 'maker', value: { kitchen: 'x' } }] },
      }),
    ])
      expect((await put(bytes)).status).toBe(422);
    // Half a character, which would make its row unreadable.
    const half = { ...kept, made: '2026-11-24T00:00:00.000Z', tables: { ...kept.tables, own_rows: [{ id: 'half \ud83c of one' }] } };
    await expect(replaceKitchen(open.db, half)).rejects.toMatchObject({ errors: [{ path: 'tables/own_rows/0/id' }] });
    expect(await readKitchen(open.db, '')).toEqual(kept);
    const { before } = (await (await put(copy)).json()) as { before: string };
    expect(await names()).toEqual(['First']);
    const { now, copies } = (await k.call<KitchenCopies>('GET', '/kitchen/copies')).value;
    expect([now.batches, copies!.find((c) => c.name === before)]).toMatchObject([1, { daily: false, rows: { batches: 2 } }]);
    // What was changed while the copy was written is not lost: it is refused.
    const ready = await readyBack(open, data, copy);
    await batch('Meanwhile');
    await expect(open.write((db) => goBack(db, data, ready))).rejects.toThrow('was changed while its copy was written');
    expect(await names()).toEqual(['First', 'Meanwhile']);
    const [line] = (await k.call<LogLine[]>('GET', '/log')).value.filter((l) => l.did === 'went-back');
    expect(line).toMatchObject({ topic: 'settings', detail: { words: before } });
    // And back again; the folder knows that less is not a loss.
    await k.call('POST', `/kitchen/copies/${before}/back`, {});
    expect(await names()).toEqual(['First', 'Second']);
    await put(copy);
    await nothingLost(open, data, DEMO_DAY);
    for (const name of ['..%2f..%2fetc%2fpasswd', 'roskel-2020-01-01.zip'])
      expect((await k.call('POST', `/kitchen/copies/${name}/back`, {})).status).toBe(404);
  } finally {
    await k.close();
  }
});
