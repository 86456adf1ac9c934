import { eq } from 'drizzle-orm';
import { LineProblem, verdictOf, type BatchFile, type JarVerdict } from '@roskel/core';
import type { Db } from '../db/open';
import { storedStuff } from '../db/schema';

/**
 * What a batch now says of the jars its kept things came out of, written where they are kept: a reading that condemns a jar
 * reaches what left it before. Tells which things it concerns.
 */
export async function settleKept(db: Db, batchId: string, file: BatchFile): Promise<string[]> {
  const told: string[] = [];
  for (const { id, stuff, what } of await db.select().from(storedStuff).where(eq(storedStuff.batchId, batchId))) {
    let ferment: JarVerdict | null;
    try {
      ferment = verdictOf(file, what);
    } catch (error) {
      // Nothing can be told any more: it is as doubtful as anything, unless it was worse.
      if (!(error instanceof LineProblem || error instanceof RangeError)) throw error;
      ferment = stuff.past.ferment === 'condemned' ? 'condemned' : 'doubtful';
    }
    if (ferment === stuff.past.ferment) continue;
    await db
      .update(storedStuff)
      .set({ stuff: { ...stuff, past: { ...stuff.past, ferment } } })
      .where(eq(storedStuff.id, id));
    told.push(id);
  }
  return told;
}
