import { describe, expect, it } from 'vitest';
import {
  acidityOf,
  keepingOf,
  noGrams,
  NO_PAST,
  parcel,
  propsOf,
  sauceOf,
  type Food,
  type Keeping,
  type Past,
  type Sauce,
  type Stream,
} from '../src';

/*
 * Handbook chapter 5, section 17, as chapter 6 puts it right, written out: what a sauce is, and where and how long it keeps.
 * Nothing here is read from the table of the program. US 21 CFR 114.3 for the line at 4.6.
 */

/** A sauce of 100 g as a line of the table below says it; what is not said is a plain cooked or raw sauce of pods and vinegar. */
interface Said {
  ph?: number;
  by?: 'meter' | 'strip';
  sd?: number;
  pieces?: true;
  ofBlended?: true;
  cooked?: true;
  hot?: true;
  ferment?: Past['ferment'];
  foods?: Food[];
  /** What of it is fresh, and how much of the sauce that is, %. */
  fresh?: Food[];
  freshPct?: number;
  rawPct?: number;
  oilPct?: number;
  salt?: number;
  acetic?: number;
  sugars?: number;
}
const PLAIN: Food[] = ['pod', 'vinegar', 'water'];
function sauce(said: Said): Sauce {
  const { foods = PLAIN, fresh = [], by = 'meter' } = said;
  const grams = { ...noGrams(), salt: said.salt ?? 1, acetic: said.acetic ?? 1, sugars: said.sugars ?? 4, fat: said.oilPct ?? 0 };
  const rest = Object.values(grams).reduce((s, g) => s + g, 0);
  const stream: Stream = { grams: { ...grams, water: 100 - rest }, heatShuG: 0, sidEq: 0, ledger: [] };
  const sd = said.sd ?? (by === 'meter' ? 0.05 : 0.4);
  const past: Past = {
    ...NO_PAST,
    foods: new Set(foods),
    fresh: new Set(said.cooked ? [] : fresh),
    shortG: said.freshPct ?? 0,
    rawG: said.rawPct ?? 0,
    freeOilG: said.oilPct ?? 0,
    cooked: said.cooked ? 'yes' : 'no',
    blended: !said.pieces,
    ferment: said.ferment ?? null,
    ph: said.ph === undefined ? null : { value: said.ph, instrument: by, sd, ...(said.ofBlended ? { ofBlended: true } : {}) },
  };
  // Worked out well below 4.6, so that the row of what is worked out above it stays out of the way.
  return { ...sauceOf(stream, past, propsOf(parcel(stream, past)), said.hot, said.hot), pH: said.ph ?? 3.5 };
}
const FILLED = '2026-11-15';
const keep = (said: Said): Keeping => keepingOf(sauce(said), { readyOn: FILLED });

const FRUIT: Food[] = [...PLAIN, 'fruit'];
const DRY: Food[] = ['pod', 'vinegar'];
type Line = [what: string, said: Said, place: Keeping['place'], days: number];

