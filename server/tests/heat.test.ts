import { afterAll, beforeAll, expect, it } from 'vitest';
import { ingredient, variety, type Ingredient, type Variety } from '@roskel/core';
import type { HeatBook, LarderRecord, LotHistory, OwnIngredient, OwnVariety, PodLotRecord, Problem } from '@roskel/contract';
import { DEMO_DAY } from './image';
import { startKitchen, type Running } from './kit';

let k: Running;
const call: Running['call'] = (...args) => k.call(...args);
beforeAll(async () => {
  k = await startKitchen(DEMO_DAY, undefined, 'demo');
}, 60_000);
afterAll(() => k.close());
const lot = async (id: string) => (await call<PodLotRecord[]>('GET', '/pods')).value.find((p) => p.id === id)!;
const history = async (id: string) => (await call<LotHistory>('GET', `/pods/${id}/history`)).value;

it('a finished batch tasted hotter moves and narrows its lot, says why, and taking it back restores it exactly', async () => {
  const before = await lot('lot-cayenne');
  const made = await call<{ id: number; lots: string[] }>('POST', '/heat', {
    kind: 'tasting',
    subject: { batchId: 'slipway-red-2' },
    scores: [
      { taster: 'You', score: 6.2 },
      { taster: 'Guest 1', score: 7 },
    ],
  });
  expect(made.status).toBe(201);
  expect(made.value.lots).toEqual(['lot-cayenne']);
  const after = await lot('lot-cayenne');
  expect(after.lot.heat!.dryShu).toBeGreaterThan(before.lot.heat!.dryShu * 1.05);
  expect(after.lot.heat!.sigma).toBeLessThan(before.lot.heat!.sigma * 0.97);
  expect(after.lot.heat!.source).toBe('taste');
  const [last] = (await history('lot-cayenne')).heat;
  expect(last!.says).toMatch(/^Slipway Red no\. 2 tasted .* as forecast|times as hot as forecast/);
  expect(last!.before!.dryShu).toBeCloseTo(before.lot.heat!.dryShu, 6);
  await call('DELETE', `/heat/${made.value.id}`);
  expect((await lot('lot-cayenne')).lot.heat).toEqual(before.lot.heat);
  await call('POST', `/heat/${made.value.id}/restore`, {});
  expect((await lot('lot-cayenne')).lot.heat).toEqual(after.lot.heat);
});

it('the sweet pepper of the batch learns nothing, for it has no heat', async () => {
  expect((await history('lot-pointed')).heat.every((s) => s.after === null)).toBe(true);
});

it('what a lot was said to be cannot be taken out of the book', async () => {
  const before = await lot('lot-cayenne');
  const first = (await history('lot-cayenne')).heat.at(-1)!;
  expect((await call<Problem>('DELETE', `/heat/${first.eventId}`)).status).toBe(404);
  expect((await lot('lot-cayenne')).lot.heat).toEqual(before.lot.heat);
});

it('what cannot be is asked about, and learnt when the maker insists', async () => {
  const before = (await lot('lot-fatalii')).lot.heat;
  const body = { kind: 'measured', how: 'lab', subject: { lotId: 'lot-fatalii', pods: 10 }, shu: 600, sigma: 0.15 };
  const refused = await call<Problem>('POST', '/heat', body);
  expect(refused.status).toBe(422);
  expect(refused.value.errors![0]!.path).toBe('sure');
  expect(refused.value.detail).toMatch(/far milder/);
  expect((await lot('lot-fatalii')).lot.heat).toEqual(before);
  expect((await call('POST', '/heat', { ...body, sure: true })).status).toBe(201);
  expect((await lot('lot-fatalii')).lot.heat!.dryShu).toBeLessThan(before!.dryShu / 3);
});

it("the demo's tongue is calibrated from three labelled sauces", async () => {
  const { value } = await call<HeatBook>('GET', '/heat');
  expect(value.scales.find((s) => s.taster === 'You')!.scale.scores).toBeGreaterThanOrEqual(3);
  expect(value.events.filter((e) => e.event.kind === 'reference')).toHaveLength(3);
});

