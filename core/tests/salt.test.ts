import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  baumeOf,
  boilingPointC,
  brineDensity,
  brineFromSalometer,
  brineWaterActivity,
  forecastJar,
  gravityOf,
  JarTooSmall,
  packJar,
  pctForSalt,
  putSaltRight,
  restate,
  risingMash,
  SALT_SPOONS_ML,
  SALT_WAYS,
  saltEveryWay,
  saltGrams,
  saltOf,
  saltPercents,
  saltType,
  SCHOOLS,
  spoonOfSalt,
  spoonsOf,
  STARTER_SHARE,
  STARTERS,
  sterilisingMinutes,
  withOldBrine,
  type JarMasses,
  type SaltWay,
  NOTHING_SAID,
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

describe('salt said in any way is the same salt in every way', () => {
  const A = { produceG: 400, waterG: 500, waterShare: 0.9 };
  // Handbook chapter 4, section 1.4: worked examples A to D.
  it('worked examples', () => {
    const all = (way: SaltWay, value: number, jar: JarMasses, gPerSpoon = 0) =>
      saltEveryWay(saltOf({ way, value, gPerSpoon }, jar), jar, gPerSpoon);
    expect(all('waterOnly', 3.5, A)).toMatchObject({
      grams: expect.closeTo(17.5, 6),
      brine: expect.closeTo(3.382, 3),
      waterPhase: expect.closeTo(1.994, 3),
    });
    expect(all('wholeJar', 3, A)).toMatchObject({
      grams: expect.closeTo(27, 6),
      waterOnly: expect.closeTo(5.4, 6),
      waterPhase: expect.closeTo(3.044, 3),
    });
    expect(all('mash', 8, { produceG: 1000, waterG: 0, waterShare: 0.88 })).toMatchObject({
      waterPhase: expect.closeTo(8.333, 3),
      waterOnly: null,
      salometer: null,
    });
    // One tablespoon of hollow flakes in two US cups of water: 2.03 % of the water.
    const cups = { produceG: 400, waterG: 2 * 236.588 * 0.9982, waterShare: 0.9 };
    expect(all('spoons', 1, cups, spoonOfSalt(saltType('flake'), SALT_SPOONS_ML.tbsp).typical).waterOnly!).toBeCloseTo(2.03, 2);
  });
  // Published: 100 degrees SAL are 26.395 %; heavy Baumé is 145 - 145/SG. Densities of brine at 20 °C (CRC, as the handbook has them).
  it('salometer, gravity and Baumé, there and back', () => {
    const of = (way: SaltWay, value: number) => saltEveryWay(saltOf({ way, value, gPerSpoon: 0 }, A), A, 1).brine!;
    for (const [deg, pct] of [
      [10, 2.64],
      [20, 5.28],
      [40, 10.56],
      [60, 15.84],
    ] as const)
      expect(of('salometer', deg)).toBeCloseTo(pct, 2);
    for (const [pct, rho] of [
      [5, 1.034],
      [10, 1.0707],
      [15, 1.1085],
      [20, 1.1478],
    ] as const) {
      expect(gravityOf(pct) * 0.9982).toBeCloseTo(rho, 3);
      expect(of('gravity', gravityOf(pct))).toBeCloseTo(pct, 6);
      expect(of('baume', baumeOf(gravityOf(pct)))).toBeCloseTo(pct, 6);
    }
  });
  it('500 random jars: every way gives the grams back; what puts it right does; nonsense is a sentence', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 1, max: 5000, noNaN: true }),
        fc.double({ min: 0.3, max: 0.97, noNaN: true }),
        fc.double({ min: 0.01, max: 0.3, noNaN: true }),
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        (produceG, waterG, waterShare, part, wanted) => {
          const jar = { produceG, waterG, waterShare };
          const g = part * waterG;
          const all = saltEveryWay(g, jar, 6);
          const named: Record<SaltWay, number | null> = {
            ...{ wholeJar: all.wholeJar, waterOnly: all.waterOnly, mash: all.ofProduce, brine: all.brine, waterPhase: all.waterPhase },
            ...{ grams: g, spoons: all.spoons, salometer: all.salometer, gravity: all.gravity, baume: all.baume },
          };
          for (const way of SALT_WAYS)
            if (named[way] !== null) expect(saltOf({ way, value: named[way], gPerSpoon: 6 }, jar)).toBeCloseTo(g, 4);
          const r = putSaltRight(g, jar, wanted);
          // Held against the jar after it was put right, counted anew.
          const after = saltPercents(g + r.addSaltG, { ...jar, waterG: waterG + r.addWaterG }).wholeJar;
          expect(after).toBeCloseTo(wanted, 6);
          // As much as there is of it can be changed, and no more.
          if (r.addWaterG > 0)
            expect(r.swapG === null).toBe(((g - (wanted * (produceG + waterG)) / 100) * 100) / all.waterPhase > waterG + g);
          if (r.swapG) {
            const left = g - (r.swapG * all.waterPhase) / 100;
            expect((100 * left) / (produceG + waterG)).toBeCloseTo(wanted, 6);
          }
        },
      ),
      { numRuns: 500 },
    );
    expect(() => saltOf({ way: 'brine', value: 3, gPerSpoon: 0 }, { produceG: 400, waterG: 0, waterShare: 0.9 })).toThrow(/added water/);
    expect(() => saltOf({ way: 'gravity', value: 1.4, gPerSpoon: 0 }, A)).toThrow(/1\.202/);
    expect(() => saltOf({ way: 'mash', value: -1, gPerSpoon: 0 }, A)).toThrow(RangeError);
    expect(() =>
      risingMash(1000, [
        { day: 0, pct: 5 },
        { day: 0, pct: 8 },
      ]),
    ).toThrow(/later/);
    expect(
      risingMash(1000, [
        { day: 0, pct: 5 },
        { day: 14, pct: 8 },
      ]).map((s) => s.addG),
    ).toEqual([50, 30]);
  });
});

