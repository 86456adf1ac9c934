import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, inArray, sql } from 'drizzle-orm';
import {
  addDays,
  BATCH_FORMAT,
  BATCH_VERSION,
  carry,
  LineProblem,
  runLine,
  seedOfFile,
  stationKind,
  tieReadings,
  TYPICAL,
  type BatchFile,
} from '@roskel/core';
import type { BatchRecord } from '@roskel/contract';
import { checkBatchFile } from '@roskel/contract/validate';
import type { Db } from '../db/open';
import { batches, dutiesDone, larderLots, podLots, readings, stations } from '../db/schema';
import { NotFound, Stale, Unfit } from './errors';
import { podLotsOf } from './pods';
import { coldOnly, settleShelf } from './shelf';
import { settleUse, type StoreName } from './stock';

type Row = typeof batches.$inferSelect;

async function assemble(db: Db, rows: readonly Row[]): Promise<BatchRecord[]> {
  if (rows.length === 0) return [];
  const ids = rows.map((r) => r.id);
  const [allStations, allReadings, allDuties] = [
    await db.select().from(stations).where(inArray(stations.batchId, ids)).orderBy(asc(stations.position)),
    await db.select().from(readings).where(inArray(readings.batchId, ids)).orderBy(asc(readings.at)),
    await db.select().from(dutiesDone).where(inArray(dutiesDone.batchId, ids)).orderBy(asc(dutiesDone.key)),
  ];
  const by = <T extends { batchId: string }>(list: readonly T[]) => {
    const found = new Map<string, T[]>();
    for (const x of list) {
      const all = found.get(x.batchId);
      if (all) all.push(x);
      else found.set(x.batchId, [x]);
    }
    return found;
  };
  const [stationsOf, readingsOf, dutiesOf] = [by(allStations), by(allReadings), by(allDuties)];
  return rows.map((row) => ({
    id: row.id,
    revision: row.revision,
    updatedAt: row.updatedAt,
    file: {
      format: BATCH_FORMAT,
      version: BATCH_VERSION,
      name: row.name,
      style: row.style as BatchFile['style'],
      startDate: row.startDate,
      ...(row.seed === null ? {} : { seed: row.seed }),
      goal: row.goal,
      stations: (stationsOf.get(row.id) ?? []).map(({ id, kind, params, log }) => ({ id, kind, params, log })),
      readings: (readingsOf.get(row.id) ?? []).map(({ id, stationId, at, pH, tempC, instrument, note }) => ({
        id,
        stationId,
        at,
        ...(pH === null ? {} : { pH }),
        ...(tempC === null ? {} : { tempC }),
        instrument,
        ...(note === null ? {} : { note }),
      })),
      dutiesDone: (dutiesOf.get(row.id) ?? []).map((d) => d.key),
      lots: row.lots,
      ingredients: row.ingredients,
    },
  }));
}

const listed = async (db: Db, archived: boolean) =>
  assemble(db, await db.select().from(batches).where(eq(batches.archived, archived)).orderBy(desc(batches.startDate), asc(batches.id)));
export const listBatches = (db: Db): Promise<BatchRecord[]> => listed(db, false);
export const archivedBatches = (db: Db): Promise<BatchRecord[]> => listed(db, true);
/** Archived or not. */
export const everyBatch = async (db: Db): Promise<BatchRecord[]> => assemble(db, await db.select().from(batches).orderBy(asc(batches.id)));

export async function getBatch(db: Db, id: string): Promise<BatchRecord> {
  const rows = await db.select().from(batches).where(eq(batches.id, id));
  if (rows.length === 0) throw new NotFound('This batch is not there any more.');
  return (await assemble(db, rows))[0]!;
}

/** A file that is fit to be stored: shape, meaning, and its line runs. Throws Unfit with every field that is wrong. */
export async function fitFile(db: Db, value: unknown): Promise<BatchFile> {
  const checked = checkBatchFile(value);
  if (!checked.ok) throw new Unfit('Some of this cannot be.', checked.errors);
  let file: BatchFile;
  try {
    file = carry(
      checked.file,
      (await podLotsOf(db)).filter((l) => !checked.file.lots.some((x) => x.id === l.id)),
      [],
    );
  } catch (error) {
    throw new Unfit((error as Error).message, [{ path: 'lots', message: (error as Error).message }]);
  }
  for (const measured of [true, false]) {
    try {
      runLine(file, TYPICAL, measured);
    } catch (error) {
      if (!(error instanceof LineProblem)) throw error;
      const at = file.stations.findIndex((s) => s.id === error.stationId);
      const inner = error.field.startsWith('log/') ? error.field : `params/${error.field}`;
      throw new Unfit(error.message, [{ path: `stations/${at}/${inner}`, message: error.message }]);
    }
  }
  return file;
}

