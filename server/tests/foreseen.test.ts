import fc from 'fast-check';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { changesBetween, lotOfVariety, mapStations, predictionsOf, variety, withJar, type BatchFile } from '@roskel/core';
import { BARE_LOT } from '@roskel/contract';
import { eq } from 'drizzle-orm';
import { exampleFile, rounds, withPods } from '../../core/tests/helpers';
import { podLots } from '../src/db/schema';
import type { Store } from '../src/db/store';
import { getBatch } from '../src/store/batchReads';
import { addBatch, archiveBatch, changeBatch } from '../src/store/batches';
import { Stale } from '../src/store/errors';
import { foreseeBatch, foreseeEdit } from '../src/store/foreseen';
import { addPod } from '../src/store/pods';
import { listScores } from '../src/store/scores';
import { listShelf } from '../src/store/shelf';
import { working } from '../src/working';
import { memoryDb } from './kit';

const TODAY = '2026-11-27';
let open: Store;
beforeAll(async () => {
  open = await memoryDb();
  await addPod(
    open.db,
    { input: { lot: lotOfVariety(variety('cayenne-red'), { id: 'told' }), ...BARE_LOT }, stockG: 5000, words: '' },
    TODAY,
  );
});
afterAll(() => open.close());
afterEach(() => vi.restoreAllMocks());

/** What a maker does to a batch; each is one of these with a value. */
const ACTS: readonly ((f: BatchFile, n: number) => BatchFile)[] = [
  (f, n) => ({ ...f, name: `Named ${n % 3}` }),
  (f, n) => mapStations(f, (s) => (s.kind === 'ferment' ? { ...s, params: { ...(s.params as object), tempC: 18 + (n % 6) } } : s)),
  (f, n) => mapStations(f, (s) => ({ ...s, log: n % 2 ? { ...s.log, doneOn: '2026-11-20' } : {} })),
  (f, n) => ({ ...f, strands: f.strands.map((s) => (s.goal ? { ...s, goal: { ...s.goal, bottleMl: 100 + 10 * (n % 5) } } : s)) }),
];
const acts = fc.array(fc.tuple(fc.nat({ max: ACTS.length - 1 }), fc.nat({ max: 99 })), { minLength: 1, maxLength: 2 });
const done = (f: BatchFile, all: [number, number][]) => all.reduce((at, [which, n]) => ACTS[which]!(at, n), f);

/** Two edits, each thought of on the same batch, stored one after the other: worked out before, or in their turn. */
async function twice(edits: [number, number][][], before: boolean) {
  const { record } = await addBatch(open.db, exampleFile(), TODAY);
  const changes = edits.map((all) => changesBetween(record.file, done(record.file, all)));
  const ready = before ? await Promise.all(changes.map((c) => foreseeEdit(open.db, record.id, c, TODAY))) : [];
  const said: string[] = [];
  for (const [i, c] of changes.entries()) {
    try {
      const saved = await changeBatch(open.db, record.id, record.revision, c, TODAY, ready[i]);
      expect(saved.record).toEqual(await getBatch(open.db, record.id));
      said.push(
        `${saved.merged} ${saved.more} ${JSON.stringify(saved.row.summary)} ${[...saved.touched].join()} ${JSON.stringify(saved.changes)}`,
      );
    } catch (error) {
      if (!(error instanceof Stale)) throw error;
      said.push('asked');
    }
  }
  const { file, revision } = await getBatch(open.db, record.id);
  const bottles = (await listShelf(open.db)).filter((b) => b.batchId === record.id).map(({ id: _, batchId: __, ...b }) => b);
  return { said, file, revision, bottles };
}

