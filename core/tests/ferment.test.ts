import { createRequire } from 'node:module';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cpm, ctmi, drawEnsemble, forecastJar, jarParameters, jarPh, simulateJar, TYPICAL, type JarConditions, NOTHING_SAID } from '../src';
import { jarSystem } from './jarReference';

const chopped: JarConditions = {
  saltPct: 3.5,
  brinePct: 6,
  cut: 'chopped',
  produceShare: 0.5,
  sugarMmol: 120,
  pH0: 5.25,
  pH0Sd: 0.15,
  lactate0: 0,
  acetate0: 0,
};

describe('rate models are the published forms', () => {
  // Identities of Rosso et al. 1993 (CTMI) and 1995 (CPM): 1 at the optimum, 0 at the limits.
  it('at optimum and limits', () => {
    expect(ctmi(35, 4, 35, 43)).toBeCloseTo(1, 12);
    expect(ctmi(4, 4, 35, 43)).toBe(0);
    expect(ctmi(43, 4, 35, 43)).toBe(0);
    expect(cpm(6.2, 3.25, 6.2)).toBeCloseTo(1, 12);
    expect(cpm(3.25, 3.25, 6.2)).toBe(0);
  });
  it('check values of chapter 4, section 2.5', () => {
    expect(ctmi(21, 4, 35, 43)).toBeCloseTo(0.448, 3);
    expect(ctmi(13, 4, 35, 43)).toBeCloseTo(0.136, 3);
    expect(ctmi(21, 2, 30, 38)).toBeCloseTo(0.66, 2);
  });
});

it.each([
  [10, [5.25, 4.46, 4.05, 3.68, 3.49, 3.36, 3.27]],
  [16, [5.25, 4.7, 4.32, 3.92, 3.71, 3.57, 3.47]],
  [25, [5.25, 4.88, 4.58, 4.17, 3.94, 3.79, 3.68]],
])('jar pH by lactate with buffer %d (chapter 4, section 2.3)', (beta, values) => {
  [0, 10, 20, 40, 60, 80, 100].forEach((L, i) => expect(jarPh({ beta, pH0: 5.25 }, L, 0, 5)).toBeCloseTo(values[i]!, 2));
});

describe('integrator', () => {
  // Reference: odex (Hairer's extrapolation code, a general library) at tolerance 1e-8, restarted nowhere: constant 21 °C.
  const { Solver } = createRequire(import.meta.url)('odex') as {
    Solver: new (n: number) => {
      denseOutput: boolean;
      absoluteTolerance: number;
      relativeTolerance: number;
      maxSteps: number;
      solve(
        f: (x: number, y: number[]) => number[],
        x0: number,
        y0: number[],
        x1: number,
        out?: (n: number, x0: number, x1: number, y: number[], dense: (c: number, x: number) => number) => void,
      ): unknown;
    };
  };
  it('agrees with a tight-tolerance reference within 0.01 pH', () => {
    let worst = 0;
    for (const draw of [TYPICAL, ...drawEnsemble(11, 12)]) {
      const P = jarParameters(chopped, draw);
      const run = simulateJar(P, new Float64Array(80).fill(21));
      const system = jarSystem(P);
      const solver = new Solver(9);
      solver.absoluteTolerance = solver.relativeTolerance = 1e-8;
      solver.maxSteps = 1_000_000;
      const out = new Float64Array(9);
      let state = Array.from(system.start());
      for (let b = 1; b <= 80; b++) {
        let end: number[] = state;
        solver.solve(
          (t, y) => (system.rates(Float64Array.from(y), t, 21, out, 4.5), Array.from(out)),
          (b - 1) * 6,
          state,
          b * 6,
          (_n, _a, _b, y) => void (end = [...y]),
        );
        state = end;
        const reference = jarPh({ beta: P.beta, pH0: P.pH0 }, state[6]!, state[7]!, 4.5);
        worst = Math.max(worst, Math.abs(reference - run.pH[b]!));
      }
    }
    expect(worst).toBeLessThan(0.01);
  });

  it('pH never rises, sugar never goes below zero, for any kitchen', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 45, noNaN: true }),
        fc.double({ min: 0, max: 26, noNaN: true }),
        fc.integer({ min: 1, max: 9999 }),
        (temp, salt, seed) => {
          const conditions = { ...chopped, saltPct: salt, brinePct: salt };
          const run = simulateJar(jarParameters(conditions, drawEnsemble(seed, 2)[1]!), new Float64Array(120).fill(temp));
          run.pH.forEach((p, i) => i > 0 && expect(p).toBeLessThanOrEqual(run.pH[i - 1]! + 2e-5));
          run.sugar.forEach((s) => expect(s).toBeGreaterThanOrEqual(0));
          expect(run.pH.every(Number.isFinite)).toBe(true);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('forecast', () => {
  const unread = { temps: [], readings: [], now: null };
  const input = {
    conditions: chopped,
    tempC: 21,
    horizonDays: 30,
    members: 300,
    seed: 3,
    targetPh: 3.8,
    leastDays: 7,
    risk: NOTHING_SAID,
    ...unread,
  };
  const f = forecastJar(input);
  const at = (day: number) => f.pH[f.days.indexOf(day)]!;

  // Common practice, no source beyond the handbook: below 4.6 in 2 to 5 days at 20 to 22 °C, 3.4 to 3.9 after two to three weeks.
  it('medians stand where practice says', () => {
    expect(f.crossings.legal.p50).toBeGreaterThan(2);
    expect(f.crossings.legal.p50).toBeLessThan(5);
    expect(at(21).p50).toBeGreaterThan(3.4);
    expect(at(21).p50).toBeLessThan(3.9);
  });
  // Handbook chapter 6b, section 2: at 21 °C and 3.5 %, within seed noise.
  it.each([
    [7, 3.62, 4.06, 4.78],
    [14, 3.43, 3.68, 4.15],
    [28, 3.34, 3.55, 3.84],
  ])('unread, day %i stands where chapter 6b has it', (day, p10, p50, p90) => {
    expect(Math.abs(at(day).p10 - p10)).toBeLessThan(0.08);
    expect(Math.abs(at(day).p50 - p50)).toBeLessThan(0.05);
    expect(Math.abs(at(day).p90 - p90)).toBeLessThan(0.15);
  });
  it('colder and saltier are later in the median; never ready before a week', () => {
    const cold = forecastJar({ ...input, tempC: 16 });
    const salty = forecastJar({ ...input, conditions: { ...chopped, saltPct: 6, brinePct: 8 } });
    expect(cold.crossings.legal.p50!).toBeGreaterThan(f.crossings.legal.p50!);
    expect(salty.crossings.legal.p50!).toBeGreaterThan(f.crossings.legal.p50!);
    expect(f.ready.from!).toBeGreaterThanOrEqual(7);
  });
  it('is the same for the same seed, and refuses nonsense', () => {
    expect(forecastJar({ ...input, members: 60 })).toEqual(forecastJar({ ...input, members: 60 }));
    expect(() => forecastJar({ ...input, members: 1 })).toThrow(/two members/);
    expect(() => forecastJar({ ...input, horizonDays: 900 })).toThrow(/365/);
  });
});
