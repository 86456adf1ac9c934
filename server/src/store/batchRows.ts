import { asc, and, eq, inArray } from 'drizzle-orm';
import { same, type BatchFile, type Reading } from '@roskel/core';
import type { Db } from '../db/open';
import { batches, readings } from '../db/schema';
import { RULES } from '../rules';
import type { Worked } from '../working';

/** A batch file as rows: one document, and its readings. */

type ReadingRow = typeof readings.$inferSelect;

/** A reading from its row: what is null there was not said. */
const readingOf = ({ batchId: _, ...row }: ReadingRow): Reading =>
  Object.fromEntries(Object.entries(row).filter(([, value]) => value !== null)) as unknown as Reading;
/** The columns of a reading; one that is forgotten here does not compile. */
const readingColumns = (r: Reading) =>
  ({
    stationId: r.stationId,
    at: r.at,
    jar: r.jar ?? null,
    pH: r.pH ?? null,
    tempC: r.tempC ?? null,
    instrument: r.instrument,
    by: r.by ?? null,
    signs: r.signs ?? null,
    bubbles: r.bubbles ?? null,
    coverMm: r.coverMm ?? null,
    photo: r.photo ?? null,
    note: r.note ?? null,
  }) satisfies { [K in Exclude<keyof Reading, 'id'>]-?: unknown };

/** The readings of batches, in the order of their times. */
export async function readingsOf(db: Db, ids: readonly string[]): Promise<Map<string, Reading[]>> {
  const found = new Map<string, Reading[]>(ids.map((id) => [id, []]));
  if (ids.length === 0) return found;
  const rows = await db
    .select()
    .from(readings)
    .where(inArray(readings.batchId, [...ids]))
    .orderBy(asc(readings.at), asc(readings.id));
  for (const r of rows) found.get(r.batchId)!.push(readingOf(r));
  return found;
}

export function fileOf(row: Pick<typeof batches.$inferSelect, 'document'>, own: Reading[]): BatchFile {
  const { dutiesDone, lots, ingredients, ...head } = row.document;
  return { ...head, readings: own, dutiesDone, lots, ingredients };
}

/** The columns of what was worked out as of a day. */
export const derivedColumns = ({ derived }: Worked, today: string) => ({
  ...derived,
  summedOn: today,
  summedBy: RULES,
});

/** The columns of a batch's row, from its file and what was worked out from it. */
export function columnsOf(file: BatchFile, worked: Worked, today: string) {
  const { readings: _, ...rest } = file;
  const document = { ...rest, dutiesDone: [...new Set(rest.dutiesDone)] };
  return { document, name: file.name, startDate: file.startDate, ...derivedColumns(worked, today) };
}

/** Writes the readings that came, changed or went, and tells whether any did. */
export async function writeReadings(tx: Db, batchId: string, before: readonly Reading[], after: readonly Reading[]): Promise<boolean> {
  const had = new Map(before.map((r) => [r.id, r]));
  const stay = new Set(after.map((r) => r.id));
  const gone = before.filter((r) => !stay.has(r.id)).map((r) => r.id);
  if (gone.length > 0) await tx.delete(readings).where(and(eq(readings.batchId, batchId), inArray(readings.id, gone)));
  const fresh = after.filter((r) => !same(had.get(r.id), r));
  for (const r of fresh) {
    const values = readingColumns(r);
    await tx
      .insert(readings)
      .values({ batchId, id: r.id, ...values })
      .onConflictDoUpdate({ target: [readings.batchId, readings.id], set: values });
  }
  return gone.length + fresh.length > 0;
}
