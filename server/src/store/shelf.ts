import { and, asc, desc, eq, ne, sql } from 'drizzle-orm';
import { LineProblem, MAIN_STRAND, same } from '@roskel/core';
import type { BottlingRecord, ShelfMoveLine } from '@roskel/contract';
import { asked } from '../db/asked';
import type { Db } from '../db/open';
import { bottlings, shelfMoves } from '../db/schema';
import { NotFound, Unfit } from './errors';
import { madeBy, makerName, makers } from './log';
import type { Foreseen } from './foreseen';

/** The id of the bottles that a strand ends in: the batch's own where there is one end, as it always was. */
const bottlingId = (batchId: string, strandId: string) => (strandId === MAIN_STRAND ? batchId : `${batchId}.${strandId}`);

/** When the heat of bottles is run through its worlds: always, or where it or anything else that is said of them is another. */
export type Bands = 'always' | 'when changed' | 'when new';
/**
 * Keeps the shelf in step with a batch: the bottles of each end are there exactly while its last station is done. Tells
 * whether the shelf changed. Throws LineProblem where the line has trouble.
 */
export async function settleShelf(db: Db, batchId: string, { worked, heats }: Foreseen, bands: Bands): Promise<boolean> {
  if (worked.trouble) throw new LineProblem(worked.trouble.stationId, worked.trouble.field, worked.trouble.message);
  const rows = await db.select().from(bottlings).where(eq(bottlings.batchId, batchId));
  let changed = false;
  const there = new Set<string>();
  for (const { strandId, values } of worked.bottles!) {
    there.add(strandId);
    const had = rows.find((r) => r.strandId === strandId);
    const as = had?.heat.fresh && same({ ...had, ...values }, had);
    if (bands !== 'always' && as) continue;
    const anew = bands !== 'when new' || !had?.heat.fresh;
    const heat = anew ? (await heats())[strandId]! : had.heat;
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

/** Bottlings, and how many bottles each lost and got back. */
function counted(db: Db) {
  const moved = db
    .select({ id: shelfMoves.bottlingId, sum: sql<number>`sum(${shelfMoves.delta})`.mapWith(Number).as('sum') })
    .from(shelfMoves)
    .groupBy(shelfMoves.bottlingId)
    .as('moved');
  return db.select({ row: bottlings, moved: moved.sum }).from(bottlings).leftJoin(moved, eq(moved.id, bottlings.id));
}
const recordOf = ({ archived: _, ...row }: typeof bottlings.$inferSelect, moved: number | null): BottlingRecord => ({
  ...row,
  left: Math.max(0, row.bottles + (moved ?? 0)),
});
const shelf = asked('shelf', (db) =>
  counted(db).where(eq(bottlings.archived, false)).orderBy(desc(bottlings.bottledOn), asc(bottlings.id)),
);

export async function listShelf(db: Db): Promise<BottlingRecord[]> {
  return (await shelf(db)).map(({ row, moved }) => recordOf(row, moved));
}

/** Takes bottles from the shelf or puts them back. Throws NotFound, and Unfit where it cannot hold that. */
export async function moveShelf(db: Db, id: string, delta: number, reason: string, who = ''): Promise<BottlingRecord> {
  const [row] = await db
    .select()
    .from(bottlings)
    .where(and(eq(bottlings.id, id), eq(bottlings.archived, false)));
  if (!row) throw new NotFound('These bottles are not on the shelf.');
  const [moves] = await db
    .select({ sum: sql<number>`coalesce(sum(${shelfMoves.delta}), 0)`.mapWith(Number) })
    .from(shelfMoves)
    .where(eq(shelfMoves.bottlingId, id));
  const { left } = recordOf(row, moves!.sum);
  if (left + delta < 0 || left + delta > row.bottles) {
    throw new Unfit('The shelf cannot hold that.', [{ path: 'delta', message: `There are ${left} of ${row.bottles} bottles.` }]);
  }
  await db.insert(shelfMoves).values({ bottlingId: id, delta, reason, who });
  return recordOf(row, moves!.sum + delta);
}

/** What became of the bottles of one bottling, newest first. Throws NotFound. */
export async function shelfMovesOf(db: Db, id: string): Promise<ShelfMoveLine[]> {
  const [there] = await db.select({ id: bottlings.id }).from(bottlings).where(eq(bottlings.id, id));
  if (!there) throw new NotFound('These bottles are not on the shelf.');
  const rows = await db
    .select({ at: shelfMoves.at, delta: shelfMoves.delta, reason: shelfMoves.reason, who: shelfMoves.who, maker: makerName })
    .from(shelfMoves)
    .leftJoin(makers, madeBy(shelfMoves.maker))
    .where(eq(shelfMoves.bottlingId, id))
    .orderBy(desc(shelfMoves.id));
  return rows.map((r) => ({ ...r, at: new Date(r.at).toISOString() }));
}
