import { setup } from '../../core/tests/helpers';
import { line } from './kit';
import { mapStations } from '@roskel/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type BatchFile } from '@roskel/core';
import {
  DEFAULT_SETTINGS,
  type BatchRecord,
  type BottlingRecord,
  type LarderRecord,
  type PodLotRecord,
  type Problem,
  type Short,
  type Timer,
  type Timers,
} from '@roskel/contract';
import { idempotencyKeys, photos } from '../src/db/schema';
import { forgetAnswers } from '../src/store/idempotency';
import { addPhoto } from '../src/store/photos';
import { done, GOAL, lotInput, startKitchen, type Running } from './kit';

let k: Running;
const call: Running['call'] = (...args) => k.call(...args);
const goal = GOAL;

beforeAll(async () => {
  k = await startKitchen();
});
afterAll(() => k.close());

async function batchWithPods(name: string): Promise<BatchRecord> {
  const { value } = await call<BatchRecord>('POST', '/batches', { name, startDate: '2026-11-01', goal });
  const pods = [{ lotId: 'lot-a', massG: 700, prep: 'whole' }];
  return edited(value, setup(value.file, 'prep', { pods }));
}
async function edited(record: BatchRecord, file: BatchFile): Promise<BatchRecord> {
  expect((await k.change(record, file)).status).toBe(200);
  return (await call<BatchRecord>('GET', `/batches/${record.id}`)).value;
}
const podStock = async () => (await call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id === 'lot-a')!.stockG;

