import { describe, expect, it } from 'vitest';
import {
  gramsOf,
  HEAT_WORDS,
  ingredient,
  INGREDIENTS,
  intakesOf,
  levelName,
  MIXED_UNKNOWN,
  planBatch,
  type Wish,
  podUses,
  readHave,
  reportLine,
  STYLES,
  VARIETIES,
  lotOfVariety,
  planRecipe,
  podsIn,
  readLine,
  choosePods,
  newBatch,
  variety,
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
    expect([h.bottles, h.bottleMl, h.heat, h.unknown]).toEqual([6, 100, 'medium', []]);
  });
  it.each([
    ['20 jalapeños', ['jalapeno-green', 360]],
    ['200 g serranos', ['serrano-green', 200]],
    ['a bowl of chillies', ['mixed-unknown', 15 * 8]],
    ['two handfuls of hot peppers', ['mixed-unknown', 12 * 8]],
    ['3 cayennes', ['cayenne-red', 24]],
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
  it.each([
    ['10 jalapeños, seeds out', 'seedsOut', 180],
    ['10 seeded jalapeños', 'seedsOut', 180],
    ['12 habaneros, cored', 'cored', 108],
    ["18 bird's eye chillies, half cored, garlic", 'halfCored', 19.8],
    ['4 ghost peppers, ribs removed', 'cored', 28],
    ['6 cayennes', undefined, 48],
    // Washed, and not cut; what is said to stay in stays in.
    ['6 cayennes, cleaned', undefined, 48],
    ['6 cayennes, seeds left in', 'whole', 48],
  ] as const)('the knife that is said reaches the board: %s', (text, prep, g) => {
    const h = have(text);
    expect([h.pods[0]?.prep, h.pods.length, h.unknown]).toEqual([prep, 1, []]);
    expect(h.pods[0]!.stockG).toBeCloseTo(g, 6);
    // A count stays that count.
    const n = podsIn(h.pods[0]!.lot, h.pods[0]!.stockG);
    if (/^\d+ (?!g)/.test(text)) expect(n).toBeCloseTo(Number.parseInt(text, 10), 6);
  });
  it('a recipe says the knife too, and it counts in the heat; heatless pods that are cored can be chosen', () => {
    const of = (line: string) =>
      planRecipe(
        {
          ...{ name: 'R', startDate: TODAY, style: 'simmered-vinegar', rows: INGREDIENTS, boughtId: 'b', things: [] },
          goal: { lowShu: 100, highShu: 9000, bottles: 2, bottleMl: 100 },
          ...{ items: [line, '1 cup white vinegar'].flatMap((l) => readLine(l, 'us', [])), idOf: (n: number) => `p${n}` },
        } as never,
        TODAY,
      );
    expect(of('20 jalapeños, cored').heat.p50).toBeLessThan(0.5 * of('20 jalapeños').heat.p50);
    for (const prep of ['seedsOut', 'cored', 'halfCored'] as const) {
      const batch = newBatch('C', TODAY, { lowShu: 100, highShu: 9000, bottles: 2, bottleMl: 100 });
      const bell = { lot: lotOfVariety(variety('bell-red'), { id: 'bell' }), stockG: 600, prep, useFirst: false };
      expect(choosePods(solver, batch, [bell]).status, prep).toBe('short');
    }
  });
  it('what means nothing is named wherever it stands, with an amount or without', () => {
    expect(have('2 ghost peppers, garlic, 4 unicorns, vinegar, mild, 12 small bottles').unknown).toEqual(['4 unicorns']);
    expect(have('10 jalapeños, floob').unknown).toEqual(['floob']);
    expect(have('3 cloves garlic, peeled, finely chopped, 2 limes').unknown).toEqual([]);
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
  const THINGS = ['garlic', 'vinegar_cider', 'carrot', 'onion', 'mango_ripe', 'honey', 'lime_juice', 'salt_sea_fine'];
  const own = { ...ingredient('carrot'), key: 'own-carrot', name: 'My carrots', like: 'carrot' };
  const rows = [...INGREDIENTS, own];
  type Asked = Pick<Wish, 'goal' | 'pods' | 'things'> & Partial<Wish>;
  const ask = (w: Asked) => planBatch(solver, { name: 'P', startDate: TODAY, rows, boughtId: 'bought', ...w }, TODAY);
  const goalOf = (word: string, bottles: number, bottleMl = 100) => {
    const w = HEAT_WORDS.find((h) => h.name === word)!;
    return { lowShu: w.lowShu, highShu: w.highShu, bottles, bottleMl };
  };
  const thing = (id: string, massG: number | null = null) => ({ id, name: id, massG, says: id });

  /** The promises of a plan, worked out again from its file alone. */
  function holds(plan: ReturnType<typeof ask>, wish: Asked, which: string) {
    const { goal } = wish;
    const report = reportLine(plan.file, { today: TODAY, forecast: false });
    expect(report.ends[0]!.odds).toBeCloseTo(plan.odds, 9);
    expect(report.ends.reduce((sum, e) => sum + e.bottles.possible, 0)).toBe(plan.bottles);
    const tell = plan.notes.join(' ');
    if (plan.bottles < goal.bottles) expect(tell).toMatch(/This fills/);
    else if (plan.fills.odds < 0.8) expect(tell).toMatch(/of such batches/);
    expect(Math.min(...report.ends.map((e) => e.fills.odds))).toBe(plan.fills.odds);
    if (report.ends[0]!.heat.p50 < goal.lowShu) expect(tell).toMatch(/too few or too mild/);
    if (report.ends[0]!.heat.p50 > goal.highShu) expect(tell).toMatch(/hotter than you wish/);
    for (const p of podUses(plan.file))
      if (p.lotId === 'bought') expect(plan.bought?.id).toBe('bought');
      else expect(p.massG).toBeLessThanOrEqual(wish.pods.find((x) => x.lot.id === p.lotId)!.stockG + 0.5);
    const listed = [...plan.uses, ...plan.toBuy];
    const needs = new Map<string, number>();
    for (const { intake } of intakesOf(plan.file))
      if (intake.origin.from === 'larder')
        needs.set(intake.origin.key, (needs.get(intake.origin.key) ?? 0) + (intake.amount as { g: number }).g);
    for (const [id, g] of needs)
      if (id !== 'water' && !id.startsWith('salt') && g >= 0.5)
        expect(
          listed.some((l) => Math.abs(l.needG - g) < 1e-6),
          `${id} of ${which}`,
        ).toBe(true);
    for (const u of plan.uses) if (u.haveG !== null) expect(u.haveG).toBeGreaterThanOrEqual(u.needG - 0.5);
    // What fills a jug up is sour enough by what goes in, or the page's cautions say otherwise.
    if (report.ends[0]!.finished.pH !== null && report.ends[0]!.finished.pH > 4.6)
      expect(report.ends[0]!.keeping?.place).not.toBe('cupboard');
    return report;
  }

  it('whatever is there: it runs, fills the bottles or says so, takes no more than there is, and lists all that it needs', () => {
    const d = dice(20261125);
    for (let n = 0; n < 5; n++) {
      const pods = Array.from({ length: d.whole(1, 4) }, (_, i) => ({
        lot: lotOfVariety(d.pick(FRESH), { id: `l${i}` }),
        stockG: d.pick([5, 40, 120, 300, 900, 4000]),
      }));
      const things = THINGS.filter(() => d.chance(0.4)).map((id) => thing(id, d.pick([null, 30, 400])));
      const w = d.pick(HEAT_WORDS.slice(0, 5));
      const goal = { lowShu: w.lowShu, highShu: w.highShu, bottles: d.pick([1, 3, 6, 12]), bottleMl: d.pick([50, 100, 250]) };
      const wish = { goal, pods, things };
      holds(ask(wish), wish, String(n));
    }
  });

  it.each(STYLES.map((s) => s.id))('%s, whatever is there', (style) => {
    const d = dice(style.length * 7919);
    for (let n = 0; n < 1; n++) {
      const pods = Array.from({ length: d.whole(1, 3) }, (_, i) => ({
        lot: lotOfVariety(d.pick(FRESH), { id: `l${i}` }),
        stockG: d.pick([5, 60, 300, 2000]),
      }));
      const things = THINGS.filter(() => d.chance(0.3)).map((id) => thing(id, d.pick([null, 30])));
      const w = d.pick(HEAT_WORDS.slice(0, 5));
      const goal = { lowShu: w.lowShu, highShu: w.highShu, bottles: d.pick([1, 4, 7]), bottleMl: d.pick([100, 250]) };
      const plan = ask({ goal, pods, things, style });
      holds(plan, { goal, pods, things }, `${style} ${n}`);
      expect(plan.file.style).toBe(style);
      // What was named goes in somewhere.
      const keys = intakesOf(plan.file).map(({ intake: { origin } }) => (origin.from === 'larder' ? origin.key : ''));
      if (things.some((t) => t.id === 'honey')) expect(keys).toContain('honey');
    }
  });

  it('two ghost peppers for a dozen mild bottles: carried by what is filled up, salted as a sauce is, as hot as wished', () => {
    const ghost = VARIETIES.find((v) => v.id.startsWith('ghost') && v.form === 'fresh')!;
    const wish = { goal: goalOf('mild', 12), pods: [{ lot: lotOfVariety(ghost, { id: 'g' }), stockG: 14 }], things: [thing('garlic')] };
    const plan = ask(wish);
    const report = holds(plan, wish, 'ghost');
    expect([plan.bottles >= 12, plan.heat.p50 >= wish.goal.lowShu, plan.heat.p50 <= wish.goal.highShu], plan.notes.join(' ')).toEqual([
      true,
      true,
      true,
    ]);
    expect(report.ends[0]!.finished.saltPct).toBeGreaterThan(1);
  });

  it('the makers own ingredient fills a jug like what it is like; the same thing named twice is one thing', () => {
    const pods = [
      {
        lot: lotOfVariety(
          FRESH.find((v) => v.id.startsWith('cayenne'))!,
          { id: 'c' },
        ),
        stockG: 60,
      },
    ];
    const wish = { goal: goalOf('medium', 6), pods, things: [thing('own-carrot', 800), thing('garlic', 10), thing('garlic', 15)] };
    const plan = ask(wish);
    holds(plan, wish, 'own');
    const goesIn = (key: string) =>
      intakesOf(plan.file).flatMap(({ intake: { origin, amount } }) =>
        origin.from === 'larder' && origin.key === key ? [gramsOf(amount)] : [],
      );
    // One intake; all that a style has for its pods is scaled together, so near the 25 g that were said.
    expect(goesIn('garlic')).toHaveLength(1);
    expect(goesIn('garlic')[0]! / 25).toBeGreaterThan(0.8);
    expect(goesIn('own-carrot')[0]).toBeGreaterThan(50);
  });

  it('without any pods it says what to type', () => {
    expect(() => ask({ goal: goalOf('medium', 6), pods: [], things: [] })).toThrow(/15 hot pods/);
  });
});
