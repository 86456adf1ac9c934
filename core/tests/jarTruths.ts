import {
  anyDrift,
  drawOf,
  driftAt,
  JAR_UNKNOWNS,
  jarParameters,
  normalQuantile,
  phAt,
  simulateJar,
  type JarConditions,
  type JarReading,
} from '../src';
import { dice, type Dice } from './random';

/**
 * Jars whose way is known, from models that are not the product's (handbook chapter 6b): b, two populations after Monod with
 * fixed delays, the square-root law of temperature (Ratkowsky et al. 1982) and buffers of citric, malic and amino acids; p, a
 * logistic fall and a slow rest; and a, the product's own prior with its drift.
 */
export const TRUTHS = ['b', 'p', 'a'] as const;
export type TruthName = (typeof TRUTHS)[number];
/** pH by day. */
export type Truth = (day: number) => number;

export const CHOPPED: JarConditions = {
  ...{ saltPct: 3.5, brinePct: 6, cut: 'chopped', produceShare: 0.5, sugarMmol: 120 },
  ...{ pH0: 5.25, pH0Sd: 0.15, lactate0: 0, acetate0: 0 },
};
const normal = (d: Dice) => normalQuantile(1e-9 + d.next() * (1 - 2e-9));
const around = (d: Dice, median: number, logSd: number) => median * Math.exp(logSd * normal(d));

/** Acids of the jar by their pK, mmol/l each: charge they carry at a pH. Values at 25 °C (common tables, from memory). */
const CITRIC = [3.13, 4.76, 6.4];
const MALIC = [3.4, 5.11];
const AMINO = [2.3, 4.0];
const LACTIC = [3.86];
const ACETIC = [4.76];
/** Negative charges of a polyprotic acid at a pH, mmol/l for `c` mmol/l of it. */
function charge(pKs: readonly number[], c: number, pH: number): number {
  let [term, sum, weighted] = [1, 1, 0];
  pKs.forEach((pK, i) => {
    term *= 10 ** (pH - pK);
    sum += term;
    weighted += (i + 1) * term;
  });
  return (c * weighted) / sum;
}

const HOUR = 0.5;
const DAYS = 61;
/** Two populations, two delays, one sugar: a jar of its own. */
function twoPopulations(d: Dice, tempC: number): Truth {
  const warmC = tempC + 0.6 * (2 * d.next() - 1);
  const [citric, malic, amino] = [around(d, 4, 0.45), around(d, 3, 0.45), around(d, 8, 0.5)];
  const pH0 = 5.25 + 0.15 * normal(d);
  const fixed = (pH: number) => charge(CITRIC, citric, pH) + charge(MALIC, malic, pH) + charge(AMINO, amino, pH) - 10 ** (3 - pH);
  const strong = fixed(pH0);
  const pHOf = (lactate: number, acetate: number, near: number): number => {
    let p = near;
    for (let i = 0; i < 25; i++) {
      const at = (x: number) => fixed(x) + charge(LACTIC, lactate, x) + charge(ACETIC, acetate, x) - strong;
      const slope = (at(p + 1e-4) - at(p - 1e-4)) / 2e-4;
      const step = at(p) / slope;
      p -= Math.max(-0.3, Math.min(0.3, step));
      if (Math.abs(step) < 1e-7) break;
    }
    return p;
  };
  /** Growth at `warmC` as a share of that at 21 °C. */
  const warmth = (least: number) => Math.max(0, (warmC - least) / (21 - least)) ** 2;
  const [fast, slow] = [around(d, 0.21, 0.3) * warmth(3), around(d, 0.14, 0.3) * warmth(5)];
  const [delay1, delay2] = [around(d, 16, 0.8) / warmth(3), around(d, 36, 0.8) / warmth(5)];
  const [top1, top2] = [around(d, 0.5, 0.3), around(d, 0.5, 0.3)];
  const [ends1, ends2] = [4.2 + 0.1 * normal(d), 3.45 + 0.17 * normal(d)];
  const [makes1, makes2] = [around(d, 0.55, 0.4) * warmth(3), around(d, 0.55, 0.7) * warmth(5)];
  let [x1, x2, sugar, lactate, acetate, pH] = [around(d, 2e-5, 1), around(d, 4e-6, 1), around(d, 110, 0.25), 0, 0, pH0];
  const path = [pH0];
  for (let h = HOUR; h <= 24 * DAYS; h += HOUR) {
    const monod = sugar / (sugar + 4);
    const [room1, room2] = [Math.max(0, pH - ends1) / (pH0 - ends1), Math.max(0, pH - ends2) / (pH0 - ends2)];
    const late2 = Math.min(1, 2.2 * room2);
    if (h > delay1) x1 += HOUR * fast * x1 * monod * Math.min(1, 2 * room1) * (1 - x1 / top1);
    if (h > delay2) x2 += HOUR * slow * x2 * monod * late2 * (1 - x2 / top2);
    const made1 = h > delay1 ? HOUR * makes1 * x1 * monod * Math.min(1, 2 * room1) : 0;
    const made2 = h > delay2 ? HOUR * makes2 * x2 * monod * late2 : 0;
    const used = Math.min(sugar, made1 + made2 / 2);
    sugar -= used;
    lactate += made1 + made2;
    acetate += 0.4 * made1;
    pH = pHOf(lactate, acetate, pH);
    path.push(pH);
  }
  return (day) => {
    const at = Math.min(path.length - 2, (day * 24) / HOUR);
    const i = Math.floor(at);
    return path[i]! + (at - i) * (path[i + 1]! - path[i]!);
  };
}

