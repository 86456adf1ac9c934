import { asc, eq } from 'drizzle-orm';
import { INGREDIENTS } from '@roskel/core';
import type { LarderRecord, Move } from '@roskel/contract';
import type { Db } from '../db/open';
import { larderLots } from '../db/schema';
import { NotFound, Unfit } from './errors';
import { addMove, stockOf } from './stock';

export async function listLarder(db: Db): Promise<LarderRecord[]> {
  const rows = await db
    .select()
    .from(larderLots)
    .where(eq(larderLots.archived, false))
    .orderBy(asc(larderLots.createdAt), asc(larderLots.id));
  const stock = await stockOf(db, 'larder');
  return rows.map(({ id, ingredientKey, note, revision }) => ({ id, ingredientKey, note, revision, stockG: stock.get(id) ?? 0 }));
}

async function getLarder(db: Db, id: string): Promise<LarderRecord> {
  const [row] = await db.select().from(larderLots).where(eq(larderLots.id, id));
  if (!row) throw new NotFound('This is not in the larder any more.');
  const stock = await stockOf(db, 'larder');
  return { id, ingredientKey: row.ingredientKey, note: row.note, revision: row.revision, stockG: stock.get(id) ?? 0 };
}

/** Puts an ingredient of the table into the larder (or back into it) with some stock. */
export async function addLarder(db: Db, key: string, stockG: number, note: string, words: string): Promise<LarderRecord> {
  if (!INGREDIENTS.some((i) => i.key === key)) {
    throw new Unfit('There is no such ingredient.', [{ path: 'ingredientKey', message: 'Choose an ingredient from the list.' }]);
  }
  await db
    .insert(larderLots)
    .values({ id: key, ingredientKey: key, note })
    .onConflictDoUpdate({ target: larderLots.id, set: { archived: false, note } });
  if (stockG > 0) await addMove(db, { store: 'larder', itemId: key, deltaG: stockG, reason: 'in', words });
  return getLarder(db, key);
}

export async function archiveLarder(db: Db, id: string, archived: boolean): Promise<LarderRecord> {
  await getLarder(db, id);
  await db.update(larderLots).set({ archived }).where(eq(larderLots.id, id));
  return getLarder(db, id);
}

export async function moveLarder(db: Db, id: string, move: Move): Promise<LarderRecord> {
  await getLarder(db, id);
  await addMove(db, { store: 'larder', itemId: id, ...move });
  return getLarder(db, id);
}
