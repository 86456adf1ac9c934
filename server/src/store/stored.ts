import { randomUUID } from 'node:crypto';
import { and, asc, eq } from 'drizzle-orm';
import { bottledStuff, isThere, keptStuff, LineProblem, same, type Leaving, type StoredStuff } from '@roskel/core';
import type { KeepInput, LedgerLine, Move, StoredRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { bottlings, stockMoves, storedStuff } from '../db/schema';
import { getBatch } from './batchReads';
import { NotFound, Unfit } from './errors';
import { keptOf, type Kept } from './promised';
import { moveShelf } from './shelf';
import { addMove, ledgerOf } from './stock';

type Row = typeof storedStuff.$inferSelect;
const record = ({ id, stuff, what, batchId }: Row, kept: Kept): StoredRecord => ({ id, stuff, what, batchId, ...kept(id) });

async function listed(db: Db, archived: boolean): Promise<StoredRecord[]> {
  const rows = await db
    .select()
    .from(storedStuff)
    .where(eq(storedStuff.archived, archived))
    .orderBy(asc(storedStuff.createdAt), asc(storedStuff.id));
  const kept = await keptOf(db, 'stored');
  return rows.map((r) => record(r, kept));
}
/** What batches left and was kept, with its stock. */
export const listStored = (db: Db): Promise<StoredRecord[]> => listed(db, false);
export const archivedStored = (db: Db): Promise<StoredRecord[]> => listed(db, true);

async function getStored(db: Db, id: string): Promise<StoredRecord> {
  const [row] = await db.select().from(storedStuff).where(eq(storedStuff.id, id));
  if (!row) throw new NotFound('This is not kept any more.');
  return record(row, await keptOf(db, 'stored', id));
}

async function put(db: Db, stuff: StoredStuff, what: Leaving, batchId: string, massG: number, words: string): Promise<StoredRecord> {
  await db.insert(storedStuff).values({ id: stuff.id, stuff, what, batchId });
  await addMove(db, { store: 'stored', itemId: stuff.id, deltaG: massG, reason: 'in', words });
  return getStored(db, stuff.id);
}

/** A sentence of the line as one of the request. */
function refused(error: unknown): never {
  if (!(error instanceof LineProblem || error instanceof RangeError)) throw error;
  throw new Unfit(error.message, [{ path: 'what', message: error.message }]);
}

/** So many times what the line works out may have been there after all: a scale knows better, a slip of the finger does not. */
const MORE = 1.3;

/** g of it that were kept before and stand in the larder still. */
async function keptBefore(db: Db, batchId: string, what: Leaving): Promise<number> {
  const rows = await db
    .select({ what: storedStuff.what, deltaG: stockMoves.deltaG })
    .from(storedStuff)
    .innerJoin(stockMoves, and(eq(stockMoves.store, 'stored'), eq(stockMoves.itemId, storedStuff.id)))
    .where(and(eq(storedStuff.batchId, batchId), eq(storedStuff.archived, false), eq(stockMoves.reason, 'in')));
  return rows.filter((r) => same(r.what, what)).reduce((s, r) => s + r.deltaG, 0);
}

/** Keeps what a batch leaves, as it is worked out from everything measured so far. Throws Unfit when there is nothing. */
async function keepLeft(db: Db, batchId: string, what: Leaving, input: KeepInput, today: string): Promise<StoredRecord> {
  const unfit = (path: string, message: string) => new Unfit(message, [{ path, message }]);
  return db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const { file } = await getBatch(t, batchId);
    let kept: ReturnType<typeof keptStuff>;
    try {
      if (!isThere(file, what)) throw unfit('what', 'It is not there yet. Mark its station as done first.');
      kept = keptStuff(file, what, { id: randomUUID(), name: input.name, keptOn: today });
    } catch (error) {
      return refused(error);
    }
    const leftG = (kept?.massG ?? 0) - (await keptBefore(t, batchId, what));
    if (!kept || leftG < 0.5) throw unfit('what', 'Nothing of it is left to keep.');
    if ((input.massG ?? 0) > MORE * leftG)
      throw unfit('massG', `Only about ${Math.round(leftG)} g of it are left. Weigh without the jar, or check what was taken.`);
    return put(t, kept.stuff, what, batchId, input.massG ?? leftG, input.words);
  });
}

/** Opens bottles of the shelf for another sauce: out of the shelf, and kept as what they hold. */
async function keepBottled(db: Db, bottlingId: string, bottles: number, input: KeepInput, today: string): Promise<StoredRecord> {
  return db.transaction(async (tx) => {
    const t = tx as unknown as Db;
    const [row] = await t.select().from(bottlings).where(eq(bottlings.id, bottlingId));
    if (!row || row.archived) throw new NotFound('These bottles are not on the shelf.');
    const { file } = await getBatch(t, row.batchId);
    let stuff: StoredStuff;
    try {
      stuff = bottledStuff(file, row.strandId, { id: randomUUID(), name: input.name, keptOn: today });
    } catch (error) {
      return refused(error);
    }
    await moveShelf(t, bottlingId, -bottles, 'opened');
    const massG = input.massG ?? Math.round(bottles * row.bottleMl * 1.03);
    return put(t, stuff, { strandId: row.strandId }, row.batchId, massG, input.words);
  });
}

export async function keepStuff(db: Db, input: KeepInput, today: string): Promise<StoredRecord> {
  const { what } = input;
  if ('bottlingId' in what) return keepBottled(db, what.bottlingId, what.bottles, input, today);
  const { batchId, ...left } = what;
  return keepLeft(db, batchId, left, input, today);
}

export async function moveStored(db: Db, id: string, move: Move): Promise<StoredRecord> {
  await getStored(db, id);
  await addMove(db, { store: 'stored', itemId: id, ...move });
  return getStored(db, id);
}

export async function archiveStored(db: Db, id: string, archived: boolean): Promise<StoredRecord> {
  await getStored(db, id);
  await db.update(storedStuff).set({ archived }).where(eq(storedStuff.id, id));
  return getStored(db, id);
}

export async function storedLedger(db: Db, id: string): Promise<LedgerLine[]> {
  await getStored(db, id);
  return ledgerOf(db, 'stored', id);
}
