import { beforeAll, describe, expect, it } from 'vitest';
import {
  ingredient,
  knownSauce,
  massOf,
  palateOf,
  RAILS,
  searchSteps,
  solveTrim,
  stepsInWords,
  trimBowl,
  trimGram,
  trimProblem,
  trimProgram,
  trimSearch,
  trimWish,
  valuesOfSauce,
  withGrams,
  type LinearSolver,
  type Rail,
  type Round,
  type Says,
  type TrimStock,
  type TrimTold,
} from '../src';
import { dice, type Dice } from './random';
import { TRIM_KEYS as KEYS } from './trimLarder';
import { highsSolver } from '@roskel/core/highs';

let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});

const stocksOf = (keys: readonly string[], g = 1000): TrimStock[] => keys.map((k) => ({ row: ingredient(k), stockG: g, perKg: 3 }));
/** The batch of the handbook's examples: 950 g, 6 800 SHU, salt 2.1, sugar 4, pH 3.62, acetic 1.6 % (chapter 2, section 8). */
const BATCH = { massG: 950, pH: 3.62, shu: 6800, saltPct: 2.1, sugarPct: 4, body: 4, aceticPct: 1.6 };
const say = (says: Says, known = BATCH, keys: readonly string[] = KEYS, more = {}) =>
  trimBowl(highs, knownSauce(known), stocksOf(keys), [], { says, kitchen: 'metric', ...more });

describe("the handbook's examples (chapter 2, section 8: W1 to W6; its buffer is a guess, so is ours: pH within .15)", () => {
  const with_ = (known: typeof BATCH, grams: Record<string, number>) => {
    const sauce = knownSauce(known);
    const grains = new Map(Object.keys(grams).map((k) => [k, trimGram({ row: ingredient(k), stockG: 1e6 })]));
    return valuesOfSauce(withGrams(sauce, grains, new Map(Object.entries(grams))));
  };
  it('W1: 22 tbsp of roasted pepper and 9 g of salt', () => {
    const after = with_(BATCH, { roasted_pepper_jar: 334.4, salt_fine: 9 });
    expect(after.heat!).toBeCloseTo(4995, -1);
    expect(after.sour!).toBeGreaterThan(3.62);
    expect(Math.abs(after.sour! - 3.77)).toBeLessThan(0.15);
  });
  it('W1c: water brings the heat down and hardly moves the pH, but thins acid and salt', () => {
    const after = with_(BATCH, { water: 355 });
    expect(after.heat! / 4949).toBeCloseTo(1, 2);
    expect(after.salt!).toBeCloseTo(1.53, 2);
    expect(after.acid).toBeCloseTo(1.17, 1);
    expect(Math.abs(after.sour! - 3.62)).toBeLessThan(0.05);
    expect(after.body!).toBeLessThan(4);
  });
  it('W1d: lime alone is refused, for it would be far too sour', () => {
    expect(Math.abs(with_(BATCH, { lime_juice: 347 }).sour! - 2.78)).toBeLessThan(0.25);
    const told = say({ heat: 'much' }, BATCH, ['lime_juice']);
    expect(told.short).not.toBeNull();
  });
  it('W3: flat at 3.95, ten teaspoons of lime bring it to 3.7', () => {
    const flat = { ...BATCH, pH: 3.95, aceticPct: 0.9 };
    const after = with_(flat, { lime_juice: 51 });
    expect(Math.abs(after.sour! - 3.685)).toBeLessThan(0.15);
    expect(after.heat! / 6454).toBeCloseTo(1, 2);
    const told = say({ sour: 'little' }, flat, ['lime_juice', 'salt_fine', 'water']);
    expect(told.offers[0]!.puts[0]!.of).toBe('lime_juice');
    expect(told.offers[0]!.puts[0]!.g).toBeLessThan(80);
  });
  it('W6: only water, less than half the heat, and still as thick: it says what gives way', () => {
    const told = say({}, BATCH, ['water'], { set: { heat: { low: 2000, high: 3000 }, body: { low: 3.9, high: 5 } } });
    expect(told.short!.lines.join(' ')).toMatch(/of the sauce again/);
    // M (S/S* - 1) = 950 (6800/3000 - 1) = 1203 g.
    expect(told.short!.lines[0]).toMatch(/about 1200 g/);
    expect(told.short!.lines.join(' ')).toMatch(/Leave the (heat|body) as it is, and the rest can be had/);
  });
  it('a third less heat is half the batch again', () => {
    const told = say({ heat: 'much' }, BATCH, ['water', 'salt_fine', 'sugar_white', 'vinegar_cider']);
    for (const o of told.offers) expect(o.addedG / 950).toBeGreaterThan(0.45);
  });
});

