import { randomUUID } from 'node:crypto';
import { and, eq, isNull, ne, or, sql } from 'drizzle-orm';
import { LineProblem, same, type BatchFile, type Change, type Need, type Reading } from '@roskel/core';
import type { BatchRecord, BatchRow } from '@roskel/contract';
import type { Db, Store } from '../db/store';
import { batches } from '../db/schema';
import { RULES } from '../rules';
import { working } from '../working';
import { everyBatch, getBatch, listedOf, recordOf, rowOf, type Row } from './batchReads';
import { columnsOf, derivedColumns, fileOf, readingsOf, writeReadings } from './batchRows';
import { Stale, Unfit } from './errors';
import { foreseeBatch, foreseeEdit, foreseen, still, type Edit, type Foreseen, type NewBatch } from './foreseen';
import { settleKept } from './keptNews';
import { keepPredictions, settlePredictions } from './scores';
import { coldOnly, listShelf, settleShelf, type Bands } from './shelf';
import { settleUse, STORES, type StoreName } from './stock';

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
function newlyWanted(before: readonly Need[], after: readonly Need[]): StoreName[] {
  const wanted = (needs: readonly Need[], store: StoreName) => needs.filter((n) => n.store === store);
  return STORES.filter((store) => !same(wanted(before, store), wanted(after, store)));
}

type Told = Awaited<ReturnType<typeof settleKept>>;

async function settle(tx: Db, id: string, file: BatchFile, of: Foreseen, bands: Bands): Promise<{ touched: Saved['touched']; told: Told }> {
  const touched: Saved['touched'] = new Set(await settleUse(tx, id, of.worked.uses));
  if (await settleShelf(tx, id, of, bands)) touched.add('shelf');
  const told = await settleKept(tx, id, file);
  for (const store of ['stored', 'pods'] as const) if (told[store].length > 0) touched.add(store);
  return { touched, told };
}

/** What is stored now, from the row that was just written; what told others may have been told itself. */
async function stored(db: Db, row: Row, others: Saved[], readings?: Reading[]): Promise<Pick<Saved, 'record' | 'row'>> {
  const { id } = row;
  if (others.length > 0) return { record: await getBatch(db, id), row: await rowOf(db, id) };
  const own = readings ?? (await readingsOf(db, [id])).get(id)!;
  return { record: recordOf(row, fileOf(row, own)), row: listedOf(row) };
}

/** Batches that took kept things of which more is known now, each told of it. */
async function tell(db: Db, told: Told, today: string): Promise<Saved[]> {
  if (told.stored.length + told.pods.length === 0) return [];
  const saved: Saved[] = [];
  for (const { id, revision, file } of await everyBatch(db)) {
    if (!file.stored.some((s) => told.stored.includes(s.id)) && !file.lots.some((l) => told.pods.includes(l.id))) continue;
    try {
      saved.push(await db.transaction((tx) => changeBatch(tx as unknown as Db, id, revision, [], today)));
    } catch (error) {
      if (!(error instanceof Unfit || error instanceof Stale)) throw error;
      // Its line does not run with it: its page says so, and its bottles promise nothing.
      await coldOnly(db, id);
    }
  }
  return saved;
}

/** Adds a batch, `ready` or from a batch file. Throws Unfit. */
export async function addBatch(db: Db, value: unknown, today: string, id: string = randomUUID(), ready?: NewBatch): Promise<Saved> {
  const { file, of, predicted } = (await still(db, ready, today)) ?? (await foreseeBatch(db, value, today));
  const [row] = await db
    .insert(batches)
    .values({ id, ...columnsOf(file, of.worked, today) })
    .returning();
  await writeReadings(db, id, [], file.readings);
  await keepPredictions(db, id, predicted);
  const { touched, told } = await settle(db, id, file, of, 'always');
  for (const store of newlyWanted([], of.worked.derived.needs)) touched.add(store);
  const others = await tell(db, told, today);
  return { ...(await stored(db, row!, others)), changes: [], merged: false, more: false, touched, others };
}

/**
 * Makes changes in a batch, on top of whatever else was changed since `revision`; `ready` is what was worked out of them
 * before. Throws NotFound, Unfit, and Stale, with what is there now, when the same fields were changed otherwise meanwhile;
 * then nothing is stored.
 */
