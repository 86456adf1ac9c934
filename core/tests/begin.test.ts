import { describe, expect, it } from 'vitest';
import {
  extrasOf,
  HEAT_WORDS,
  levelName,
  MIXED_UNKNOWN,
  planBatch,
  podUses,
  readHave,
  reportLine,
  VARIETIES,
  lotOfVariety,
} from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';
import { dice } from './random';

const solver = await highsSolver();
const TODAY = '2026-11-25';
const have = (text: string) => readHave(text, 'metric');

describe('what someone has, in their own words', () => {
  it('the sentence of the first minute', () => {
    const h = have('15 hot pods, garlic, vinegar, six small bottles, medium');
    // 15 pods of 8 g, the middle of the table's mixed ones.
    expect(h.pods.map((p) => [p.lot.varietyId, p.stockG])).toEqual([['mixed-unknown', 15 * MIXED_UNKNOWN.pod!.massG.typical]]);
    expect(h.things.map((t) => [t.id, t.massG])).toEqual([
      ['garlic', null],
      ['vinegar_distilled_5', null],
    ]);
    expect([h.bottles, h.bottleMl, h.heat, h.unknown]).toEqual([6, 100, { lowShu: 500, highShu: 2000 }, []]);
  });
  it.each([
    ['20 jalapeños', ['jalapeno-green', 340]],
    ['200 g serranos', ['serrano-green', 200]],
    ['a bowl of chillies', ['mixed-unknown', 15 * 8]],
    ['two handfuls of hot peppers', ['mixed-unknown', 12 * 8]],
    ['3 cayennes', ['cayenne-red', 22.5]],
    ['500 g mixed chillies', ['mixed-unknown', 500]],
  ] as const)('%s', (text, [id, g]) => {
    const [p] = have(text).pods;
    expect(p?.lot.varietyId.replace(/^jalapeno.*/, 'jalapeno-green')).toBe(id);
    expect(p?.stockG).toBeCloseTo(g, 6);
  });
  it('what follows a comma belongs to its line; what means nothing is named, never guessed', () => {
    const h = have('3 cloves garlic, crushed\n2 limes, juiced\n4 unicorns\na dozen bottles of 250 ml');
    expect(h.things.map((t) => t.id)).toContain('garlic');
    expect(h.unknown).toContain('4 unicorns');
    expect(h.unknown).not.toContain('crushed');
    expect([h.bottles, h.bottleMl]).toEqual([12, 250]);
  });
  it('nasty words throw nothing', () => {
    for (const text of [
      '',
      ',,,;',
      '999999999 pods',
      '1/0 chillies',
      '\u0000',
      'and and and',
      'bottles',
      '0 bottles',
      '-3 habaneros',
      '🌶️🌶️',
      'a'.repeat(5000),
    ])
      expect(() => have(text), text.slice(0, 20)).not.toThrow();
  });
});

it('heat has six words from mild up, each a factor of four or so, without gaps', () => {
  expect(HEAT_WORDS).toHaveLength(6);
  HEAT_WORDS.forEach((w, i) => {
    if (i > 0) expect(w.lowShu).toBe(HEAT_WORDS[i - 1]!.highShu);
    expect(levelName(Math.sqrt(w.lowShu * w.highShu))).toBe(w.name);
    expect(w.highShu / w.lowShu).toBeGreaterThan(3.5);
  });
  expect([levelName(0), levelName(50), levelName(1e7)]).toEqual(['no heat', 'no heat', 'extreme']);
});

describe('a plan from what is there', () => {
  const FRESH = VARIETIES.filter((v) => v.form === 'fresh' && v.pod);
  const THINGS = ['garlic', 'vinegar_cider', 'carrot', 'onion', 'mango_ripe', 'honey', 'lime_juice'];

  it('whatever is there: it runs, fills the bottles or says so, takes no more than there is, and lists all that it needs', () => {
    const d = dice(20261125);
    let found = 0;
    for (let n = 0; n < 10; n++) {
      const pods = Array.from({ length: d.whole(1, 4) }, (_, i) => ({
        lot: lotOfVariety(d.pick(FRESH), { id: `l${i}` }),
        stockG: d.pick([5, 40, 120, 300, 900, 4000]),
      }));
      const things = THINGS.filter(() => d.chance(0.4)).map((id) => ({ id, name: id, massG: d.pick([null, 30, 400]), says: id }));
      const w = d.pick(HEAT_WORDS.slice(0, 5));
      const goal = { lowShu: w.lowShu, highShu: w.highShu, bottles: d.pick([1, 3, 6, 12]), bottleMl: d.pick([50, 100, 250]) };
      const plan = planBatch(solver, { name: `P${n}`, startDate: TODAY, goal, pods, things }, TODAY);
      found++;
      // The promises, worked out again from the file alone.
      const report = reportLine(plan.file, { today: TODAY, forecast: false });
      expect(report.odds).toBeCloseTo(plan.odds, 9);
      expect(report.bottles.possible).toBe(plan.bottles);
      const tell = plan.notes.join(' ');
      if (plan.bottles < goal.bottles) expect(tell).toMatch(/This fills/);
      if (report.heat.p50 < goal.lowShu) expect(tell).toMatch(/too few or too mild/);
      if (report.heat.p50 > goal.highShu) expect(tell).toMatch(/hotter than you wish/);
      for (const p of podUses(plan.file)) expect(p.massG).toBeLessThanOrEqual(pods.find((x) => x.lot.id === p.lotId)!.stockG + 0.5);
      const listed = [...plan.uses, ...plan.toBuy];
      for (const x of extrasOf(plan.file).filter((e) => e.id !== 'water' && e.massG >= 0.5))
        expect(
          listed.some((l) => Math.abs(l.needG - x.massG) < 1e-6),
          `${x.id} of ${n}`,
        ).toBe(true);
      for (const u of plan.uses) if (u.haveG !== null) expect(u.haveG).toBeGreaterThanOrEqual(u.needG - 0.5);
      // What fills a jug up is sour enough by what goes in, or the page's cautions say otherwise.
      if (report.finished.pH !== null && report.finished.pH > 4.6) expect(report.keeping?.place).not.toBe('cupboard');
    }
    expect(found).toBe(10);
  });

  it('without any pods it says what to type', () => {
    const goal = { lowShu: 500, highShu: 2000, bottles: 6, bottleMl: 100 };
    expect(() => planBatch(solver, { name: 'X', startDate: TODAY, goal, pods: [], things: [] }, TODAY)).toThrow(/15 hot pods/);
  });
});
