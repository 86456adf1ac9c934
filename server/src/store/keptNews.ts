import { eq, sql } from 'drizzle-orm';
import { LineProblem, verdictOf, withJar, type BatchFile, type JarVerdict, type Leaving } from '@roskel/core';
import type { Db } from '../db/open';
import { podLots, storedStuff } from '../db/schema';

/** How sure the jar was that something came out of, by everything that is read now; `had` is what was known. */
function verdictNow(file: BatchFile, what: Leaving, had: JarVerdict | null): JarVerdict | null {
  try {
    return verdictOf(file, what);
  } catch (error) {
    // Nothing can be told any more: it is as doubtful as anything, unless it was worse.
    if (!(error instanceof LineProblem || error instanceof RangeError)) throw error;
    return had === 'condemned' ? 'condemned' : 'doubtful';
  }
}

/**
 * What a batch now says of the jars its kept things came out of, written where they are kept: a reading that condemns a jar
 * reaches what left it before, among stored things and among pods. Tells which things it concerns.
 */
export async function settleKept(db: Db, batchId: string, file: BatchFile): Promise<{ stored: string[]; pods: string[] }> {
  const told = { stored: [] as string[], pods: [] as string[] };
  for (const { id, stuff, what } of await db.select().from(storedStuff).where(eq(storedStuff.batchId, batchId))) {
    const ferment = verdictNow(file, what, stuff.past.ferment);
    if (ferment === stuff.past.ferment) continue;
    await db
      .update(storedStuff)
      .set({ stuff: { ...stuff, past: { ...stuff.past, ferment } } })
      .where(eq(storedStuff.id, id));
    told.stored.push(id);
  }
  const lots = await db
    .select({ id: podLots.id, lot: podLots.lot, leftBy: podLots.leftBy })
    .from(podLots)
    .where(sql`${podLots.leftBy} ->> 'batchId' = ${batchId}`);
  for (const { id, lot, leftBy } of lots) {
    const had = lot.jar ?? null;
    const jar = verdictNow(file, leftBy!.what, had);
    if (jar === had) continue;
    await db
      .update(podLots)
      .set({ lot: withJar(lot, jar), revision: sql`${podLots.revision} + 1` })
      .where(eq(podLots.id, id));
    told.pods.push(id);
  }
  return told;
}
