// @vitest-environment happy-dom
import { mount } from '@vue/test-utils';
import { createPinia, setActivePinia } from 'pinia';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { nextTick } from 'vue';
import { BARE_LOT, DEFAULT_SETTINGS, NO_FACTS } from '@roskel/contract';
import { lotOfVariety, podUses, solveBench, variety, type BenchStuff, type BlendWish, type ReaderAnswers } from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';
import { fakeKitchen } from './kitchen';

// The worker's place is taken by the same core on this thread.
const solver = await highsSolver();
vi.mock('../src/worker/client', () => ({
  bench: () => ({
    mix: (stuff: BenchStuff, wish: BlendWish) => Promise.resolve({ ok: true, answer: solveBench(solver, stuff, wish), ms: 1 }),
  }),
  latest: <T>(f: T) => f,
  stoppable: <T>(job: T) => job,
  stopBench: () => undefined,
}));
const lots: [string, number][] = [
  ['cayenne-red', 500],
  ['pointed-red', 900],
  ['habanero-orange', 95],
  ['bell-yellow', 0],
];
beforeEach(() => {
  localStorage.clear();
  setActivePinia(createPinia());
  fakeKitchen({
    '/pods': lots.map(([id, stockG]) => ({ id, revision: 1, stockG, lot: lotOfVariety(variety(id), { id }), ...BARE_LOT })),
    '/larder': ['vinegar_cider', 'salt_fine', 'onion'].map((id) => ({ id, ingredientKey: id, revision: 1, stockG: 1000, ...NO_FACTS })),
  });
});
async function store() {
  const { useBenchMix } = await import('../src/stores/benchMix');
  const mix = useBenchMix();
  await mix.load();
  return mix;
}

describe('the heat mix', () => {
  it('begins with what is there and finds a mix at once', async () => {
    const mix = await store();
    expect(mix.items.map((i) => i.id).sort()).toEqual([
      'cayenne-red',
      'habanero-orange',
      'onion',
      'pointed-red',
      'salt_fine',
      'vinegar_cider',
      'water',
    ]);
    expect(mix.answer!.status).toBe('found');
    expect(mix.now.props.massG).toBeCloseTo(500, -1);
    expect(mix.now.props.heatShu).toBeGreaterThan(1300);
    expect(mix.now.props.heatShu).toBeLessThan(3200);
  });
  it('of two questions the newest is answered, whichever answer comes last', async () => {
    const { useMixing } = await import('../src/pods/mixing');
    const waiting: ((n: number) => void)[] = [];
    const table = { on: 0 };
    const mixing = useMixing<number, number>({
      ask: () => new Promise((done) => waiting.push((n) => done({ ok: true, answer: n, ms: 1 }))),
      mixesOf: (n) => [n],
      put: (n) => (table.on = n),
      about: () => 'this',
      stands: () => String(table.on),
    });
    for (const order of [
      [0, 1],
      [1, 0],
    ]) {
      waiting.length = 0;
      const asked = [mixing.solve(), mixing.solve()];
      for (const i of order) waiting[i]!(i + 10);
      await Promise.all(asked);
      expect([mixing.answer.value, table.on, mixing.picked.value, mixing.solving.value]).toEqual([11, 11, 0, false]);
    }
  });
  it('amounts follow the finger, and what is wished for is kept for the next time', async () => {
    const mix = await store();
    const before = mix.now.props.heatShu;
    mix.setGrams('habanero-orange', 60);
    expect(mix.now.props.heatShu).toBeGreaterThan(before);
    mix.wish = { ...mix.wish, massG: 800 };
    await nextTick();
    setActivePinia(createPinia());
    const again = await store();
    expect(again.wish.massG).toBe(800);
    expect(again.grams['habanero-orange']).toBe(60);
  });
  it('a variety that is not in stock can be tried, and becomes a lot of the batch', async () => {
    const mix = await store();
    for (const i of [...mix.items]) if (i.store === 'pods') mix.drop(i.id);
    mix.add('pods', 'v:serrano-red', 200);
    mix.setGrams('vinegar_cider', 150);
    const file = mix.asBatch('Tried', '2026-11-01', { lowShu: 500, highShu: 1300, bottles: 3, bottleMl: 100 });
    expect(podUses(file).map((p) => p.lotId)).toEqual(['table-serrano-red']);
    expect(file.lots[0]!.heat!.source).toBe('table');
  });
  it('the fresh school counts otherwise and leaves the batch as it is', async () => {
    const mix = await store();
    const { useSettings } = await import('../src/stores/settings');
    const dry = mix.now.props.heatShu;
    useSettings().value = { ...DEFAULT_SETTINGS, school: 'fresh' };
    expect(mix.now.props.heatShu).toBeGreaterThan(3 * dry);
    const file = mix.asBatch('Stored dry', '2026-11-01', { lowShu: 500, highShu: 1300, bottles: 3, bottleMl: 100 });
    expect(file.lots.every((l) => l.heat === null || l.heat.source === 'table')).toBe(true);
  });
});