it('drying moves stock from one lot to another that inherits its heat; undo brings it back', async () => {
  const before = await lot('lot-fresno');
  const made = await call<PodLotRecord>('POST', '/pods/lot-fresno/turn', { into: 'dried', takeG: 200, gotG: 21, words: '200 g' });
  expect(made.status).toBe(201);
  expect(made.value).toMatchObject({ stockG: 21, lot: { form: 'dried', name: 'Fresno, dried' } });
  expect(made.value.pricePerKg!).toBeCloseTo((9.5 * 200) / 21, 6);
  expect((await lot('lot-fresno')).stockG).toBeCloseTo(before.stockG - 200, 6);
  expect((await history(made.value.id)).heat[0]!.says).toMatch(/Fresno as it was believed, dried/);
  expect((await call<Problem>('POST', '/pods/lot-fresno/turn', { into: 'dried', takeG: 5000, gotG: null, words: '' })).status).toBe(422);
  expect((await call<Problem>('POST', '/pods/lot-fresno/turn', { into: 'dried', takeG: 50, gotG: 90, words: '' })).value.detail).toMatch(
    /More came out/,
  );
  await call('POST', `/pods/${made.value.id}/unturn`, {});
  expect((await lot('lot-fresno')).stockG).toBeCloseTo(before.stockG, 6);
  expect(await lot(made.value.id)).toBeUndefined();
  const { moves } = await history('lot-fresno');
  expect(moves.slice(0, 2).map((m) => m.reason)).toEqual(['undo', 'dried']);
});

it('a larder row keeps its price, opened day and own pH, and refuses a stale change', async () => {
  const find = async () => (await call<LarderRecord[]>('GET', '/larder')).value.find((l) => l.id === 'tomato')!;
  const row = await find();
  expect(row.ownPh).toBeCloseTo(4.31, 9);
  const { note, packG, packPrice, openedOn, useFirst } = row;
  const facts = { note, packG, packPrice, openedOn, useFirst, ownPh: 4.2 };
  expect((await call('PUT', '/larder/tomato', { revision: row.revision, facts })).status).toBe(200);
  expect((await find()).ownPh).toBe(4.2);
  expect((await call('PUT', '/larder/tomato', { revision: row.revision, facts })).status).toBe(409);
  expect((await call<Problem>('PUT', '/larder/tomato', { revision: row.revision + 1, facts: { ...facts, ownPh: 14 } })).status).toBe(422);
});

it('own varieties and ingredients are checked, kept, changed and put away', async () => {
  const value: Variety = { ...variety('cayenne-red'), id: 'own-gull', name: 'Gull beak', source: 'own bed' };
  const made = await call<OwnVariety>('POST', '/varieties', { value });
  expect(made.status).toBe(201);
  const bad = await call<Problem>('POST', '/varieties', { value: { ...value, id: 'own-2', shuDry: { low: 9, typical: 5, high: 10 } } });
  expect(bad.status).toBe(422);
  expect(bad.value.errors![0]!.path).toBe('value/shuDry');
  expect((await call('POST', '/varieties', { value: variety('cayenne-red') })).status).toBe(422);
  const row: Ingredient = { ...ingredient('peach'), key: 'own_plum', name: 'Beach plum', like: 'peach', allergens: ['none'] };
  expect((await call<OwnIngredient>('POST', '/ingredients', { value: row })).status).toBe(201);
  expect((await call<LarderRecord>('POST', '/larder', { ingredientKey: 'own_plum', stockG: 300, words: '300 g' })).value.stockG).toBe(300);
  expect((await call('PUT', '/varieties/own-gull', { revision: 1, value: { ...value, waterPct: 88 } })).status).toBe(200);
  expect((await call('PUT', '/varieties/own-gull', { revision: 1, value })).status).toBe(409);
  await call('DELETE', '/varieties/own-gull');
  expect((await call<OwnVariety[]>('GET', '/varieties')).value).toEqual([]);
});
