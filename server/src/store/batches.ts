import { randomUUID } from 'node:crypto';
import { and, asc, desc, eq, isNull, ne, or, sql } from 'drizzle-orm';
import {
  applyChanges,
  changesBetween,
  LineProblem,
  same,
  openNeeds,
  seedOfFile,
  tieReadings,
  type BatchFile,
  type Change,
} from '@roskel/core';
import type { BatchRecord, BatchRow, TodayRow } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches, larderLots, podLots, storedStuff } from '../db/schema';
import { RULES } from '../rules';
import { working, type Worked } from '../working';
import { columnsOf, derivedColumns, fileOf, readingsOf, writeReadings } from './batchRows';
import { NotFound, Stale, Unfit } from './errors';
import { settleKept } from './keptNews';
import { fitFile, fitLine, refuseFuture } from './fit';
import { coldOnly, settleShelf, type Bands } from './shelf';
import { settleUse, STORES, type StoreName } from './stock';

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

/** What the batches ask for, and their jars: the latest first. */
export async function listToday(db: Db): Promise<TodayRow[]> {
  const rows = await db
    .select({
      ...{ id: batches.id, revision: batches.revision, name: batches.name, startDate: batches.startDate },
      ...{ needs: batches.needs, today: batches.today },
    })
    .from(batches)
    .where(
      and(
        eq(batches.archived, false),
        sql`(json_array_length(${batches.today} -> 'duties') > 0 or json_array_length(${batches.today} -> 'jars') > 0)`,
      ),
    )
    .orderBy(desc(batches.startDate), asc(batches.id));
  return rows.map(({ today, needs, ...of }) => ({ ...of, needs: needs ?? [], ...today! }));
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
  /** Other batches that took what this one left, and know more of it now. */
  others: Saved[];
}

/** Stores of which a batch is to take something else than before. */
function newlyWanted(before: BatchFile | null, after: BatchFile): StoreName[] {
  const wanted = (file: BatchFile | null, store: StoreName) => (file ? openNeeds(file) : []).filter((n) => n.store === store);
  return STORES.filter((store) => !same(wanted(before, store), wanted(after, store)));
}

type Told = Awaited<ReturnType<typeof settleKept>>;

async function settle(
  tx: Db,
  id: string,
  file: BatchFile,
  worked: Worked,
  today: string,
  bands: Bands,
): Promise<{ touched: Saved['touched']; told: Told }> {
  const idsIn = async (table: typeof podLots | typeof larderLots | typeof storedStuff) =>
    new Set((await tx.select({ id: table.id }).from(table)).map((r) => r.id));
  // What is archived still has its ledger.
  const there = { pods: await idsIn(podLots), larder: await idsIn(larderLots), stored: await idsIn(storedStuff) };
  const touched: Saved['touched'] = new Set(await settleUse(tx, id, file, (n) => there[n.store].has(n.id)));
  if (await settleShelf(tx, id, file, worked, today, bands)) touched.add('shelf');
  const told = await settleKept(tx, id, file);
  for (const store of ['stored', 'pods'] as const) if (told[store].length > 0) touched.add(store);
  return { touched, told };
}

/** Batches that took kept things of which more is known now, each told of it. */
async function tell(db: Db, told: Told, today: string): Promise<Saved[]> {
  if (told.stored.length + told.pods.length === 0) return [];
  const saved: Saved[] = [];
  for (const { id, revision, file } of await everyBatch(db)) {
    if (!file.stored.some((s) => told.stored.includes(s.id)) && !file.lots.some((l) => told.pods.includes(l.id))) continue;
    try {
      saved.push(await changeBatch(db, id, revision, [], today));
    } catch (error) {
      if (!(error instanceof Unfit || error instanceof Stale)) throw error;
      // Its line does not run with it: its page says so, and its bottles promise nothing.
      await coldOnly(db, id);
    }
  }
  return saved;
}

