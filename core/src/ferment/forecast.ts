import { quantileSorted } from '../stat/normal';
import { BLOCK_H, HOUSE_PH, LEGAL_PH } from './constants';
import { driftAt, UNEVEN_SD } from './drift';
import type { JarReading } from './judge';
import { drawOf, learnJar, phAt, type Fit, type LearntJar, type SeenPh } from './learn';
import { simulateJar } from './model';
import { jarParameters, type JarConditions } from './priors';
import { blockTemps, type JarTemp } from './warmth';
import { jarOdds, type JarOdds, type JarRisk } from './wrong';

export interface ForecastInput {
  conditions: JarConditions;
  /** Expected temperature of the jar, °C. */
  tempC: number;
  /** How warm it was, as far as that is known. */
  temps: readonly JarTemp[];
  readings: readonly JarReading[];
  horizonDays: number;
  members: number;
  seed: number;
  /** pH that counts as ready, at most 4.0. */
  targetPh: number;
  /** Days a jar must have had before it may be called ready (7; whole pods 14). */
  leastDays: number;
  /** Days since it was packed, where one stands now; null before it is packed. */
  now: number | null;
  /** What its odds of going wrong rest on besides. */
  risk: JarRisk;
}

export interface Quantiles {
  p10: number;
  p50: number;
  p90: number;
}

/** When a pH is passed: days by share of members, null where that share never gets there in the horizon. */
export interface Crossing {
  pH: number;
  p10: number | null;
  p50: number | null;
  p90: number | null;
  /** Share of members that do not get there at all. */
  never: number;
}

/** What one more reading would do: on which day it tells most, and what is left of the doubt in when it is ready, 0 to 1. */
export interface NextReading {
  day: number;
  leaves: number;
}

/** What the temperature so far did to the day it is ready, against the plan's. */
export interface Warmth {
  meanC: number;
  plannedC: number;
  /** Days later (negative: earlier) by the middle jar; null where that one never gets there. */
  laterDays: number | null;
}

export interface Forecast {
  members: number;
  /** Days of the points below, from 0. */
  days: number[];
  pH: Quantiles[];
  /** CO2 per day at each point, mmol/l. */
  gas: Quantiles[];
  /** Sugar that is left, mmol/l. */
  sugar: Quantiles[];
  crossings: { legal: Crossing; house: Crossing; target: Crossing };
  /** Days when half, and nine in ten, of jars like this are ready; null beyond the horizon. */
  ready: { from: number | null; to: number | null };
  /** Share of jars that are ready by each day of `days`; those that go wrong never are. */
  readyBy: number[];
  /** Odds that it goes wrong: everything else here is told of a jar that sours. */
  wrong: JarOdds;
  fit: Fit;
  seen: readonly SeenPh[];
  next: NextReading | null;
  warmth: Warmth | null;
}

const PER_DAY = 24 / BLOCK_H;

/** Day on which a path first is at a pH or below; Infinity where it never is. */
export function crossed(path: ArrayLike<number>, pH: number): number {
  for (let b = 0; b < path.length; b++) {
    if (path[b]! > pH) continue;
    if (b === 0) return 0;
    const before = path[b - 1]!;
    return (b - 1 + (before - pH) / (before - path[b]!)) / PER_DAY;
  }
  return Infinity;
}
function crossing(sorted: readonly number[], pH: number): Crossing {
  const at = (p: number) => {
    const d = sorted[Math.min(sorted.length - 1, Math.floor(p * sorted.length))]!;
    return Number.isFinite(d) ? d : null;
  };
  return { pH, p10: at(0.1), p50: at(0.5), p90: at(0.9), never: sorted.filter((d) => d === Infinity).length / sorted.length };
}

/** The way of a jar as a meter shows it: what the model leaves out stays in it, as far as the readings did not tell it. */
export const shownPath = (learnt: LearntJar, j: number, pH: Float64Array): Float64Array =>
  pH.map((p, b) => p + driftAt(learnt.drifts[j]!, b / PER_DAY));

