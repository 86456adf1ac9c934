import { and, asc, eq } from 'drizzle-orm';
import type { LearntFile } from '@roskel/core';
import type { Learnt } from '@roskel/contract';
import type { Db } from '../db/open';
import { ownRows } from '../db/schema';

/** The files of other kitchens that were read in and count, in the order in which they were read. */
export async function learntFiles(db: Db): Promise<LearntFile[]> {
  const rows = await db
    .select({ value: ownRows.value })
    .from(ownRows)
    .where(and(eq(ownRows.kind, 'learnt'), eq(ownRows.archived, false)))
    .orderBy(asc(ownRows.createdAt), asc(ownRows.id));
  return rows.map((r) => (r.value as Learnt).file);
}
