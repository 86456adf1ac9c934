import { describe, expect, it } from 'vitest';
import {
  handlingPods,
  ingredient,
  jarAcid,
  jarSalt,
  judgeJar,
  larderMaterial,
  reportLine,
  weighBench,
  type Ingredient,
  type JarReading,
} from '../src';
import { JAR, log, smallBatch } from './helpers';

const read = (...list: [day: number, pH: number][]): JarReading[] => list.map(([day, pH]) => ({ day, pH, instrument: 'meter', sd: 0.05 }));
const judge = (list: JarReading[], salt = 3) => judgeJar(list, { ...JAR, saltPct: salt, wholeJarPct: salt });
const said = (day: number, list: JarReading[], salt = 3, open = true) => jarAcid(day, judge(list, salt), open)[0]?.id;

// Handbook chapter 4, section 5.1: above 4.6 on day 7 is a caution, on day 14 the jar goes, unless salt holds it.
describe('a jar is judged by its readings, each by its own day', () => {
  it('salt below 2 % of the whole jar is a danger', () => {
    expect(jarSalt(1.6, false)[0]?.severity).toBe('danger');
    expect(jarSalt(3, false)).toEqual([]);
    expect(jarSalt(10, true)).toEqual([]);
  });
  it('above 4.6 after a week is a danger, on day 14 it goes', () => {
    expect(said(6, read([6, 5]))).toBeUndefined();
    expect(said(8, read([8, 4.8]))).toBe('jar-not-acid');
    expect(said(15, read([15, 4.8]))).toBe('jar-discard');
    expect(said(15, read([14, 4.61]))).toBe('jar-discard');
    // A meter of today may be off by .08: 4.5 is clear of the line, 4.6 is not.
    expect(said(20, read([20, 4.5]))).toBeUndefined();
    expect(said(20, read([20, 4.6]))).toBe('jar-not-acid');
  });
  it('a reading of day 2 never condemns on day 15: it is old, and asked for anew', () => {
    expect(judge(read([2, 4.9])).verdict).toBe('doubtful');
    expect(said(15, read([2, 4.9]))).toBe('jar-read-now');
    expect(jarAcid(15, judge(read([2, 4.9])))[0]!.why).toMatch(/day 2.*nothing of day 15/);
    expect(said(5, read([2, 4.9]))).toBeUndefined();
  });
  it('what is condemned stays condemned, whatever is read later', () => {
    expect(judge(read([14, 4.8], [18, 4.2])).verdict).toBe('condemned');
    expect(judge(read([3, 4.0], [5, 3.95], [6, 4.5], [7, 4.45], [9, 4.0])).verdict).toBe('condemned');
  });
  it('one reading that rises asks for another; a second condemns, one that is back clears it', () => {
    expect(said(9, read([5, 4.0], [9, 4.5]))).toBe('jar-rising');
    expect(said(10, read([5, 4.0], [7, 4.05], [9, 4.5], [10, 4.4]))).toBe('jar-discard');
    // One low reading alone may be the wrong one.
    expect(said(10, read([5, 4.0], [9, 4.5], [10, 4.4]))).toBe('jar-rising');
    expect(said(10, read([5, 4.5], [7, 3.8], [9, 4.4], [10, 4.35]))).toBeUndefined();
    expect(said(10, read([5, 4.0], [9, 4.5], [10, 4.05]))).toBeUndefined();
    expect(said(9, read([5, 4.0], [9, 4.3]))).toBeUndefined();
  });
  it('salt of a tenth of the water holds a jar, but it is salted and not acidified', () => {
    expect(said(20, read([20, 4.9]), 11)).toBe('jar-salted');
    expect(judge(read([20, 4.9]), 11).verdict).toBe('doubtful');
  });
  it('unread: asked for after a week; with too little salt it is in doubt', () => {
    expect(said(8, [])).toBe('jar-unread');
    expect(judge([]).verdict).toBe('unread');
    expect(judge([], 1.5).verdict).toBe('doubtful');
  });
  it('the order in which readings stand does not matter', () => {
    expect(judge(read([9, 4.5], [5, 4.0], [10, 4.4]))).toEqual(judge(read([5, 4.0], [9, 4.5], [10, 4.4])));
  });
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

it('a whole line: cautions come out of the report, and a reading changes what may be said', () => {
  const today = '2026-11-01';
  const plain = reportLine(smallBatch(), { today });
  expect(plain.cautions.map((c) => c.id)).toEqual(
    expect.arrayContaining(['capsaicin-skin', 'ph-unmeasured', 'live-pressure', 'home-only']),
  );
  const measured = reportLine(log(smallBatch(), 'bottle', { pH: 3.45, instrument: 'meter' }), { today });
  expect(measured.cautions.map((c) => c.id)).not.toContain('ph-unmeasured');
  const sourless = reportLine(log(smallBatch(), 'bottle', { pH: 4.9, instrument: 'meter', phSure: true }), { today });
  expect(sourless.cautions.map((c) => c.id)).toContain('botulism');
});

describe('oil, by what it is made of and not by its name', () => {
  const oily: Ingredient = { ...ingredient('oil_olive'), key: 'own-1', name: 'Cold pressed, mine', like: 'oil_olive' };
  it('is a danger on the bench', () => {
    const stuff = { pods: [], larder: [{ row: oily, stockG: 500, useFirst: false }] };
    expect(weighBench(stuff, { 'own-1': 100 }, { lowShu: 0, highShu: 1 }).cautions.some((c) => c.id === 'garlic-oil')).toBe(true);
  });
  it('a copied row keeps what is known of its kind', () => {
    const choice = (row: Ingredient) => larderMaterial({ row, stockG: 1, useFirst: false });
    const own = { ...ingredient('xanthan'), key: 'own-2', like: 'xanthan' };
    expect(choice(own).thick).toEqual(choice(ingredient('xanthan')).thick);
    expect(choice(own).thick.gum).toBeGreaterThan(0.8);
  });
});
