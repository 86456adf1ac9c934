import { podVariance } from './blur';

/** Lots whose doubts hang together since they were tasted in one sauce. */
export interface Block {
  ids: readonly string[];
  /** ln of SHU per g dry matter. */
  mu: readonly number[];
  /** Covariance, row by row. */
  cov: readonly (readonly number[])[];
}

/** What is believed of the lots: each in the block it belongs to. Lots never tasted together are independent. */
export type Beliefs = ReadonlyMap<string, Block>;

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

export const NO_BELIEFS: Beliefs = new Map();

/** The beliefs with a lot set to a new prior, independent of all others. */
export function believe(b: Beliefs, id: string, dryShu: number, sigma: number): Beliefs {
  const next = new Map(b);
  const old = b.get(id);
  if (old && old.ids.length > 1) {
    const keep = old.ids.map((_, i) => i).filter((i) => old.ids[i] !== id);
    const rest = {
      ids: keep.map((i) => old.ids[i]!),
      mu: keep.map((i) => old.mu[i]!),
      cov: keep.map((i) => keep.map((j) => old.cov[i]![j]!)),
    };
    for (const other of rest.ids) next.set(other, rest);
  }
  return next.set(id, { ids: [id], mu: [Math.log(dryShu)], cov: [[sigma * sigma]] });
}

/** Median and log-sd believed of one lot; undefined for a lot without heat. */
export function beliefOf(b: Beliefs, id: string): { dryShu: number; sigma: number } | undefined {
  const block = b.get(id);
  if (!block) return undefined;
  const i = block.ids.indexOf(id);
  return { dryShu: Math.exp(block.mu[i]!), sigma: Math.sqrt(block.cov[i]![i]!) };
}

/** Blocks side by side, independent of one another. */
function joined(blocks: readonly Block[]): Block {
  if (blocks.length === 1) return blocks[0]!;
  const where = blocks.flatMap((block) => block.ids.map((_, i) => ({ block, i })));
  return {
    ids: blocks.flatMap((x) => x.ids),
    mu: blocks.flatMap((x) => x.mu),
    cov: where.map((a) => where.map((z) => (a.block === z.block ? a.block.cov[a.i]![z.i]! : 0))),
  };
}

/**
 * Updates the lots that went into a sauce by what was seen of the sauce, each by its share of the heat: an iterated
 * extended Kalman step on ln SHU, five passes (chapter 2, section 4.3). For one lot it is the conjugate normal update.
 * Parts of lots without beliefs (no heat) are ignored. Throws RangeError when no part is left.
 */
export function learn(b: Beliefs, seen: Observation): Learnt {
  const known = seen.parts.filter((p) => b.has(p.lotId) && p.weight > 0);
  if (known.length === 0) throw new RangeError('Nothing hot went into this, so there is nothing to learn');
  const { ids, mu, cov } = joined([...new Set(known.map((p) => b.get(p.lotId)!))]);
  const parts = known.map((p) => ({ ...p, at: ids.indexOf(p.lotId) }));
  const theta = [...mu];
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
    ph = cov.map((row) => parts.reduce((s, p, i) => s + row[p.at]! * shares[i]!, 0));
    const pods = parts.reduce((s, p, i) => s + shares[i]! ** 2 * podVariance(p.pods ?? Infinity), 0);
    D = parts.reduce((s, p, i) => s + ph[p.at]! * shares[i]!, 0) + seen.sd ** 2 + seen.processSd ** 2 + pods + other ** 2;
    const r = seen.mu - Math.log(total) - parts.reduce((s, p, i) => s + shares[i]! * (mu[p.at]! - theta[p.at]!), 0);
    if (pass === 0) surprise = r / Math.sqrt(D);
    gain = ph.map((x) => x / D);
    for (let i = 0; i < ids.length; i++) theta[i] = mu[i]! + gain[i]! * r;
  }
  const block = { ids, mu: theta, cov: cov.map((row, i) => row.map((c, j) => c - gain[i]! * ph[j]!)) };
  const beliefs = new Map(b);
  for (const id of ids) beliefs.set(id, block);
  return { beliefs, surprise, shares };
}
