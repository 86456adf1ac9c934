/** What hot sauce spoils, and how it is let in spoon by spoon (handbook chapter 5, section 14, judgement). */

/** Heat of hot sauce and of cold paste, kJ/(kg K), taken alike. */
const RATIO = 1;

/** g of hot sauce that may go first into `coldG` of the thing without passing its limit; 0 when it is too warm already. */
export function firstPortionG(coldG: number, coldC: number, hotC: number, limitC: number): number {
  if (hotC <= limitC) return Infinity;
  return Math.max(0, (coldG * RATIO * (limitC - coldC)) / (hotC - limitC));
}
