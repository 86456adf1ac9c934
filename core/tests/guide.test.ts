import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  answerCase,
  BANDED,
  CASES,
  COOKED,
  co2Atm,
  DRAWINGS,
  FOODS,
  GUIDE_PARTS,
  JAR_VERDICTS,
  newBatch,
  NO_PAST,
  reportLine,
  retained,
  ROW_13,
  ROWS,
  searchGuide,
  TOPIC_IDS,
  topicOf,
  TOPICS,
  variety,
  whyOf,
  type Sauce,
} from '../src';

describe('the guide', () => {
  it('every topic can be read: its own id and title, a part, a source, something said, and whatever it leads to is there', () => {
    expect(TOPICS.map((t) => t.id)).toEqual(TOPIC_IDS);
    expect(new Set(TOPIC_IDS).size).toBe(TOPICS.length);
    expect(new Set(TOPICS.map((t) => t.title)).size).toBe(TOPICS.length);
    for (const t of TOPICS) {
      expect(GUIDE_PARTS[t.part], t.id).toBeDefined();
      expect(t.source.length, t.id).toBeGreaterThan(5);
      expect(t.says.length, t.id).toBeGreaterThan(0);
      for (const s of t.says) expect(s, t.id).toMatch(/[.:]$/);
      for (const id of t.see ?? []) expect(topicOf(id), `${t.id} leads to ${id}`).not.toBeNull();
      if (t.drawing) expect(DRAWINGS).toContain(t.drawing);
    }
    for (const d of DRAWINGS)
      expect(TOPICS.some((t) => t.drawing === d) || CASES.some((c) => 'drawing' in c.picture && c.picture.drawing === d), d).toBe(true);
  });

  it('every topic that a caution or a why may lead to is there', () => {
    for (const id of TOPIC_IDS) expect(topicOf(id), id).not.toBeNull();
  });

  it('every why leads to one', () => {
    const file = newBatch('Why', '2026-11-01');
    const report = reportLine(file, { today: '2026-11-01', members: 10, forecast: false });
    for (const what of BANDED) expect(topicOf(whyOf(file, report, report.stations[0]!.id, what).guide)).not.toBeNull();
  });

  it('is found by the words that cooks use', () => {
    const first = (q: string) =>
      searchGuide(q)
        .slice(0, 4)
        .map((t) => t.id);
    expect(first('mould')).toContain('signs');
    expect(first('moulds')).toContain('signs');
    expect(first('garlic oil')).toContain('garlic-in-oil');
    expect(first('tablespoon')).toContain('spoons');
    expect(first('BOTULISM')).toContain('botulism');
    expect(first('jalapeno')).toContain('where-heat-sits');
    expect(searchGuide('')).toHaveLength(TOPICS.length);
    expect(searchGuide('xyzzy')).toEqual([]);
    fc.assert(fc.property(fc.string({ maxLength: 60 }), (q) => searchGuide(q).every((t) => topicOf(t.id) === t)));
  });

  it('figures in its tables are those of the models', () => {
    for (const [g, atm] of topicOf('glass-under-pressure')!.facts!.rows) {
      expect(Math.abs(co2Atm(Number(g), 0.0526, 30) / parseFloat(atm) - 1)).toBeLessThan(0.02);
    }
    const kinds = { 'red jalapeño': 'jalapeno-red', cayenne: 'cayenne-red' };
    for (const [name, text] of topicOf('where-heat-sits')!.facts!.rows) {
      const id = kinds[name as keyof typeof kinds];
      if (!id) continue;
      const pod = variety(id).pod!.massFraction;
      const said = text.match(/\d+/g)!.map(Number);
      for (const [i, prep] of (['seedsOut', 'halfCored', 'cored'] as const).entries()) {
        expect(Math.abs(100 * retained(prep, 'std', pod).heat - said[i]!)).toBeLessThanOrEqual(1);
      }
    }
  });
});

