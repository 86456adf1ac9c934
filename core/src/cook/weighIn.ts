/** What weighing a pot says of its pace (handbook chapter 4, section 7). */

/** A pot on the scale, less the empty pot: minutes since it boils, and g. */
export interface Weighing {
  min: number;
  massG: number;
}

/** Pace of a pot against what its width and fire say: mean and sd of the logarithm. */
export interface Pace {
  log: number;
  sd: number;
}

/** Sd of a pot on a kitchen scale, g, and as a share of what is in it (chapter 5, section 0.3). */
export const SCALE = { g: 5, share: 0.01 } as const;
/** Sd of the pace of one pot from one quarter of an hour to the next, in logarithms. */
const FROM_HOUR_TO_HOUR = 0.15;

/**
 * The pace after some weighings: what goes off between two of them, combined with what was thought before by precision.
 * `beganG` is what went in, at the boil; `expected` the g per minute that fire and width say. Weighings in order of time.
 */
export function paceOf(prior: Pace, beganG: number, expected: number, weighings: readonly Weighing[]): Pace {
  let [mean, weight] = [prior.log, 1 / prior.sd ** 2];
  let before: Weighing = { min: 0, massG: beganG };
  for (const w of weighings) {
    const [off, minutes] = [before.massG - w.massG, w.min - before.min];
    const scale = Math.SQRT2 * SCALE.g;
    // Too little went off to tell anything from the scale's own error.
    if (minutes > 0 && off > scale && expected > 0) {
      const sd = Math.hypot(scale / off, FROM_HOUR_TO_HOUR);
      mean = (mean * weight + Math.log(off / minutes / expected) / sd ** 2) / (weight + 1 / sd ** 2);
      weight += 1 / sd ** 2;
    }
    if (minutes > 0) before = w;
  }
  return { log: mean, sd: Math.max(FROM_HOUR_TO_HOUR, 1 / Math.sqrt(weight)) };
}
