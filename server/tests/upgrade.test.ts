import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { lotOfVariety, summaryOf, upgradeBatch, variety, type BatchFile, type BatchFile1 } from '@roskel/core';
import { DEFAULT_SETTINGS } from '@roskel/contract';
import { openDb } from '../src/db/open';
import * as schema from '../src/db/schema';
import { getBatch, listBatches } from '../src/store/batchReads';
import { refreshAll } from '../src/store/batches';
import { listLarder } from '../src/store/larder';
import { getPod, listPods } from '../src/store/pods';
import { getSettings } from '../src/store/settings';
import { listShelf } from '../src/store/shelf';
import { addHeat } from '../src/store/tasting';
import { batch1 } from './old';

const TODAY = '2026-11-24';
const NOW = fileURLToPath(new URL('../drizzle', import.meta.url));
let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-old-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A data folder after the first `count` migrations. */
async function oldFolder(data: string, count: number): Promise<PGlite> {
  const migrations = join(folder, 'migrations');
  mkdirSync(join(migrations, 'meta'), { recursive: true });
  const journal = JSON.parse(readFileSync(join(NOW, 'meta/_journal.json'), 'utf8')) as { entries: { tag: string }[] };
  const entries = journal.entries.slice(0, count);
  for (const { tag } of entries) cpSync(join(NOW, `${tag}.sql`), join(migrations, `${tag}.sql`));
  writeFileSync(join(migrations, 'meta/_journal.json'), JSON.stringify({ ...journal, entries }));
  mkdirSync(data, { recursive: true });
  const client = new PGlite(join(data, 'pg'));
  await migrate(drizzle(client, { schema }), { migrationsFolder: migrations });
  return client;
}
async function putStations(client: PGlite, id: string, stations: BatchFile1['stations']): Promise<void> {
  for (const [i, st] of stations.entries()) {
    await client.query(`insert into stations (batch_id, position, id, kind, params, log) values ($1, $2, $3, $4, $5, $6)`, [
      id,
      i,
      st.id,
      st.kind,
      JSON.stringify(st.params),
      JSON.stringify(st.log),
    ]);
  }
}

/** A data folder as version 0.1 left it: the first migration only, rows in the shape of then. */
async function firstVersion(data: string): Promise<void> {
  const client = await oldFolder(data, 1);
  const { flavour: _, wall: __, quotedShu: ___, ...lot } = lotOfVariety(variety('cayenne-red'), { id: 'old-lot', name: 'Old cayenne' });
  await client.query(`insert into pod_lots (id, lot, got_on, place, use_first) values ('old-lot', $1, '2026-09-01', 'bed 9', true)`, [
    JSON.stringify(lot),
  ]);
  await client.query(`insert into larder_lots (id, ingredient_key) values ('honey', 'honey')`);
  await client.query(
    `insert into stock_moves (store, item_id, delta_g, reason) values ('pods', 'old-lot', 640, 'in'), ('larder', 'honey', 340, 'in')`,
  );
  await client.query(`insert into settings (id, value) values ('maker', '{"kitchen":"au"}')`);
  const { style, startDate, goal, lots, ingredients, stations } = batch1();
  await client.query(
    `insert into batches (id, name, style, start_date, goal, lots, ingredients) values ('old-batch', $1, $2, $3, $4, $5, $6)`,
    ['Old Batch', style, startDate, ...[goal, lots, ingredients].map((x) => JSON.stringify(x))],
  );
  await putStations(client, 'old-batch', stations);
  await client.close();
}

