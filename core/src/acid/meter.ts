import { phAtBuffer } from './buffers';

/**
 * A pH meter's calibration at two buffers (handbook chapter 3, section 10.3): what the electrode gave in each, in mV, or
 * what the meter showed in each. Temperatures of the buffers in °C, 0 to 45.
 */
export type CalibrationInput =
  | { tempC: number; mv7: number; mv4: number }
  /** Shown in each buffer, without or after setting: for a meter that shows no mV. */
  | { tempC: number; shows7: number; shows4: number };

export interface Calibration {
  /** mV a pH, positive, and as a share of Nernst's, %. */
  slopeMv: number;
  slopePct: number;
  /** mV at the buffer of 7. */
  offsetMv: number;
  verdict: 'good' | 'clean' | 'reject';
  /** What to do, in a sentence. */
  says: string;
}

/** Nernst's slope 2.303 RT/F, mV a pH, at a temperature in °C. */
export const nernstMv = (tempC: number): number => 0.198416 * (tempC + 273.15);

/** Slopes of a good electrode (section 10.3), and of one that is no worse than a strip, % (chapter 6, section 3); the offset that may be, mV. */
export const GOOD_SLOPE = [95, 102] as const;
export const USABLE_SLOPE = [85, 105] as const;
const OFFSET_MV = 30;

/** What two buffers say of a meter. Throws RangeError for what no electrode gives. */
export function calibrate(c: CalibrationInput): Calibration {
  const [ph7, ph4] = [phAtBuffer(7, c.tempC), phAtBuffer(4, c.tempC)];
  const nernst = nernstMv(c.tempC);
  let slopeMv: number;
  let offsetMv: number;
  if ('mv7' in c) {
    slopeMv = (c.mv4 - c.mv7) / (ph7 - ph4);
    offsetMv = c.mv7;
  } else {
    slopeMv = (nernst * (c.shows7 - c.shows4)) / (ph7 - ph4);
    offsetMv = nernst * (ph7 - c.shows7);
  }
  if (!(slopeMv > 0))
    throw new RangeError('The sour buffer must read sourer than the neutral one. Check which buffer is which, and the cable.');
  const slopePct = (100 * slopeMv) / nernst;
  const off = Math.abs(offsetMv) > OFFSET_MV;
  const verdict =
    slopePct < USABLE_SLOPE[0] || slopePct > USABLE_SLOPE[1] || off
      ? 'reject'
      : slopePct < GOOD_SLOPE[0] || slopePct > GOOD_SLOPE[1]
        ? 'clean'
        : 'good';
  const slope = `Slope ${slopePct.toFixed(0)} % of what it should be, ${Math.abs(offsetMv).toFixed(0)} mV off at 7`;
  return {
    ...{ slopeMv, slopePct, offsetMv, verdict },
    says:
      verdict === 'good'
        ? `${slope}: good.`
        : verdict === 'clean'
          ? `${slope}: clean the electrode, use fresh buffers, and calibrate again.`
          : `${slope}: do not rely on it. Clean or replace the electrode; until then its readings count as a strip's.`,
  };
}

/** pH of a sample by a calibrated electrode: mV in it, and its temperature, °C. The slope is carried to that temperature. */
export function phOfMv(c: CalibrationInput, mv: number, tempC: number): number {
  const { slopePct, offsetMv } = calibrate(c);
  return phAtBuffer(7, c.tempC) - (mv - offsetMv) / ((slopePct / 100) * nernstMv(tempC));
}

/** Hours for which a calibration is fresh, of the week, and good for anything at all (chapter 6, section 3). */
const FRESH_H = 24;
const WEEK_H = 7 * 24;
const MOST_H = 30 * 24;
/** Sd of a pocket meter: calibrated within a day; a week; thirty days, or with an electrode that wants cleaning (chapter 6, section 3). */
export const METER_SD = { fresh: 0.05, week: 0.1, old: 0.2 } as const;

/** How a reading by a meter counts, `hours` after its calibration; null when it was never calibrated. */
export function meterCounts(c: Calibration | null, hours: number): { as: 'meter' | 'strip'; sd: number; says: string } {
  if (!c) return { as: 'strip', sd: METER_SD.old, says: 'It was never calibrated here: its readings count as a strip\u2019s.' };
  if (c.verdict === 'reject') return { as: 'strip', sd: METER_SD.old, says: c.says };
  if (hours > MOST_H)
    return {
      as: 'strip',
      sd: METER_SD.old,
      says: `calibrated ${Math.round(hours / 24)} days ago: its readings count as a strip\u2019s until you calibrate again`,
    };
  const sd = c.verdict === 'clean' || hours > WEEK_H ? METER_SD.old : hours > FRESH_H ? METER_SD.week : METER_SD.fresh;
  const age =
    hours <= FRESH_H
      ? 'calibrated within a day'
      : `calibrated ${Math.round(hours / 24) === 1 ? 'a day' : `${Math.round(hours / 24)} days`} ago: do it again before a decision near a limit`;
  return { as: 'meter', sd, says: `${age}, good to about ${(2 * sd).toFixed(1)} pH` };
}
