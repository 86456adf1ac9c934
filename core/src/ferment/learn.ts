import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { drawEnsemble, hash, type Draw } from '../stat/draw';
import { normalQuantile } from '../stat/normal';
import { BLOCK_H } from './constants';
import { anyDrift, cholesky, driftAfter, UNEVEN_SD, lookCov, type Drift } from './drift';
import { byTime, type JarReading } from './judge';
import { risesIn } from './rise';
import { simulateJar } from './model';
import { JAR_UNKNOWNS, jarParameters, type JarConditions } from './priors';

/** What readings are to teach. */
export interface LearnInput {
  conditions: JarConditions;
  /** Mean temperature of each block of 6 h from the day it was packed, °C; at least up to the last reading. */
  temps: Float64Array;
  readings: readonly JarReading[];
  /** Jars that might be this one. */
  members: number;
  seed: number;
}

/** Readings that count as one: the jar they differ from is the same (handbook chapter 4, section 4). */
export interface SeenPh {
  day: number;
  pH: number;
  /** Of the instrument. */
  sd: number;
  /** How likely it is that this one is wrong, 0 to 1. */
  doubt: number;
}

/**
 * How the readings sit with what jars do: none yet; as jars do; one of them looks wrong; together they fit no jar that is
 * known; they rise, which no souring jar does.
 */
export type Fit = 'unread' | 'fits' | 'one is off' | 'no known jar' | 'rises';

export interface LearntJar {
  conditions: JarConditions;
  /** Unknowns of each member as standard normals, in the order of JAR_UNKNOWNS. */
  members: readonly Float64Array[];
  /** How far each of them is from the jar itself, as far as the readings tell. */
  drifts: readonly Drift[];
  seen: readonly SeenPh[];
  fit: Fit;
  /** Members that plain weights would rest on: few means surprising readings. */
  effective: number;
  /** Log of how likely the readings were beforehand, against the likeliest there could be. */
  evidence: number;
}

/** A reading may be plain wrong this often, and is then anywhere within about this (section 4.3: to flag, not to rescue). */
const WRONG = { share: 0.08, sd: 1 } as const;
const DOUBTED = 0.5;
/** Readings that are less likely than this beforehand, for each and for the first, fit no jar that is known (see docs/decisions/0019). */
const UNLIKELY = { first: -6, each: -2.2 } as const;
/** Moves on the way, and at the end (section 4.2: between two and eight no difference beyond chance). */
const MOVES = { onTheWay: 2, last: 3 } as const;
/** Readings that no known jar makes are not led up to for ever: the last step is then a jump. */
const MOST_STAGES = 10;
/** Weights are let fall apart to this share of the members before they are drawn anew. */
const HALF = 0.5;
/** How exactly a path is run to be held against readings that are known to a tenth. */
const TOL = 0.02;
const STEP = { first: 0.5, least: 0.08, most: 0.95, accept: 0.3 } as const;
const N = JAR_UNKNOWNS.length;
const INDEX = new Map<string, number>(JAR_UNKNOWNS.map((name, i) => [name, i]));
const MOST_Z = 3;

/** A member's unknowns as a draw: names that are not the jar's sit at their median. */
export function drawOf(z: Float64Array): Draw {
  return {
    z: (name) => {
      const i = INDEX.get(name);
      return i === undefined ? 0 : Math.max(-MOST_Z, Math.min(MOST_Z, z[i]!));
    },
    typical: false,
  };
}

/** pH of a run at a day, between its blocks. */
export function phAt(pH: Float64Array, day: number): number {
  const at = Math.max(0, (day * 24) / BLOCK_H);
  const b = Math.min(pH.length - 1, Math.floor(at));
  const next = Math.min(pH.length - 1, b + 1);
  return pH[b]! + (at - b) * (pH[next]! - pH[b]!);
}

/** Readings of one day that differ by more than this many of their sds contradict each other. */
const AGREE = 2.5;
/** Readings within a day of each other as one look, by their precision. */
function together(readings: readonly JarReading[]): SeenPh[] {
  const out: SeenPh[] = [];
  let group: JarReading[] = [];
  const close = () => {
    if (group.length === 0) return;
    const weights = group.map((r) => 1 / r.sd ** 2);
    const sum = weights.reduce((s, w) => s + w, 0);
    const mean = (of: (r: JarReading) => number) => group.reduce((s, r, i) => s + weights[i]! * of(r), 0) / sum;
    out.push({ day: mean((r) => r.day), pH: mean((r) => r.pH), sd: 1 / Math.sqrt(sum), doubt: 0 });
    group = [];
  };
  for (const r of byTime(readings)) {
    // Two that contradict each other are not one: one of them is wrong, and that must show.
    const apart = group.some((g) => Math.abs(g.pH - r.pH) > AGREE * Math.hypot(g.sd, r.sd, UNEVEN_SD, UNEVEN_SD));
    if (group.length > 0 && (r.day - group[0]!.day > 1 || apart)) close();
    group.push(r);
  }
  close();
  return out;
}

