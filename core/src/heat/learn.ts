import { podVariance } from './blur';

/** What is believed of several lots at once: ln of SHU per g dry matter, and how the doubts hang together. */
export interface Beliefs {
  ids: string[];
  mu: number[];
  /** Covariance, row by row. */
  cov: number[][];
}

/** One lot in what was tasted: SHU of the sauce per SHU of the lot's dry matter, and how many pods went in. */
export interface TastedPart {
  lotId: string;
  weight: number;
  pods: number | null;
}

/** What a tasting, a dilution test or a laboratory said of a sauce. */
export interface Observation {
  parts: readonly TastedPart[];
  /** ln of the observed SHU, its log-sd, and the log-sd of what happened on the way. */
  mu: number;
  sd: number;
  processSd: number;
  /** Heat of what is not a lot, SHU of the sauce, with its log-sd. */
  added?: { shu: number; sigma: number } | null;
}

export interface Learnt {
  beliefs: Beliefs;
  /** Distance of what was seen from what was expected, in standard deviations. */
  surprise: number;
  /** Heat shares of the parts at the new estimate. */
  shares: number[];
}

/** Beyond this many standard deviations nothing is learnt without asking (chapter 2, section 4.3). */
export const SURPRISE = 3;

export const NO_BELIEFS: Beliefs = { ids: [], mu: [], cov: [] };

/** The beliefs with a lot set to a new prior, independent of all others. */
export function believe(b: Beliefs, id: string, dryShu: number, sigma: number): Beliefs {
  const at = b.ids.indexOf(id);
  const n = at < 0 ? b.ids.length : at;
  const ids = at < 0 ? [...b.ids, id] : b.ids;
  const mu = ids.map((_, i) => (i === n ? Math.log(dryShu) : b.mu[i]!));
  const cov = ids.map((_, i) => ids.map((__, j) => (i === n || j === n ? (i === j ? sigma * sigma : 0) : b.cov[i]![j]!)));
  return { ids, mu, cov };
}

/** Median and log-sd believed of one lot; undefined for a lot without heat. */
export function beliefOf(b: Beliefs, id: string): { dryShu: number; sigma: number } | undefined {
  const i = b.ids.indexOf(id);
  return i < 0 ? undefined : { dryShu: Math.exp(b.mu[i]!), sigma: Math.sqrt(b.cov[i]![i]!) };
}

/**
 * Updates the lots that went into a sauce by what was seen of the sauce, each by its share of the heat: an iterated
 * extended Kalman step on ln SHU, five passes (chapter 2, section 4.3). For one lot it is the conjugate normal update.
 * Parts of lots without beliefs (no heat) are ignored. Throws RangeError when no part is left.
 */
export function learn(b: Beliefs, seen: Observation): Learnt {
  const parts = seen.parts.map((p) => ({ ...p, at: b.ids.indexOf(p.lotId) })).filter((p) => p.at >= 0 && p.weight > 0);
  if (parts.length === 0) throw new RangeError('Nothing hot went into this, so there is nothing to learn');
  const theta = [...b.mu];
  const n = b.ids.length;
  let gain: number[] = [];
  let ph: number[] = [];
  let D = 1;
  let surprise = 0;
  let shares: number[] = [];
  for (let pass = 0; pass < 5; pass++) {
    const loads = parts.map((p) => p.weight * Math.exp(theta[p.at]!));
    const total = loads.reduce((s, x) => s + x, seen.added?.shu ?? 0);
    const other = seen.added ? (seen.added.shu / total) * seen.added.sigma : 0;
    shares = loads.map((x) => x / total);
    const h = new Array<number>(n).fill(0);
    parts.forEach((p, i) => (h[p.at]! += shares[i]!));
    ph = b.cov.map((row) => row.reduce((s, c, j) => s + c * h[j]!, 0));
    const pods = parts.reduce((s, p, i) => s + shares[i]! ** 2 * podVariance(p.pods ?? Infinity), 0);
    D = ph.reduce((s, x, i) => s + x * h[i]!, 0) + seen.sd ** 2 + seen.processSd ** 2 + pods + other ** 2;
    const r = seen.mu - Math.log(total) - parts.reduce((s, p, i) => s + shares[i]! * (b.mu[p.at]! - theta[p.at]!), 0);
    if (pass === 0) surprise = r / Math.sqrt(D);
    gain = ph.map((x) => x / D);
    for (let i = 0; i < n; i++) theta[i] = b.mu[i]! + gain[i]! * r;
  }
  const cov = b.cov.map((row, i) => row.map((c, j) => c - gain[i]! * ph[j]!));
  return { beliefs: { ids: b.ids, mu: theta, cov }, surprise, shares };
}
