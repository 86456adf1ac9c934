import { chargeAt } from './charge';
import type { AcidPool } from './pool';

/**
 * Charge of one kilogram of an ingredient at a fixed pH and ionic strength, eq/kg (chapter 3, equation 8).
 * In a recipe, pH <= target exactly when the mass-weighted sum of these is <= 0.
 * `pool` must be that of 1 kg.
 */
export function chargePerKg(pool: AcidPool, pH: number, ionicStrength: number): number {
  return chargeAt(pool, pH, ionicStrength).charge;
}
