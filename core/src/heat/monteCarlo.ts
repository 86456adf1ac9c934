import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { quantileSorted } from '../stat/normal';
import { blurQuantiles, finishedBlur, oddsWithin, partVariance, type BlurPart } from './blur';

export interface HeatBand {
  p10: number;
  p50: number;
  p90: number;
  /** Probability of landing in the bracket. */
  odds: number;
  by: 'formula' | 'draws';
}

/**
 * Heat of a finished sauce by `draws` random worlds from one seed: lot means, the scatter of the pods (folded in) and
 * the process each log-normal (chapter 2, section 4.2). Deterministic. Null when nothing is hot.
 */
export function drawnBand(
  parts: readonly BlurPart[],
  processSd: number,
  lowShu: number,
  highShu: number,
  draws = 10_000,
  seed = 1,
): HeatBand | null {
  const hot = parts.filter((p) => p.medianShu > 0);
  if (hot.length === 0) return null;
  const sd = hot.map((p) => Math.sqrt(partVariance(p)));
  const mu = hot.map((p) => Math.log(p.medianShu));
  const rng = xoroshiro128plus(seed);
  // Box and Muller: two normals from two uniforms.
  let spare: number | null = null;
  const normal = () => {
    if (spare !== null) {
      const z = spare;
      spare = null;
      return z;
    }
    const r = Math.sqrt(-2 * Math.log(1 - uniformFloat64(rng)));
    const angle = 2 * Math.PI * uniformFloat64(rng);
    spare = r * Math.sin(angle);
    return r * Math.cos(angle);
  };
  const values = new Float64Array(draws);
  let inside = 0;
  for (let d = 0; d < draws; d++) {
    let sum = 0;
    for (let i = 0; i < hot.length; i++) sum += Math.exp(mu[i]! + sd[i]! * normal());
    const shu = sum * Math.exp(processSd * normal());
    values[d] = shu;
    if (shu >= lowShu && shu <= highShu) inside++;
  }
  values.sort();
  return {
    p10: quantileSorted(values, 0.1),
    p50: quantileSorted(values, 0.5),
    p90: quantileSorted(values, 0.9),
    odds: inside / draws,
    by: 'draws',
  };
}

/** A lot this uncertain that carries this much of the heat bends the formula (chapter 2, section 4.2). */
const WIDE = { sigma: 0.8, share: 1 / 3 } as const;

/** The band by the formula, or by draws where a very uncertain lot carries much of the heat. Null when nothing is hot. */
export function heatBand(parts: readonly BlurPart[], processSd: number, lowShu: number, highShu: number): HeatBand | null {
  const total = parts.reduce((s, p) => s + p.medianShu, 0);
  if (parts.some((p) => p.sigma > WIDE.sigma && p.medianShu > WIDE.share * total)) return drawnBand(parts, processSd, lowShu, highShu);
  const blur = finishedBlur(parts, processSd);
  return blur && { ...blurQuantiles(blur), odds: oddsWithin(blur, lowShu, highShu), by: 'formula' };
}
