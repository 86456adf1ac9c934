import { mapStations } from '@roskel/core';
import { setup } from '../../core/tests/helpers';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { carry, lotOfVariety, newBatch, variety, type BatchFile } from '@roskel/core';
import { BARE_LOT } from '@roskel/contract';
import type { Store } from '../src/db/store';
import { stockMoves } from '../src/db/schema';
import { addBatch } from '../src/store/batches';
import { addLarder } from '../src/store/larder';
import { addPod, archivePod, listPods } from '../src/store/pods';
import { stockOf } from '../src/store/stock';
import { memoryDb, saveFile } from './kit';

let open: Store;
beforeAll(async () => {
  open = await memoryDb();
  for (const id of ['a', 'b']) {
    const lot = lotOfVariety(variety(id === 'a' ? 'cayenne-red' : 'pointed-red'), { id });
    await addPod(open.db, { input: { lot, ...BARE_LOT }, stockG: 5000, words: '' }, '2026-11-23');
  }
  await addLarder(open.db, 'vinegar_cider', 5000, '');
  await addLarder(open.db, 'garlic', 500, '');
});
afterAll(() => open.close());

/** A state the maker may bring a batch into: grams of two lots, vinegar, and how many steps are done. */
const state = fc.record({
  a: fc.integer({ min: 100, max: 500 }),
  b: fc.integer({ min: 0, max: 500 }),
  vinegar: fc.integer({ min: 50, max: 400 }),
  done: fc.integer({ min: 0, max: 7 }),
});

function fileOf(base: BatchFile, s: { a: number; b: number; vinegar: number; done: number }): BatchFile {
  const pods = [{ lotId: 'a', massG: s.a, prep: 'whole' }, ...(s.b > 0 ? [{ lotId: 'b', massG: s.b, prep: 'whole' }] : [])];
  const additions = [{ id: 'vinegar_cider', massG: s.vinegar }];
  const file = setup(setup(base, 'prep', { pods }), 'blend', { additions, heldUpPct: 1 });
  let i = 0;
  return mapStations(file, (x) => ({ ...x, log: i++ < s.done ? { doneOn: '2026-10-20' } : {} }));
}

it('whatever is ticked, unticked or changed, stock is what came in less what finished steps need', async () => {
  const lots = (await listPods(open.db)).map((p) => p.lot);
  const plain = carry(
    setup(newBatch('Ledger', '2026-10-01'), 'prep', { pods: lots.map((l) => ({ lotId: l.id, massG: 300, prep: 'whole' })) }),
    lots,
    [],
  );
  let { record } = await addBatch(open.db, plain, '2026-10-20');
  let moves = 0;
  await fc.assert(
    fc.asyncProperty(state, async (s) => {
      ({ record } = await saveFile(open.db, record.id, fileOf({ ...record.file, lots }, s), '2026-10-20'));
      const pods = await stockOf(open.db, 'pods');
      expect(pods.get('a')).toBeCloseTo(5000 - (s.done > 0 ? s.a : 0), 6);
      expect(pods.get('b')).toBeCloseTo(5000 - (s.done > 0 ? s.b : 0), 6);
      expect((await stockOf(open.db, 'larder')).get('vinegar_cider')).toBeCloseTo(5000 - (s.done > 4 ? s.vinegar : 0), 6);
      // Moves are only ever added.
      const now = (await open.db.select().from(stockMoves)).length;
      expect(now).toBeGreaterThanOrEqual(moves);
      moves = now;
    }),
    { numRuns: 25 },
  );
});

it('saving a batch whose lot was put away gives nothing back', async () => {
  const lots = (await listPods(open.db)).map((p) => p.lot);
  const start = { a: 300, b: 0, vinegar: 100, done: 1 };
  const before = (await stockOf(open.db, 'pods')).get('a')!;
  const made = await addBatch(
    open.db,
    fileOf(carry(setup(newBatch('Away', '2026-10-01'), 'prep', { pods: [{ lotId: 'a', massG: 300, prep: 'whole' }] }), lots, []), start),
    '2026-10-20',
  );
  await archivePod(open.db, 'a', true);
  const renamed = { ...made.record.file, name: 'Away still' };
  await saveFile(open.db, made.record.id, renamed, '2026-10-20');
  expect((await stockOf(open.db, 'pods')).get('a')).toBeCloseTo(before - 300, 6);
  await archivePod(open.db, 'a', false);
});