const TABLE: Line[] = [
  // Row 1: above 4.6, whatever else.
  ['raw, 4.61', { ph: 4.61 }, 'fridge', 3],
  ['cooked, 4.7', { ph: 4.7, cooked: true }, 'fridge', 4],
  ['cooked, in pieces, 4.7: the worse side counts', { ph: 4.7, cooked: true, pieces: true }, 'fridge', 4],
  ['cooked, filled hot, 4.55 by a meter that may be off by .08', { ph: 4.55, cooked: true, hot: true }, 'fridge', 4],
  ['a strip at 4.1: the next worse row', { ph: 4.1, by: 'strip', cooked: true }, 'fridge', 4],
  ['a strip at 4.6', { ph: 4.6, by: 'strip', cooked: true }, 'fridge', 4],
  ['a strip at 4.2 on pieces counts as much', { ph: 4.2, by: 'strip', cooked: true, pieces: true }, 'fridge', 4],
  // Row 2: raw and short-lived.
  ['raw herbs', { fresh: ['leaf'], freshPct: 5 }, 'fridge', 3],
  ['raw avocado, read at 3.9', { ph: 3.9, fresh: ['avocado'], freshPct: 50 }, 'fridge', 5],
  ['raw fruit, 3.5', { ph: 3.5, fresh: ['fruit'], foods: FRUIT, freshPct: 40 }, 'fridge', 5],
  ['raw onion, 4.3', { ph: 4.3, fresh: ['onion'], freshPct: 10 }, 'fridge', 3],
  ['raw tomato', { fresh: ['tomato'], freshPct: 60 }, 'fridge', 3],
  ['raw with milk', { fresh: ['dairy'], foods: ['pod', 'dairy'], freshPct: 20 }, 'fridge', 3],
  ['raw with something nobody named', { fresh: ['unknown'], foods: ['pod', 'unknown'], freshPct: 1 }, 'fridge', 3],
  ['fruit that was cooked since is not fresh', { ph: 3.5, cooked: true, foods: FRUIT }, 'fridge', 180],
  // Row 3: raw pods, salt, acid, no water.
  ['pods, salt, vinegar', { foods: DRY, salt: 3, acetic: 1 }, 'fridge', 7],
  ['the same, 4.0 by strip at 3.5', { foods: DRY, salt: 3, ph: 3.5, by: 'strip', acetic: 1 }, 'fridge', 7],
  ['the same, 3.8 by meter', { foods: DRY, salt: 3, ph: 3.8, acetic: 1 }, 'fridge', 14],
  ['the same with water', { foods: PLAIN, salt: 3, ph: 3.8 }, 'fridge', 7],
  ['salt of 1.9 % of its water', { foods: DRY, salt: 1.75, ph: 3.8 }, 'fridge', 7],
  ['no pods in it', { foods: ['garlic', 'citrus'], salt: 3, ph: 3.8 }, 'fridge', 7],
  // Row 4: oil.
  ['garlic under oil, cooked, unread', { oilPct: 20, foods: ['garlic', 'oil'], cooked: true }, 'fridge', 4],
  ['the same at 3.8', { oilPct: 20, foods: ['garlic', 'oil'], cooked: true, ph: 3.8 }, 'fridge', 7],
  ['with its acid, a film', { oilPct: 2, foods: ['garlic', 'oil', 'vinegar'], cooked: true, ph: 3.8 }, 'fridge', 14],
  ['with its acid, more than a film', { oilPct: 2.5, foods: ['garlic', 'oil', 'vinegar'], cooked: true, ph: 3.8 }, 'fridge', 7],
  ['a film, by a strip', { oilPct: 2, foods: ['pod', 'oil', 'vinegar'], cooked: true, ph: 3.4, by: 'strip' }, 'fridge', 7],
  ['dried herbs in oil', { oilPct: 30, foods: ['spice', 'oil'], cooked: true, ph: 3.8, hot: true }, 'fridge', 7],
  ['raw in oil', { oilPct: 5, foods: ['pod', 'oil', 'vinegar'], ph: 3.5 }, 'fridge', 4],
  // Row 5: cooked and unread.
  ['cooked, unread', { cooked: true, hot: true }, 'fridge', 14],
  ['cooked, unread, with onion', { cooked: true, foods: [...PLAIN, 'onion'] }, 'fridge', 7],
  ['cooked, unread, with nuts', { cooked: true, foods: [...PLAIN, 'nut'] }, 'fridge', 7],
  ['cooked, unread, with meat', { cooked: true, foods: [...PLAIN, 'meat'] }, 'fridge', 7],
  ['cooked, in pieces, 3.4: unread', { cooked: true, hot: true, ph: 3.4, pieces: true }, 'fridge', 14],
  // Rows 6 and 7: between the lines.
  ['cooked, 4.3', { cooked: true, hot: true, ph: 4.3 }, 'fridge', 30],
  ['cooked, 3.95 by a meter of today', { cooked: true, hot: true, ph: 3.95 }, 'fridge', 30],
  ['cooked, 3.85 by a meter of the week', { cooked: true, hot: true, ph: 3.85, sd: 0.1 }, 'fridge', 30],
  ['cooked, 3.68 by a meter of the month', { cooked: true, hot: true, ph: 3.68, sd: 0.2 }, 'fridge', 30],
  ['cooked, a strip at 3.7', { cooked: true, hot: true, ph: 3.7, by: 'strip' }, 'fridge', 30],
  ['raw, 4.3', { ph: 4.3 }, 'fridge', 7],
  // Row 8: ferments, by what is fresh in them.
  ['a ferment at 3.6', { ferment: 'acid', ph: 3.6 }, 'fridge', 180],
  [
    'a tenth of fresh fruit after the jar',
    { ferment: 'acid', ph: 3.6, fresh: ['fruit'], foods: FRUIT, freshPct: 10, rawPct: 10 },
    'fridge',
    180,
  ],
  ['an eighth', { ferment: 'acid', ph: 3.6, fresh: ['fruit'], foods: FRUIT, freshPct: 12, rawPct: 12 }, 'fridge', 30],
  ['three tenths', { ferment: 'acid', ph: 3.6, fresh: ['onion'], freshPct: 30, rawPct: 30 }, 'fridge', 30],
  ['more: a salsa with some ferment in it', { ferment: 'acid', ph: 3.6, fresh: ['tomato'], freshPct: 31, rawPct: 31 }, 'fridge', 5],
  ['raw pods with a spoon of live brine', { ferment: 'acid', ph: 3.6, fresh: ['pod'], rawPct: 95 }, 'fridge', 7],
  ['a ferment with fish', { ferment: 'acid', ph: 3.6, foods: ['pod', 'fish'] }, 'fridge', 7],
  ['a ferment with fresh milk', { ferment: 'acid', ph: 3.6, foods: ['pod', 'dairy'], fresh: ['dairy'], freshPct: 5 }, 'fridge', 5],
  ['a ferment at 4.3', { ferment: 'acid', ph: 4.3 }, 'fridge', 7],
  ['a ferment whose blend nobody read', { ferment: 'acid' }, 'fridge', 7],
  // Jars.
  ['a jar nobody read, blended at 3.5', { ferment: 'unread', ph: 3.5 }, 'fridge', 14],
  ['a jar in doubt, cooked and filled hot at 3.4', { ferment: 'doubtful', ph: 3.4, cooked: true, hot: true }, 'fridge', 7],
  ['a jar to be thrown away, cooked and filled hot at 3.4', { ferment: 'condemned', ph: 3.4, cooked: true, hot: true }, 'bin', 0],
  // Row 9: raw vinegar sauces.
  ['raw, 3.5, acetic 1.6 %', { ph: 3.5, acetic: 1.6 }, 'fridge', 90],
  ['raw, 3.5, acetic 1.4 %', { ph: 3.5, acetic: 1.4 }, 'fridge', 7],
  ['raw, 3.7, acetic 2 %', { ph: 3.7, acetic: 2 }, 'fridge', 7],
  ['raw, 3.5, acetic 2 %, with fruit that was cooked before', { ph: 3.5, acetic: 2, foods: FRUIT }, 'fridge', 7],
  ['raw, in pieces, read of a blended sample', { ph: 3.5, acetic: 2, pieces: true, ofBlended: true }, 'fridge', 7],
  // Rows 10 and 11: the cupboard, and what keeps out of it.
  ['cooked, filled hot, 3.92 by a meter of today', { cooked: true, hot: true, ph: 3.91 }, 'cupboard', 180],
  ['by a meter of the week', { cooked: true, hot: true, ph: 3.83, sd: 0.1 }, 'cupboard', 180],
  ['by a meter of the month', { cooked: true, hot: true, ph: 3.67, sd: 0.2 }, 'cupboard', 180],
  ['in pieces, read of a blended sample', { cooked: true, hot: true, ph: 3.6, pieces: true, ofBlended: true }, 'cupboard', 180],
  ['filled cold', { cooked: true, ph: 3.6 }, 'fridge', 180],
  ['by a strip at 3.6', { cooked: true, hot: true, ph: 3.6, by: 'strip' }, 'fridge', 180],
  ['raw, filled hot as it were', { hot: true, ph: 3.7 }, 'fridge', 7],
  ...(['dairy', 'egg', 'meat', 'fish', 'unknown'] as const).flatMap((food): Line[] => [
    [`with ${food}`, { cooked: true, hot: true, ph: 3.4, foods: [...PLAIN, food] }, 'fridge', 180],
    [`a syrup with ${food}`, { cooked: true, hot: true, ph: 3.4, sugars: 45, foods: [...PLAIN, food] }, 'fridge', 180],
  ]),
  ['a syrup of 45 °Bx', { cooked: true, hot: true, ph: 3.4, sugars: 45 }, 'cupboard', 180],
  ['a syrup, filled cold', { cooked: true, ph: 3.4, sugars: 45 }, 'fridge', 180],
  ['a syrup with a layer of oil', { cooked: true, hot: true, ph: 3.4, sugars: 45, oilPct: 3, foods: ['vinegar', 'oil'] }, 'fridge', 180],
  ['oil and no garlic, pods or herbs', { cooked: true, hot: true, ph: 3.4, oilPct: 3, foods: ['vinegar', 'oil'] }, 'fridge', 180],
  // Row 13: nothing fits.
  ['raw, unread', {}, 'fridge', 7],
];