describe('stock and batches', () => {
  it('a lot comes in with its stock', async () => {
    const made = await call<PodLotRecord>('POST', '/pods', { input: lotInput('lot-a'), stockG: 1000, words: '1 kg' });
    expect(made.status).toBe(201);
    expect(made.value.stockG).toBe(1000);
    await call('POST', '/larder', { ingredientKey: 'vinegar_cider', stockG: 800, words: '' });
  });

  it('finishing a station takes stock, undoing it gives it back, changing it settles the difference', async () => {
    const batch = await batchWithPods('Stock');
    expect(await podStock()).toBe(1000);
    const ticked = await edited(batch, done(batch.file, 'prep', '2026-11-01'));
    expect(await podStock()).toBe(300);
    const less = setup(ticked.file, 'prep', { pods: [{ lotId: 'lot-a', massG: 600, prep: 'whole' }] });
    const changed = await edited(ticked, less);
    expect(await podStock()).toBe(400);
    await edited(changed, batch.file);
    expect(await podStock()).toBe(1000);
  });

  it('edits of two windows come together; the same field is refused with what is there now, and a repeated edit is one', async () => {
    const batch = await batchWithPods('Stale');
    await edited(batch, { ...batch.file, name: 'Theirs' });
    const days = { tempC: 22, days: 11, targetPh: 3.8 };
    const mine = setup(batch.file, 'ferment', days);
    const both = await k.change(batch, mine);
    expect(both.status).toBe(200);
    expect(both.value).toMatchObject({ revision: batch.revision + 2, file: { name: 'Theirs' } });
    // The answer was lost, and the window says it again.
    expect((await k.change(batch, mine)).value.revision).toBe(batch.revision + 2);
    const refused = await k.change<Problem>(batch, { ...batch.file, name: 'Mine' });
    expect(refused.status).toBe(409);
    expect(refused.type).toMatch(/problem\+json/);
    const current = refused.value.current as BatchRecord;
    expect([current.file.name, line(current.file).find((s) => s.id === 'ferment')!.params]).toEqual(['Theirs', days]);
  });

  it('an edit that is just what is stored answers without the file', async () => {
    const batch = await batchWithPods('Small');
    const answer = await k.change(batch, { ...batch.file, name: 'Smaller' });
    expect(answer.value).toEqual({ revision: batch.revision + 1, updatedAt: expect.any(String) as string, file: null });
  });

  it('bottling puts bottles on the shelf as core counts them, and they can be taken', async () => {
    let { value: batch } = { value: await batchWithPods('Shelf') };
    let file = batch.file;
    for (const [id, day, log] of [
      ['prep', '2026-11-01', {}],
      ['salt', '2026-11-01', {}],
      ['ferment', '2026-11-15', { pH: 3.6, instrument: 'meter' }],
      ['drain', '2026-11-15', {}],
      ['blend', '2026-11-15', {}],
      ['strain', '2026-11-15', { massG: 850 }],
      ['bottle', '2026-11-16', {}],
    ] as const)
      file = done(file, id, day, log);
    batch = await edited(batch, file);
    const [shelf] = (await call<BottlingRecord[]>('GET', '/shelf')).value;
    // 850 g at about 1.04 g/ml in bottles filled to 95 ml.
    expect(shelf).toMatchObject({ name: 'Shelf', bottledOn: '2026-11-16', bottles: 8, left: 8, phMeasured: false, state: 'live' });
    expect(shelf!.place).toBe('fridge');
    expect((await call<BottlingRecord>('POST', `/shelf/${shelf!.id}/moves`, { delta: -1, reason: 'opened' })).value.left).toBe(7);
    expect((await call<Problem>('POST', `/shelf/${shelf!.id}/moves`, { delta: -8, reason: 'opened' })).status).toBe(422);
    const reopened = mapStations(file, (s) => (s.id === 'bottle' ? { ...s, log: {} } : s));
    await edited(batch, reopened as BatchFile);
    expect((await call<BottlingRecord[]>('GET', '/shelf')).value).toHaveLength(0);
    const vinegar = (await call<LarderRecord[]>('GET', '/larder')).value.find((l) => l.id === 'vinegar_cider')!;
    expect(vinegar.stockG).toBe(500);
  });

  it('what is short is told once for all: whoever needs it first has it, whichever batch began first', async () => {
    await call('POST', '/pods', { input: lotInput('lot-b'), stockG: 1000, words: '1 kg' });
    const planned = async (name: string, startDate: string, massG: number) => {
      const { value } = await call<BatchRecord>('POST', '/batches', { name, startDate, goal });
      return edited(value, setup(value.file, 'prep', { pods: [{ lotId: 'lot-b', massG, prep: 'whole' }] }));
    };
    const later = await planned('Later', '2027-03-20', 700);
    await planned('Sooner', '2027-03-10', 600);
    const shorts = async () => (await call<Short[]>('GET', '/needs')).value.filter((s) => s.id === 'lot-b');
    expect(await shorts()).toMatchObject([{ batch: 'Later', store: 'pods', g: 700, shortG: 300, by: '2027-03-20', before: ['Sooner'] }]);
    await edited(later, { ...later.file, startDate: '2027-03-05' });
    expect(await shorts()).toMatchObject([{ batch: 'Sooner', shortG: 300, by: '2027-03-10', before: ['Later'] }]);
    // Whoever begins first may need it last: the vinegar goes in when the jar is emptied.
    const poured = async (name: string, startDate: string, days: number) => {
      const record = await planned(name, startDate, 100);
      const file = setup(record.file, 'ferment', { tempC: 21, days, targetPh: 3.8 });
      const vinegar = { id: 'vinegar_rice', origin: { from: 'larder' as const, key: 'vinegar_rice' }, amount: { g: 400 } };
      return edited(
        record,
        mapStations(file, (s) => (s.id === 'blend' ? { ...s, intakes: [vinegar] } : s)),
      );
    };
    await call('POST', '/larder', { ingredientKey: 'vinegar_rice', stockG: 500, words: '' });
    await poured('Long in the jar', '2027-05-01', 40);
    await poured('Quick', '2027-05-10', 3);
    const vinegar = (await call<Short[]>('GET', '/needs')).value.filter((s) => s.id === 'vinegar_rice');
    expect(vinegar).toMatchObject([{ batch: 'Long in the jar', shortG: 300, by: '2027-06-10', before: ['Quick'] }]);
    // The salt of a jar is needed as what is put in by hand is; a lot that was put away is not there for anybody.
    const all = (await call<Short[]>('GET', '/needs')).value;
    expect(all.some((s) => s.batch === 'Sooner' && s.store === 'larder' && s.id.startsWith('salt'))).toBe(true);
    await call('DELETE', '/pods/lot-b');
    expect((await shorts()).map((s) => s.shortG)).toEqual([700, 600, 100, 100]);
  });

  it('a batch goes out as a file and comes back the same, on another kitchen too', async () => {
    const batch = await batchWithPods('Travel');
    const back = await call<BatchRecord>('POST', '/batches/import', { file: batch.file });
    expect(back.status).toBe(201);
    expect(back.value.file).toEqual(batch.file);
    await call('DELETE', `/batches/${back.value.id}`);
    expect((await call<BatchRecord[]>('GET', '/batches')).value.some((b) => b.id === back.value.id)).toBe(false);
    await call('POST', `/batches/${back.value.id}/restore`, {});
    expect((await call<BatchRecord>('GET', `/batches/${back.value.id}`)).value.file.name).toBe('Travel');
  });
});

