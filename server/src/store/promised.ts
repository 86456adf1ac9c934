import { asc, eq } from 'drizzle-orm';
import type { Promised } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches } from '../db/schema';
import { stockOf, type StoreName } from './stock';

/** What is there of an item, and what is promised of it. */
export type Kept = (id: string) => { stockG: number; promised: Promised[] };

interface Wanted {
  batchId: string;
  batch: string;
  startDate: string;
  byItem: Map<string, number>;
}

/** What the batches on their way are still to take out of a store: their stations that are not done, oldest start first. */
async function wantedOf(db: Db, store: StoreName): Promise<Wanted[]> {
  const rows = await db
    .select({ batchId: batches.id, batch: batches.name, startDate: batches.startDate, needs: batches.needs })
    .from(batches)
    .where(eq(batches.archived, false))
    .orderBy(asc(batches.startDate), asc(batches.createdAt), asc(batches.id));
  const found = new Map<string, Wanted>();
  for (const { needs, ...of } of rows) {
    for (const need of needs ?? []) {
      if (need.store !== store) continue;
      if (!found.has(of.batchId)) found.set(of.batchId, { ...of, byItem: new Map() });
      const { byItem } = found.get(of.batchId)!;
      byItem.set(need.id, (byItem.get(need.id) ?? 0) + need.massG);
    }
  }
  return [...found.values()];
}

/** Stock and promises of a store's items. A batch that starts earlier is served first; what it leaves is for the next. */
export async function keptOf(db: Db, store: StoreName, itemId?: string): Promise<Kept> {
  const stock = await stockOf(db, store, itemId);
  const wanted = await wantedOf(db, store);
  return (id) => {
    const stockG = stock.get(id) ?? 0;
    let leftG = Math.max(0, stockG);
    const promised: Promised[] = [];
    for (const { batchId, batch, startDate, byItem } of wanted) {
      const g = byItem.get(id) ?? 0;
      if (g <= 0) continue;
      promised.push({ batchId, batch, startDate, g, shortG: Math.max(0, g - leftG) });
      leftG = Math.max(0, leftG - g);
    }
    return { stockG, promised };
  };
}