describe('the table of keeping, line by line', () => {
  it.each(TABLE)('%s', (_, said, place, days) => {
    expect(keep(said)).toMatchObject({ place, days });
  });
  it('opened: what is left, at most 60 days', () => {
    expect(keep({ cooked: true, ph: 3.6 }).openedDays).toBe(60);
    expect(keep({ cooked: true, ph: 4.3 }).openedDays).toBe(30);
    expect(keep({ fresh: ['leaf'] }).openedDays).toBe(3);
  });
  it('worked out above 4.6 and unread: a week at most; worked out below it counts for nothing', () => {
    const cooked = sauce({ cooked: true });
    expect(keepingOf({ ...cooked, pH: 4.61 }, { readyOn: FILLED }).days).toBe(7);
    expect(keepingOf({ ...cooked, pH: 2.6 }, { readyOn: FILLED })).toMatchObject({ place: 'fridge', days: 14 });
  });
  it('reasons are true of the sauce they are said of', () => {
    expect(keep({ fresh: ['leaf', 'onion'] }).text).toContain('raw herbs and onion');
    expect(keep({ fresh: ['unknown'] }).text).toContain('nobody said');
    expect(keep({ cooked: true, ph: 3.4, sd: 0.2 }).text).not.toContain('calibrat');
    expect(keep({ cooked: true, ph: 3.8, sd: 0.2 }).text).toContain('calibrate and read again');
    expect(keep({ cooked: true, ph: 4.3 }).text).toContain('A little more acid');
    expect(keep({ cooked: true, ph: 4.2, by: 'strip' }).text).toContain('A strip cannot tell');
  });
  it('never says shelf stable, never more than half a year, never a place without a number of days', () => {
    for (const [what, said] of TABLE) {
      const k = keep(said);
      expect(k.text.toLowerCase(), what).not.toContain('shelf stable');
      expect(k.days, what).toBeLessThanOrEqual(180);
      expect(k.days > 0 || k.place === 'bin', what).toBe(true);
      expect(k.text, what).toMatch(/^(Fridge|A cool cupboard|Throw)/);
    }
  });
});

