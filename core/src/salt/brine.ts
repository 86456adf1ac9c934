import { NACL_MOLAR_MASS } from '../acid/constants';

/**
 * Density of NaCl solution at 20 °C in g/ml; `c` in % w/w, 0 to 26.4.
 * Source: fit to CRC Handbook values, error 0.00005 (chapter 3, equation 10).
 */
export function brineDensity(c: number): number {
  if (!(c >= 0 && c <= 26.4)) throw new RangeError('Brine holds 0 to 26.4 % salt');
  const w = c / 100;
  return 0.99822 + 0.7095 * w + 0.11374 * w * w + 0.38857 * w * w * w;
}

/** Saturated brine at 15.6 °C, % w/w: 100 degrees on the salometer. */
export const SATURATED_PCT = 26.395;

/** Brine strength in % w/w from salometer degrees (0 to 100). Fresh brine only: a float reads all solutes. */
export function brineFromSalometer(degrees: number): number {
  return (SATURATED_PCT / 100) * degrees;
}

/**
 * Water activity of NaCl brine at 25 °C; `c` in % w/w, clipped at saturation.
 * Source: Pitzer's osmotic coefficient, constants from memory (chapter 3, equation 11).
 */
export function brineWaterActivity(c: number): number {
  const pct = Math.min(Math.max(c, 0), SATURATED_PCT);
  const m = ((pct / (100 - pct)) * 1000) / NACL_MOLAR_MASS;
  const root = Math.sqrt(m);
  const phi = 1 - (0.3915 * root) / (1 + 1.2 * root) + m * (0.0765 + 0.2664 * Math.exp(-2 * root)) + 0.00127 * m * m;
  return Math.exp(-0.0360306 * m * phi);
}
