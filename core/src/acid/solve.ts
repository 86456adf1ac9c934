import { IONIC_STRENGTH_LIMIT } from './constants';
import { chargeAt } from './charge';
import type { AcidPool } from './pool';

const CLAMP = 6;

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
export function solvePh(pool: AcidPool): PhResult {
  if (!(pool.waterKg > 0)) throw new RangeError('pH needs water in the mix');
  return together(pool) ?? nested(pool);
}

const result = (pH: number, ionicStrength: number, beta: number): PhResult => ({
  pH,
  ionicStrength,
  beta,
  outsideModel: ionicStrength > IONIC_STRENGTH_LIMIT,
});

/** pH and ionic strength in one Newton iteration: the one hardly moves the other. Null where they do not settle. */
function together(pool: AcidPool): PhResult | null {
  let I = 0.3;
  let pH = 4.5;
  for (let i = 0; i < 40; i++) {
    const { charge, beta, ionicStrength } = chargeAt(pool, pH, I);
    const step = charge / beta;
    const next = pH + Math.max(-1.5, Math.min(1.5, step));
    const implied = Math.min(CLAMP, ionicStrength);
    if (Math.abs(step) < 1e-10 && Math.abs(implied - I) < 1e-10) return next > -1 && next < 14 ? result(next, implied, beta) : null;
    pH = next;
    I = implied;
  }
  return null;
}

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

/** Ionic strength (mol/kg water) of a pool held at a given pH, by fixed point; clamped at 6. */
export function ionicStrengthAt(pool: AcidPool, pH: number, extraWaterKg = 0): number {
  let I = 0.3;
  for (let pass = 0; pass < 30; pass++) {
    const implied = Math.min(CLAMP, chargeAt(pool, pH, I, extraWaterKg).ionicStrength);
    if (Math.abs(implied - I) < 1e-9) break;
    I = implied;
  }
  return I;
}