describe('what was worked out before its turn', () => {
  it('changes nothing: two edits that cross end as they would have without it', async () => {
    await fc.assert(
      fc.asyncProperty(acts, acts, async (one, two) => {
        expect(await twice([one, two], true)).toEqual(await twice([one, two], false));
      }),
      { numRuns: rounds(25) },
    );
  });

  it('is worked out once, its heat too; again where the batch is another by then, or the day', async () => {
    const { record } = await addBatch(open.db, done(exampleFile(), [[2, 1]]), TODAY);
    const sizes = changesBetween(record.file, done(record.file, [[3, 1]]));
    const name = changesBetween(record.file, done(record.file, [[0, 1]]));
    const ready = await Promise.all([sizes, name].map((c) => foreseeEdit(open.db, record.id, c, TODAY)));
    const [out, heat] = [vi.spyOn(working, 'workedOut'), vi.spyOn(working, 'heatsOf')];
    await changeBatch(open.db, record.id, record.revision, sizes, TODAY, ready[0]);
    expect([out.mock.calls.length, heat.mock.calls.length]).toEqual([0, 0]);
    await changeBatch(open.db, record.id, record.revision, name, TODAY, ready[1]);
    expect([out.mock.calls.length, heat.mock.calls.length]).toEqual([1, 0]);
    const { file, revision } = await getBatch(open.db, record.id);
    expect([file.name, changesBetween(record.file, file).length]).toEqual(['Named 1', 2]);
    const back = changesBetween(file, { ...file, name: 'Back' });
    const early = await foreseeEdit(open.db, record.id, back, '2026-11-26');
    out.mockClear();
    await changeBatch(open.db, record.id, revision, back, TODAY, early);
    expect(out.mock.calls.map(([, day]) => day)).toEqual([TODAY]);
  });

  it('does not hold where a store says otherwise by then: a jar that was condemned meanwhile reaches the batch', async () => {
    const [row] = await open.db.select({ lot: podLots.lot }).from(podLots).where(eq(podLots.id, 'told'));
    const { lot } = row!;
    const takes = (f: BatchFile) => withPods({ ...f, lots: [...f.lots, lot] }, [{ lotId: 'told', massG: 400, prep: 'whole' }]);
    const { record } = await addBatch(open.db, exampleFile(), TODAY);
    const changes = changesBetween(record.file, takes(record.file));
    const edit = await foreseeEdit(open.db, record.id, changes, TODAY);
    const added = await foreseeBatch(open.db, takes(exampleFile()), TODAY);
    const tell = (jar: 'condemned' | null) =>
      open.db
        .update(podLots)
        .set({ lot: withJar(lot, jar) })
        .where(eq(podLots.id, 'told'));
    await tell('condemned');
    const saved = await changeBatch(open.db, record.id, record.revision, changes, TODAY, edit);
    const other = await addBatch(open.db, added.fit.given, TODAY, undefined, added);
    for (const { file } of [saved.record, other.record]) expect(file.lots.find((l) => l.id === 'told')!.jar).toBe('condemned');
    await tell(null);
  });
});

it('what was foretold of what is weighed is kept as it stood: put right it stays, taken back it goes, read in it is told as afterwards', async () => {
  const { db } = open;
  const id = 'weighed';
  const before = ['prep', 'salt', 'ferment', 'drain', 'blend'];
  const bare = mapStations(exampleFile(), (s) => ({ ...s, log: before.includes(s.id) ? { doneOn: '2026-11-20' } : {} }));
  await open.write((tx) => addBatch(tx, { ...bare, name: 'Weighed', readings: [] }, TODAY, id));
  const ofIt = async () => (await listScores(db)).filter((r) => r.batchId === id);
  const weigh = async (massG: number | undefined, doneOn: string | null = TODAY) => {
    const { file, revision } = await getBatch(db, id);
    const log = massG === undefined ? {} : { ...(doneOn ? { doneOn } : {}), massG };
    const after = mapStations(file, (s) => (s.id === 'strain' ? { ...s, log } : s));
    await open.write((tx) => changeBatch(tx, id, revision, changesBetween(file, after), TODAY));
    return { before: file, after };
  };
  expect(await ofIt()).toEqual([]);
  const { before: planned, after } = await weigh(800);
  const [told] = predictionsOf(planned, after, TODAY);
  const [kept] = await ofIt();
  expect(kept).toMatchObject({ ...told, station: 'Strain', batch: 'Weighed', afterwards: false });
  await weigh(700);
  expect(await ofIt()).toEqual([{ ...kept, measured: 700 }]);
  await weigh(undefined);
  expect(await ofIt()).toEqual([]);
  // Typed first and done later, as one does: what was foretold does not know what was typed.
  await weigh(800, null);
  expect(await ofIt()).toEqual([kept]);
  await weigh(800, '2026-11-26');
  expect(await ofIt()).toEqual([{ ...kept, on: '2026-11-26' }]);
  await weigh(800);
  expect(await ofIt()).toEqual([kept]);
  // An archived batch is not hidden.
  await open.write((tx) => archiveBatch(tx, id, true));
  expect(await ofIt()).toHaveLength(1);
  await open.write((tx) => addBatch(tx, { ...after, name: 'Read in' }, TODAY, 'weighed-read-in'));
  const readIn = (await listScores(db)).filter((r) => r.batchId === 'weighed-read-in');
  expect(readIn.map((r) => [r.key, r.measured, r.afterwards])).toEqual([[kept!.key, 800, true]]);
});