/** Everything that decides what a jar's readings teach, as one text. */
const keyOf = (i: ForecastInput) => JSON.stringify([i.conditions, i.tempC, i.temps, i.readings, i.members, i.seed]);
/** Jars that were learnt lately: a batch that is edited asks for its own again and again. */
const MOST_REMEMBERED = 24;
const remembered = new Map<string, LearntJar>();

/** The jar as its readings and its temperature tell it; the latest are remembered. */
export function learntJarOf(input: ForecastInput): LearntJar {
  const key = keyOf(input);
  let learnt = remembered.get(key);
  if (!learnt) {
    const last = Math.max(1, ...input.readings.map((r) => r.day));
    const temps = blockTemps(input.temps, input.tempC, Math.ceil(last * PER_DAY) + 1);
    learnt = learnJar({ ...input, temps });
    if (remembered.size >= MOST_REMEMBERED) remembered.delete(remembered.keys().next().value!);
  } else remembered.delete(key);
  // Used again: the last to go.
  remembered.set(key, learnt);
  return learnt;
}

/**
 * Forecast of a jar by an ensemble of the kinetic model (chapter 4, sections 2 and 4.4), steered by what was read in it. A
 * forecast is never a measurement and never makes a jar safe. Deterministic for the same seed. Throws RangeError for fewer
 * than 2 members or a horizon outside 1 to 365 days.
 */
export function forecastJar(input: ForecastInput): Forecast {
  if (!(input.members >= 2)) throw new RangeError('A band needs at least two members');
  if (!(input.horizonDays >= 1 && input.horizonDays <= 365)) throw new RangeError('The horizon is 1 to 365 days');
  const blocks = Math.ceil(input.horizonDays * PER_DAY);
  const learnt = learntJarOf(input);
  const temps = blockTemps(input.temps, input.tempC, blocks);
  const gases: Float64Array[] = [];
  const sugars: Float64Array[] = [];
  const paths = learnt.members.map((z, j) => {
    const run = simulateJar(jarParameters(learnt.conditions, drawOf(z)), temps);
    gases.push(run.gas);
    sugars.push(run.sugar);
    return shownPath(learnt, j, run.pH);
  });
  const days: number[] = [];
  const pH: Quantiles[] = [];
  const gas: Quantiles[] = [];
  const sugar: Quantiles[] = [];
  for (let b = 0; b <= blocks; b += 2) {
    days.push(b / PER_DAY);
    const from = Math.max(0, b - PER_DAY);
    pH.push(quantiles(paths, (p) => p[b]!));
    gas.push(quantiles(gases, (g) => (b > from ? ((g[b]! - g[from]!) * PER_DAY) / (b - from) : 0)));
    sugar.push(quantiles(sugars, (s) => s[b]!));
  }
  const at = (limit: number) =>
    crossing(
      paths.map((p) => crossed(p, limit)).sort((a, b) => a - b),
      limit,
    );
  const target = at(input.targetPh);
  const reached = paths.map((p) => Math.max(crossed(p, input.targetPh), input.leastDays));
  const wrong = jarOdds(input);
  const late = (d: number | null) => (d === null ? null : Math.max(d, input.leastDays));
  return {
    members: learnt.members.length,
    ...{ days, pH, gas, sugar },
    crossings: { legal: at(LEGAL_PH), house: at(HOUSE_PH), target },
    ready: { from: late(target.p50), to: late(target.p90) },
    readyBy: days.map((d) => ((1 - wrong.p) * reached.filter((r) => r <= d).length) / reached.length),
    wrong,
    fit: learnt.fit,
    seen: learnt.seen,
    next: input.now === null ? null : nextReading(paths, reached, input.now, target),
    warmth: warmthOf(input, learnt, paths),
  };
}