/** A sauce, a larder and words by chance. */
function randomCase(d: Dice) {
  const known = {
    massG: Math.round(Math.exp(d.between(Math.log(120), Math.log(6000)))),
    pH: d.between(3, 4.4),
    shu: d.chance(0.1) ? 0 : Math.round(Math.exp(d.between(Math.log(80), Math.log(40_000)))),
    saltPct: d.between(0.3, 4),
    sugarPct: d.between(0, 25),
    body: d.between(1.5, 6),
    aceticPct: d.between(0.2, 2.5),
  };
  const keys = KEYS.filter(() => d.chance(0.7));
  const stocks = keys.map((k): TrimStock => ({
    row: ingredient(k),
    stockG: d.chance(0.2) ? d.between(0, 20) : d.between(50, 5000),
    perKg: d.chance(0.7) ? d.between(0.5, 20) : null,
  }));
  const says = Object.fromEntries(RAILS.filter(() => d.chance(0.35)).map((r) => [r, d.pick(['little', 'right', 'much'] as const)])) as Says;
  return { known, stocks, says };
}

describe('200 random sauces', () => {
  it('the search finds what a second solver (HiGHS) finds, and what it finds keeps every row worked out by hand', () => {
    const d = dice(17);
    const seen = { both: 0, none: 0 };
    for (let n = 0; n < 200; n++) {
      const { known, stocks, says } = randomCase(d);
      const sauce = knownSauce(known);
      const now = valuesOfSauce(sauce);
      const { wish } = trimWish(now, says);
      const p = trimProblem(sauce, stocks, wish, 'metric');
      const edge = (r: 'sour' | 'body') => (wish[r] ? { low: wish[r].low, high: wish[r].high } : null);
      const options = { soft: new Set<Rail>(), cuts: [], grams: new Map(), ionicStrength: { low: 0.3, high: 0.3 } };
      const asked = { ...options, edges: { sour: edge('sour'), body: edge('body') } };
      const search = trimSearch(p, asked);
      const mine = searchSteps(search);
      const { model } = trimProgram(p, asked);
      const other = highs.solve(model, { gap: 1e-6 });
      if (mine === null) {
        expect(other.status, `${n}`).toBe('infeasible');
        seen.none++;
        continue;
      }
      seen.both++;
      if (other.status !== 'optimal') throw new Error(`${n}: ${other.status}`);
      expect(Math.abs(mine.objective - other.objective), `${n}`).toBeLessThan(1e-4 * Math.max(1, mine.objective));
      for (const row of search.rows) {
        const sum = mine.steps.reduce((s, k, i) => s + k * row.by[i]!, 0);
        expect(sum, `${n}`).toBeGreaterThanOrEqual(row.low - 1e-6);
        expect(sum, `${n}`).toBeLessThanOrEqual(row.high + 1e-6);
      }
    }
    expect(seen.both).toBeGreaterThan(60);
    expect(seen.none).toBeGreaterThan(10);
  });
  it('every way keeps its promise when it is weighed in: windows, stock, three things at most, never less acid than it should have', () => {
    const d = dice(23);
    const seen = { ways: 0, short: 0, said: 0 };
    for (let n = 0; n < 200; n++) {
      const { known, stocks, says } = randomCase(d);
      const sauce = knownSauce(known);
      const told = trimBowl(highs, sauce, stocks, [], { says, kitchen: d.pick(['metric', 'us', 'au', 'uk'] as const) });
      expect(JSON.stringify(told)).not.toMatch(/NaN|Infinity/);
      if (told.short) {
        seen.short++;
        expect(told.short.lines.length, `${n}`).toBeGreaterThan(0);
        continue;
      }
      for (const o of told.offers) {
        seen.ways++;
        expect(o.puts.length).toBeLessThanOrEqual(3);
        // By plain sums, outside the program.
        let [mass, heat, salt, sugar] = [known.massG, known.massG * known.shu, known.massG * known.saltPct, known.massG * known.sugarPct];
        for (const put of o.puts) {
          const stock = stocks.find((s) => s.row.key === put.of)!;
          expect(put.g - put.buyG, `${n} ${put.of}`).toBeLessThanOrEqual(stock.stockG + 1e-9);
          expect(told.bought || put.buyG === 0).toBe(true);
          const gram = trimGram(stock);
          mass += put.g;
          heat += put.g * gram.heatShuG;
          salt += put.g * 100 * gram.grams.salt;
          sugar += put.g * 100 * gram.grams.sugars;
        }
        expect(o.after.heat!).toBeCloseTo(heat / mass, 4);
        expect(o.after.salt!).toBeCloseTo(salt / mass, 6);
        expect(o.after.sweet!).toBeCloseTo(sugar / mass, 6);
        const { wish } = told;
        for (const r of RAILS) {
          const w = wish[r];
          if (!w?.named) continue;
          const slack = r === 'heat' ? 0.01 * (o.after.heat! + 1) : 0.05;
          expect(o.after[r]!, `${n} ${r}`).toBeGreaterThanOrEqual(w.low - slack);
          expect(o.after[r]!, `${n} ${r}`).toBeLessThanOrEqual(w.high + slack);
        }
        // A sauce that was sour enough stays so; one that was not is made no less sour.
        expect(o.after.sour!).toBeLessThanOrEqual(Math.max(4, known.pH + 0.04));
      }
      if (told.notes.length > 0) seen.said++;
    }
    expect(seen.ways).toBeGreaterThan(100);
    expect(seen.short).toBeGreaterThan(10);
    expect(seen.said).toBeGreaterThan(3);
  });
  it('other ways do without what the first one is mostly made of', () => {
    const bulk = (o: TrimTold['offers'][number]) => o.puts[0]!.of;
    const told = say({ heat: 'much' });
    expect(told.offers.length).toBeGreaterThan(2);
    expect(new Set(told.offers.map(bulk)).size).toBe(told.offers.length);
  });
  it('a sauce that nobody finds fault with is left alone', () => {
    expect(say({}).offers).toEqual([]);
    expect(say({ heat: 'right', salt: 'right' }).offers).toEqual([]);
    const sauce = knownSauce(BATCH);
    const now = valuesOfSauce(sauce);
    const still = solveTrim(highs, trimProblem(sauce, stocksOf(KEYS), trimWish(now, {}).wish, 'metric'));
    expect(still).toMatchObject({ status: 'found' });
    expect(still.status === 'found' && still.ways[0]!.steps.size).toBe(0);
  });
  it('words that ask for what cannot be are answered', () => {
    expect(say({ heat: 'much' }, { ...BATCH, shu: 0 }).notes).toEqual(['There is no heat in it to take away.']);
    expect(say({ sour: 'much' }, { ...BATCH, pH: 4.2 }).notes[0]).toMatch(/4.0 or below/);
    expect(() => knownSauce({ ...BATCH, massG: 0 })).toThrow(/how much sauce/);
    expect(() => knownSauce({ ...BATCH, saltPct: 30, sugarPct: 60 })).toThrow(/no room for water/);
    expect(say({ salt: 'little' }, BATCH, []).short!.gist).toMatch(/nothing in the larder/);
  });
});

