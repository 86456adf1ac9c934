import { brineDensity } from './brine';
import type { School } from './schools';

/** One jar to be filled. Volumes in ml, masses in g. */
export interface JarInput {
  jarMl: number;
  headspaceMl: number;
  /** Weight, disc or bag that pushes brine aside. */
  displacementMl: number;
  /** Produce in this jar. */
  produceG: number;
  /** Air held in unpierced whole pods. */
  airMl: number;
  /** Salt rubbed into the pods dry before the brine goes over them; none when nothing is said. */
  dryG?: number;
}

export interface Packing {
  /** Brine the jar really takes. */
  brineMl: number;
  brineG: number;
  /** All the salt of the jar, rubbed in and in the brine. */
  saltG: number;
  waterG: number;
  /** Strength of the brine as mixed, % w/w. */
  brinePct: number;
}

/** Density of cut pepper tissue in g/ml, 0.90 to 0.98 (judgement, chapter 4, section 1.5). */
export const TISSUE_DENSITY = 0.95;
/** Headspace and displacement when the maker gives none: 7 % of the jar and a disc. */
export const DEFAULT_HEADSPACE_SHARE = 0.07;

/** Thrown when the produce does not fit. Carries how many ml are missing. */
export class JarTooSmall extends RangeError {
  constructor(readonly missingMl: number) {
    super(`The pods need about ${Math.ceil(missingMl / 10) * 10} ml more room in each jar`);
  }
}

/** Room for brine around the produce, ml; negative when the produce does not fit. */
export function brineRoomMl(jar: JarInput): number {
  return jar.jarMl - jar.headspaceMl - jar.displacementMl - jar.produceG / TISSUE_DENSITY - jar.airMl;
}

/**
 * Salt and water that one jar takes at `pct` of a school (chapter 4, section 1.5). Whole-jar targets
 * are found by fixed point, since the water depends on the brine's own density. Salt rubbed in dry counts towards the
 * whole jar, so that its brine is weaker; a water-only percentage stays that of the brine.
 * Throws JarTooSmall when the produce alone is too much, RangeError when the brine would pass saturation, or when more is
 * rubbed in than the whole jar is to have.
 */
export function packJar(jar: JarInput, school: School, pct: number): Packing {
  if (school === 'mash') {
    return { brineMl: 0, brineG: 0, saltG: (pct * jar.produceG) / 100, waterG: 0, brinePct: 0 };
  }
  const dryG = jar.dryG ?? 0;
  const room = brineRoomMl(jar);
  if (room < 0) throw new JarTooSmall(-room);
  let waterPct = pct;
  let packed = mixBrine(room, waterPct);
  if (school === 'wholeJar' && pct > 0) {
    for (let pass = 0; pass < 60; pass++) {
      const next = (pct * (jar.produceG + packed.waterG) - 100 * dryG) / packed.waterG;
      if (!(next >= 0)) throw new RangeError('More salt is rubbed in than the whole jar is to have. Rub in less, or ask for more salt');
      const done = Math.abs(next - waterPct) < 1e-10;
      waterPct = next;
      packed = mixBrine(room, waterPct);
      if (done) break;
    }
  }
  return { ...packed, saltG: packed.saltG + dryG };
}

/**
 * The percentage that makes `saltG` grams in these jars under a school: what a way of counting is called when only the
 * counting changes. Null where no strength of brine does (more salt than the brine holds, or pods that do not fit).
 */
export function pctForSalt(jar: JarInput, school: School, saltG: number): number | null {
  if (school === 'mash') return jar.produceG > 0 ? (100 * saltG) / jar.produceG : null;
  const room = brineRoomMl(jar);
  const inBrineG = saltG - (jar.dryG ?? 0);
  if (!(room > 0) || inBrineG < 0) return null;
  // Salt in the brine's volume rises with its strength: halve the interval of strengths.
  const salt = (c: number) => (room * brineDensity(c) * c) / 100;
  let [low, high] = [0, 26.4];
  if (inBrineG > salt(high)) return null;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (salt(mid) < inBrineG) low = mid;
    else high = mid;
  }
  const waterG = room * brineDensity(high) - inBrineG;
  return school === 'waterOnly' ? (100 * inBrineG) / waterG : (100 * saltG) / (jar.produceG + waterG);
}

function mixBrine(brineMl: number, waterOnlyPct: number): Packing {
  const c = (100 * waterOnlyPct) / (100 + waterOnlyPct);
  if (!(c <= 26.4)) {
    throw new RangeError('So little water cannot hold that much salt. Use a larger jar or less salt');
  }
  const brineG = brineMl * brineDensity(c);
  const saltG = (brineG * c) / 100;
  return { brineMl, brineG, saltG, waterG: brineG - saltG, brinePct: c };
}
