import { asc, eq } from 'drizzle-orm';
import type { OpenNeed } from '@roskel/core';
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
    .where(eq(batches.archived, false))
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

/** Stock and promises of a store's items. */
export async function keptOf(db: Db, store: StoreName, itemId?: string): Promise<Kept> {
  const [stock, wants] = [await stockOf(db, store, itemId), await wanted(db)];
  return (id) => {
    const stockG = stock.get(id) ?? 0;
    return {
      stockG,
      promised: sharedOut(
        stockG,
        wants.filter((w) => w.store === store && w.id === id),
      ),
    };
  };
}

/** Less than this is nothing that anybody buys, g. */
const A_PINCH = 0.5;

/** What the batches on their way want and is not there for them, the soonest first. What was put away counts as gone. */
export async function listShort(db: Db): Promise<Short[]> {
  const wants = await wanted(db);
  const found: Short[] = [];
  for (const store of STORES) {
    const of = wants.filter((w) => w.store === store);
    if (of.length === 0) continue;
    const [stock, there] = [await stockOf(db, store), await thereOf(db, store)];
    for (const id of new Set(of.map((w) => w.id))) {
      const own = of.filter((w) => w.id === id);
      const promised = sharedOut(there.has(id) ? (stock.get(id) ?? 0) : 0, own);
      promised.forEach((p, i) => {
        if (p.shortG < A_PINCH) return;
        const before = promised.slice(0, i).flatMap((x) => (x.g - x.shortG >= A_PINCH ? [x.batch] : []));
        found.push({ ...p, store, id, name: own[0]!.name, before });
      });
    }
  }
  return found.sort((a, b) => a.by.localeCompare(b.by));
}
