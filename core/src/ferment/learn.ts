import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { drawEnsemble, hash, type Draw } from '../stat/draw';
import { normalQuantile } from '../stat/normal';
import { BLOCK_H, DISCREPANCY_SD } from './constants';
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
  /** Of the instrument and of the model together. */
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
/** Readings within a day of each other as one, by their precision: they share what the model gets wrong. */
function together(readings: readonly JarReading[]): SeenPh[] {
  const out: SeenPh[] = [];
  let group: JarReading[] = [];
  const close = () => {
    if (group.length === 0) return;
    const weights = group.map((r) => 1 / r.sd ** 2);
    const sum = weights.reduce((s, w) => s + w, 0);
    const mean = (of: (r: JarReading) => number) => group.reduce((s, r, i) => s + weights[i]! * of(r), 0) / sum;
    out.push({ day: mean((r) => r.day), pH: mean((r) => r.pH), sd: Math.hypot(1 / Math.sqrt(sum), DISCREPANCY_SD), doubt: 0 });
    group = [];
  };
  for (const r of byTime(readings)) {
    // Two that contradict each other are not one: one of them is wrong, and that must show.
    const apart = group.some((g) => Math.abs(g.pH - r.pH) > AGREE * Math.hypot(g.sd, r.sd, DISCREPANCY_SD));
    if (group.length > 0 && (r.day - group[0]!.day > 1 || apart)) close();
    group.push(r);
  }
  close();
  return out;
}

const SQRT_2PI = Math.sqrt(2 * Math.PI);
const density = (x: number, sd: number): number => Math.exp(-0.5 * (x / sd) ** 2) / (sd * SQRT_2PI);

/** Log-likelihood of one reading for a jar that is `off` from it, against the best there could be: at most 0. */
function logOf(off: number, s: SeenPh, robust: boolean): number {
  if (!robust) return -0.5 * (off / s.sd) ** 2;
  const right = (1 - WRONG.share) * density(off, s.sd);
  const wrong = WRONG.share * density(off, Math.hypot(s.sd, WRONG.sd));
  return Math.log((right + wrong) * s.sd * SQRT_2PI);
}
/** The same of all that was seen; `robust` where one of them may be wrong. */
const logLikelihood = (pH: Float64Array, seen: readonly SeenPh[], robust: boolean): number =>
  seen.reduce((sum, s) => sum + logOf(phAt(pH, s.day) - s.pH, s, robust), 0);

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
  const told = { conditions, fit: (rise < 0 ? 'unread' : 'rises') as Fit, effective: members, evidence: 0 };
  if (seen.length === 0) return { ...told, members: prior, seen };
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
    seen: believe ? seen : doubts,
    fit: rise >= 0 ? 'rises' : believe || (strange && off === 0) ? 'no known jar' : off > 0 ? 'one is off' : 'fits',
    effective: found.effective,
    evidence: robust.plain,
  };
}

interface Tempered {
  members: Float64Array[];
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
  let z = prior.map((p) => p.slice());
  let paths = z.map(path);
  const logs = Float64Array.from(paths, (p) => logLikelihood(p, seen, robust));
  const plainLogs = Float64Array.from(paths, (p) => logLikelihood(p, seen, false));
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
            log += logOf(phAt(pH, seen[at]!.day) - seen[at]!.pH, seen[at]!, robust);
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
  const doubts = seen.map((s) => paths.reduce((sum, p) => sum + doubtOf(phAt(p, s.day) - s.pH, s.sd), 0) / count);
  return { members: z, effective, plain, doubts };
}
function doubtOf(off: number, sd: number): number {
  const right = (1 - WRONG.share) * density(off, sd);
  const wrong = WRONG.share * density(off, Math.hypot(sd, WRONG.sd));
  return wrong / (right + wrong);
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
