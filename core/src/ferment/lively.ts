import { normalQuantile } from '../stat/normal';
import { drawOf, type LearntJar } from './learn';
import { JAR_UNKNOWNS, jarParameters, VIGOUR, type JarConditions } from './priors';

/** How much livelier a jar was than the tables say, as a logarithm, and the sd of that. */
export interface Lively {
  log: number;
  sd: number;
}
/** Of what was known beforehand at least so much must have gone, or nothing was learnt (members are few: our judgement). */
const NARROWED = 0.9;
/** Points at which what was known beforehand is looked at. */
const POINTS = 200;
const AT = JAR_UNKNOWNS.indexOf('vigour');

const logOf = (c: JarConditions, z: Float64Array): number => Math.log(jarParameters(c, drawOf(z)).vigour / VIGOUR.median);

function moments(values: readonly number[]): { mean: number; variance: number } {
  const mean = values.reduce((a, v) => a + v, 0) / values.length;
  return { mean, variance: values.reduce((a, v) => a + (v - mean) ** 2, 0) / (values.length - 1) };
}

/** What was known beforehand taken out of what is known now; null where the readings said nothing. */
function alone(before: { mean: number; variance: number }, now: { mean: number; variance: number }): { mean: number; sd: number } | null {
  if (!(now.variance < NARROWED ** 2 * before.variance)) return null;
  const precision = 1 / now.variance - 1 / before.variance;
  return { mean: (now.mean / now.variance - before.mean / before.variance) / precision, sd: 1 / Math.sqrt(precision) };
}
const believed = (learnt: LearntJar) => learnt.fit === 'fits' || learnt.fit === 'one is off';

/**
 * What the readings of a jar by themselves say of its liveliness: what was known beforehand is taken out of what is known
 * now, so that the next jar may add it to what it knows. Null where they say nothing, or fit no jar that is known.
 */
export function livelyOf(learnt: LearntJar): Lively | null {
  if (!believed(learnt)) return null;
  const before = moments(
    Array.from({ length: POINTS }, (_, i) => {
      const z = new Float64Array(JAR_UNKNOWNS.length);
      z[AT] = normalQuantile((i + 0.5) / POINTS);
      return logOf(learnt.conditions, z);
    }),
  );
  const found = alone(before, moments(learnt.members.map((z) => logOf(learnt.conditions, z))));
  return found && { log: found.mean, sd: found.sd };
}

/** How far the natural pH of its pods was from what was worked out, pH, and the sd of that. */
export interface NaturalPh {
  off: number;
  sd: number;
}
/** Pods differ by no more (three times what is known of them beforehand): beyond, something else went in. */
const MOST_OFF = 0.45;
/** The same of the pH the pods had before anything soured. Null where nobody read it early, or it was measured when packed. */
export function naturalOf(learnt: LearntJar): NaturalPh | null {
  const { pH0, pH0Sd, placeOff, measuredStart } = learnt.conditions;
  if (!believed(learnt) || measuredStart) return null;
  const now = moments(learnt.members.map((z) => jarParameters(learnt.conditions, drawOf(z)).pH0));
  const found = alone({ mean: pH0, variance: pH0Sd ** 2 }, now);
  if (!found) return null;
  // Against what was worked out, not against what the place had told already.
  const off = found.mean - (pH0 - (placeOff ?? 0));
  return Math.abs(off) <= MOST_OFF ? { off, sd: found.sd } : null;
}