// Chapter 6, section 3: the reading plus 1.645 times its error is at or below 4.0 up to 3.92, 3.84 and 3.67.
describe('how near to a line a meter may read', () => {
  it.each([
    [0.05, 3.917, 3.918],
    [0.1, 3.835, 3.836],
    [0.2, 3.67, 3.672],
  ])('an error of %s: %s counts, %s does not', (sd, most, over) => {
    const at = (value: number) => acidityOf({ ...NO_PAST, blended: true, ph: { value, instrument: 'meter', sd } });
    expect([at(most), at(over)]).toEqual(['acid', 'near']);
  });
});

// Chapter 6, section 1: days count from when it became able to spoil as it is; warm hours of what is not sour end it.
describe('the clock', () => {
  const cooked = sauce({ cooked: true, ph: 3.6 });
  const raw = sauce({ fresh: ['leaf'] });
  const clock = { since: null, warmH: 0, warmBeforeH: 0, late: null };
  const at = (s: Sauce, c: object, readyOn = FILLED) => keepingOf(s, { readyOn, clock: { ...clock, ...c } });
  it('counts from its day, and not from the bottle', () => {
    expect(at(cooked, { since: '2026-11-05' })).toMatchObject({ place: 'fridge', days: 170, useBy: '2027-05-04' });
    expect(at(raw, { since: '2026-11-14' })).toMatchObject({ place: 'fridge', days: 2, useBy: '2026-11-17' });
    expect(at(raw, { since: '2026-11-12' })).toMatchObject({ place: 'fridge', days: 0, useBy: FILLED });
  });
  it('past its days before it is bottled: the bin, with how long it stood and how long it might', () => {
    expect(at(raw, { since: '2026-11-11' })).toMatchObject({ place: 'bin', days: 0 });
    expect(at(raw, { since: '2026-11-01' }).text).toMatch(/stood 14 days .* might stand three days/);
    expect(at(cooked, { late: { stood: 30, might: 7 } })).toMatchObject({ place: 'bin' });
  });
  it('warm for more than two hours unread: eaten that day; for more than four: the bin; sour while it was warm: as it is', () => {
    const unread = sauce({ cooked: true });
    expect(at(unread, { warmH: 2 })).toMatchObject({ place: 'fridge', days: 14 });
    expect(at(unread, { warmH: 2.5 })).toMatchObject({ place: 'fridge', days: 0, useBy: FILLED });
    expect(at(unread, { warmH: 4.1 }).place).toBe('bin');
    expect(at(cooked, { warmH: 20 })).toMatchObject({ place: 'fridge', days: 180 });
    expect(at(cooked, { warmBeforeH: 4.1 }).place).toBe('bin');
    expect(at(sauce({ cooked: true, ph: 4.7 }), { warmH: 4.1 }).place).toBe('bin');
  });
  it('a limit of a caution counts from the same day', () => {
    const limits = [{ place: 'fridge' as const, days: 7 }];
    expect(keepingOf(cooked, { readyOn: FILLED, clock: { ...clock, since: '2026-11-13' }, limits })).toMatchObject({
      days: 5,
      useBy: '2026-11-20',
    });
  });
});
