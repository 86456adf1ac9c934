import type { PhResult } from './solve';

/**
 * Half-width that a predicted pH may honestly claim, in pH units, 5 to 95 % (chapter 3, section 9).
 * The spread of a Monte Carlo run is a lower bound to it.
 */
export function claimedHalfWidth(result: PhResult, massKg: number, options: { anchored?: boolean; lowConfidence?: boolean } = {}): number {
  if (result.ionicStrength > 1 || options.lowConfidence) return 0.4;
  if (result.pH > 4.2 || result.beta / massKg < 0.03) return 0.3;
  return options.anchored ? 0.15 : 0.2;
}
