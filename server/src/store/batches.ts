import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, isNull, ne, or, sql } from 'drizzle-orm';
import {
  applyChanges,
  changesBetween,
  LineProblem,
  same,
  seedOfFile,
  stationKind,
  tieReadings,
  type BatchFile,
  type Change,
} from '@roskel/core';
import type { BatchRecord, BatchRow } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches, larderLots, podLots } from '../db/schema';
import { columnsOf, derivedOf, fileOf, readingsOf, writeReadings } from './batchRows';
import { NotFound, Stale } from './errors';
import { fitFile, refuseFuture } from './fit';
import { coldOnly, settleShelf } from './shelf';
import { settleUse, type StoreName } from './stock';

type Row = typeof batches.$inferSelect;

const LISTED = { id: batches.id, revision: batches.revision, updatedAt: batches.updatedAt, summary: batches.summary } as const;
const listed = async (db: Db, archived: boolean): Promise<BatchRow[]> =>
  (await db
    .select(LISTED)
    .from(batches)
    .where(eq(batches.archived, archived))
    .orderBy(desc(batches.startDate), asc(batches.id))) as BatchRow[];
/** The shelf of batches, newest first: what a list shows, nothing is worked out. */
export const listBatches = (db: Db): Promise<BatchRow[]> => listed(db, false);
export const archivedBatches = (db: Db): Promise<BatchRow[]> => listed(db, true);

const recordOf = ({ id, revision, updatedAt }: Row, file: BatchFile): BatchRecord => ({ id, revision, updatedAt, file });

/** Whole batches, archived or not. */
export async function everyBatch(db: Db): Promise<BatchRecord[]> {
  const rows = await db.select().from(batches).orderBy(asc(batches.id));
  const own = await readingsOf(
    db,
    rows.map((r) => r.id),
  );
  return rows.map((r) => recordOf(r, fileOf(r, own.get(r.id)!)));
}

export async function getBatch(db: Db, id: string): Promise<BatchRecord> {
  const [row] = await db.select().from(batches).where(eq(batches.id, id));
  if (!row) throw new NotFound('This batch is not there any more.');
  return recordOf(row, fileOf(row, (await readingsOf(db, [id])).get(id)!));
}

async function rowOf(db: Db, id: string): Promise<BatchRow> {
  const [row] = await db.select(LISTED).from(batches).where(eq(batches.id, id));
  if (!row) throw new NotFound('This batch is not there any more.');
  return row as BatchRow;
}

/** A file as it is stored: the seed of its worlds fixed once, and every measured pH tied to what it was measured on. */
function settled(file: BatchFile, before: BatchFile | null): BatchFile {
  return tieReadings(before, { ...file, seed: before?.seed ?? seedOfFile(file) });
}

/** A batch as it was stored, and what else that changed. */
export interface Saved {
  record: BatchRecord;
  /** What lists show of it. */
  row: BatchRow;
  /** What it changed, from the revision before. */
  changes: Change[];
  /** Somebody else had changed it since the revision that the edit began from. */
  merged: boolean;
  /** What is stored holds more than what was sent: the program put something in order. */
  more: boolean;
  touched: Set<StoreName | 'shelf'>;
}

/** Stores of which a batch is to take something else than before. */
function newlyWanted(before: BatchFile | null, after: BatchFile): StoreName[] {
  const wanted = (file: BatchFile | null, store: StoreName) =>
    (file?.stations ?? [])
      .filter((s) => s.log.doneOn === undefined)
      .flatMap((s) => (stationKind(s.kind).needs?.(s.params) ?? []).filter((n) => n.store === store));
  return (['pods', 'larder'] as const).filter((store) => !same(wanted(before, store), wanted(after, store)));
}

async function settle(tx: Db, id: string, file: BatchFile, today: string): Promise<Saved['touched']> {
  // Archived lots still have their ledger.
  const pods = new Set((await tx.select({ id: podLots.id }).from(podLots)).map((p) => p.id));
  const larder = new Set((await tx.select({ id: larderLots.id }).from(larderLots)).map((l) => l.id));
  const touched: Saved['touched'] = new Set(await settleUse(tx, id, file, (n) => (n.store === 'pods' ? pods : larder).has(n.id)));
  if (await settleShelf(tx, id, file, today)) touched.add('shelf');
  return touched;
}

