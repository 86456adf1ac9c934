import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bottling,
  handlingPods,
  ingredient,
  jarAcid,
  jarRising,
  jarSalt,
  keepingOf,
  larderMaterial,
  reportLine,
  weighBench,
  withExtras,
  withParams,
  type BatchFile,
  type BottledSauce,
  type Ingredient,
} from '../src';
import { log, smallBatch } from './helpers';

const sauce: BottledSauce = { pH: 3.4, measured: true, instrument: 'meter', hotFilled: true, fermented: true, underOil: false };
const ids = (s: BottledSauce) => bottling(s).map((c) => c.id);

describe('keeping', () => {
  it('nothing unmeasured, live, oily or above 4.0 ever leaves the cold', () => {
    fc.assert(
      fc.property(
        fc.record({
          pH: fc.option(fc.double({ min: 2.5, max: 7, noNaN: true })),
          measured: fc.boolean(),
          instrument: fc.constantFrom('meter', 'strip', null),
          hotFilled: fc.boolean(),
          fermented: fc.boolean(),
          underOil: fc.boolean(),
        }),
        (s) => {
          const k = keepingOf(s as BottledSauce);
          const cupboard = k.place.includes('cupboard');
          if (!s.measured || s.pH === null || s.pH > 4.0 || !s.hotFilled || s.underOil) expect(cupboard).toBe(false);
          if (cupboard && s.instrument !== 'meter') expect(s.pH!).toBeLessThanOrEqual(3.6);
          expect(k.text.toLowerCase()).not.toContain('shelf stable');
          expect(k.days).toBeLessThanOrEqual(180);
        },
      ),
      { numRuns: 400 },
    );
  });
  // 4.6 is the line of US 21 CFR 114.3.
  it('above 4.6 is refused, whatever else is done', () => {
    expect(keepingOf({ ...sauce, pH: 4.61 }).days).toBe(7);
    expect(ids({ ...sauce, pH: 4.61 })).toContain('botulism');
    expect(ids({ ...sauce, pH: 5.2, measured: false })).toContain('botulism');
  });
  it('a strip is read a row worse', () => {
    expect(keepingOf({ ...sauce, pH: 4.3, instrument: 'strip' }).days).toBe(7);
    expect(keepingOf({ ...sauce, pH: 3.8, instrument: 'strip' }).place).toBe('fridge');
  });
  it('live sauce is under pressure, home guidance is always said', () => {
    expect(ids({ ...sauce, hotFilled: false })).toContain('live-pressure');
    for (const pH of [3.2, 4.3, 5]) expect(ids({ ...sauce, pH })).toContain('home-only');
  });
});

describe('jar', () => {
  it('salt below 2 % of the whole jar is a danger', () => {
    expect(jarSalt(1.6, false)[0]?.severity).toBe('danger');
    expect(jarSalt(3, false)).toEqual([]);
    expect(jarSalt(10, true)).toEqual([]);
  });
  it('not sour after a week is a danger, after two it goes, unless salt holds it', () => {
    expect(jarAcid(6, 5, 3)).toEqual([]);
    expect(jarAcid(8, 4.8, 3)[0]?.id).toBe('jar-not-acid');
    expect(jarAcid(15, 4.8, 3)[0]?.id).toBe('jar-discard');
    expect(jarAcid(15, 4.8, 11)[0]?.id).toBe('jar-not-acid');
    expect(jarAcid(8, null, 3)[0]?.id).toBe('jar-unread');
    expect(jarAcid(20, 4.6, 3)).toEqual([]);
  });
  it('a rising pH is named', () => expect(jarRising(0.5)[0]?.severity).toBe('danger'));
});

it('hot pods ask for gloves, sweet ones do not', () => {
  expect(handlingPods(5000)[0]?.text).toMatch(/gloves/i);
  expect(handlingPods(0)).toEqual([]);
});

