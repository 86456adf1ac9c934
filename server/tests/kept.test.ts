import { carry, leftoverLot, mapStations, type BatchFile, type Intake } from '@roskel/core';
import { BARE_LOT, type BatchRecord, type BottlingRecord, type PodLotRecord, type Problem, type StoredRecord } from '@roskel/contract';
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
    expect(first.value.stuff).toMatchObject({ keptOn: today, useBy: '2026-11-02', past: { ferment: 'acid' } });
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
  it('the same of pulp among the pods: as a lot, dried, and in the sauce that took it; undone with the reading', async () => {
    await put(source.id, (f) => ({ ...doneUpTo(f, 'strain'), readings: jar(3.7) }));
    const { file } = await get(source.id);
    const left = leftoverLot(file, 'strain', 'pulp', { id: 'pulp-1', name: 'Pulp' }, 20)!;
    expect(left.lot.jar).toBe('acid');
    const leftBy = { batchId: source.id, what: { stationId: 'strain', side: 'pulp' } };
    // What the page says of its jar is not taken on trust.
    const input = { ...BARE_LOT, gotOn: today, lot: { ...left.lot, jar: 'unread' as const } };
    expect((await k.call('POST', '/pods', { input, stockG: 300, words: '', leftBy })).status).toBe(201);
    const lot = async (id: string) => (await k.call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id === id)!.lot;
    expect((await lot('pulp-1')).jar).toBe('acid');
    const dried = (await k.call<PodLotRecord>('POST', '/pods/pulp-1/turn', { into: 'pulp', takeG: 100, gotG: null, words: '' })).value;
    expect(dried.lot).toMatchObject({ form: 'pulp', jar: 'acid' });
    const plain = { ...exampleFile(), name: 'Takes pulp', readings: jar(3.7) };
    const pulp: Intake = { id: 'pulp', origin: { from: 'pods', lotId: dried.id, prep: 'whole' }, amount: { g: 15 } };
    const made = mapStations(doneUpTo(plain, 'bottle'), (s) => (s.id === 'blend' ? { ...s, intakes: [...s.intakes, pulp] } : s));
    const taker = await add(carry(made, [dried.lot], []));
    expect((await bottlesOf(taker.id)).place).not.toBe('bin');
    await put(source.id, (f) => ({ ...f, readings: jar(5.1) }));
    expect([(await lot('pulp-1')).jar, (await lot(dried.id)).jar]).toEqual(['condemned', 'condemned']);
    const told = await get(taker.id);
    const carried = (f: BatchFile) => f.lots.find((l) => l.id === dried.id)!;
    expect(carried(told.file).jar).toBe('condemned');
    expect((await bottlesOf(taker.id)).place).toBe('bin');
    // Neither an edit of the lot nor a forged file talks it out of it.
    const now = (await k.call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id === dried.id)!;
    const { jar: _, ...bare } = now.lot;
    const { gotOn, place, note, useFirst, ripeness, pricePerKg } = now;
    const edit = { gotOn, place, note, useFirst, ripeness, pricePerKg, lot: { ...bare, name: 'Fine' } };
    expect((await k.call('PUT', `/pods/${dried.id}`, { revision: now.revision, input: edit })).status).toBe(200);
    expect(await lot(dried.id)).toMatchObject({ name: 'Fine', jar: 'condemned' });
    const forged = { ...told.file, lots: told.file.lots.map((l) => (l.id === dried.id ? { ...l, jar: 'acid' as const } : l)) };
    await k.change(told, forged);
    expect(carried((await get(taker.id)).file).jar).toBe('condemned');
    await put(source.id, (f) => ({ ...f, readings: jar(3.7) }));
    expect([(await lot('pulp-1')).jar, carried((await get(taker.id)).file).jar]).toEqual(['acid', 'acid']);
    expect((await bottlesOf(taker.id)).place).not.toBe('bin');
    // Its jar thrown away after all, with what came after it not done: that is worse than any reading, and not "no jar".
    const kept = await get(source.id);
    await put(source.id, (f) =>
      mapStations(f, (s) => {
        if (s.id === 'ferment') return { ...s, log: { doneOn: today, thrownOn: today, thrownWhy: 'fuzz' } };
        return ['drain', 'blend', 'strain'].includes(s.id) ? { ...s, log: {} } : s;
      }),
    );
    const brines = (await k.call<StoredRecord[]>('GET', '/stored')).value.filter((s) => s.batchId === source.id);
    expect(brines.map((s) => s.stuff.past.ferment)).toEqual(brines.map(() => 'condemned'));
    expect([(await lot('pulp-1')).jar, carried((await get(taker.id)).file).jar]).toEqual(['condemned', 'condemned']);
    expect((await bottlesOf(taker.id)).place).toBe('bin');
    await put(source.id, () => kept.file);
    expect((await lot('pulp-1')).jar).toBe('acid');
    // Of a line that has no sieve any more nothing can be told: in doubt, never better than it was.
    await put(source.id, (f) => ({
      ...f,
      strands: f.strands.map((s) => ({ ...s, stations: s.stations.filter((e) => e.id !== 'strain') })),
    }));
    expect((await lot('pulp-1')).jar).toBe('doubtful');
    await put(source.id, () => kept.file);
    // A lot of the kitchen is as sure as the kitchen says, whoever writes it better into an edit or a file.
    const forged2 = { ...BARE_LOT, lot: { ...left.lot, id: 'own', jar: 'acid' as const } };
    expect((await k.call('POST', '/pods', { input: forged2, stockG: 5, words: '' })).status).toBe(201);
    expect((await lot('own')).jar).toBeUndefined();
    expect((await k.call('PUT', '/pods/own', { revision: 1, input: forged2 })).status).toBe(200);
    expect((await lot('own')).jar).toBeUndefined();
    const better = carry(
      mapStations(exampleFile(), (s) =>
        s.id === 'blend'
          ? { ...s, intakes: [...s.intakes, { ...pulp, origin: { from: 'pods' as const, lotId: 'own', prep: 'whole' as const } }] }
          : s,
      ),
      [forged2.lot],
      [],
    );
    expect((await add({ ...better, name: 'Better' })).file.lots.find((l) => l.id === 'own')!.jar).toBeUndefined();
    // Tidied up: the tests after this begin from the drained jar.
    await put(source.id, (f) => ({ ...doneUpTo(f, 'drain'), readings: f.readings }));
  });
  it('past its day, it is said, and nothing that is done later mends it', async () => {
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
    expect([place, useBy]).toEqual(['bin', '2026-11-20']);
  });
});