/** Nothing is done, and nothing read, on a day that has not come; a day of grace for makers east of the server. */
function refuseFuture(file: BatchFile, today: string): void {
  const last = addDays(today, 1);
  const message = 'That day has not come yet. Log what was done, not what is planned.';
  const errors = [
    ...file.stations.flatMap((s, i) => ((s.log.doneOn ?? '') > last ? [{ path: `stations/${i}/log/doneOn`, message }] : [])),
    ...file.readings.flatMap((r, i) => (r.at.slice(0, 10) > last ? [{ path: `readings/${i}/at`, message }] : [])),
  ];
  if (errors.length > 0) throw new Unfit('Some of this cannot be.', errors);
}

/** A file as it is stored: the seed of its worlds fixed once, and every measured pH tied to what it was measured on. */
function settled(file: BatchFile, before: BatchFile | null): BatchFile {
  return tieReadings(before, { ...file, seed: before?.seed ?? seedOfFile(file) });
}

async function writeParts(tx: Db, id: string, file: BatchFile): Promise<void> {
  for (const table of [stations, readings, dutiesDone]) await tx.delete(table).where(eq(table.batchId, id));
  await tx.insert(stations).values(file.stations.map((s, position) => ({ batchId: id, position, ...s })));
  if (file.readings.length > 0) await tx.insert(readings).values(file.readings.map((r) => ({ batchId: id, ...r })));
  const keys = [...new Set(file.dutiesDone)];
  if (keys.length > 0) await tx.insert(dutiesDone).values(keys.map((key) => ({ batchId: id, key })));
}

/** What else changed besides the batch. */
export interface Saved {
  record: BatchRecord;
  touched: Set<StoreName | 'shelf'>;
}

/** Stores of which a batch is to take something else than before. */
function newlyWanted(before: BatchFile | null, after: BatchFile): StoreName[] {
  const wanted = (file: BatchFile | null, store: StoreName) =>
    JSON.stringify(
      (file?.stations ?? [])
        .filter((s) => s.log.doneOn === undefined)
        .flatMap((s) => (stationKind(s.kind).needs?.(s.params) ?? []).filter((n) => n.store === store)),
    );
  return (['pods', 'larder'] as const).filter((store) => wanted(before, store) !== wanted(after, store));
}

async function settle(tx: Db, id: string, file: BatchFile, today: string): Promise<Saved['touched']> {
  // Archived lots still have their ledger.
  const pods = new Set((await tx.select({ id: podLots.id }).from(podLots)).map((p) => p.id));
  const larder = new Set((await tx.select({ id: larderLots.id }).from(larderLots)).map((l) => l.id));
  const touched: Saved['touched'] = new Set(await settleUse(tx, id, file, (n) => (n.store === 'pods' ? pods : larder).has(n.id)));
  if (await settleShelf(tx, id, file, today)) touched.add('shelf');
  return touched;
}

const head = (file: BatchFile) => ({
  name: file.name,
  style: file.style,
  startDate: file.startDate,
  seed: file.seed ?? null,
  goal: file.goal,
  lots: file.lots,
  ingredients: file.ingredients,
});

export async function addBatch(db: Db, value: unknown, today: string, id: string = randomUUID()): Promise<Saved> {
  const file = settled(await fitFile(db, value), null);
  refuseFuture(file, today);
  const touched = await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    await t.insert(batches).values({ id, ...head(file) });
    await writeParts(t, id, file);
    return settle(t, id, file, today);
  });
  for (const store of newlyWanted(null, file)) touched.add(store);
  return { record: await getBatch(db, id), touched };
}

/** Saves a batch whole. Throws Stale when another window saved since `revision`. */
export async function saveBatch(db: Db, id: string, revision: number, value: unknown, today: string): Promise<Saved> {
  const before = (await getBatch(db, id)).file;
  const file = settled(await fitFile(db, value), before);
  refuseFuture(file, today);
  const touched = await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const done = await t
      .update(batches)
      .set({ ...head(file), revision: sql`${batches.revision} + 1`, updatedAt: sql`now()` })
      .where(and(eq(batches.id, id), eq(batches.revision, revision)))
      .returning({ id: batches.id });
    if (done.length === 0) return null;
    await writeParts(t, id, file);
    return settle(t, id, file, today);
  });
  const record = await getBatch(db, id);
  if (!touched) throw new Stale(record);
  for (const store of newlyWanted(before, file)) touched.add(store);
  return { record, touched };
}

/** Archives a batch or brings it back; nothing of it is deleted, and what it took stays taken. */
export async function archiveBatch(db: Db, id: string, archived: boolean): Promise<BatchRecord> {
  await db.update(batches).set({ archived }).where(eq(batches.id, id));
  return getBatch(db, id);
}

/** Bottles stored by an older program are told by the rules of now: how they keep is never read off an old label. */
export async function refreshShelf(db: Db, today: string): Promise<void> {
  for (const { id, file } of await everyBatch(db)) {
    try {
      await settleShelf(db, id, file, today);
    } catch (error) {
      // A line that cannot run any more says so on its page; what came of it promises nothing.
      if (!(error instanceof LineProblem)) throw error;
      await coldOnly(db, id);
    }
  }
}