describe('begun with old brine', () => {
  it('the jar comes to the same salt and the same liquid, whatever is poured in; what cannot be is a sentence', () => {
    const g = fc.double({ min: 0, max: 2000, noNaN: true });
    fc.assert(
      fc.property(
        g,
        g,
        fc.double({ min: 0.5, max: 12, noNaN: true }),
        g,
        fc.double({ min: 0, max: 20, noNaN: true }),
        (p, w, pct, oldG, oldPct) => {
          const jar = { produceG: p + 1, waterG: w, waterShare: 0.9 };
          const total = ((jar.produceG + w) * pct) / 100;
          const salt = (oldG * oldPct) / 100;
          const water = oldG - salt;
          const cannot = water > w + 1e-6 || salt > total + 1e-6;
          const sure = water < w - 1e-6 && salt < total - 1e-6;
          try {
            const made = withOldBrine(jar, pct, { g: oldG, pct: oldPct });
            expect(cannot).toBe(false);
            expect(made.saltG + salt).toBeCloseTo(total, 6);
            expect(made.waterG + water).toBeCloseTo(w, 6);
          } catch (e) {
            if (!(e instanceof RangeError)) throw e;
            expect(sure).toBe(false);
          }
        },
      ),
      { numRuns: 500 },
    );
  });
  it('a twentieth of lively brine is the dose that the forecast knows, and more of it is quicker', () => {
    const jar = { produceG: 400, waterG: 500, waterShare: 0.9 };
    expect(withOldBrine(jar, 3, { g: STARTER_SHARE * 900, pct: 3.5 }).cells).toBeCloseTo(STARTERS.brine, 9);
    const legal = (g: number) => {
      const { cells } = withOldBrine(jar, 3, { g, pct: 3.5 });
      const conditions = {
        ...{ saltPct: 3.3, brinePct: 5.1, cut: 'chopped' as const, produceShare: 0.45, sugarMmol: 120 },
        ...{ pH0: 5.25, pH0Sd: 0.15, lactate0: 0, acetate0: 0, ...(cells > 0 ? { starter: cells } : {}) },
      };
      const asked = {
        conditions,
        tempC: 21,
        temps: [],
        readings: [],
        horizonDays: 40,
        members: 200,
        seed: 3,
        targetPh: 3.8,
        leastDays: 7,
        risk: NOTHING_SAID,
        now: null,
      };
      return forecastJar(asked).crossings.legal.p50!;
    };
    // Handbook chapter 4, section 2.5: a starter saves two to three days.
    expect(legal(0) - legal(45)).toBeGreaterThan(1.5);
    expect(legal(0) - legal(45)).toBeLessThan(4.5);
    expect(legal(90)).toBeLessThan(legal(45));
  });
});
