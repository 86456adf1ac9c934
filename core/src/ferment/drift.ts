/**
 * How far a jar is from the model of it (handbook chapter 6b, section 2): no offset for good, but a path d(t) that wanders,
 * straight in log2 t between knots on day 2, 4, 8, ... 512, and from nothing on the day it is packed. A look at the jar
 * differs besides by its instrument, and by what is uneven in a jar.
 */
const KNOTS = 9;
const FIRST_DAY = 2;
/** Sd of the path at a knot, and how much of a knot the next one keeps. [D] */
const SD = 0.115;
const KEEPS = 0.5;
/** Sd of what is uneven in a jar, from one look to the next, pH. [J] */
export const UNEVEN_SD = 0.04;

/** A path by its knots. */
export type Drift = Float64Array;

/** The knots that a day lies between, and their shares. */
function between(day: number): { k: number; first: number; next: number } {
  if (!(day > 0)) return { k: 0, first: 0, next: 0 };
  if (day <= FIRST_DAY) return { k: 0, first: day / FIRST_DAY, next: 0 };
  const at = Math.min(KNOTS - 1, Math.log2(day / FIRST_DAY));
  const k = Math.min(KNOTS - 2, Math.floor(at));
  return { k, first: 1 - (at - k), next: at - k };
}
const knotCov = (k: number, l: number): number => SD ** 2 * KEEPS ** Math.abs(k - l);

/** Where the path is on a day, pH. */
export function driftAt(drift: Drift, day: number): number {
  const { k, first, next } = between(day);
  return first * drift[k]! + next * drift[k + 1]!;
}
/** Covariance of the path on two days, beforehand. */
export function driftCov(a: number, b: number): number {
  const [p, q] = [between(a), between(b)];
  return (
    p.first * (q.first * knotCov(p.k, q.k) + q.next * knotCov(p.k, q.k + 1)) +
    p.next * (q.first * knotCov(p.k + 1, q.k) + q.next * knotCov(p.k + 1, q.k + 1))
  );
}
/** Sd of the path on a day, beforehand. */
export const driftSd = (day: number): number => Math.sqrt(driftCov(day, day));

/** A path as it may be, beforehand; `normal` gives standard normals. */
export function anyDrift(normal: () => number): Drift {
  const knots = new Float64Array(KNOTS);
  const fresh = SD * Math.sqrt(1 - KEEPS ** 2);
  knots[0] = SD * normal();
  for (let k = 1; k < KNOTS; k++) knots[k] = KEEPS * knots[k - 1]! + fresh * normal();
  return knots;
}

/** Lower triangle F of a positive definite matrix of n rows, F Fᵀ = it, row by row. */
export function cholesky(matrix: Float64Array, n: number): Float64Array {
  const F = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      let sum = matrix[i * n + j]!;
      for (let k = 0; k < j; k++) sum -= F[i * n + k]! * F[j * n + k]!;
      F[i * n + j] = i === j ? Math.sqrt(sum) : sum / F[j * n + j]!;
    }
  return F;
}

/** Something that was read: a day, and the sd of its instrument. */
export interface Look {
  day: number;
  sd: number;
}
/** Covariance of what is read on these days about the model of the jar; `more` is added to the variance of each. */
export function lookCov(looks: readonly Look[], more?: ArrayLike<number>): Float64Array {
  const n = looks.length;
  const R = new Float64Array(n * n);
  for (let i = 0; i < n; i++)
    for (let j = 0; j <= i; j++) {
      const own = i === j ? looks[i]!.sd ** 2 + UNEVEN_SD ** 2 + (more?.[i] ?? 0) : 0;
      R[i * n + j] = R[j * n + i] = driftCov(looks[i]!.day, looks[j]!.day) + own;
    }
  return R;
}

/**
 * A path as it may be once so much was read, `off` of the model on each look (Matheron's rule: one from beforehand, moved by
 * what it misses). `doubts`: how likely each look is wrong, which counts for less.
 */
export function driftAfter(looks: readonly Look[], off: ArrayLike<number>, doubts: ArrayLike<number>, normal: () => number): Drift {
  const drift = anyDrift(normal);
  const n = looks.length;
  if (n === 0) return drift;
  const F = cholesky(
    lookCov(
      looks,
      looks.map((_, i) => doubts[i]! ** 2),
    ),
    n,
  );
  // F u = what the path of beforehand, looked at, misses; Fᵀ v = u.
  const v = new Float64Array(n);
  for (let i = 0; i < n; i++) {
    const look = Math.hypot(looks[i]!.sd, UNEVEN_SD, doubts[i]!) * normal();
    let miss = off[i]! - driftAt(drift, looks[i]!.day) - look;
    for (let j = 0; j < i; j++) miss -= F[i * n + j]! * v[j]!;
    v[i] = miss / F[i * n + i]!;
  }
  for (let i = n - 1; i >= 0; i--) {
    let sum = v[i]!;
    for (let j = i + 1; j < n; j++) sum -= F[j * n + i]! * v[j]!;
    v[i] = sum / F[i * n + i]!;
  }
  return drift.map((c, k) => {
    let sum = c;
    for (let i = 0; i < n; i++) {
      const { k: at, first, next } = between(looks[i]!.day);
      sum += v[i]! * (first * knotCov(k, at) + next * knotCov(k, Math.min(KNOTS - 1, at + 1)));
    }
    return sum;
  });
}
