import { describe, expect, it } from 'vitest';
import {
  addDays,
  daysBetween,
  daysSince,
  drawEnsemble,
  isDay,
  normalCdf,
  normalQuantile,
  oddsText,
  quantileSorted,
  seedOf,
  TYPICAL,
} from '../src';

describe('normal distribution', () => {
  // Published tables of the standard normal distribution (any statistics text).
  it.each([
    [0, 0.5],
    [1, 0.841345],
    [1.2816, 0.900006],
    [1.6449, 0.950005],
    [-1.96, 0.024998],
    [3, 0.99865],
  ])('Phi(%f)', (z, p) => {
    expect(normalCdf(z)).toBeCloseTo(p, 5);
    expect(normalQuantile(p)).toBeCloseTo(z, 3);
  });
  it('inverse of itself, and refuses what is no probability', () => {
    for (let p = 0.001; p < 1; p += 0.0321) expect(normalCdf(normalQuantile(p))).toBeCloseTo(p, 6);
    expect(() => normalQuantile(0)).toThrow();
    expect(() => normalQuantile(1.2)).toThrow();
  });
  it('quantiles between neighbours', () => {
    expect(quantileSorted([1, 2, 3, 4], 0.5)).toBe(2.5);
    expect(quantileSorted([7], 0.9)).toBe(7);
    expect(() => quantileSorted([], 0.5)).toThrow();
  });
});

describe('draws', () => {
  const draws = drawEnsemble(42, 60);
  it('the same name is the same number, whatever was asked before', () => {
    const again = drawEnsemble(42, 60);
    again[7]!.z('something else');
    expect(again[7]!.z('a')).toBe(draws[7]!.z('a'));
    expect(drawEnsemble(43, 60)[7]!.z('a')).not.toBe(draws[7]!.z('a'));
    expect(TYPICAL.z('anything')).toBe(0);
  });
  it('one member per slice: 60 already have the mean and spread of a normal', () => {
    const values = draws.map((d) => d.z('heat'));
    const mean = values.reduce((s, v) => s + v, 0) / 60;
    const sd = Math.sqrt(values.reduce((s, v) => s + (v - mean) ** 2, 0) / 59);
    expect(Math.abs(mean)).toBeLessThan(0.05);
    expect(sd).toBeGreaterThan(0.93);
    expect(sd).toBeLessThan(1.07);
    expect([...values].sort((a, b) => a - b).every((v, i) => Math.abs(normalCdf(v) - (i + 0.5) / 60) < 0.5 / 60 + 1e-9)).toBe(true);
  });
  it('two names are not each other', () => {
    const r = draws.reduce((s, d) => s + d.z('a') * d.z('b'), 0) / 60;
    expect(Math.abs(r)).toBeLessThan(0.4);
    expect(seedOf('Slipway')).not.toBe(seedOf('Gorse'));
  });
});

describe('odds in words', () => {
  it.each([
    [0, 'hardly any'],
    [0.05, 'about 1 in 20'],
    [0.1, 'about 1 in 10'],
    [0.28, 'about 3 in 10'],
    [0.52, 'about half'],
    [0.55, 'about 6 in 10'],
    [0.95, 'about 19 in 20'],
    [1, 'nearly all'],
  ])('%d: %s', (p, says) => expect(oddsText(p)).toBe(says));
  it('what differs by less than a hundred draws can tell is told at most one step apart', () => {
    const steps = [...new Set(Array.from({ length: 1001 }, (_, i) => oddsText(i / 1000)))];
    for (let p = 0; p <= 0.95; p += 0.01) {
      const [a, b] = [p, p + 0.05].map((x) => steps.indexOf(oddsText(x)));
      expect(b! - a!).toBeLessThanOrEqual(1);
    }
  });
});

describe('days', () => {
  it('over months, years and leap days', () => {
    expect(addDays('2026-12-30', 3)).toBe('2027-01-02');
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(addDays('2026-11-01', 0.25)).toBe('2026-11-02');
    expect(daysBetween('2026-10-12', '2026-11-23')).toBe(42);
    expect(daysBetween('2026-11-23', '2026-11-20')).toBe(-3);
    expect(daysSince('2026-11-01', '2026-11-02T12:00:00Z')).toBe(1.5);
  });
  it('knows a day when it sees one', () => {
    expect(isDay('2028-02-29')).toBe(true);
    for (const no of ['2026-02-29', '2026-13-01', '26-1-1', 'today', '']) expect(isDay(no), no).toBe(false);
    expect(() => addDays('soon', 1)).toThrow(/not a date/);
  });
});
