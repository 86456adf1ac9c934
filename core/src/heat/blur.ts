import { normalCdf, Z_90 } from '../stat/normal';

/** 5 to 95 % of a normal distribution is 3.2897 standard deviations wide. */
const SPAN_90 = 3.2897;
/** Log-sd between pods of one lot: literature reports factors of 2 to 5 (model; section 4.1). */
export const POD_SD = 0.45;
/** Log-sd of heat lost or kept on the way, common to all lots; with a strained step (section 3.3). */
export const PROCESS_SD = { plain: 0.2, strained: 0.3 } as const;

/** Log-sd of a lot mean from a table's 5 to 95 % range. */
export function lotSigma(low: number, high: number): number {
  return Math.log(high / low) / SPAN_90;
}

/** Log-variance of the mean of n pods around the lot mean; 0 for powders (n infinite). Section 4.1. */
export function podVariance(n: number): number {
  if (!Number.isFinite(n)) return 0;
  return Math.log(1 + (Math.exp(POD_SD * POD_SD) - 1) / Math.max(n, 1));
}

/** A log-normal estimate: `mu` and `sigma` of ln SHU. */
export interface Blur {
  mu: number;
  sigma: number;
}

/** One lot in a finished sauce: SHU it brings at its median, log-sd of the lot mean, number of pods. */
export interface BlurPart {
  medianShu: number;
  sigma: number;
  pods: number;
  /** Log-sd of what the knife leaves of its heat. */
  prepSd?: number;
}

/** Log-variance of one part: lot mean, scatter of the pods, preparation. */
export function partVariance(p: BlurPart): number {
  return p.sigma * p.sigma + podVariance(p.pods) + (p.prepSd ?? 0) ** 2;
}

/**
 * Heat of a finished sauce as a log-normal, from lots that add: Fenton & Wilkinson's moment matching
 * (Fenton 1960, from memory; section 4.2), widened by the process. Null when nothing is hot.
 */
export function finishedBlur(parts: readonly BlurPart[], processSd: number): Blur | null {
  let mean = 0;
  let variance = 0;
  for (const p of parts) {
    if (!(p.medianShu > 0)) continue;
    const s2 = partVariance(p);
    const m = p.medianShu * Math.exp(s2 / 2);
    mean += m;
    variance += m * m * (Math.exp(s2) - 1);
  }
  if (!(mean > 0)) return null;
  const s2 = Math.log(1 + variance / (mean * mean));
  return { mu: Math.log(mean) - s2 / 2, sigma: Math.sqrt(s2 + processSd * processSd) };
}

/** 10, 50 and 90 % of a blur in SHU. */
export function blurQuantiles(b: Blur): { p10: number; p50: number; p90: number } {
  return {
    p10: Math.exp(b.mu - Z_90 * b.sigma),
    p50: Math.exp(b.mu),
    p90: Math.exp(b.mu + Z_90 * b.sigma),
  };
}

/** Probability that a blur lands between two pungencies. */
export function oddsWithin(b: Blur, lowShu: number, highShu: number): number {
  const below = (x: number) => (x > 0 ? normalCdf((Math.log(x) - b.mu) / b.sigma) : 0);
  return below(highShu) - below(lowShu);
}

/** How much of the variance of the sauce each lot causes, 0 to 1, in the order given (the rest is the process). */
export function blurShares(parts: readonly BlurPart[], processSd: number): number[] {
  const total = parts.reduce((s, p) => s + p.medianShu, 0);
  if (!(total > 0)) return parts.map(() => 0);
  const own = parts.map((p) => (p.medianShu / total) ** 2 * partVariance(p));
  const all = own.reduce((s, v) => s + v, processSd * processSd);
  return own.map((v) => v / all);
}
