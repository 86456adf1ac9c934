import { mapStations, type BatchFile, type Intake } from '@roskel/core';
import type { BatchRecord, BottlingRecord, Problem, StoredRecord } from '@roskel/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { exampleFile } from '../../core/tests/helpers';
import { startKitchen, type Running } from './kit';

const DONE: Record<string, string> = {
  prep: '2026-10-12',
  salt: '2026-10-12',
  ferment: '2026-10-26',
  drain: '2026-10-26',
  blend: '2026-10-26',
  strain: '2026-10-26',
  bottle: '2026-10-26',
};
const doneUpTo = (file: BatchFile, last: string): BatchFile => {
  const ids = Object.keys(DONE);
  const done = new Set(ids.slice(0, ids.indexOf(last) + 1));
  return mapStations(file, (s) => (done.has(s.id) ? { ...s, log: { ...s.log, doneOn: DONE[s.id]! } } : { ...s, log: {} }));
};
const jar = (pH: number): BatchFile['readings'] => [
  { id: 'day-2', stationId: 'ferment', at: '2026-10-14T09:00:00Z', pH: 4.4, instrument: 'meter' },
  { id: 'last', stationId: 'ferment', at: '2026-10-26T09:00:00Z', pH, instrument: 'meter' },
];
const taking = (file: BatchFile, id: string, g: number): BatchFile =>
  mapStations(file, (s) =>
    s.id === 'blend'
      ? { ...s, intakes: [...s.intakes, { id: 'kept', origin: { from: 'stored', id }, amount: { g } } satisfies Intake] }
      : s,
  );

let k: Running;
let today = '2026-10-27';
let source: BatchRecord;
const brine = () => ({ batchId: source.id, stationId: 'drain', side: 'brine' });
const keep = (massG: number | null = null) =>
  k.call<StoredRecord & Problem>('POST', '/stored', { what: brine(), name: 'Brine', massG, words: '' });
const get = async (id: string) => (await k.call<BatchRecord>('GET', `/batches/${id}`)).value;
const put = async (id: string, change: (f: BatchFile) => BatchFile) => {
  const now = await get(id);
  expect((await k.change(now, change(now.file))).status).toBe(200);
  return get(id);
};
const add = async (file: BatchFile) => {
  const answer = await k.call<BatchRecord>('POST', '/batches/import', { file });
  expect(answer.status).toBe(201);
  return answer.value;
};
const bottlesOf = async (id: string) => (await k.call<BottlingRecord[]>('GET', '/shelf')).value.find((b) => b.batchId === id)!;

beforeAll(async () => {
  k = await startKitchen(() => today);
  source = await add({ ...doneUpTo(exampleFile(), 'ferment'), readings: jar(3.7) });
});
afterAll(() => k.close());

describe('what a batch left, kept for another one', () => {
  let id: string;
  it('is kept once it is there, once, and no more of it than there is', async () => {
    const early = await keep();
    expect([early.status, early.value.detail ?? early.value.title]).toEqual([422, expect.stringMatching(/not there yet/)]);
    await put(source.id, (f) => ({ ...doneUpTo(f, 'drain'), readings: f.readings }));
    expect((await keep(5000)).value.errors![0]!.message).toMatch(/^Only about \d+ g/);
    const first = await keep();
    expect(first.status).toBe(201);
    id = first.value.id;
    expect(first.value.stuff).toMatchObject({ keptOn: today, useBy: '2026-11-03', past: { ferment: 'acid' } });
    const again = await keep();
    expect([again.status, again.value.errors![0]!.message]).toEqual([422, 'Nothing of it is left to keep.']);
    // Taken back by undo, it can be kept again; what is kept in two portions is no more than was there.
    await k.call('DELETE', `/stored/${id}`);
    expect((await keep(100)).status).toBe(201);
    const rest = (await keep()).value;
    expect(rest.stockG + 100).toBeCloseTo(first.value.stockG, 6);
    id = rest.id;
  });
  it('a reading that condemns its jar later reaches the sauce that took it, and one taken back frees it again', async () => {
    const plain = { ...exampleFile(), name: 'Takes brine', readings: jar(3.7) };
    const taker = await add(taking(doneUpTo(plain, 'bottle'), id, 60));
    expect(taker.file.stored[0]!.past.ferment).toBe('acid');
    expect((await bottlesOf(taker.id)).place).not.toBe('bin');
    await put(source.id, (f) => ({ ...f, readings: jar(5.1) }));
    const told = await get(taker.id);
    expect(told.file.stored[0]!.past.ferment).toBe('condemned');
    expect(told.revision).toBe(taker.revision + 1);
    expect((await bottlesOf(taker.id)).place).toBe('bin');
    // Nobody talks it out of it: neither an edit of the file, nor the file read in again.
    const forged = { ...told.file, stored: [{ ...told.file.stored[0]!, past: { ...told.file.stored[0]!.past, ferment: null } }] };
    await k.change(told, forged);
    expect((await get(taker.id)).file.stored[0]!.past.ferment).toBe('condemned');
    expect((await add(forged)).file.stored[0]!.past.ferment).toBe('condemned');
    // A slip of the finger is taken back.
    await put(source.id, (f) => ({ ...f, readings: jar(3.7) }));
    expect((await get(taker.id)).file.stored[0]!.past.ferment).toBe('acid');
    expect((await bottlesOf(taker.id)).place).not.toBe('bin');
  });
  it('past its day, it is said and the sauce is given days only', async () => {
    const plain = { ...exampleFile(), name: 'Late', readings: jar(3.7) };
    const late = taking(
      mapStations(doneUpTo(plain, 'bottle'), (s) =>
        ['blend', 'strain', 'bottle'].includes(s.id) ? { ...s, log: { doneOn: '2026-11-20' } } : s,
      ),
      id,
      60,
    );
    today = '2026-11-23';
    const { id: lateId } = await add(late);
    const { place, useBy } = await bottlesOf(lateId);
    expect([place, useBy]).toEqual(['fridge', '2026-11-23']);
  });
});