it('the table of keeping in the guide is the table of the rules: every place and number of days that a row can give, and no other', () => {
  const of = <T>(list: readonly T[]) => fc.constantFrom(...list);
  const foods = fc.subarray([...FOODS]).map((f) => new Set(f));
  const sauce: fc.Arbitrary<Sauce> = fc.record({
    ...{ pH: of([3.2, 3.9, 4.3, 5, null]), acidity: of(['unread', 'acid', 'near', 'low'] as const), meter: fc.boolean() },
    ...{
      hot: fc.boolean(),
      filledHot: fc.boolean(),
      brinePct: of([0, 3]),
      aceticPct: of([0, 2]),
      brix: of([5, 60]),
      oilPct: of([0, 1, 30]),
      shortPct: of([0, 12, 50]),
      rawPct: of([0, 50]),
      cooked: fc.boolean(),
    },
    past: fc.record({
      ...{ foods, fresh: foods, cooked: of(COOKED), ferment: of([null, ...JAR_VERDICTS]), freeOilG: of([0, 5]), blended: fc.boolean() },
      ph: fc.constant({ value: 3.4, instrument: 'meter' as const, sd: 0.05 }),
    }),
  }) as never;
  const rows = topicOf('keeping')!.facts!.rows;
  expect(rows.map(([when]) => when)).toEqual([...ROWS, ROW_13].map((r) => r.when));
  const given = new Map([...ROWS, ROW_13].map((r) => [r.no, new Set<string>()]));
  fc.assert(
    fc.property(sauce, (partial) => {
      const s = { ...partial, past: { ...NO_PAST, ...partial.past } };
      for (const r of [...ROWS, ROW_13]) if (r.fits(s)) given.get(r.no)!.add(`${r.keeps(s).days} ${r.keeps(s).place}`);
    }),
    { numRuns: 6000 },
  );
  for (const r of [...ROWS, ROW_13]) {
    const days = [...given.get(r.no)!].map((g) => Number(g.split(' ')[0]));
    // What goes to the bin keeps for no day, and says no figure.
    const said = r.most === 'nowhere: the bin' ? [0] : (r.most.replace(/at 4\.0|read 4\.0/g, '').match(/\d+/g) ?? []).map(Number);
    expect(
      [...new Set(said)].sort((a, b) => a - b),
      r.when,
    ).toEqual([...new Set(days)].sort((a, b) => a - b));
    for (const [place, word] of [
      ['fridge', 'fridge'],
      ['cupboard', 'cupboard'],
      ['bin', 'bin'],
    ] as const)
      expect(r.most.includes(word), r.when).toBe([...given.get(r.no)!].some((g) => g.endsWith(place)));
  }
});

describe('ten cases', () => {
  it('are ten; each has one right answer among its options, a reason, and a topic', () => {
    expect(CASES).toHaveLength(10);
    for (const c of CASES) {
      expect(
        c.options.map((o) => o.id),
        c.id,
      ).toContain(c.right());
      expect(c.options.length).toBeGreaterThan(1);
      expect(c.why(), c.id).not.toMatch(/NaN|undefined|Infinity/);
      expect(topicOf(c.topic), c.id).not.toBeNull();
      expect(c.options.filter((o) => answerCase(c.id, o.id).right)).toHaveLength(1);
    }
    expect(() => answerCase('none', 'keep')).toThrow(RangeError);
    expect(() => answerCase(CASES[0]!.id, 'none')).toThrow(RangeError);
  });

  // Facts of the trade, and of the chapters named: what core works out must come to them.
  it.each([
    ['white-film', 'act' /* handbook 4, 5.1 */],
    ['green-spot', 'discard' /* handbook 4, 5.1 */],
    ['cloudy-brine', 'keep' /* common practice, no source */],
    ['never-soured', 'discard' /* handbook 4, 5.1 */],
    ['salt-of-the-water', '1.6' /* handbook 4, 1.5: 1.63 */],
    ['thin-it', 'bell_red' /* handbook 3, 7.2 */],
    ['boil-it-down', 'up' /* handbook 5, 7.3 */],
    ['where-to-put-it', 'fridge' /* handbook 5, section 17 row 5 */],
    ['close-it', '3.5' /* handbook 4, 5.3: 3.49 */],
    ['core-them', '20' /* handbook 2, 3.2: .202 */],
  ])('%s: %s', (id, right) => {
    expect(CASES.find((c) => c.id === id)!.right()).toBe(right);
  });
});
