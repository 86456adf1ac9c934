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
  let I = 0.3;
  let pH = 4.5;
  for (let pass = 0; pass < 50; pass++) {
    pH = phAt(pool, I, pH);
    const implied = Math.min(CLAMP, chargeAt(pool, pH, I).ionicStrength);
    if (Math.abs(implied - I) < 1e-10) break;
    I = pass < 10 ? implied : (implied + I) / 2;
  }
  const { beta } = chargeAt(pool, pH, I);
  return { pH, ionicStrength: I, beta, outsideModel: I > IONIC_STRENGTH_LIMIT };
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
