import { and, asc, eq, sql } from 'drizzle-orm';
import { WORTH_BUYING_G, type OpenNeed } from '@roskel/core';
import type { Promised, Short } from '@roskel/contract';
import type { Db } from '../db/open';
import { batches } from '../db/schema';
import { STORES, stockOf, thereOf, type StoreName } from './stock';

/** What is there of an item, and what is promised of it. */
export type Kept = (id: string) => { stockG: number; promised: Promised[] };

interface Wanted extends OpenNeed {
  batchId: string;
  batch: string;
}

/** What the batches on their way are still to take, in the order in which it goes in; on one day the older batch is first. */
async function wanted(db: Db): Promise<Wanted[]> {
  const rows = await db
    .select({ batchId: batches.id, batch: batches.name, needs: batches.needs })
    .from(batches)
    .where(and(eq(batches.archived, false), sql`json_array_length(${batches.needs}) > 0`))
    .orderBy(asc(batches.startDate), asc(batches.createdAt), asc(batches.id));
  const all = rows.flatMap(({ needs, ...of }) => (needs ?? []).map((need) => ({ ...need, ...of })));
  return all.sort((a, b) => a.by.localeCompare(b.by));
}

/** Stock of an item shared out among those who want it: whoever needs it first is served first. */
function sharedOut(stockG: number, wants: readonly Wanted[]): Promised[] {
  let leftG = Math.max(0, stockG);
  const out = new Map<string, Promised>();
  for (const { batchId, batch, by, massG } of wants) {
    const had = out.get(batchId) ?? { batchId, batch, by, g: 0, shortG: 0 };
    const lacks = Math.max(0, massG - leftG);
    leftG = Math.max(0, leftG - massG);
    out.set(batchId, { ...had, g: had.g + massG, shortG: had.shortG + lacks, by: had.shortG === 0 && lacks > 0 ? by : had.by });
  }
  return [...out.values()];
}

/** What is wanted out of a store, by item, each in the order in which it goes in. */
function byItem(wants: readonly Wanted[], store: StoreName): Map<string, Wanted[]> {
  const out = new Map<string, Wanted[]>();
  for (const w of wants) if (w.store === store) out.set(w.id, [...(out.get(w.id) ?? []), w]);
  return out;
}

/** Stock and promises of a store's items. */
export async function keptOf(db: Db, store: StoreName, itemId?: string): Promise<Kept> {
  const stock = await stockOf(db, store, itemId);
  const wants = byItem(await wanted(db), store);
  return (id) => {
    const stockG = stock.get(id) ?? 0;
    return { stockG, promised: sharedOut(stockG, wants.get(id) ?? []) };
  };
}

/** What the batches on their way want and is not there for them, the soonest first. What was put away counts as gone. */
export async function listShort(db: Db): Promise<Short[]> {
  const wants = await wanted(db);
  const found: Short[] = [];
  for (const store of STORES) {
    const of = byItem(wants, store);
    if (of.size === 0) continue;
    const [stock, there] = [await stockOf(db, store), await thereOf(db, store)];
    for (const [id, own] of of) {
      const promised = sharedOut(there.has(id) ? (stock.get(id) ?? 0) : 0, own);
      promised.forEach((p, i) => {
        if (p.shortG < WORTH_BUYING_G) return;
        const before = promised.slice(0, i).flatMap((x) => (x.g - x.shortG >= WORTH_BUYING_G ? [x.batch] : []));
        found.push({ ...p, store, id, name: own[0]!.name, before });
      });
    }
  }
  return found.sort((a, b) => a.by.localeCompare(b.by));
}