const SQRT_2PI = Math.sqrt(2 * Math.PI);
const density = (x: number, sd: number): number => Math.exp(-0.5 * (x / sd) ** 2) / (sd * SQRT_2PI);

/** Odds that a look which is `off` by so much is a wrong one, and its log-likelihood against the best there could be: at most 0. */
function surprise(off: number, sd: number, robust: boolean): { log: number; doubt: number } {
  if (!robust) return { log: -0.5 * (off / sd) ** 2, doubt: 0 };
  const right = (1 - WRONG.share) * density(off, sd);
  const wrong = WRONG.share * density(off, Math.hypot(sd, WRONG.sd));
  return { log: Math.log((right + wrong) * sd * SQRT_2PI), doubt: wrong / (right + wrong) };
}

/** What was seen, look by look: each against the model, and against what the looks before it told of the drift. */
interface Looks {
  seen: readonly SeenPh[];
  /** Lower triangle of the covariance of what is read about the model. */
  F: Float64Array;
  robust: boolean;
}
const looksOf = (seen: readonly SeenPh[], robust: boolean): Looks => ({ seen, F: cholesky(lookCov(seen), seen.length), robust });

/** The next look at a path: its log-likelihood; what of it is new, and its doubt, stand in `told` and `doubts` after it. */
function look({ seen, F, robust }: Looks, i: number, path: Float64Array, told: Float64Array, doubts: Float64Array): number {
  const n = seen.length;
  let off = phAt(path, seen[i]!.day) - seen[i]!.pH;
  for (let j = 0; j < i; j++) off -= F[i * n + j]! * told[j]!;
  const sd = F[i * n + i]!;
  const { log, doubt } = surprise(off, sd, robust);
  doubts[i] = doubt;
  told[i] = ((1 - doubt) * off) / sd;
  return log;
}
/** The same of all looks. */
function logLikelihood(looks: Looks, path: Float64Array, told: Float64Array, doubts: Float64Array): number {
  let sum = 0;
  for (let i = 0; i < looks.seen.length; i++) sum += look(looks, i, path, told, doubts);
  return sum;
}

/** Weights that sum to 1, and how many members they rest on. */
function weigh(logs: Float64Array, times: number): { weights: Float64Array; effective: number } {
  let top = -Infinity;
  for (const l of logs) if (l > top) top = l;
  const weights = logs.map((l) => Math.exp(times * (l - top)));
  const sum = weights.reduce((s, w) => s + w, 0);
  let squares = 0;
  for (let i = 0; i < weights.length; i++) {
    weights[i]! /= sum;
    squares += weights[i]! ** 2;
  }
  return { weights, effective: 1 / squares };
}

/** The largest step in tempering that leaves at least half the members in play. */
function nextPhi(logs: Float64Array, phi: number): number {
  const enough = HALF * logs.length;
  if (weigh(logs, 1 - phi).effective >= enough) return 1;
  let low = 0;
  let high = 1 - phi;
  for (let i = 0; i < 30; i++) {
    const middle = (low + high) / 2;
    if (weigh(logs, middle).effective >= enough) low = middle;
    else high = middle;
  }
  // A cliff of likelihood must not hold it up for ever.
  return phi + Math.max(low, 1e-4);
}

/** The prior: members spread evenly over each unknown. */
function priorMembers(seed: number, count: number): Float64Array[] {
  return drawEnsemble(seed, count).map((draw) => Float64Array.from(JAR_UNKNOWNS, (name) => draw.z(name)));
}

/**
 * The jar as its readings tell it: tempered sequential Monte Carlo from the prior with pCN moves (handbook chapter 4,
 * section 4.1; Cotter et al. 2013, Del Moral et al. 2006), always with all readings at once, so that one that is changed or
 * taken away leaves no trace. Readings after a rise that no souring jar makes are left out and the rise is told.
 * Deterministic for the same seed. Throws RangeError for fewer than 2 members.
 */
export function learnJar(input: LearnInput): LearntJar {
  const { conditions, readings, members, seed } = input;
  if (!(members >= 2)) throw new RangeError('A band needs at least two members');
  const list = byTime(readings);
  const risen = risesIn(list).open[0];
  const rise = risen ? list.indexOf(risen.reading) : -1;
  const seen = together(rise < 0 ? list : list.slice(0, rise));
  const prior = priorMembers(seed, members);
  if (seen.length === 0) {
    const normal = normals('drift', seed);
    const told = { conditions, fit: (rise < 0 ? 'unread' : 'rises') as Fit, effective: members, evidence: 0 };
    return { ...told, members: prior, drifts: prior.map(() => anyDrift(normal)), seen };
  }
  const robust = temper(input, prior, seen, true);
  const doubts = seen.map((s, i) => ({ ...s, doubt: robust.doubts[i]! }));
  const off = doubts.filter((s) => s.doubt > DOUBTED).length;
  const strange = robust.plain < UNLIKELY.first + UNLIKELY.each * seen.length;
  // Where most of them would be wrong, or one alone, it is not the readings.
  const believe = off > 0 && (seen.length === 1 || off * 2 > seen.length || (off * 2 === seen.length && strange));
  const found = believe ? temper(input, prior, seen, false) : robust;
  return {
    conditions,
    members: found.members,
    drifts: found.drifts,
    seen: believe ? seen : doubts,
    fit: rise >= 0 ? 'rises' : believe || (strange && off === 0) ? 'no known jar' : off > 0 ? 'one is off' : 'fits',
    effective: found.effective,
    evidence: robust.plain,
  };
}

