/** How starch and gum behave in an acid sauce (handbook chapter 5, section 9.2, judgement). */

/** Share of the starch that still thickens after `minutes` at `tempC` and a pH: acid cuts it. */
export const starchKept = (pH: number, tempC: number, minutes: number): number =>
  Math.exp(-0.07 * 10 ** (3 - pH) * 10 ** ((tempC - 100) / 20) * Math.max(0, minutes));

/** Cold water that a starch is stirred into, g for 1 g (common practice, no source). */
export const SLURRY_WATER = 2;