/** The error of the reading that is weighed up: a meter's, and what is uneven in a jar. */
const READ_SD = Math.hypot(0.05, UNEVEN_SD);
/** A reading that leaves more of the doubt than this tells nothing worth walking to the jar for. */
const WORTH = 0.93;
/**
 * The day on which one more reading tells most about when the jar is ready: by how far what would be read goes with the
 * order in which the members are ready (variance that a straight line through them takes away). Null where nothing tells.
 */
function nextReading(paths: readonly Float64Array[], reached: readonly number[], now: number, target: Crossing): NextReading | null {
  const order = reached.map((_, i) => i).sort((a, b) => reached[a]! - reached[b]!);
  const rank = new Float64Array(reached.length);
  // Members that are ready on the same day, or never, are told apart by nothing.
  for (let i = 0; i < order.length;) {
    let j = i;
    while (j < order.length && reached[order[j]!] === reached[order[i]!]) j++;
    for (let k = i; k < j; k++) rank[order[k]!] = (i + j - 1) / 2;
    i = j;
  }
  const last = Math.ceil(target.p50 ?? (paths[0]!.length - 1) / PER_DAY);
  let best: NextReading | null = null;
  for (let day = Math.max(1, Math.ceil(now)); day <= Math.max(last, now + 1); day++) {
    const rho = correlation(
      paths.map((p) => phAt(p, day)),
      rank,
      READ_SD,
    );
    const leaves = Math.sqrt(Math.max(0, 1 - rho * rho));
    // A later one must tell clearly more to be waited for.
    if (!best || leaves < best.leaves - 0.02) best = { day, leaves };
  }
  return best && best.leaves < WORTH ? best : null;
}
function correlation(x: readonly number[], y: ArrayLike<number>, noise: number): number {
  const n = x.length;
  let [mx, my] = [0, 0];
  for (let i = 0; i < n; i++) {
    mx += x[i]! / n;
    my += y[i]! / n;
  }
  let [xx, yy, xy] = [0, 0, 0];
  for (let i = 0; i < n; i++) {
    xx += (x[i]! - mx) ** 2 / n;
    yy += (y[i]! - my) ** 2 / n;
    xy += ((x[i]! - mx) * (y[i]! - my)) / n;
  }
  return yy > 0 ? xy / Math.sqrt((xx + noise ** 2) * yy) : 0;
}

/** Less than this is no word worth, °C. */
const WARMTH_SAID = 1;
/** The same jars at the temperature of the plan all along: what the true one changed. */
function warmthOf(input: ForecastInput, learnt: LearntJar, paths: readonly Float64Array[]): Warmth | null {
  if (input.temps.length === 0) return null;
  const upTo = Math.min(input.horizonDays, Math.max(...input.temps.map((t) => t.day)));
  const past = blockTemps(input.temps, input.tempC, Math.max(1, Math.round(upTo * PER_DAY)));
  const meanC = past.reduce((s, c) => s + c, 0) / past.length;
  if (!past.some((c) => Math.abs(c - input.tempC) >= WARMTH_SAID)) return null;
  const even = new Float64Array(Math.ceil(input.horizonDays * PER_DAY)).fill(input.tempC);
  const middle = (of: readonly Float64Array[]) => {
    const days = of.map((p) => crossed(p, input.targetPh)).sort((a, b) => a - b);
    return crossing(days, input.targetPh).p50;
  };
  const planned = middle(
    learnt.members.map((z, j) => shownPath(learnt, j, simulateJar(jarParameters(learnt.conditions, drawOf(z)), even).pH)),
  );
  const now = middle(paths);
  return { meanC, plannedC: input.tempC, laterDays: now === null || planned === null ? null : now - planned };
}

function quantiles<T>(of: readonly T[], value: (x: T) => number): Quantiles {
  const sorted = new Float64Array(of.length);
  for (let i = 0; i < of.length; i++) sorted[i] = value(of[i]!);
  sorted.sort();
  return { p10: quantileSorted(sorted, 0.1), p50: quantileSorted(sorted, 0.5), p90: quantileSorted(sorted, 0.9) };
}
