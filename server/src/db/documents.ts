import { eq, sql } from 'drizzle-orm';
import { BATCH_VERSION, upgradeBatch, type BatchFile1 } from '@roskel/core';
import type { Db } from './open';
import { batches } from './schema';

/**
 * Batches that an older program stored, as documents of today: what is in them and what it comes to stay the same. Done
 * whenever a kitchen is opened; once upgraded, nothing is left to do.
 */
export async function upgradeDocuments(db: Db): Promise<void> {
  const rows = await db
    .select({ id: batches.id, document: batches.document })
    .from(batches)
    .where(sql`(${batches.document} ->> 'version')::int < ${BATCH_VERSION}`);
  for (const { id, document } of rows) {
    const { readings: _, ...upgraded } = upgradeBatch({ ...(document as unknown as BatchFile1), readings: [] });
    await db.update(batches).set({ document: upgraded }).where(eq(batches.id, id));
  }
}
