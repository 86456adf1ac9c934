import { STARTERS } from '../ferment';
import { saltGrams, type JarMasses } from './schools';

/** Old brine that goes into a new jar: g of it, and the salt in it, % of the brine. */
export interface OldBrine {
  g: number;
  pct: number;
}
export interface WithOldBrine {
  /** What is still weighed in: g of salt and of fresh water. */
  saltG: number;
  waterG: number;
  /** Its share of pods and water, 0 to 1. */
  share: number;
  /** Souring cells that it brings, 1e9 per ml of the jar: what a forecast is asked with. */
  cells: number;
}
/** The dose that the cells of the table stand for: a twentieth of the jar (handbook chapter 4, section 2.4). */
export const STARTER_SHARE = 0.05;

/**
 * A jar begun with old brine in place of some of its water, so that it comes to the same salt, `wholeJarPct` % of pods and
 * water. Its acid is not counted. Throws RangeError where it brings more salt or water than is wanted.
 */
export function withOldBrine(jar: JarMasses, wholeJarPct: number, old: OldBrine): WithOldBrine {
  const bringsSaltG = (old.g * old.pct) / 100;
  const saltG = saltGrams('wholeJar', wholeJarPct, jar) - bringsSaltG;
  const waterG = jar.waterG - (old.g - bringsSaltG);
  if (waterG < -1e-9) throw new RangeError('That is more old brine than the water it takes the place of');
  if (saltG < -1e-9) throw new RangeError('The old brine alone brings more salt than the jar is to have');
  const share = old.g / (jar.produceG + jar.waterG);
  return { saltG: Math.max(0, saltG), waterG: Math.max(0, waterG), share, cells: (STARTERS.brine * share) / STARTER_SHARE };
}