export async function addBatch(db: Db, value: unknown, today: string, id: string = randomUUID()): Promise<Saved> {
  const file = settled(await fitFile(db, value), null);
  refuseFuture(file, today);
  const worked = await fitLine(file, today);
  const { touched, told } = await db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    await t.insert(batches).values({ id, ...columnsOf(file, worked, today) });
    await writeReadings(t, id, [], file.readings);
    return settle(t, id, file, worked, today, 'always');
  });
  for (const store of newlyWanted(null, file)) touched.add(store);
  const others = await tell(db, told, today);
  return { record: await getBatch(db, id), row: await rowOf(db, id), changes: [], merged: false, more: false, touched, others };
}

/** A file but for what says nothing of its heat. */
const ofHeat = (file: BatchFile) => ({ ...file, name: '', dutiesDone: [], later: [] });

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
      return { record: now, row: await rowOf(db, id), changes: [], merged, more: !same(value, before), touched: new Set(), others: [] };
    const worked = await fitLine(file, today);
    // A name or a tick is nothing to the heat.
    const bands = same(ofHeat(before), ofHeat(file)) ? 'when new' : 'always';
    const outcome = await db.transaction(async (tx) => {
      const t = tx as unknown as Db;
      const done = await t
        .update(batches)
        .set({ ...columnsOf(file, worked, today), revision: sql`${batches.revision} + 1`, updatedAt: sql`now()` })
        .where(and(eq(batches.id, id), eq(batches.revision, now.revision)))
        .returning({ id: batches.id });
      if (done.length === 0) return null;
      await writeReadings(t, id, before.readings, file.readings);
      return settle(t, id, file, worked, today, bands);
    });
    if (!outcome) continue;
    const { touched, told } = outcome;
    for (const store of newlyWanted(before, file)) touched.add(store);
    const others = await tell(db, told, today);
    const [record, row] = [await getBatch(db, id), await rowOf(db, id)];
    return { record, row, changes: made, merged, more: !same(value, file), touched, others };
  }
  throw new Stale(await getBatch(db, id));
}

/** Archives a batch or brings it back; nothing of it is deleted, and what it took stays taken. */
export async function archiveBatch(db: Db, id: string, archived: boolean): Promise<BatchRow> {
  await db.update(batches).set({ archived }).where(eq(batches.id, id));
  return rowOf(db, id);
}

/** Batches that another program worked out. */
async function byOthers(db: Db): Promise<Set<string>> {
  const rows = await db
    .select({ id: batches.id })
    .from(batches)
    .where(sql`${batches.summedBy} is distinct from ${RULES}`);
  return new Set(rows.map((r) => r.id));
}

/**
 * Bottles and summaries are told by the rules of now, never read off an old label: done whenever the kitchen opens, of what
 * another program may have written, or of `all`. With `bands` the heat of bottles is run through all its worlds again too.
 */
export async function refreshAll(db: Db, today: string, { all = false, bands = false } = {}): Promise<void> {
  const old = all ? null : await byOthers(db);
  if (old?.size === 0) return;
  for (const { id, file } of await everyBatch(db)) {
    if (old && !old.has(id)) continue;
    try {
      await db.transaction(async (tx) => {
        const t = tx as unknown as Db;
        const worked = await working.workedOut(file, today);
        await t.update(batches).set(derivedColumns(worked, today)).where(eq(batches.id, id));
        await settleShelf(t, id, file, worked, today, bands ? 'always' : 'when changed');
        await tell(t, await settleKept(t, id, file), today);
      });
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
        or(
          ...[isNull(batches.summedOn), isNull(batches.today)],
          // Bottles of a finished one may still want letting out.
          and(
            sql`((${batches.summary} ->> 'doneOn') is null or json_array_length(${batches.today} -> 'duties') > 0)`,
            ne(batches.summedOn, today),
          ),
        ),
      ),
    );
  const own = await readingsOf(
    db,
    running.map((r) => r.id),
  );
  for (const row of running) {
    const worked = await working.workedOut(fileOf(row, own.get(row.id)!), today);
    await db
      .update(batches)
      .set(derivedColumns(worked, today))
      .where(and(eq(batches.id, row.id), eq(batches.revision, row.revision)));
  }
  return running.length > 0;
}