/** A stream of standard normals of its own. */
function normals(name: string, seed: number): () => number {
  const rng = xoroshiro128plus(hash(name, seed) | 0);
  return () => normalQuantile(0.5e-9 + uniformFloat64(rng) * (1 - 1e-9));
}

interface Tempered {
  members: Float64Array[];
  drifts: Drift[];
  effective: number;
  /** Log of the mean likelihood of the prior members, without any doubt in the readings. */
  plain: number;
  doubts: number[];
}
function temper(input: LearnInput, prior: readonly Float64Array[], seen: readonly SeenPh[], robust: boolean): Tempered {
  const { conditions, temps, seed } = input;
  const count = prior.length;
  const rng = xoroshiro128plus(hash('learn', seed) | 0);
  const uniform = () => uniformFloat64(rng);
  const normal = () => normalQuantile(0.5e-9 + uniform() * (1 - 1e-9));
  // Only up to the last reading: what comes after it changes nothing.
  const upTo = temps.subarray(0, Math.min(temps.length, Math.ceil((seen.at(-1)!.day * 24) / BLOCK_H) + 1));
  const path = (z: Float64Array) => simulateJar(jarParameters(conditions, drawOf(z)), upTo, TOL).pH;
  const endsAt = seen.map((s) => Math.min(upTo.length, Math.floor((s.day * 24) / BLOCK_H) + 1));
  const [looks, plainLooks] = [looksOf(seen, robust), looksOf(seen, false)];
  const told = new Float64Array(seen.length);
  const doubts = new Float64Array(seen.length);
  let z = prior.map((p) => p.slice());
  let paths = z.map(path);
  const logs = Float64Array.from(paths, (p) => logLikelihood(looks, p, told, doubts));
  const plainLogs = Float64Array.from(paths, (p) => logLikelihood(plainLooks, p, told, doubts));
  const top = plainLogs.reduce((a, b) => Math.max(a, b), -Infinity);
  const plain = top + Math.log(plainLogs.reduce((s, l) => s + Math.exp(l - top), 0) / count);
  const { effective } = weigh(logs, 1);
  let step: number = STEP.first;
  for (let phi = 0, stage = 1; phi < 1; stage++) {
    const next = stage < MOST_STAGES ? nextPhi(logs, phi) : 1;
    const { weights } = weigh(logs, next - phi);
    const from = resample(weights, uniform());
    z = Array.from(from, (i) => z[i]!.slice());
    paths = Array.from(from, (i) => paths[i]!);
    logs.set(Float64Array.from(from, (i) => logs[i]!));
    phi = next;
    for (let move = 0; move < (phi < 1 ? MOVES.onTheWay : MOVES.last); move++) {
      const keep = Math.sqrt(1 - step * step);
      let accepted = 0;
      for (let j = 0; j < count; j++) {
        const tried = new Float64Array(N);
        for (let k = 0; k < N; k++) tried[k] = keep * z[j]![k]! + step * normal();
        // Whether it is taken is drawn first: a run that has fallen below what that asks need not go on.
        const least = logs[j]! + Math.log(uniform()) / phi;
        let log = 0;
        let at = 0;
        const run = simulateJar(jarParameters(conditions, drawOf(tried)), upTo, TOL, (b, pH) => {
          while (at < seen.length && endsAt[at]! <= b) {
            log += look(looks, at, pH, told, doubts);
            at++;
          }
          return log <= least;
        });
        if (log <= least) continue;
        z[j] = tried;
        paths[j] = run.pH;
        logs[j] = log;
        accepted++;
      }
      step = Math.max(STEP.least, Math.min(STEP.most, step * Math.exp(accepted / count - STEP.accept)));
    }
  }
  const wander = normals('drift', seed);
  const mean = new Float64Array(seen.length);
  const drifts = paths.map((p) => {
    logLikelihood(looks, p, told, doubts);
    doubts.forEach((d, i) => (mean[i]! += d / count));
    return driftAfter(
      seen,
      seen.map((s) => s.pH - phAt(p, s.day)),
      doubts,
      wander,
    );
  });
  return { members: z, drifts, effective, plain, doubts: [...mean] };
}

/** Systematic resampling: which member each of the new ones is a copy of. */
function resample(weights: Float64Array, u: number): Int32Array {
  const count = weights.length;
  const out = new Int32Array(count);
  let sum = weights[0]!;
  for (let j = 0, i = 0; j < count; j++) {
    const at = (j + u) / count;
    while (sum < at && i < count - 1) sum += weights[++i]!;
    out[j] = i;
  }
  return out;
}