it('a jar drained early and not sour is named, also when vinegar follows', () => {
  const early = log(log(log(smallBatch(), 'prep', { doneOn: '2026-10-01' }), 'salt', { doneOn: '2026-10-01' }), 'ferment', {
    doneOn: '2026-10-05',
  });
  const ids = (file: typeof early) => reportLine(file, { today: '2026-10-06', forecast: false }).cautions.map((c) => c.id);
  expect(ids(early)).toContain('jar-unread');
  expect(ids(log(early, 'ferment', { pH: 4.9, instrument: 'meter' }))).toContain('jar-not-acid');
  expect(ids(log(early, 'ferment', { pH: 3.9, instrument: 'meter' }))).not.toContain('jar-unread');
});

it('the pH of a jar never speaks for the blended sauce, even when nothing is added', () => {
  const plain = withParams(log(smallBatch(), 'ferment', { pH: 3.5, instrument: 'meter' }), 'blend', { additions: [], heldUpPct: 1 });
  const hot = withParams(plain, 'bottle', { fill: 'hot', headspacePct: 5, altitudeM: 0 });
  const report = reportLine(hot, { today: '2026-10-20', forecast: false });
  expect(report.keeping?.place).toBe('fridge');
  expect(report.cautions.map((c) => c.id)).toContain('ph-unmeasured');
  expect(reportLine(log(hot, 'strain', { pH: 3.5, instrument: 'meter' }), { today: '2026-10-20', forecast: false }).keeping?.place).toMatch(
    /cupboard/,
  );
});

it('a whole line: cautions come out of the report, and a reading changes what may be said', () => {
  const today = '2026-11-01';
  const plain = reportLine(smallBatch(), { today });
  expect(plain.cautions.map((c) => c.id)).toEqual(
    expect.arrayContaining(['capsaicin-skin', 'ph-unmeasured', 'live-pressure', 'home-only']),
  );
  const measured = reportLine(log(smallBatch(), 'bottle', { pH: 3.45, instrument: 'meter' }), { today });
  expect(measured.cautions.map((c) => c.id)).not.toContain('ph-unmeasured');
  expect(measured.keeping?.days).toBe(180);
  const sourless = reportLine(log(smallBatch(), 'bottle', { pH: 4.9, instrument: 'meter' }), { today });
  expect(sourless.cautions.map((c) => c.id)).toContain('botulism');
});

describe('oil, by what it is made of and not by its name', () => {
  const oily: Ingredient = { ...ingredient('oil_olive'), key: 'own-1', name: 'Cold pressed, mine', like: 'oil_olive' };
  const bottled = (items: { id: string; massG: number }[]) => {
    const file: BatchFile = withExtras(smallBatch(), items, [oily]);
    const stations = file.stations.map((s) =>
      s.kind === 'bottle' ? { ...s, params: { ...(s.params as object), fill: 'hot' }, log: { pH: 3.3, instrument: 'meter' as const } } : s,
    );
    return reportLine({ ...file, stations }, { today: '2026-10-01' });
  };
  it('an own oil in a batch is a danger and keeps even a sour, hot-filled sauce in the fridge for a week', () => {
    expect(bottled([{ id: 'vinegar_cider', massG: 300 }]).keeping!.place).toMatch(/cupboard/);
    const under = bottled([
      { id: 'vinegar_cider', massG: 300 },
      { id: 'own-1', massG: 40 },
    ]);
    expect(under.cautions.some((c) => c.id === 'garlic-oil' && c.severity === 'danger')).toBe(true);
    expect(under.keeping).toMatchObject({ place: 'fridge', days: 7 });
  });
  it('and on the bench', () => {
    const stuff = { pods: [], larder: [{ row: oily, stockG: 500, useFirst: false }] };
    expect(weighBench(stuff, { 'own-1': 100 }, { lowShu: 0, highShu: 1 }).cautions.some((c) => c.id === 'garlic-oil')).toBe(true);
  });
  it('a copied row keeps what is known of its kind', () => {
    const choice = (row: Ingredient) => larderMaterial({ row, stockG: 1, useFirst: false });
    const own = { ...ingredient('xanthan'), key: 'own-2', like: 'xanthan' };
    expect(choice(own).body).toBe(choice(ingredient('xanthan')).body);
  });
});
