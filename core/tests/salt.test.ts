import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  boilingPointC,
  brineDensity,
  brineFromSalometer,
  brineWaterActivity,
  JarTooSmall,
  packJar,
  pctForSalt,
  restate,
  saltGrams,
  saltPercents,
  saltType,
  SCHOOLS,
  spoonsOf,
  sterilisingMinutes,
} from '../src';

describe('brine against published tables', () => {
  // CRC Handbook of Chemistry and Physics, concentrative properties of NaCl at 20 °C (from memory).
  it.each([
    [0, 0.9982],
    [1, 1.0053],
    [2, 1.0125],
    [5, 1.034],
    [10, 1.0707],
    [15, 1.1085],
    [20, 1.1478],
    [26, 1.1972],
  ])('density at %f %%', (c, rho) => expect(Math.abs(brineDensity(c) - rho)).toBeLessThan(0.0002));

  // Chirife & Resnik 1984, water activity of NaCl (from memory).
  it.each([
    [3.5, 0.98],
    [5, 0.97],
    [10, 0.935],
    [15, 0.892],
    [20, 0.839],
    [26.4, 0.753],
  ])('water activity at %f %%', (c, aw) => expect(Math.abs(brineWaterActivity(c) - aw)).toBeLessThan(0.001));

  // Salometer: 100 degrees is saturation, 26.395 % at 60 °F (published definition).
  it('salometer', () => {
    expect(brineFromSalometer(40)).toBeCloseTo(10.56, 2);
    expect(brineFromSalometer(100)).toBeCloseTo(26.395, 3);
  });
});

describe('altitude (USDA / NCHFP and the standard atmosphere, from memory)', () => {
  it.each([
    [0, 100.0],
    [1000, 96.7],
    [1609, 94.7],
  ])('water boils at %d m', (m, c) => expect(Math.abs(boilingPointC(m) - c)).toBeLessThan(0.3));
  it.each([
    [0, 10],
    [304, 10],
    [305, 12],
    [1000, 14],
    [2000, 17],
  ])('jars at %d m boil for %d minutes', (m, minutes) => expect(sterilisingMinutes(m)).toBe(minutes));
});

describe('schools of salt', () => {
  // Worked by hand in handbook chapter 4, section 1.4.
  it('A: 3.5 % water-only', () => {
    const jar = { produceG: 400, waterG: 500, waterShare: 0.9 };
    const g = saltGrams('waterOnly', 3.5, jar);
    expect(g).toBeCloseTo(17.5, 10);
    const p = saltPercents(g, jar);
    expect(p.wholeJar).toBeCloseTo(1.944, 3);
    expect(p.waterPhase).toBeCloseTo(1.994, 3);
    expect(p.brine).toBeCloseTo(3.382, 3);
  });
  it('B: 3 % whole-jar holds half as much again', () => {
    const jar = { produceG: 400, waterG: 500, waterShare: 0.9 };
    expect(saltGrams('wholeJar', 3, jar)).toBeCloseTo(27, 10);
    expect(restate(3, 'wholeJar', 'waterOnly', jar)).toBeCloseTo(5.4, 10);
  });
  it('C: mash of 8 %', () => {
    const p = saltPercents(80, { produceG: 1000, waterG: 0, waterShare: 0.88 });
    expect(p.waterPhase).toBeCloseTo(8.333, 3);
    expect(p.waterOnly).toBeNull();
  });
  it('there and back is the same', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...SCHOOLS),
        fc.constantFrom(...SCHOOLS),
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.double({ min: 50, max: 5000, noNaN: true }),
        fc.double({ min: 50, max: 5000, noNaN: true }),
        (from, to, pct, produceG, waterG) => {
          const jar = { produceG, waterG, waterShare: 0.9 };
          expect(restate(restate(pct, from, to, jar)!, to, from, jar)).toBeCloseTo(pct, 9);
        },
      ),
    );
  });
});

describe('packing a jar', () => {
  // Handbook chapter 4, section 1.5, worked by hand.
  const jar = { jarMl: 1000, headspaceMl: 70, displacementMl: 60, produceG: 450, airMl: 0 };
  it('water-only', () => {
    const p = packJar(jar, 'waterOnly', 3.5);
    expect(p.brineMl).toBeCloseTo(396.3, 1);
    expect(p.saltG).toBeCloseTo(13.7, 1);
    expect(p.waterG).toBeCloseTo(391.5, 0);
  });
  it('whole-jar target is met exactly', () => {
    const p = packJar(jar, 'wholeJar', 3);
    expect(p.saltG).toBeCloseTo(25.13, 1);
    expect((100 * p.saltG) / (450 + p.waterG)).toBeCloseTo(3, 8);
  });
  it('says when the pods do not fit, or the brine cannot hold the salt', () => {
    // Rubbed in and poured over: the whole jar keeps its percentage, the brine is that much weaker.
    const mixed = packJar({ ...jar, dryG: 9 }, 'wholeJar', 3);
    expect((100 * mixed.saltG) / (jar.produceG + mixed.waterG)).toBeCloseTo(3, 6);
    expect(mixed.brinePct).toBeCloseTo((100 * (mixed.saltG - 9)) / (mixed.saltG - 9 + mixed.waterG), 6);
    expect(mixed.brinePct).toBeLessThan(packJar(jar, 'wholeJar', 3).brinePct);
    // A percentage of the water is that of what is poured; what is rubbed in comes on top.
    const poured = packJar({ ...jar, dryG: 9 }, 'waterOnly', 3.5);
    expect(poured.saltG - packJar(jar, 'waterOnly', 3.5).saltG).toBeCloseTo(9, 9);
    for (const school of ['wholeJar', 'waterOnly'] as const)
      expect(pctForSalt({ ...jar, dryG: 9 }, school, packJar({ ...jar, dryG: 9 }, school, 4).saltG)).toBeCloseTo(4, 6);
    expect(() => packJar({ ...jar, dryG: 200 }, 'wholeJar', 3)).toThrow(/rubbed in than the whole jar/);
    expect(pctForSalt({ ...jar, dryG: 200 }, 'wholeJar', 30)).toBeNull();
    expect(() => packJar({ ...jar, jarMl: 400 }, 'wholeJar', 3)).toThrow(JarTooSmall);
    expect(() => packJar({ ...jar, produceG: 820 }, 'wholeJar', 20)).toThrow(/cannot hold/);
  });
  it('spoons differ by a factor of two between salts', () => {
    // 1 US tbsp in 2 US cups of water: 3.8 % of fine salt, 2.0 % of flake (chapter 4, section 1.2 d).
    const two = 2 * 236.588 * 0.998;
    expect((100 * saltType('fine').gPerTbsp.typical) / two).toBeCloseTo(3.81, 2);
    expect((100 * saltType('flake').gPerTbsp.typical) / two).toBeCloseTo(2.03, 2);
    expect(spoonsOf(saltType('fine'), 36, 14.787).typical).toBeCloseTo(2, 6);
    expect(spoonsOf(saltType('fine'), 36, 20).typical).toBeCloseTo(1.479, 3);
  });
});
