import { inArray, isNotNull, sql } from 'drizzle-orm';
import { INGREDIENTS, traced, traceKey, type TraceEdge, type TraceGraph, type TraceKind, type TraceNode } from '@roskel/core';
import type { TraceRecord, WentTo } from '@roskel/contract';
import { batches, bottlings, larderLots, podLots, shelfMoves, stockMoves, storedStuff } from '../db/schema';
import type { Db } from '../db/store';
import { NotFound } from './errors';
import { listOwn } from './own';

/** What everything that is or was in the kitchen is called, archived or not. */
async function nodesOf(db: Db): Promise<TraceNode[]> {
  const own = await listOwn(db, 'ingredients');
  const nameOf = new Map([...INGREDIENTS, ...own.map((o) => o.value as { key: string; name: string })].map((i) => [i.key, i.name]));
  const node = (kind: TraceKind, id: string, name: string, on: string | null): TraceNode => ({ kind, id, name, on });
  const [lots, larder, stored, all, filled] = [
    await db.select({ id: podLots.id, lot: podLots.lot, on: podLots.gotOn }).from(podLots),
    await db.select({ id: larderLots.id, key: larderLots.ingredientKey }).from(larderLots),
    await db.select({ id: storedStuff.id, stuff: storedStuff.stuff }).from(storedStuff),
    await db.select({ id: batches.id, name: batches.name, on: batches.startDate }).from(batches),
    await db.select({ id: bottlings.id, name: bottlings.name, on: bottlings.bottledOn }).from(bottlings),
  ];
  return [
    ...lots.map((l) => node('pods', l.id, l.lot.name, l.on)),
    ...larder.map((l) => node('larder', l.id, nameOf.get(l.key) ?? l.key, null)),
    ...stored.map((s) => node('stored', s.id, s.stuff.name, null)),
    ...all.map((b) => node('batch', b.id, b.name, b.on)),
    ...filled.map((b) => node('bottles', b.id, b.name, b.on)),
  ];
}

/** What went into what: by the ledger where something was taken, by what a thing is where it came out of another. */
async function edgesOf(db: Db): Promise<TraceEdge[]> {
  const edge = (from: string, to: string, g: number | null): TraceEdge => ({ from, to, g });
  const [taken, made, stored, filled] = [
    await db
      .select({
        store: stockMoves.store,
        item: stockMoves.itemId,
        batch: stockMoves.batchId,
        g: sql<number>`-sum(${stockMoves.deltaG})`.mapWith(Number),
      })
      .from(stockMoves)
      .where(isNotNull(stockMoves.batchId))
      .groupBy(stockMoves.store, stockMoves.itemId, stockMoves.batchId),
    await db.select({ id: podLots.id, from: podLots.madeFrom, leftBy: podLots.leftBy }).from(podLots),
    await db.select({ id: storedStuff.id, batch: storedStuff.batchId, what: storedStuff.what }).from(storedStuff),
    await db.select({ id: bottlings.id, batch: bottlings.batchId, strand: bottlings.strandId }).from(bottlings),
  ];
  const batch = (id: string) => traceKey({ kind: 'batch', id });
  return [
    // What was given back is not in it.
    ...taken.flatMap((t) => (t.g > 0 ? [edge(traceKey({ kind: t.store, id: t.item }), batch(t.batch!), t.g)] : [])),
    ...made.flatMap((l) => [
      ...(l.from ? [edge(traceKey({ kind: 'pods', id: l.from }), traceKey({ kind: 'pods', id: l.id }), null)] : []),
      ...(l.leftBy ? [edge(batch(l.leftBy.batchId), traceKey({ kind: 'pods', id: l.id }), null)] : []),
    ]),
    ...stored.flatMap((s) => (s.batch ? [edge(batch(s.batch), traceKey({ kind: 'stored', id: s.id }), null)] : [])),
    // Bottles that were opened for another sauce: what came out of them is of that end.
    ...stored.flatMap(({ id, batch: of, what }) =>
      filled
        .filter((b) => b.batch === of && 'strandId' in what && b.strand === what.strandId)
        .map((b) => edge(traceKey({ kind: 'bottles', id: b.id }), traceKey({ kind: 'stored', id }), null)),
    ),
    ...filled.map((b) => edge(batch(b.batch), traceKey({ kind: 'bottles', id: b.id }), null)),
  ];
}

export const traceGraph = async (db: Db): Promise<TraceGraph> => ({ nodes: await nodesOf(db), edges: await edgesOf(db) });

/** Where bottles are: how many were filled and stand there, and to whom others went, the newest first. */
async function whereabouts(db: Db, ids: string[]): Promise<WentTo[]> {
  if (ids.length === 0) return [];
  const [rows, moves] = [
    await db.select().from(bottlings).where(inArray(bottlings.id, ids)),
    await db.select().from(shelfMoves).where(inArray(shelfMoves.bottlingId, ids)).orderBy(shelfMoves.id),
  ];
  return rows.map((b) => {
    const own = moves.filter((m) => m.bottlingId === b.id);
    return {
      ...{ id: b.id, name: b.name, bottledOn: b.bottledOn, filled: b.bottles, useBy: b.useBy },
      left: Math.max(0, b.bottles + own.reduce((sum, m) => sum + m.delta, 0)),
      gone: own.map((m) => ({ on: new Date(m.at).toISOString().slice(0, 10), bottles: -m.delta, reason: m.reason, who: m.who })).reverse(),
    };
  });
}

/** From a thing of the kitchen back to all it was made of, and forward to every bottle. Throws NotFound. */
export async function traceOf(db: Db, kind: TraceKind, id: string): Promise<TraceRecord> {
  const graph = await traceGraph(db);
  const key = traceKey({ kind, id });
  const start = graph.nodes.find((n) => traceKey(n) === key);
  if (!start) throw new NotFound('This is not in the books of this kitchen.');
  const forward = traced(graph, key, 'forward');
  const bottles = [...(kind === 'bottles' ? [start] : []), ...forward.map((s) => s.node)].filter((n) => n.kind === 'bottles');
  const went = await whereabouts(
    db,
    bottles.map((b) => b.id),
  );
  return { start, back: traced(graph, key, 'back'), forward, bottles: went };
}
