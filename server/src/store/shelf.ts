import { and, desc, eq, ne, sql } from 'drizzle-orm';
import { LineProblem, MAIN_STRAND, same, type BatchFile } from '@roskel/core';
import type { BottlingRecord, ShelfMoveLine } from '@roskel/contract';
import type { Db } from '../db/open';
import { bottlings, shelfMoves } from '../db/schema';
import { NotFound, Unfit } from './errors';
import { madeBy, makerName, makers } from './log';
import { working, type BottleHeat, type Worked } from '../working';

/** The id of the bottles that a strand ends in: the batch's own where there is one end, as it always was. */
const bottlingId = (batchId: string, strandId: string) => (strandId === MAIN_STRAND ? batchId : `${batchId}.${strandId}`);

/** When the heat of bottles is run through its worlds: always, or where it or anything else that is said of them is another. */
export type Bands = 'always' | 'when changed' | 'when new';
/**
 * Keeps the shelf in step with a batch: the bottles of each end are there exactly while its last station is done. Tells
 * whether the shelf changed. Throws LineProblem where the line has trouble.
 */
export async function settleShelf(db: Db, batchId: string, file: BatchFile, worked: Worked, today: string, bands: Bands): Promise<boolean> {
  if (worked.trouble) throw new LineProblem(worked.trouble.stationId, worked.trouble.field, worked.trouble.message);
  const rows = await db.select().from(bottlings).where(eq(bottlings.batchId, batchId));
  let changed = false;
  const there = new Set<string>();
  let heats: Record<string, BottleHeat> | null = null;
  for (const { strandId, values } of worked.bottles!) {
    there.add(strandId);
    const had = rows.find((r) => r.strandId === strandId);
    const as = had?.heat.fresh && same({ ...had, ...values }, had);
    if (bands !== 'always' && as) continue;
    const anew = bands !== 'when new' || !had?.heat.fresh;
    const heat = anew ? (heats ??= await working.heatsOf(file, today))[strandId]! : had.heat;
    await db
      .insert(bottlings)
      .values({ id: bottlingId(batchId, strandId), batchId, strandId, ...values, heat })
      .onConflictDoUpdate({ target: [bottlings.batchId, bottlings.strandId], set: { ...values, heat } });
    changed = true;
  }
  for (const row of rows) {
    if (there.has(row.strandId) || row.archived) continue;
    await db.update(bottlings).set({ archived: true }).where(eq(bottlings.id, row.id));
    changed = true;
  }
  return changed;
}

/** Bottles of a batch of which nothing can be worked out any more: cold, out of date, and what was to be thrown away stays so. */
export async function coldOnly(db: Db, batchId: string): Promise<void> {
  const keeping =
    'How it keeps cannot be worked out any more: see what stops the line on its page. Until then keep it cold and do not eat it.';
  await db
    .update(bottlings)
    .set({ keeping, place: 'fridge', useBy: bottlings.bottledOn, phMeasured: false })
    .where(and(eq(bottlings.batchId, batchId), ne(bottlings.place, 'bin')));
}

export async function listShelf(db: Db): Promise<BottlingRecord[]> {
  const rows = await db.select().from(bottlings).where(eq(bottlings.archived, false)).orderBy(desc(bottlings.bottledOn));
  const moved = await db
    .select({ id: shelfMoves.bottlingId, sum: sql<number>`sum(${shelfMoves.delta})`.mapWith(Number) })
    .from(shelfMoves)
    .groupBy(shelfMoves.bottlingId);
  const sums = new Map(moved.map((m) => [m.id, m.sum]));
  return rows.map(({ archived: _, ...row }) => ({ ...row, left: Math.max(0, row.bottles + (sums.get(row.id) ?? 0)) }));
}

export async function moveShelf(db: Db, id: string, delta: number, reason: string): Promise<BottlingRecord> {
  const there = (await listShelf(db)).find((b) => b.id === id);
  if (!there) throw new NotFound('These bottles are not on the shelf.');
  if (there.left + delta < 0 || there.left + delta > there.bottles) {
    throw new Unfit('The shelf cannot hold that.', [{ path: 'delta', message: `There are ${there.left} of ${there.bottles} bottles.` }]);
  }
  await db.insert(shelfMoves).values({ bottlingId: id, delta, reason });
  return (await listShelf(db)).find((b) => b.id === id)!;
}

/** What became of the bottles of one bottling, newest first. Throws NotFound. */
export async function shelfMovesOf(db: Db, id: string): Promise<ShelfMoveLine[]> {
  const [there] = await db.select({ id: bottlings.id }).from(bottlings).where(eq(bottlings.id, id));
  if (!there) throw new NotFound('These bottles are not on the shelf.');
  const rows = await db
    .select({ at: shelfMoves.at, delta: shelfMoves.delta, reason: shelfMoves.reason, maker: makerName })
    .from(shelfMoves)
    .leftJoin(makers, madeBy(shelfMoves.maker))
    .where(eq(shelfMoves.bottlingId, id))
    .orderBy(desc(shelfMoves.id));
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
}