it('a data folder of the first version opens, keeps everything, and learns', async () => {
  const data = join(folder, 'data');
  await firstVersion(data);
  const { db, close } = await openDb(data);
  try {
    const [lot] = await listPods(db);
    expect(lot).toMatchObject({ id: 'old-lot', stockG: 640, place: 'bed 9', useFirst: true, ripeness: '', pricePerKg: null });
    expect((await listLarder(db))[0]).toMatchObject({ ingredientKey: 'honey', stockG: 340, ownPh: null, packG: null, useFirst: false });
    expect(await getSettings(db)).toEqual({ ...DEFAULT_SETTINGS, kitchen: 'au' });
    expect((await getBatch(db, 'old-batch')).file.name).toBe('Old Batch');
    const before = lot!.lot.heat!;
    await addHeat(db, { kind: 'measured', how: 'lab', subject: { lotId: 'old-lot', pods: 30 }, shu: 9000, sigma: 0.15 }, TODAY);
    const after = (await getPod(db, 'old-lot')).lot.heat!;
    expect(after.sigma).toBeLessThan(before.sigma);
    expect(after.dryShu).toBeGreaterThan(before.dryShu);
  } finally {
    await close();
  }
});

it('a data folder of version 0.2: every batch becomes one document that says the same, and its bottles stand', async () => {
  const data = join(folder, 'data');
  const client = await oldFolder(data, 3);
  const bare = batch1();
  const stations = bare.stations.map((st, i) => (i < 2 ? { ...st, log: { doneOn: '2026-10-02', massG: 640 + 600 * i } } : st));
  const readings: BatchFile['readings'] = [
    { id: 'r1', stationId: 'ferment', at: '2026-10-05T18:00:00.000Z', pH: 4.1, instrument: 'meter', note: 'tart' },
    { id: 'r2', stationId: 'ferment', at: '2026-10-08T18:00:00.000Z', tempC: 22, instrument: 'strip' },
  ];
  const old: BatchFile1 = { ...bare, stations, readings, dutiesDone: ['burp-3', 'prep'] };
  for (const seed of [old.seed!, null]) {
    const id = seed === null ? 'without-seed' : 'second';
    await client.query(
      `insert into batches (id, name, style, start_date, seed, goal, lots, ingredients) values ($1, $2, $3, $4, $5, $6, $7, $8)`,
      [id, old.name, old.style, old.startDate, seed, ...[old.goal, old.lots, old.ingredients].map((x) => JSON.stringify(x))],
    );
    await putStations(client, id, stations);
    await client.query(`insert into duties_done (batch_id, key) values ($1, 'prep'), ($1, 'burp-3')`, [id]);
    for (const r of readings)
      await client.query(
        `insert into readings (batch_id, id, station_id, at, ph, temp_c, instrument, note) values ($1, $2, $3, $4, $5, $6, $7, $8)`,
        [id, r.id, r.stationId, r.at, r.pH ?? null, r.tempC ?? null, r.instrument, r.note ?? null],
      );
  }
  await client.query(
    `insert into bottlings (id, batch_id, name, bottled_on, bottles, bottle_ml, ph_measured, heat, hex, keeping, place, use_by, live)
     values ('second', 'second', 'x', '2026-09-20', 3, 100, false, '{"p10":1,"p50":2,"p90":3}', '#aa0000', 'x', 'fridge', '2026-10-01', true)`,
  );
  await client.close();
  const { db, close } = await openDb(data);
  try {
    const file = upgradeBatch(old);
    expect((await getBatch(db, 'second')).file).toEqual(file);
    expect(file.dutiesDone).toEqual(['ferment/burp-3', 'prep/prep']);
    const { seed: _, ...seedless } = file;
    expect((await getBatch(db, 'without-seed')).file).toEqual(seedless);
    expect((await listShelf(db))[0]).toMatchObject({ id: 'second', strandId: 'main' });
    expect((await listShelf(db))[0]!.heat.dry).toEqual({ p10: 1, p50: 2, p90: 3 });
    await refreshAll(db, TODAY);
    const row = (await listBatches(db)).find((b) => b.id === 'second')!;
    expect(row.summary).toEqual(summaryOf(file, TODAY));
    // Its bottling step is not done, so no bottles stand there any more.
    expect(await listShelf(db)).toEqual([]);
  } finally {
    await close();
  }
});
