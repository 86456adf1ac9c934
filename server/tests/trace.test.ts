import { afterAll, beforeAll, expect, it } from 'vitest';
import { stationsOf, type BatchFile, type TraceStep } from '@roskel/core';
import type { BatchRecord, BottlingRecord, PodLotRecord, TraceRecord } from '@roskel/contract';
import { stockMoves } from '../src/db/schema';
import { DEMO_DAY } from './image';
import { memoryDb, serveKitchen, type Running } from './kit';

let k: Running;
beforeAll(async () => {
  k = await serveKitchen(await memoryDb('demo'), DEMO_DAY);
}, 60_000);
afterAll(() => k.close());

const trace = async (kind: string, id: string) => (await k.call<TraceRecord>('GET', `/trace/${kind}/${encodeURIComponent(id)}`)).value;
const ids = (steps: readonly TraceStep[], kind: string) => new Set(steps.filter((s) => s.node.kind === kind).map((s) => s.node.id));

it('from each lot of the demo to every batch and bottle, as a walk of the batches themselves finds them; and back', async () => {
  const rows = (await k.call<{ id: string }[]>('GET', '/batches')).value;
  const files = new Map<string, BatchFile>();
  for (const { id } of rows) files.set(id, (await k.call<BatchRecord>('GET', `/batches/${id}`)).value.file);
  const shelf = (await k.call<BottlingRecord[]>('GET', '/shelf')).value;
  // The pods that a batch says went in at a step that is done; sauces that were put into another are followed by their batch.
  const takes = (file: BatchFile, what: 'pods' | 'stored') =>
    stationsOf(file)
      .filter((s) => s.entry.log.doneOn)
      .flatMap((s) => s.entry.intakes)
      .flatMap((i) => (i.origin.from === what ? ['lotId' in i.origin ? i.origin.lotId : (i.origin as { id: string }).id] : []));
  const lots = (await k.call<PodLotRecord[]>('GET', '/pods')).value;
  let reached = 0;
  for (const { id } of lots) {
    const batches = new Set([...files].filter(([, f]) => takes(f, 'pods').includes(id)).map(([b]) => b));
    const found = await trace('pods', id);
    expect([id, new Set(found.forward.filter((s) => s.node.kind === 'batch' && s.depth === 1).map((s) => s.node.id))]).toEqual([
      id,
      batches,
    ]);
    const bottles = new Set(shelf.filter((b) => ids(found.forward, 'batch').has(b.batchId)).map((b) => b.id));
    expect(ids(found.forward, 'bottles')).toEqual(bottles);
    expect(new Set(found.bottles.map((b) => b.id))).toEqual(bottles);
    for (const b of found.bottles) {
      expect(b.left).toBe(shelf.find((x) => x.id === b.id)!.left);
      expect(b.filled - b.gone.reduce((sum, g) => sum + g.bottles, 0)).toBe(b.left);
      // And back again.
      expect(ids((await trace('bottles', b.id)).back, 'pods')).toContain(id);
    }
    reached += bottles.size;
  }
  expect(reached).toBeGreaterThan(0);
  expect((await k.call('GET', '/trace/pods/nowhere')).status).toBe(404);
  expect((await k.call('GET', '/trace/soup/lot-cayenne')).status).toBe(404);
});

it('through what was made of it; archived or not; with to whom the bottles went', async () => {
  const { value: dried } = await k.call<{ id: string; lot: { name: string } }>('POST', '/pods/lot-cayenne/turn', {
    into: 'dried',
    takeG: 50,
    gotG: 9,
    words: '',
  });
  const [bottles] = (await trace('pods', 'lot-cayenne')).bottles;
  await k.call('POST', `/shelf/${bottles!.id}/moves`, { delta: -2, reason: 'given', who: 'Una' });
  await k.call('DELETE', '/pods/lot-cayenne');
  const found = await trace('pods', 'lot-cayenne');
  expect(ids(found.forward, 'pods')).toEqual(new Set([dried.id]));
  expect((await trace('pods', dried.id)).back.map((s) => [s.node.id, s.depth])).toEqual([['lot-cayenne', 1]]);
  expect(found.bottles.find((b) => b.id === bottles!.id)).toMatchObject({
    left: bottles!.left - 2,
    gone: [{ bottles: 2, reason: 'given', who: 'Una' }, ...bottles!.gone],
  });
});

it('what was taken and given back again is in nothing', async () => {
  const before = (await trace('pods', 'lot-lemondrop')).forward.length;
  const move = (deltaG: number) =>
    k.open.db.insert(stockMoves).values({ store: 'pods', itemId: 'lot-lemondrop', deltaG, reason: 'batch', batchId: 'slipway-red-2' });
  await move(-30);
  expect((await trace('pods', 'lot-lemondrop')).forward.map((s) => s.node.id)).toContain('slipway-red-2');
  await move(30);
  expect((await trace('pods', 'lot-lemondrop')).forward).toHaveLength(before);
});

it('from bottles on into a sauce that is made of one of them', async () => {
  const { value: opened } = await k.call<{ id: string }>('POST', '/stored', {
    ...{ what: { bottlingId: 'slipway-red-2', bottles: 1 }, name: 'Opened', massG: null, words: '' },
  });
  await k.open.db.insert(stockMoves).values({ store: 'stored', itemId: opened.id, deltaG: -20, reason: 'batch', batchId: 'gorse-gold' });
  const forward = (await trace('bottles', 'slipway-red-2')).forward.map((s) => [s.node.kind, s.node.id, s.depth]);
  expect(forward.slice(0, 2)).toEqual([
    ['stored', opened.id, 1],
    ['batch', 'gorse-gold', 2],
  ]);
  expect(ids((await trace('batch', 'gorse-gold')).back, 'bottles')).toContain('slipway-red-2');
});
