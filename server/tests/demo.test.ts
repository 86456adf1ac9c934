import { line } from './kit';
import { mainEnd, podUses } from '@roskel/core';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addDays, reportLine } from '@roskel/core';
import { eq } from 'drizzle-orm';
import { checkBatchFile } from '@roskel/contract/validate';
import { openDb, type OpenDb } from '../src/db/open';
import { batches, bottlings } from '../src/db/schema';
import { seedDemo } from '../src/seed/demo';
import { everyBatch, getBatch, listBatches } from '../src/store/batchReads';
import { refreshDay, refreshOld } from '../src/store/batches';
import { listLarder } from '../src/store/larder';
import { listOwn } from '../src/store/own';
import { listPods } from '../src/store/pods';
import { listShelf } from '../src/store/shelf';

const TODAY = '2026-11-23';
const folder = mkdtempSync(join(tmpdir(), 'roskel-demo-'));
let open: OpenDb;
beforeAll(async () => {
  open = await openDb(folder);
  await seedDemo(open.db, TODAY);
});
afterAll(async () => {
  await open.close();
  rmSync(folder, { recursive: true, force: true });
});

describe('the demo kitchen', () => {
  it('has eight lots or more, a larder of about 25 things, and fifteen batches of eight kinds', async () => {
    expect((await listPods(open.db)).length).toBeGreaterThanOrEqual(8);
    expect((await listLarder(open.db)).length).toBeGreaterThanOrEqual(25);
    expect((await listBatches(open.db)).map((b) => b.summary.name).sort()).toEqual([
      'Breaker Live',
      'Gorse Gold',
      'Harbour Dark',
      'Headland Garden',
      'Lantern Paste',
      'Lugger Sweet',
      'Overnight Red',
      'Rockpool Green',
      'Samphire Green',
      'Skerry Raw',
      'Slipway Red no. 1',
      'Slipway Red no. 2',
      'Slipway Red no. 3',
      'Spring Tide',
      'Tideline Mash',
    ]);
  });
  it('seven kinds of sauce among them, and the pots of the kitchen with what they learnt', async () => {
    expect(new Set((await everyBatch(open.db)).map((b) => b.file.style)).size).toBeGreaterThanOrEqual(6);
    const tools = await listOwn(open.db, 'tools');
    expect(tools.length).toBeGreaterThanOrEqual(4);
    expect((await getBatch(open.db, 'harbour-dark')).file.tools).toHaveLength(1);
  });
  it('one finished and on the shelf, one fermenting with readings, one in the pot, one only planned', async () => {
    const done = async (id: string) => line((await getBatch(open.db, id)).file).filter((s) => s.log.doneOn).length;
    expect([await done('slipway-red-2'), await done('slipway-red-3'), await done('harbour-dark'), await done('gorse-gold')]).toEqual([
      7, 2, 2, 0,
    ]);
    expect((await getBatch(open.db, 'slipway-red-3')).file.readings.length).toBeGreaterThanOrEqual(3);
    const shelf = await listShelf(open.db);
    const bottles = shelf.find((b) => b.id === 'slipway-red-2');
    expect(bottles).toMatchObject({ name: 'Slipway Red no. 2', pH: expect.closeTo(3.41, 3), phMeasured: true });
    expect(bottles!.left).toBe(bottles!.bottles - 1);
    // A shelf that shows what it can: two places, something live, something that must go first, something gone.
    expect(shelf.map((b) => [b.name, b.place, b.left > 0]).sort()).toEqual([
      ['Breaker Live', 'fridge', true],
      ['Headland Garden', 'cupboard', true],
      ['Skerry Raw', 'fridge', true],
      ['Slipway Red no. 1', 'cupboard', false],
      ['Slipway Red no. 2', 'cupboard', true],
    ]);
    expect(shelf.map((b) => b.useBy!).sort()[0]! < addDays(TODAY, 5)).toBe(true);
  });
  it('each aims at its bracket and each file can be read by anyone', async () => {
    for (const b of await everyBatch(open.db)) {
      expect(checkBatchFile(JSON.parse(JSON.stringify(b.file))).ok, b.id).toBe(true);
      const report = reportLine(b.file, { today: TODAY, members: 60 });
      expect(report.ends[0]!.odds, b.id).toBeGreaterThan(0.4);
      expect(report.ends[0]!.finished.heatShu).toBeGreaterThan(mainEnd(b.file).goal.lowShu);
      expect(report.ends[0]!.finished.heatShu).toBeLessThan(mainEnd(b.file).goal.highShu);
    }
  });
  it('what is to be done next goes by the day: summed anew once when a day begins, finished batches never', async () => {
    const next = async (id: string) => (await listBatches(open.db)).find((b) => b.id === id)!.summary.next;
    expect((await next('slipway-red-3'))!.due).toBe(TODAY);
    const tomorrow = addDays(TODAY, 1);
    expect([await refreshDay(open.db, tomorrow), await refreshDay(open.db, tomorrow)]).toEqual([true, false]);
    expect([(await next('slipway-red-3'))!.due, await next('slipway-red-2')]).toEqual([tomorrow, null]);
    await refreshDay(open.db, TODAY);
  });
  it('bottles of before are told by the rules of now when the kitchen opens, in both ways of counting heat', async () => {
    const told = async () => (await listShelf(open.db)).find((b) => b.id === 'slipway-red-2')!;
    const before = await told();
    const old = { heat: { dry: before.heat.dry } as never, place: 'cupboard', keeping: 'Keeps for ever.', useBy: '2999-01-01' };
    await open.db.update(bottlings).set(old).where(eq(bottlings.id, before.id));
    // What this program wrote is not worked out again; what another one did is.
    await refreshOld(open, TODAY);
    expect((await told()).place).toBe('cupboard');
    await open.db.update(batches).set({ summedBy: 'another program' }).where(eq(batches.id, before.batchId));
    await refreshOld(open, TODAY);
    expect(await told()).toEqual(before);
  });
  it('stock is what came in less what the finished steps took', async () => {
    const cayenne = (await listPods(open.db)).find((p) => p.id === 'lot-cayenne')!;
    const used = (await everyBatch(open.db))
      .filter((b) => line(b.file)[0]!.log.doneOn)
      .flatMap((b) => podUses(b.file))
      .filter((p) => p.lotId === 'lot-cayenne')
      .reduce((s, p) => s + p.massG, 0);
    expect(cayenne.stockG).toBeCloseTo(1540 - used, 3);
    expect((await listPods(open.db)).every((p) => p.stockG >= 0)).toBe(true);
  });
  it('names no person and no brand: only its own places and plain varieties', async () => {
    const places = new Set((await listPods(open.db)).map((p) => p.place));
    expect([...places].sort()).toEqual(['bed 1', 'bed 2', 'bed 3', 'bed 4', 'market', 'own smoke', 'packet', 'tunnel', 'windowsill']);
  });
});

it('data is there again when the folder is opened again, and a second server is kept out meanwhile', async () => {
  const before = await listBatches(open.db);
  await open.close();
  open = await openDb(folder);
  expect(await listBatches(open.db)).toEqual(before);
});