describe('a sauce known only by mass, pH and taste', () => {
  it('is what was said of it', () => {
    const d = dice(3);
    for (let n = 0; n < 100; n++) {
      const { known } = randomCase(d);
      const sauce = knownSauce(known);
      const v = valuesOfSauce(sauce);
      expect(massOf(sauce.stream)).toBeCloseTo(known.massG, 6);
      expect(v.sour!).toBeCloseTo(known.pH, 3);
      expect(v.heat!).toBeCloseTo(known.shu, 6);
      expect(v.body!).toBeCloseTo(known.body, 3);
      expect(v.acid).toBeCloseTo(known.aceticPct, 6);
    }
  });
});

describe('spoons in words', () => {
  it.each([
    [6, '1/4 tsp', '1 1/2 tsp'],
    [13, '1/4 cup', '3 1/4 cups'],
    [3, '1/8 tsp', '3/8 tsp'],
    [4, '1/4 cup', '1 cup'],
    [5, 'tbsp', '5 tbsp'],
    [1, 'tsp', '1 tsp'],
    [1, '1/2 tsp', '1/2 tsp'],
    [18, 'tsp', '6 tbsp'],
    [24, '1/2 tsp', '4 tbsp'],
    [7, 'tsp', '7 tsp'],
    [8, 'tbsp', '1/2 cup'],
    [48, 'tsp', '1 cup'],
  ])('%d of %s', (n, step, words) => expect(stepsInWords(n, step)).toBe(words));
});

