import { levelOf } from './level';

/** A score from 0 to 10 that someone gave to a sauce of known or predicted heat. */
export interface Score {
  shu: number;
  score: number;
  /** 1 for a labelled sauce; less when the heat itself was only predicted. */
  weight: number;
}

/** A person's scale: score = 4 + a + b (level - 4), with the covariance of a and b. */
export interface Scale {
  a: number;
  b: number;
  varA: number;
  varB: number;
  covAB: number;
  scores: number;
}

const MIDDLE = 4;
/** Priors of offset and stretch, and the scatter of one score (model; chapter 2, section 5). */
export const SCALE_PRIOR = { aSd: 1.5, bSd: 0.35, scoreSd: 0.8, bMin: 0.3, bMax: 2 } as const;
/** Levels per unit of ln SHU. */
const LEVELS_PER_LN = 2.5 / Math.LN10;

/** Weight of a score for a sauce whose heat is a log-normal guess of log-sd `sigma` (1 when it is known). */
export function scoreWeight(sigma: number): number {
  return 1 / (1 + ((sigma * LEVELS_PER_LN) / SCALE_PRIOR.scoreSd) ** 2);
}

/**
 * Calibrates a person's scale: ridge regression on the priors, ten passes with Huber weights so that one slip moves
 * little (chapter 2, section 5). No scores give the identity. Scores beyond the clamped levels 0 and 10 still count.
 */
export function calibrateScale(scores: readonly Score[]): Scale {
  const { aSd, bSd, scoreSd, bMin, bMax } = SCALE_PRIOR;
  let a = 0;
  let b = 1;
  let huber = scores.map(() => 1);
  const priorA = 1 / aSd ** 2;
  const priorB = 1 / bSd ** 2;
  let A = priorA;
  let B = 0;
  let C = priorB;
  for (let pass = 0; pass < 10; pass++) {
    A = priorA;
    B = 0;
    C = priorB;
    let u = 0;
    let v = priorB;
    scores.forEach((s, i) => {
      const x = levelOf(s.shu) - MIDDLE;
      const k = (huber[i]! * s.weight) / scoreSd ** 2;
      A += k;
      B += k * x;
      C += k * x * x;
      u += k * (s.score - MIDDLE);
      v += k * x * (s.score - MIDDLE);
    });
    const det = A * C - B * B;
    b = Math.min(bMax, Math.max(bMin, (A * v - B * u) / det));
    a = (u - B * b) / A;
    huber = scores.map((s) => {
      const r = Math.abs(s.score - MIDDLE - a - b * (levelOf(s.shu) - MIDDLE)) / scoreSd;
      return Math.min(1, 1.5 / Math.max(r, 1e-9));
    });
  }
  const det = A * C - B * B;
  return { a, b, varA: C / det, varB: A / det, covAB: -B / det, scores: scores.length };
}

/** Heat in SHU that this person would score `score`. */
export function shuOfScore(scale: Scale, score: number): number {
  const level = MIDDLE + (score - MIDDLE - scale.a) / scale.b;
  return 50 * 10 ** (level / 2.5);
}

/** Score this person would give a heat. */
export function scoreOf(scale: Scale, shu: number): number {
  return MIDDLE + scale.a + scale.b * (levelOf(shu) - MIDDLE);
}

/** What one score says of the heat: ln SHU and its sd, from the scatter of a score and what is not known of the scale. */
export function lnShuOfScore(scale: Scale, score: number): { mu: number; sd: number } {
  const x = (score - MIDDLE - scale.a) / scale.b;
  const variance = SCALE_PRIOR.scoreSd ** 2 + scale.varA + 2 * x * scale.covAB + x * x * scale.varB;
  return { mu: Math.log(shuOfScore(scale, score)), sd: Math.sqrt(variance) / scale.b / LEVELS_PER_LN };
}