describe('what is said twice', () => {
  const move = (key: string | null, deltaG = -10, id = 'lot-a') =>
    call<PodLotRecord>('POST', `/pods/${id}/moves`, { deltaG, reason: 'used', words: '' }, key ? { 'Idempotency-Key': key } : {});
  it('with the same key is done once, however often and at once; without one each time; a refusal is not kept', async () => {
    const before = await podStock();
    const first = await move('key-of-one-move');
    const again = await Promise.all(Array.from({ length: 6 }, () => move('key-of-one-move')));
    for (const a of again) expect([a.status, a.value]).toEqual([first.status, first.value]);
    expect(await podStock()).toBe(before - 10);
    const beside = await Promise.all(Array.from({ length: 6 }, () => move('key-of-many-at-once')));
    expect(new Set(beside.map((b) => b.status))).toEqual(new Set([first.status]));
    expect(await podStock()).toBe(before - 20);
    await Promise.all([move(null), move(null), move('a b'), move('short')]);
    expect(await podStock()).toBe(before - 60);
    // What was refused was not done: its key is free.
    expect((await move('key-refused', -10, 'nowhere')).status).toBe(404);
    await move(null, 60);
    expect((await move('key-refused', -10)).status).toBe(first.status);
    await move(null, 10);
    expect(await podStock()).toBe(before);
    // A key is of one request.
    const other = await call<Problem>(
      'POST',
      '/larder',
      { ingredientKey: 'salt_fine', stockG: 5, words: '' },
      { 'Idempotency-Key': 'key-of-one-move' },
    );
    expect([other.status, other.value.detail]).toEqual([422, expect.stringContaining('key of its own')]);
    // A day later nobody asks again.
    await k.open.db.update(idempotencyKeys).set({ at: new Date(Date.now() - 2 * 86_400_000) });
    await forgetAnswers(k.open.db);
    expect(await k.open.db.select().from(idempotencyKeys)).toEqual([]);
  });
});

describe('timers', () => {
  const now = Date.now();
  const timer: Timer = {
    ...{ id: 't1', batchId: 'b', stationId: 'simmer', name: 'Simmer', endsAt: now + 60_000, leftMs: 60_000, totalMs: 60_000 },
    ...{ rung: false, gone: false, changedAt: now },
  };
  const put = async (t: Timer) => (await call<Timers>('PUT', `/timers/${t.id}`, t)).value.timers[0]!;
  it('of two devices the later change counts; one whose clock is ahead does not win for ever; old ones are forgotten', async () => {
    expect(await put(timer)).toEqual(timer);
    expect((await put({ ...timer, name: 'Older', changedAt: now - 1 })).name).toBe('Simmer');
    const ahead = await put({ ...timer, endsAt: null, changedAt: now + 3600_000 });
    expect(ahead.endsAt).toBeNull();
    expect(ahead.changedAt).toBeLessThan(Date.now() + 60_000);
    await put({ ...timer, id: 't2', endsAt: now - 90_000_000, changedAt: now - 90_000_000 });
    await put({ ...timer, id: 't3' });
    expect((await call<Timers>('GET', '/timers')).value.timers.map((t) => t.id).sort()).toEqual(['t1', 't3']);
    expect((await call<Problem>('PUT', '/timers/another', timer)).status).toBe(422);
    expect((await call<Problem>('PUT', '/timers/t1', { ...timer, leftMs: -1 })).status).toBe(422);
  });
});