/** A logistic fall, and a slow rest after it. */
function logistic(d: Dice): Truth {
  const pH0 = 5.25 + 0.15 * normal(d);
  const [half, wide] = [around(d, 3.4, 0.3), around(d, 0.85, 0.2)];
  const [first, last, rest] = [3.85 + 0.12 * normal(d), 3.5 + 0.1 * normal(d), around(d, 7, 0.3)];
  const at = (day: number) => 1 / (1 + Math.exp((day - half) / wide));
  return (day) => {
    const down = 1 - at(day) / at(0);
    const slow = Math.max(0, first - last) * (1 - Math.exp(-day / rest)) * down;
    return pH0 - (pH0 - first) * down - slow;
  };
}

/** The product's own. */
function own(d: Dice, tempC: number): Truth {
  const z = Float64Array.from(JAR_UNKNOWNS, () => Math.max(-3, Math.min(3, normal(d))));
  const path = simulateJar(jarParameters(CHOPPED, drawOf(z)), new Float64Array(4 * DAYS).fill(tempC)).pH;
  const drift = anyDrift(() => normal(d));
  return (day) => phAt(path, day) + driftAt(drift, day);
}

/** A hidden jar of a kind, and somebody who reads it: a meter of sd 0.06, fifteen in a hundred strips. */
export function hiddenJar(kind: TruthName, seed: number, wrong = 0): { truth: Truth; read(days: readonly number[]): JarReading[] } {
  const d = dice(seed);
  const truth = kind === 'b' ? twoPopulations(d, 21) : kind === 'p' ? logistic(d) : own(d, 21);
  return {
    truth,
    read: (days) =>
      days.map((day): JarReading => {
        const strip = d.chance(0.15);
        const sd = strip ? 0.4 : 0.06;
        const off = d.chance(wrong) ? d.pick([-0.9, 0.8]) : 0;
        return { day, pH: truth(day) + off + sd * normal(d) + 0.04 * normal(d), sd, instrument: strip ? 'strip' : 'meter' };
      }),
  };
}

/** Days on which they read: none, one, three, six. */
export const READ_ON: readonly (readonly number[])[] = [[], [4], [3, 5, 7], [2, 4, 6, 8, 10, 12]];
