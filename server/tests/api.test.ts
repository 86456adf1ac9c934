import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { withParams } from '@roskel/core';
import {
  DEFAULT_SETTINGS,
  type BatchRecord,
  type BottlingRecord,
  type LarderRecord,
  type PodLotRecord,
  type Problem,
} from '@roskel/contract';
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
  const put = await call<BatchRecord>('PUT', `/batches/${value.id}`, {
    revision: value.revision,
    file: withParams(value.file, 'prep', { pods }),
  });
  expect(put.status).toBe(200);
  return put.value;
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
    const ticked = await call<BatchRecord>('PUT', `/batches/${batch.id}`, {
      revision: batch.revision,
      file: done(batch.file, 'prep', '2026-11-01'),
    });
    expect(await podStock()).toBe(300);
    const less = withParams(ticked.value.file, 'prep', { pods: [{ lotId: 'lot-a', massG: 600, prep: 'whole' }] });
    const changed = await call<BatchRecord>('PUT', `/batches/${batch.id}`, { revision: ticked.value.revision, file: less });
    expect(await podStock()).toBe(400);
    await call('PUT', `/batches/${batch.id}`, { revision: changed.value.revision, file: batch.file });
    expect(await podStock()).toBe(1000);
  });

  it('a stale write is refused with what is there now', async () => {
    const batch = await batchWithPods('Stale');
    const mine = { ...batch.file, name: 'Mine' };
    expect((await call('PUT', `/batches/${batch.id}`, { revision: batch.revision, file: { ...batch.file, name: 'Theirs' } })).status).toBe(
      200,
    );
    const refused = await call<Problem>('PUT', `/batches/${batch.id}`, { revision: batch.revision, file: mine });
    expect(refused.status).toBe(409);
    expect(refused.type).toMatch(/problem\+json/);
    expect((refused.value.current as BatchRecord).file.name).toBe('Theirs');
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
    batch = (await call<BatchRecord>('PUT', `/batches/${batch.id}`, { revision: batch.revision, file })).value;
    const [shelf] = (await call<BottlingRecord[]>('GET', '/shelf')).value;
    // 850 g at about 1.04 g/ml in bottles filled to 95 ml.
    expect(shelf).toMatchObject({ name: 'Shelf', bottledOn: '2026-11-16', bottles: 8, left: 8, phMeasured: false, live: true });
    expect(shelf!.place).toBe('fridge');
    expect((await call<BottlingRecord>('POST', `/shelf/${shelf!.id}/moves`, { delta: -1, reason: 'opened' })).value.left).toBe(7);
    expect((await call<Problem>('POST', `/shelf/${shelf!.id}/moves`, { delta: -8, reason: 'opened' })).status).toBe(422);
    const reopened = { ...file, stations: file.stations.map((s) => (s.id === 'bottle' ? { ...s, log: {} } : s)) };
    await call('PUT', `/batches/${batch.id}`, { revision: batch.revision, file: reopened });
    expect((await call<BottlingRecord[]>('GET', '/shelf')).value).toHaveLength(0);
    const vinegar = (await call<LarderRecord[]>('GET', '/larder')).value.find((l) => l.id === 'vinegar_cider')!;
    expect(vinegar.stockG).toBe(500);
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
    const salt = batch.file.stations.find((s) => s.id === 'salt')!.params as object;
    const tight = withParams(batch.file, 'salt', { ...salt, jarMl: 300 });
    const { status, value } = await call<Problem>('PUT', `/batches/${batch.id}`, { revision: batch.revision, file: tight });
    expect(status).toBe(422);
    expect(value.errors![0]!.path).toBe('stations/1/params/jarMl');
    expect((await call<BatchRecord>('GET', `/batches/${batch.id}`)).value.revision).toBe(batch.revision);
  });

  it('broken JSON, too much of it, and unknown addresses', async () => {
    expect((await call<Problem>('POST', '/batches', '{"name":')).status).toBe(400);
    expect((await call<Problem>('POST', '/batches/import', { file: 'x'.repeat(1_200_000) })).status).toBe(413);
    expect((await call<Problem>('GET', '/nothing')).value.title).toBe('Not there');
    expect((await call<Problem>('GET', '/batches/none')).status).toBe(404);
  });
});