describe('bad input', () => {
  it.each([
    ['POST', '/batches', { name: '', startDate: '2026-11-01', goal }, 'name'],
    ['POST', '/batches', { name: 'x', startDate: '1 Nov', goal }, 'startDate'],
    ['POST', '/batches', { name: 'x', startDate: '2026-11-01', goal: { ...goal, bottles: -2 } }, 'goal/bottles'],
    ['POST', '/pods/lot-a/moves', { deltaG: 'lots', reason: 'in', words: '' }, 'deltaG'],
    ['POST', '/larder', { ingredientKey: 'unicorn', stockG: 1, words: '' }, 'ingredientKey'],
    ['PUT', '/settings', { ...DEFAULT_SETTINGS, kitchen: 'mars' }, 'kitchen'],
    ['PUT', '/settings', { ...DEFAULT_SETTINGS, currency: 'euro' }, 'currency'],
    ['POST', '/batches', { name: 'x', startDate: '2026-02-30', goal }, 'startDate'],
    ['POST', '/pods', { input: { ...lotInput('odd'), gotOn: '2026-13-01' }, stockG: 1, words: '' }, 'input/gotOn'],
    [
      'POST',
      '/pods',
      { input: { ...lotInput('odd'), lot: { ...lotInput('odd').lot, like: 'nothing' } }, stockG: 1, words: '' },
      'input/lot/like',
    ],
  ])('%s %s names its field', async (method, path, body, field) => {
    const { status, value } = await call<Problem>(method, path, body);
    expect(status).toBe(422);
    expect(value.errors!.map((e) => e.path)).toContain(field);
    expect(value.errors![0]!.message).toMatch(/\.$/);
  });

  it('a line that cannot run is refused at the parameter, and nothing is changed', async () => {
    const batch = await batchWithPods('Jar');
    const salt = line(batch.file).find((s) => s.id === 'salt')!.params as object;
    const tight = setup(batch.file, 'salt', { ...salt, jarMl: 300 });
    const { status, value } = await k.change<Problem>(batch, tight);
    expect(status).toBe(422);
    expect(value.errors![0]!.path).toBe('strands/0/stations/1/params/jarMl');
    expect((await call<BatchRecord>('GET', `/batches/${batch.id}`)).value.revision).toBe(batch.revision);
  });

  it('a picture that is none, of a batch that is none, or that is not there', async () => {
    const { value } = await call<BatchRecord>('POST', '/batches', { name: 'Pictured', startDate: '2026-11-01', goal });
    for (const jpeg of ['', 'abc', '/9j/<b>', `/9j/${'A'.repeat(600_000)}`])
      expect((await call('POST', `/batches/${value.id}/photos`, { jpeg })).status).toBe(422);
    expect((await call('POST', '/batches/none/photos', { jpeg: '/9j/4AAQ' })).status).toBe(404);
    const made = await call<{ id: string }>('POST', `/batches/${value.id}/photos`, { jpeg: '/9j/4AAQ' });
    expect(made.status).toBe(201);
    expect((await fetch(`${k.base}/photos/${made.value.id}`)).headers.get('content-type')).toBe('image/jpeg');
    expect((await call('GET', '/photos/none')).status).toBe(404);
    // As many as a backup carries, and no more.
    const large = `/9j/${'A'.repeat(599_000)}`;
    const { db } = k.open;
    for (let i = 0; i < 100; i++) await addPhoto(db, value.id, large);
    await expect(addPhoto(db, value.id, large)).rejects.toThrow(/as many pictures as a backup can carry/);
    await db.delete(photos);
  });

  it('broken JSON, too much of it, and unknown addresses', async () => {
    expect((await call<Problem>('POST', '/batches', '{"name":')).status).toBe(400);
    expect((await call<Problem>('POST', '/batches/import', { file: 'x'.repeat(1_200_000) })).status).toBe(413);
    expect((await call<Problem>('GET', '/nothing')).value.title).toBe('Not there');
    expect((await call<Problem>('GET', '/batches/none')).status).toBe(404);
  });
});