describe("the maker's own words", () => {
  const round = (says: Says, was: Partial<Record<Rail, number>>): Round => ({
    id: 'r',
    at: '2026-10-01T18:00:00Z',
    says,
    was: { heat: null, sour: null, salt: null, sweet: null, body: null, ...was },
    put: [],
  });
  it('what was called right draws the next wish towards it', () => {
    const palate = palateOf([round({ salt: 'right' }, { salt: 1.2 }), round({ salt: 'right', heat: 'much' }, { salt: 1.2, heat: 9000 })]);
    expect(palate.salt!.level).toBeCloseTo(1.2, 9);
    expect(palate.salt!.said).toBe(2);
    expect(palate.heat).toBeUndefined();
    const now = valuesOfSauce(knownSauce({ ...BATCH, saltPct: 3 }));
    const plain = trimWish(now, { salt: 'much' }).wish.salt!;
    const own = trimWish(now, { salt: 'much' }, {}, palate).wish.salt!;
    expect(own.high).toBeLessThan(plain.high);
    // One that lies on the other side says nothing of "too much".
    expect(trimWish(now, { salt: 'little' }, {}, palate).wish.salt).toEqual(trimWish(now, { salt: 'little' }).wish.salt);
  });
  it('windows are windows, whatever was called right', () => {
    const d = dice(77);
    for (let n = 0; n < 500; n++) {
      const { known, says } = randomCase(d);
      const now = { heat: known.shu, sour: known.pH, salt: known.saltPct, sweet: known.sugarPct, body: known.body, acid: known.aceticPct };
      const palate = palateOf([
        round(Object.fromEntries(RAILS.map((r) => [r, 'right'])) as Says, {
          heat: d.between(1, 50_000),
          sour: d.between(2.8, 5),
          salt: d.between(0.1, 6),
          sweet: d.between(0.1, 40),
          body: d.between(1, 7),
        }),
      ]);
      const { wish } = trimWish(now, says, {}, palate);
      for (const r of RAILS) {
        const w = wish[r];
        if (!w) continue;
        expect(w.low, `${n} ${r}`).toBeLessThanOrEqual(w.high);
        expect(Number.isFinite(w.low + w.high)).toBe(true);
        if (r === 'sour') expect(w.high).toBeLessThanOrEqual(Math.max(4, now.sour + 0.03));
        // Too hot is never answered with hotter.
        if (says[r] === 'much' && w.named && r !== 'sour') expect(w.high).toBeLessThan(now[r]);
        if (says[r] === 'little' && w.named && r !== 'sour') expect(w.low).toBeGreaterThan(now[r]);
      }
    }
  });
});
