import { IONIC_STRENGTH_LIMIT } from './constants';
import { chargeAt } from './charge';
import type { AcidPool } from './pool';

const CLAMP = 6;
/** Far below what any instrument shows, pH and mol/kg. */
const SETTLED = 1e-10;
const LAST_STEP = 1e-7;

export interface PhResult {
  pH: number;
  /** mol per kg water */
  ionicStrength: number;
  /** eq per pH for the whole pool */
  beta: number;
  /** The activity model is stretched: I above 3 mol/kg. */
  outsideModel: boolean;
}

/** Root of the net charge at fixed ionic strength: Newton kept inside a shrinking bracket, so it cannot fail. */
function phAt(pool: AcidPool, ionicStrength: number, start: number): number {
  let lo = -1;
  let hi = 14;
  let pH = start;
  for (let i = 0; i < 80; i++) {
    const { charge, beta } = chargeAt(pool, pH, ionicStrength);
    if (charge > 0) lo = pH;
    else hi = pH;
    const newton = pH + charge / beta;
    const next = newton > lo && newton < hi ? newton : (lo + hi) / 2;
    if (Math.abs(next - pH) < 1e-10) return next;
    pH = next;
  }
  return pH;
}

/**
 * pH of a pool by electroneutrality with SIT activities (handbook chapter 3, sections 1 and 3).
 * Valid for aqueous mixtures up to I of about 3.5 mol/kg water; flagged above 3.
 * Throws RangeError when the pool has no water, for pH has no meaning then.
 */
export function solvePh(pool: AcidPool, near: PhStart = MIDDLE): PhResult {
  if (!(pool.waterKg > 0)) throw new RangeError('pH needs water in the mix');
  return together(pool, near) ?? nested(pool);
}

/** Where the search begins: the answer for much the same stuff, or the middle of what sauces are. */
export type PhStart = Pick<PhResult, 'pH' | 'ionicStrength'>;
const MIDDLE: PhStart = { pH: 4.5, ionicStrength: 0.3 };

/** Nothing of a kitchen is sourer: acid that is hardly wet is outside the model, and says no more than that. */
const LEAST_PH = 0;
const result = (pH: number, ionicStrength: number, beta: number): PhResult => ({
  pH: Math.max(LEAST_PH, pH),
  ionicStrength,
  beta,
  outsideModel: ionicStrength > IONIC_STRENGTH_LIMIT,
});

/**
 * pH and ionic strength together: a Newton step for the one and a plain step for the other, sped up by what the last two
 * steps have in common (Anderson 1965, depth 1). Null where they do not settle.
 */
function together(pool: AcidPool, near: PhStart): PhResult | null {
  let I = near.ionicStrength;
  let pH = near.pH;
  let [lastPh, lastI, lastStep, lastMiss] = [NaN, NaN, NaN, NaN];
  for (let i = 0; i < 40; i++) {
    const { charge, beta, ionicStrength } = chargeAt(pool, pH, I);
    const step = charge / beta;
    const implied = Math.min(CLAMP, ionicStrength);
    const miss = implied - I;
    // The last step is taken too: what is left after it is far less.
    if (Math.abs(step) < LAST_STEP && Math.abs(miss) < LAST_STEP) {
      const last = pH + step;
      return last > -1 && last < 14 ? result(last, implied, beta) : null;
    }
    const [ds, dm] = [step - lastStep, miss - lastMiss];
    const theta = (step * ds + miss * dm) / (ds * ds + dm * dm);
    const fast = Math.abs(step) < NEAR_PH && Math.abs(theta) < 1;
    const [nextPh, nextI] = fast
      ? [pH + step - theta * (pH - lastPh + ds), I + miss - theta * (I - lastI + dm)]
      : [pH + Math.max(-1.5, Math.min(1.5, step)), implied];
    [lastPh, lastI, lastStep, lastMiss] = [pH, I, step, miss];
    pH = nextPh;
    I = Math.max(0, Math.min(CLAMP, nextI));
  }
  return null;
}
/** Steps of pH under which two of them have something in common. */
const NEAR_PH = 0.1;

/** The same with the pH solved anew for each ionic strength, inside a bracket: slower, and it cannot fail. */
function nested(pool: AcidPool): PhResult {
  let I = 0.3;
  let pH = 4.5;
  for (let pass = 0; pass < 50; pass++) {
    pH = phAt(pool, I, pH);
    const implied = Math.min(CLAMP, chargeAt(pool, pH, I).ionicStrength);
    if (Math.abs(implied - I) < 1e-10) break;
    I = pass < 10 ? implied : (implied + I) / 2;
  }
  return result(pH, I, chargeAt(pool, pH, I).beta);
}

/**
 * The ionic strength (mol/kg water, at most 6) that implies itself. Secant steps, for what it implies hardly bends; where
 * one would leave the range or the last did not help, half a plain step.
 */
export function settleIonicStrength(implied: (ionicStrength: number) => number, start = 0.3): number {
  const off = (x: number) => Math.min(CLAMP, implied(x)) - x;
  let x = start;
  let miss = off(x);
  let next = x + miss;
  for (let pass = 0; pass < 60 && Math.abs(miss) > SETTLED; pass++) {
    const now = off(next);
    if (Math.abs(now) <= SETTLED) return next;
    const secant = next - (now * (next - x)) / (now - miss);
    const good = Number.isFinite(secant) && secant >= 0 && secant <= CLAMP && Math.abs(now) < Math.abs(miss);
    [x, miss, next] = [next, now, good ? secant : next + now / 2];
  }
  return x;
}

/** Ionic strength (mol/kg water) of a pool held at a given pH; at most 6. */
export function ionicStrengthAt(pool: AcidPool, pH: number, extraWaterKg = 0, start = 0.3): number {
  return settleIonicStrength((I) => chargeAt(pool, pH, I, extraWaterKg).ionicStrength, start);
}
