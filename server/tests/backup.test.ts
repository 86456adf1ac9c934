import { line } from './kit';
import { existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { unzipSync } from 'fflate';
import { afterAll, afterEach, beforeAll, beforeEach, expect, it } from 'vitest';
import type { KitchenFile } from '@roskel/contract';
import type { BatchFile } from '@roskel/core';
import { backupOfDay } from '../src/backup/daily';
import { readKitchen, writeKitchen } from '../src/backup/kitchen';
import { packKitchen, unpackKitchen } from '../src/backup/zip';
import type { Store } from '../src/db/store';
import { getBatch } from '../src/store/batchReads';
import { addBatch } from '../src/store/batches';
import { addLarder } from '../src/store/larder';
import { addPhoto, getPhoto } from '../src/store/photos';
import { addHeat } from '../src/store/tasting';
import { DEMO_DAY } from './image';
import { memoryDb } from './kit';
import { batch1 } from './old';

const TODAY = DEMO_DAY;
let folder = '';
/** A kitchen to be backed up: the demo, which nobody changes here, or an empty one of the test's own. */
let demo: Store;
let own: Store | null = null;
let to: Store;
beforeAll(async () => {
  demo = await memoryDb('demo');
});
afterAll(() => demo.close());
beforeEach(async () => {
  folder = mkdtempSync(join(tmpdir(), 'roskel-backup-'));
  to = await memoryDb();
});
afterEach(async () => {
  await own?.close();
  own = null;
  await to.close();
  rmSync(folder, { recursive: true, force: true });
});

it('a kitchen goes into a file and comes back the same, bit by bit, and goes on from there', async () => {
  const { id } = await addPhoto(demo.db, 'slipway-red-3', '/9j/4AAQSkZJRg==');
  const file = await readKitchen(demo.db);
  const zip = packKitchen(file);
  await writeKitchen(to.db, unpackKitchen(zip));
  const back = await readKitchen(to.db, file.made);
  expect(JSON.stringify(back)).toBe(JSON.stringify(file));
  expect(await getPhoto(to.db, id)).toEqual(await getPhoto(demo.db, id));
  expect(Buffer.from(packKitchen(back)).equals(Buffer.from(zip))).toBe(true);
  expect(Object.keys(unzipSync(zip))).toEqual(['kitchen.json']);
  // Numbers go on after the last that came in.
  const next = { kind: 'measured', how: 'match', subject: { lotId: 'lot-cayenne', pods: 3 }, shu: 9000, sigma: 0.5, sure: true } as const;
  const { record } = await addHeat(to.db, next, TODAY);
  expect(record.id).toBe(1 + Math.max(...file.tables.heat_events!.map((e) => Number(e.id))));
  // A kitchen that holds something is never written over.
  await expect(writeKitchen(to.db, file)).rejects.toThrow(/not empty/);
});

it('what is no backup is refused with a sentence, and nothing of it stays', async () => {
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
  const from = (own = await memoryDb());
  const { readings: _, ...document } = batch1();
  const today = await addBatch(from.db, batch1(), TODAY, 'old');
  const now = await readKitchen(from.db);
  const second = { ...now.tables, batches: now.tables.batches!.map((row) => ({ ...row, document })) };
  await writeKitchen(to.db, { ...now, version: 2, tables: second }, TODAY);
  expect(await readKitchen(to.db, now.made)).toEqual(now);
  expect((await getBatch(to.db, 'old')).file).toEqual(today.record.file);
  await to.close();
  to = await memoryDb();
  const { style, seed, goal, stations, dutiesDone, lots, ingredients } = document;
  const first = {
    ...now.tables,
    // In any order: the position counts.
    stations: stations.map((s, position) => ({ batchId: 'old', position, ...s })).reverse(),
    duties_done: dutiesDone.map((key) => ({ batchId: 'old', key, at: TODAY })),
    batches: now.tables.batches!.map(({ document: __, ...row }) => ({ ...row, style, seed: seed ?? null, goal, lots, ingredients })),
  };
  await writeKitchen(to.db, { ...now, version: 1, tables: first }, TODAY);
  expect(await readKitchen(to.db, now.made)).toEqual(now);
});

it('a file that promises more than its batches hold is told by the rules', async () => {
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
    await to.close();
    to = await memoryDb();
  }
});

it('seven daily backups are kept, one a day, none of an empty kitchen', async () => {
  const from = (own = await memoryDb());
  const data = join(folder, 'data');
  expect(await backupOfDay(from.db, data, '2026-11-01')).toBe(false);
  expect(existsSync(`${data}-backups`)).toBe(false);
  await addLarder(from.db, 'honey', 100, '');
  for (let d = 1; d <= 9; d++) expect(await backupOfDay(from.db, data, `2026-11-0${d}`)).toBe(true);
  expect(await backupOfDay(from.db, data, '2026-11-09')).toBe(false);
  expect(readdirSync(`${data}-backups`)).toEqual([3, 4, 5, 6, 7, 8, 9].map((d) => `roskel-2026-11-0${d}.zip`));
});
