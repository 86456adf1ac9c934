import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import type { Need, StationNeed } from '@roskel/core';
import type { LedgerLine } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches, larderLots, podLots, stockMoves, storedStuff } from '../db/schema';
import { madeBy, makerName, makers } from './log';

export const STORES = ['pods', 'larder', 'stored'] as const satisfies readonly Need['store'][];
export type StoreName = Need['store'];
const TABLES = { pods: podLots, larder: larderLots, stored: storedStuff } as const;

/** Grams in stock by item, or of one item: the sum of the ledger. */
export async function stockOf(db: Db, store: StoreName, itemId?: string): Promise<Map<string, number>> {
  const rows = await db
    .select({ id: stockMoves.itemId, sum: sql<number>`sum(${stockMoves.deltaG})`.mapWith(Number) })
    .from(stockMoves)
    .where(and(eq(stockMoves.store, store), itemId === undefined ? undefined : eq(stockMoves.itemId, itemId)))
    .groupBy(stockMoves.itemId);
  return new Map(rows.map((r) => [r.id, Math.round(r.sum * 1000) / 1000]));
}

export interface StockMove {
  store: StoreName;
  itemId: string;
  deltaG: number;
  reason: string;
  words?: string;
  batchId?: string;
  stationId?: string;
}

export async function addMove(db: Db, move: StockMove): Promise<void> {
  await db.insert(stockMoves).values(move);
}

/** The ledger of one item, newest first, with what was left after each move. */
export async function ledgerOf(db: Db, store: StoreName, itemId: string): Promise<LedgerLine[]> {
  const rows = await db
    .select({
      at: stockMoves.at,
      deltaG: stockMoves.deltaG,
      reason: stockMoves.reason,
      words: stockMoves.words,
      batch: batches.name,
      maker: makerName,
    })
    .from(stockMoves)
    .leftJoin(batches, eq(stockMoves.batchId, batches.id))
    .leftJoin(makers, madeBy(stockMoves.maker))
    .where(and(eq(stockMoves.store, store), eq(stockMoves.itemId, itemId)))
    .orderBy(asc(stockMoves.id));
  let leftG = 0;
  return rows.map((r) => ({ ...r, leftG: (leftG += r.deltaG) })).reverse();
}

/** Items of a store that are not put away. */
export async function thereOf(db: Db, store: StoreName): Promise<Set<string>> {
  const table = TABLES[store];
  return new Set((await db.select({ id: table.id }).from(table).where(eq(table.archived, false))).map((r) => r.id));
}

/** What is needed that the stores know of, as "store|id"; what is archived still has its ledger. */
async function kept(db: Db, needs: readonly Need[]): Promise<Set<string>> {
  const found = new Set<string>();
  for (const store of STORES) {
    const ids = [...new Set(needs.filter((n) => n.store === store).map((n) => n.id))];
    if (ids.length === 0) continue;
    const table = TABLES[store];
    for (const { id } of await db.select({ id: table.id }).from(table).where(inArray(table.id, ids))) found.add(`${store}|${id}`);
  }
  return found;
}

/**
 * Makes the ledger say what a batch has used: `uses`, what its finished stations took, no more and no less. Ticking a
 * station off takes stock, un-ticking it gives it back, each as a move of its own.
 */
export async function settleUse(db: Db, batchId: string, uses: readonly StationNeed[]): Promise<Set<StoreName>> {
  const there = await kept(db, uses);
  const wanted = new Map<string, { need: Need; stationId: string }>();
  for (const { stationId, ...need } of uses) {
    if (!there.has(`${need.store}|${need.id}`)) continue;
    const key = `${need.store}|${need.id}|${stationId}`;
    // The same thing at once and late is taken twice.
    const massG = need.massG + (wanted.get(key)?.need.massG ?? 0);
    wanted.set(key, { need: { ...need, massG }, stationId });
  }
  const rows = await db
    .select({
      store: stockMoves.store,
      id: stockMoves.itemId,
      stationId: stockMoves.stationId,
      sum: sql<number>`sum(${stockMoves.deltaG})`.mapWith(Number),
    })
    .from(stockMoves)
    .where(and(eq(stockMoves.batchId, batchId)))
    .groupBy(stockMoves.store, stockMoves.itemId, stockMoves.stationId);
  const used = new Map(rows.map((r) => [`${r.store}|${r.id}|${r.stationId}`, { ...r, used: -r.sum }]));
  const touched = new Set<StoreName>();
  for (const key of new Set([...wanted.keys(), ...used.keys()])) {
    const want = wanted.get(key);
    const had = used.get(key);
    const more = (want?.need.massG ?? 0) - (had?.used ?? 0);
    if (Math.abs(more) < 0.005) continue;
    const store = (want?.need.store ?? had!.store) as StoreName;
    await addMove(db, {
      store,
      itemId: want?.need.id ?? had!.id,
      deltaG: -more,
      reason: more > 0 ? 'batch' : 'returned',
      batchId,
      stationId: want?.stationId ?? had!.stationId ?? '',
    });
    touched.add(store);
  }
  return touched;
}
