/** Gas of a jar, and how often its lid wants opening (handbook chapter 4, section 5.2). */

/** What closes a jar. An airlock and a cloth let gas out by themselves. */
export const JAR_LIDS = { airlock: 'airlock', closed: 'closed', cloth: 'a cloth' } as const;
export type JarLid = keyof typeof JAR_LIDS;

/** Days and hours of the rule; warmer than this, or with sugar or fruit put in, the shorter time holds. */
const RHYTHM = { firstDay: 1, busyDays: 7, lastDay: 14, hours: 12, warmHours: 8, laterHours: 24, warmC: 24, sweetMmol: 200 } as const;

/** Hours between two openings of a closed jar on its day `day`; null once it has settled. */
export function burpHours(day: number, tempC: number, sugarMmol: number): number | null {
  if (day > RHYTHM.lastDay) return null;
  if (day > RHYTHM.busyDays) return RHYTHM.laterHours;
  return tempC > RHYTHM.warmC || sugarMmol > RHYTHM.sweetMmol ? RHYTHM.warmHours : RHYTHM.hours;
}

/** l atm / (mol K) */
const GAS_R = 0.082057;
/** Litres of gas at °C from so many mmol of CO2 a litre in a jar of so many litres. */
export const gasLitres = (mmolPerL: number, litres: number, tempC: number): number => (mmolPerL / 1000) * litres * GAS_R * (tempC + 273.15);
