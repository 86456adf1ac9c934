import { and, desc, eq, ne, sql } from 'drizzle-orm';
import { addDays, countedIn, reportLine, reportTypical, same, stationKind, type BatchFile, type HeatSchool } from '@roskel/core';
import type { BottlingRecord } from '@roskel/contract';
import type { Db } from '../db/open';
import { bottlings, shelfMoves } from '../db/schema';
import { NotFound, Unfit } from './errors';

/**
 * Keeps the shelf in step with a batch: bottles are there exactly while its last station is done. Without `bands`, a row
 * that says what the rules say keeps its heat. Tells whether the shelf changed.
 */
export async function settleShelf(db: Db, batchId: string, file: BatchFile, today: string, bands = true): Promise<boolean> {
  const end = file.stations.at(-1);
  const [had] = await db.select().from(bottlings).where(eq(bottlings.batchId, batchId));
  const report = end?.log.doneOn !== undefined && stationKind(end.kind).keeping ? reportTypical(file, today) : null;
  // Nothing is bottled, or there is nothing in the bottles.
  if (!end?.log.doneOn || !report?.keeping) {
    if (!had || had.archived) return false;
    await db.update(bottlings).set({ archived: true }).where(eq(bottlings.id, had.id));
    return true;
  }
  const { finished, bottles, keeping } = report;
  const values = {
    name: file.name,
    bottledOn: end.log.doneOn,
    bottles: bottles.filled,
    bottleMl: bottles.bottleMl,
    pH: finished.pH,
    phMeasured: report.stations.at(-1)!.phMeasured,
    hex: finished.hex,
    keeping: keeping.text,
    place: keeping.place,
    useBy: addDays(end.log.doneOn, keeping.days),
    live: report.cautions.some((c) => c.id === 'live-pressure'),
    archived: false,
  };
  if (!bands && had?.heat.fresh && same({ ...had, ...values }, had)) return false;
  const heatIn = (school: HeatSchool) => reportLine(countedIn(file, school), { today, members: 60, forecast: false }).heat;
  const heat = { dry: heatIn('dry'), fresh: heatIn('fresh') };
  await db
    .insert(bottlings)
    .values({ id: batchId, batchId, ...values, heat })
    .onConflictDoUpdate({ target: bottlings.batchId, set: { ...values, heat } });
  return true;
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
