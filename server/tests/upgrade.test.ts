import { cpSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { PGlite } from '@electric-sql/pglite';
import { drizzle } from 'drizzle-orm/pglite';
import { migrate } from 'drizzle-orm/pglite/migrator';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { lotOfVariety, newBatch, variety } from '@roskel/core';
import { DEFAULT_SETTINGS } from '@roskel/contract';
import { openDb } from '../src/db/open';
import * as schema from '../src/db/schema';
import { getBatch } from '../src/store/batches';
import { listLarder } from '../src/store/larder';
import { getPod, listPods } from '../src/store/pods';
import { getSettings } from '../src/store/settings';
import { addHeat } from '../src/store/tasting';

const TODAY = '2026-11-24';
const NOW = fileURLToPath(new URL('../drizzle', import.meta.url));
let folder = '';
beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'roskel-old-'))));
afterEach(() => rmSync(folder, { recursive: true, force: true }));

/** A data folder as version 0.1 left it: the first migration only, rows in the shape of then. */
async function firstVersion(data: string): Promise<void> {
  const migrations = join(folder, 'migrations');
  mkdirSync(join(migrations, 'meta'), { recursive: true });
  cpSync(join(NOW, '0000_first.sql'), join(migrations, '0000_first.sql'));
  const journal = JSON.parse(readFileSync(join(NOW, 'meta/_journal.json'), 'utf8')) as { entries: unknown[] };
  writeFileSync(join(migrations, 'meta/_journal.json'), JSON.stringify({ ...journal, entries: journal.entries.slice(0, 1) }));
  mkdirSync(data, { recursive: true });
  const client = new PGlite(join(data, 'pg'));
  const db = drizzle(client, { schema });
  await migrate(db, { migrationsFolder: migrations });
  const { flavour: _, wall: __, quotedShu: ___, ...lot } = lotOfVariety(variety('cayenne-red'), { id: 'old-lot', name: 'Old cayenne' });
  await client.query(`insert into pod_lots (id, lot, got_on, place, use_first) values ('old-lot', $1, '2026-09-01', 'bed 9', true)`, [
    JSON.stringify(lot),
  ]);
  await client.query(`insert into larder_lots (id, ingredient_key) values ('honey', 'honey')`);
  await client.query(
    `insert into stock_moves (store, item_id, delta_g, reason) values ('pods', 'old-lot', 640, 'in'), ('larder', 'honey', 340, 'in')`,
  );
  await client.query(`insert into settings (id, value) values ('maker', '{"kitchen":"au"}')`);
  const { name, style, startDate, goal, lots, ingredients, stations } = newBatch('Old Batch', '2026-09-02');
  await client.query(
    `insert into batches (id, name, style, start_date, goal, lots, ingredients) values ('old-batch', $1, $2, $3, $4, $5, $6)`,
    [name, style, startDate, ...[goal, lots, ingredients].map((x) => JSON.stringify(x))],
  );
  for (const [i, st] of stations.entries()) {
    await client.query(`insert into stations (batch_id, position, id, kind, params, log) values ('old-batch', $1, $2, $3, $4, '{}')`, [
      i,
      st.id,
      st.kind,
      JSON.stringify(st.params),
    ]);
  }
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
