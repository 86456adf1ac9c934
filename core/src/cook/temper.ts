/** What hot sauce spoils, and how it is let in spoon by spoon (handbook chapter 5, section 14, judgement). */

/** By name: the most that it stands, °C, and what happens above. */
const LIMITS: readonly { kind: RegExp; limitC: number; why: string }[] = [
  { kind: /yogh?urt|cream|milk|buttermilk|kefir/i, limitC: 40, why: 'it curdles' },
  { kind: /mustard_(yellow|dijon)|prepared mustard|mustard, (yellow|dijon)/i, limitC: 60, why: 'its bite goes' },
  { kind: /egg|yolk|mayo|aioli/i, limitC: 65, why: 'it curdles' },
  { kind: /miso/i, limitC: 70, why: 'its aroma goes' },
];
/** Heat of hot sauce and of cold paste, kJ/(kg K), taken alike. */
const RATIO = 1;

export interface TemperLimit {
  limitC: number;
  why: string;
}

/** The most a thing stands, by its key or name; null for what stands the pot. */
export const temperLimit = (key: string, name: string): TemperLimit | null =>
  LIMITS.find((l) => l.kind.test(key) || l.kind.test(name)) ?? null;

/** g of hot sauce that may go first into `coldG` of the thing without passing its limit; 0 when it is too warm already. */
export function firstPortionG(coldG: number, coldC: number, hotC: number, limitC: number): number {
  if (hotC <= limitC) return Infinity;
  return Math.max(0, (coldG * RATIO * (limitC - coldC)) / (hotC - limitC));
}