export async function changeBatch(
  db: Db,
  id: string,
  revision: number,
  changes: readonly Change[],
  today: string,
  ready?: Edit,
): Promise<Saved> {
  const { now, file, made, more, heat, of, predicted } = (await still(db, ready, today)) ?? (await foreseeEdit(db, id, changes, today));
  const merged = now.revision !== revision;
  // Said twice, after an answer that was lost: it is there already.
  if (!of) return { record: now, row: await rowOf(db, id), changes: [], merged, more, touched: new Set(), others: [] };
  const [had] = await db.select({ needs: batches.needs }).from(batches).where(eq(batches.id, id));
  const [row] = await db
    .update(batches)
    .set({ ...columnsOf(file, of.worked, today), revision: sql`${batches.revision} + 1`, updatedAt: sql`now()` })
    .where(eq(batches.id, id))
    .returning();
  const read = await writeReadings(db, id, now.file.readings, file.readings);
  await settlePredictions(db, id, now.file, file, predicted);
  const { touched, told } = await settle(db, id, file, of, heat ? 'always' : 'when new');
  for (const store of newlyWanted(had!.needs ?? [], of.worked.derived.needs)) touched.add(store);
  const others = await tell(db, told, today);
  const as = await stored(db, row!, others, read ? undefined : now.file.readings);
  return { ...as, changes: made, merged, more, touched, others };
}

/** Archives a batch or brings it back; nothing of it is deleted, and what it took stays taken. */
export async function archiveBatch(db: Db, id: string, archived: boolean): Promise<BatchRow> {
  await db.update(batches).set({ archived }).where(eq(batches.id, id));
  return rowOf(db, id);
}

/** Bottles and summaries of every batch by the rules of now; the heat of bottles is run through all its worlds again too. */
export async function refreshAll(db: Db, today: string): Promise<void> {
  for (const { id, file } of await everyBatch(db)) await refreshOne(db, id, file, today, true);
}

/**
 * Bottles and summaries are told by the rules of now, never read off an old label: done when the kitchen opens, of what
 * another program worked out. Each batch is a change of its own, so that a kitchen of ten years answers meanwhile. Gives
 * how many there were.
 */
export async function refreshOld({ db, write }: Pick<Store, 'db' | 'write'>, today: string): Promise<number> {
  const old = await db
    .select({ id: batches.id })
    .from(batches)
    .where(sql`${batches.summedBy} is distinct from ${RULES}`);
  // Bottles that still stand say the heat that the page of their batch says: worked out before it is the change's turn.
  const standing = new Set((await listShelf(db)).flatMap((b) => (b.left > 0 ? [b.batchId] : [])));
  for (const { id } of old) {
    const { file, revision } = await getBatch(db, id);
    const ready = await readyAgain(file, today, standing.has(id));
    await write(async (t) => {
      const now = await getBatch(t, id);
      await refreshOne(t, id, now.file, today, standing.has(id), now.revision === revision ? ready : null);
    });
  }
  return old.length;
}

/** What is worked out from a file before its turn; null where its line cannot run, which its turn tells. */
async function readyAgain(file: BatchFile, today: string, heat: boolean): Promise<Foreseen | null> {
  try {
    const of = foreseen(file, await working.workedOut(file, today), today);
    if (heat && of.worked.bottles && of.worked.bottles.length > 0) await of.heats();
    return of;
  } catch {
    return null;
  }
}

async function refreshOne(
  db: Db,
  id: string,
  file: BatchFile,
  today: string,
  bands: boolean,
  ready: Foreseen | null = null,
): Promise<void> {
  try {
    await db.transaction(async (tx) => {
      const t = tx as unknown as Db;
      const of = ready ?? foreseen(file, await working.workedOut(file, today), today);
      await t.update(batches).set(derivedColumns(of.worked, today)).where(eq(batches.id, id));
      await settleShelf(t, id, of, bands ? 'always' : 'when changed');
      await tell(t, await settleKept(t, id, file), today);
    });
  } catch (error) {
    // A line that cannot run any more says so on its page; what came of it promises nothing. One batch, whatever is
    // wrong with it, keeps nobody out of the kitchen.
    if (!(error instanceof LineProblem)) console.error(`The batch ${id} cannot be worked out:`, error);
    await coldOnly(db, id);
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
