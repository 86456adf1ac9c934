// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it } from 'vitest';
import { BARE_LOT, NO_FACTS, type LarderRecord, type PodLotRecord } from '@roskel/contract';
import { calibrateScale, ingredient, lotOfVariety, variety, type Ingredient } from '@roskel/core';
import { fakeKitchen, type FakeKitchen } from './kitchen';

const larderRow = (key: string, stockG: number, more: Partial<LarderRecord> = {}): LarderRecord => ({
  id: key,
  ingredientKey: key,
  revision: 2,
  stockG,
  ...NO_FACTS,
  ...more,
});
const pod: PodLotRecord = { id: 'a', revision: 3, stockG: 500, lot: lotOfVariety(variety('cayenne-red'), { id: 'a' }), ...BARE_LOT };
const own: Ingredient = { ...ingredient('peach'), key: 'own-plum', name: 'Beach plum' };
let kitchen: FakeKitchen;

beforeEach(() => {
  sessionStorage.clear();
  setActivePinia(createPinia());
  kitchen = fakeKitchen({
    '/pods': [pod],
    '/larder': [larderRow('tomato', 600, { ownPh: 4.31 }), larderRow('vinegar_cider', 900, { packG: 1000, packPrice: 3.5 })],
    '/ingredients': [{ id: 'own-plum', revision: 1, value: own }],
    '/varieties': [],
    '/heat': { events: [], scales: [{ taster: 'You', scale: calibrateScale([{ shu: 3000, score: 6, weight: 1 }]) }] },
  });
});
const paths = () => kitchen.writes.map((w) => `${w.method} ${w.path}`);

describe('the larder in the window', () => {
  it('reckons with the own pH and knows own ingredients', async () => {
    const { useLarder, perKg } = await import('../src/stores/larder');
    const larder = useLarder();
    await larder.load();
    expect(larder.row('tomato')!.pH!.typ).toBe(4.31);
    expect(larder.row('carrot')!.pH).toEqual(ingredient('carrot').pH);
    expect(larder.row('own-plum')!.name).toBe('Beach plum');
    expect(perKg(larder.items[1]!)).toBe(3.5);
    expect(perKg(larder.items[0]!)).toBeNull();
  });
  it('a change of facts can be undone, with the revision of now', async () => {
    const { useLarder, factsOf } = await import('../src/stores/larder');
    const { useUndo } = await import('../src/stores/undo');
    const larder = useLarder();
    await larder.load();
    const before = larder.items[0]!;
    await larder.edit(before.id, 'Tomato', { revision: before.revision, value: factsOf(before) }, { ...factsOf(before), ownPh: 4.1 });
    expect(kitchen.writes[0]!.body).toMatchObject({ revision: 2, facts: { ownPh: 4.1 } });
    kitchen.has['/larder'] = [larderRow('tomato', 600, { ownPh: 4.1, revision: 3 })];
    await useUndo().undo();
    expect(kitchen.writes[1]!.body).toMatchObject({ revision: 3, facts: { ownPh: 4.31 } });
  });
  it('adding to what is there is undone by taking that much out, not by clearing it away', async () => {
    const { useLarder } = await import('../src/stores/larder');
    const { useUndo } = await import('../src/stores/undo');
    const larder = useLarder();
    await larder.load();
    await larder.add('tomato', 'Tomato', 250, '250 g');
    await useUndo().undo();
    expect(paths()).toEqual(['POST /larder', 'POST /larder/tomato/moves']);
    await larder.add('honey', 'Honey', 340, '1 jar');
    await useUndo().undo();
    expect(paths().slice(2)).toEqual(['POST /larder', 'POST /larder/honey/moves', 'DELETE /larder/honey']);
  });
});

describe('lots, tongues and own rows', () => {
  it('drying is undone by un-drying the new lot', async () => {
    kitchen.answers['/pods/a/turn'] = { ...pod, id: 'b' };
    const { usePods } = await import('../src/stores/pods');
    const { useUndo } = await import('../src/stores/undo');
    const pods = usePods();
    await pods.load();
    await pods.turn(pods.items[0]!, 'dried', 100, null, '100 g');
    expect(useUndo().last).toBe('Cayenne, red dried');
    await useUndo().undo();
    expect(paths()).toEqual(['POST /pods/a/turn', 'POST /pods/b/unturn']);
  });
  it('a tasting is undone by taking it out of the book', async () => {
    kitchen.answers['/heat'] = { id: 7, lots: ['a'] };
    const { useHeat } = await import('../src/stores/heat');
    const { useUndo } = await import('../src/stores/undo');
    const heat = useHeat();
    await heat.load();
    expect(heat.scaleOf('You').scores).toBe(1);
    expect(heat.scaleOf('Guest 1').scores).toBe(0);
    const lots = await heat.add({ kind: 'tasting', subject: { batchId: 'x' }, scores: [{ taster: 'You', score: 6 }] }, 'tasting of x');
    expect(lots).toEqual(['a']);
    await useUndo().undo();
    expect(paths()).toEqual(['POST /heat', 'DELETE /heat/7']);
  });
  it('own varieties stand before the table', async () => {
    kitchen.has['/varieties'] = [{ id: 'own-gull', revision: 1, value: { ...variety('cayenne-red'), id: 'own-gull', name: 'Gull beak' } }];
    const { useVarieties } = await import('../src/stores/own');
    const varieties = useVarieties();
    await varieties.load();
    expect(varieties.rows[0]!.name).toBe('Gull beak');
    expect(varieties.find('own-gull')!.id).toBe('own-gull');
    expect(varieties.find('habanero-orange')!.name).toBe('Habanero, orange');
  });
});