describe('the reader in the window', () => {
  it('answers keep the line as it is; a line may be of another kitchen', async () => {
    const { default: ListReader } = await import('../src/larder/ListReader.vue');
    const { default: PickField } = await import('../src/ui/PickField.vue');
    const w = mount(ListReader, {
      props: { modelValue: '2 limes\n1 cup water', 'onUpdate:answers': (answers: ReaderAnswers) => w.setProps({ answers }) },
    });
    expect(w.find('[data-fact=read]').text()).toBe('1 read, 1 to answer');
    await w.findAll('.options button')[0]!.trigger('click');
    expect(w.props('modelValue')).toBe('2 limes\n1 cup water');
    expect(w.find('[data-fact=read]').text()).toBe('2 read');
    const grams = () => w.findAll('[data-fact=grams]').map((g) => g.text());
    expect(grams()).toEqual(['60 g', '249 g']);
    w.findAllComponents(PickField)[1]!.vm.$emit('update:modelValue', 'us');
    await nextTick();
    expect(grams()).toEqual(['60 g', '236 g']);
  });
});

describe('the dilution test', () => {
  it('ends a ladder after two finds, takes an answer back, and estimates', async () => {
    const { useDilution } = await import('../src/bench/useDilution');
    const d = useDilution();
    d.test.value.people = 2;
    d.begin();
    expect(d.test.value.step).toBe('mix');
    const miss = () => d.choose((d.saucePlace.value % 3) + 1);
    const hit = () => d.choose(d.saucePlace.value);
    miss();
    hit();
    expect(d.done.value).toBe(false);
    d.takeBack();
    expect(d.answers.value).toEqual([false]);
    miss();
    hit();
    hit();
    expect(d.done.value).toBe(true);
    d.choose(1);
    expect(d.answers.value).toHaveLength(4);
    d.nextPerson();
    hit();
    hit();
    d.nextPerson();
    expect(d.test.value.step).toBe('result');
    expect(d.estimate.value!.people).toHaveLength(2);
    expect(d.estimate.value!.censored).toBe('above');
    // What was typed and tasted is still there after a reload.
    await nextTick();
    expect(useDilution().test.value.answers[0]).toEqual([false, false, true, true]);
    d.restart();
    expect(d.test.value.step).toBe('what');
  });
});

describe('how sure', () => {
  it('shows the largest doubts and only remedies that help', async () => {
    const { default: DoubtPlate } = await import('../src/heat/DoubtPlate.vue');
    const w = mount(DoubtPlate, {
      props: {
        now: 0.6,
        doubts: [
          { what: 'lot', id: 'a', share: 0.7, says: 'How hot Cayenne really is' },
          { what: 'way', id: null, share: 0.29, says: 'The way' },
          { what: 'pods', id: 'a', share: 0.01, says: 'Few pods' },
        ],
        remedies: [
          { what: 'taste', id: 'a', says: 'Taste it', odds: 0.68, sigma: 0.3 },
          { what: 'pods', id: 'a', says: 'More pods', odds: 0.601, sigma: 0.39 },
        ],
      },
    });
    expect(w.findAll('li').map((l) => l.text())).toEqual(['How hot Cayenne really is 70 in 100', 'The way 29 in 100']);
    expect(w.findAll('[data-fact=remedy]').map((r) => r.text())).toEqual(['Taste it: about 7 in 10 instead of about 6 in 10.']);
  });
});