export async function addBatch(db: Db, value: unknown, today: string, id: string = randomUUID()): Promise<Saved> {
  const file = settled(await fitFile(db, value), null);
  refuseFuture(file, today);
  const touched = await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    await t.insert(batches).values({ id, ...columnsOf(file, today) });
    await writeReadings(t, id, [], file.readings);
    return settle(t, id, file, today);
  });
  for (const store of newlyWanted(null, file)) touched.add(store);
  return { record: await getBatch(db, id), row: await rowOf(db, id), changes: [], merged: false, more: false, touched };
}

/** An edit that meets one made at the very same moment is tried again on top of it, this often. */
const TRIES = 5;

/**
 * Makes changes in a batch, on top of whatever else was changed since `revision`. Throws Stale, with what is there now,
 * when the same fields were changed otherwise meanwhile; then nothing is stored.
 */
export async function changeBatch(db: Db, id: string, revision: number, changes: readonly Change[], today: string): Promise<Saved> {
  for (let tried = 0; tried < TRIES; tried++) {
    const now = await getBatch(db, id);
    const before = now.file;
    const { value, clashes } = applyChanges(before, changes);
    if (clashes.length > 0) throw new Stale(now);
    const file = settled(await fitFile(db, value), before);
    refuseFuture(file, today);
    const merged = now.revision !== revision;
    const made = changesBetween(before, file);
    // Said twice, after an answer that was lost: it is there already.
    if (made.length === 0)
      return { record: now, row: await rowOf(db, id), changes: [], merged, more: !same(value, before), touched: new Set() };
    const touched = await db.transaction(async (tx) => {
      const t = tx as unknown as Db;
      const done = await t
        .update(batches)
        .set({ ...columnsOf(file, today), revision: sql`${batches.revision} + 1`, updatedAt: sql`now()` })
        .where(and(eq(batches.id, id), eq(batches.revision, now.revision)))
        .returning({ id: batches.id });
      if (done.length === 0) return null;
      await writeReadings(t, id, before.readings, file.readings);
      return settle(t, id, file, today);
    });
    if (!touched) continue;
    for (const store of newlyWanted(before, file)) touched.add(store);
    return { record: await getBatch(db, id), row: await rowOf(db, id), changes: made, merged, more: !same(value, file), touched };
  }
  throw new Stale(await getBatch(db, id));
}

/** Archives a batch or brings it back; nothing of it is deleted, and what it took stays taken. */
export async function archiveBatch(db: Db, id: string, archived: boolean): Promise<BatchRow> {
  await db.update(batches).set({ archived }).where(eq(batches.id, id));
  return rowOf(db, id);
}

/**
 * Bottles and summaries are told by the rules of now, never read off an old label: done whenever the kitchen opens, for
 * an older program may have written them. With `bands` the heat of bottles is run through all its worlds again too.
 */
export async function refreshAll(db: Db, today: string, bands = false): Promise<void> {
  for (const { id, file } of await everyBatch(db)) {
    try {
      await db.update(batches).set(derivedOf(file, today)).where(eq(batches.id, id));
      await settleShelf(db, id, file, today, bands);
    } catch (error) {
      // A line that cannot run any more says so on its page; what came of it promises nothing. One batch, whatever is
      // wrong with it, keeps nobody out of the kitchen.
      if (!(error instanceof LineProblem)) console.error(`The batch ${id} cannot be worked out:`, error);
      await coldOnly(db, id);
    }
  }
}

/** Summaries of batches on their way, once a new day has come: what is to be done next goes by the day. */
export async function refreshDay(db: Db, today: string): Promise<boolean> {
  // Finished ones have nothing to do next, whatever the day.
  const running = await db
    .select()
    .from(batches)
    .where(
      and(
        eq(batches.archived, false),
        sql`(${batches.summary} ->> 'doneOn') is null`,
        or(isNull(batches.summedOn), ne(batches.summedOn, today)),
      ),
    );
  const own = await readingsOf(
    db,
    running.map((r) => r.id),
  );
  for (const row of running)
    await db
      .update(batches)
      .set(derivedOf(fileOf(row, own.get(row.id)!), today))
      .where(and(eq(batches.id, row.id), eq(batches.revision, row.revision)));
  return running.length > 0;
}
