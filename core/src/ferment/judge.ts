import { INSTRUMENT_SD } from '../parcel/past';
import { LEGAL_PH } from './constants';
import { BAD_SIGNS, SIGN_DAY, SIGNS, type JarSign, type Sign } from './signs';

/** A pH read in a jar: days since it was packed, and with what. */
export interface JarReading {
  day: number;
  pH: number;
  instrument: 'meter' | 'strip';
  /** Sd of what it was read with, pH. */
  sd: number;
}

/** Days of the rule at the jar, and salt that holds a jar without acid (handbook chapter 4, section 5.1). */
export const CAUTION_DAY = 7;
export const DISCARD_DAY = 14;
export const SALTED_PCT = 10;
/** A rise above the lowest reading that no lactic ferment makes, and how near it a repeat must come to clear it (section 4.3). */
export const RISE = 0.3;
const CLEARED = 0.15;
/** Whole-jar salt below this is too little (section 1.7). */
export const LEAST_SALT_PCT = 2;

export interface JarJudgement {
  /** By readings alone, best first: see the verdicts of a parcel's past. */
  verdict: 'acid' | 'unread' | 'doubtful' | 'condemned';
  /** What decided. */
  because:
    | 'sour'
    | 'no reading'
    | 'too little salt'
    | 'not sour yet'
    | 'salted, not sour'
    | 'rising'
    | 'still rising'
    | 'never sour'
    | 'seen'
    | 'seen and not sour';
  latest: JarReading | null;
  /** Largest unexplained rise over the lowest reading before it. */
  rise: number;
  /** The sign that decided, where one did. */
  sign: Sign | null;
}

/** Readings in the order of time; those without a pH are not here. */
export function byTime(readings: readonly JarReading[]): JarReading[] {
  return [...readings].sort((a, b) => a.day - b.day);
}

/**
 * Judges a jar by its readings, each by its own day and never by the day on which one looks (handbook chapter 4,
 * section 5.1): above 4.6 on day 14 or later condemns it, and what is condemned stays so; a rise that a second reading
 * confirms does too, and so do fuzz, rot, and a bad sign in a jar that is read above 4.6. `saltPct` is that of the water phase, `wholeJarPct` that of the whole jar.
 */
export function judgeJar(
  readings: readonly JarReading[],
  saltPct: number,
  wholeJarPct: number,
  signs: readonly JarSign[] = [],
): JarJudgement {
  const list = byTime(readings);
  const latest = list.at(-1) ?? null;
  let low = Infinity;
  let rise = 0;
  let up = 0;
  let condemned = false;
  for (const r of list) {
    if (r.pH - low > RISE) {
      up++;
      rise = Math.max(rise, r.pH - low);
      // The first high one may be a bad reading; the second is not.
      if (up >= 2) condemned = true;
    } else if (r.pH - low <= CLEARED) {
      up = 0;
      rise = 0;
    }
    low = Math.min(low, r.pH);
  }
  const say = (verdict: JarJudgement['verdict'], because: JarJudgement['because']) => ({
    ...{ verdict, because, latest, rise },
    sign: null,
  });
  // What was seen cannot be unseen: fuzz and rot end a jar whatever its pH.
  const ended = signs.find((s) => SIGNS[s.sign].verdict === 'discard');
  if (ended) return { ...say('condemned', 'seen'), sign: ended.sign };
  if (!latest) return wholeJarPct < LEAST_SALT_PCT ? say('doubtful', 'too little salt') : say('unread', 'no reading');
  if (condemned) return say('condemned', 'still rising');
  const bad = saltPct < SALTED_PCT ? signs.find((s) => unsourAt(list, s)) : undefined;
  if (bad) return { ...say('condemned', 'seen and not sour'), sign: bad.sign };
  const late = list.some((r) => r.pH > LEGAL_PH && r.day >= DISCARD_DAY);
  if (late && saltPct < SALTED_PCT) return say('condemned', 'never sour');
  if (rise > 0) return say('doubtful', 'rising');
  if (latest.pH + mayBeOff(latest) > LEGAL_PH) return say('doubtful', saltPct >= SALTED_PCT ? 'salted, not sour' : 'not sour yet');
  return say('acid', 'sour');
}

/** A bad sign in a jar that is read above 4.6: at about that time or later, or when last read before it. */
function unsourAt(list: readonly JarReading[], { sign, day }: JarSign): boolean {
  if (!BAD_SIGNS.has(sign) || day < SIGN_DAY) return false;
  const since = list.filter((r) => r.day >= day - 1);
  const speak = since.length > 0 ? since : list.slice(-1);
  return speak.some((r) => r.pH > LEGAL_PH && r.day >= SIGN_DAY);
}

/** What a meter may be off by, more than one that was just calibrated: it is kept clear of a limit that a jar must be below. */
export const mayBeOff = (r: JarReading): number => (r.instrument === 'meter' ? ONE_SIDED_95 * Math.max(0, r.sd - INSTRUMENT_SD.meter) : 0);
const ONE_SIDED_95 = 1.645;

/** A pH that was passed, as a fact: after the day of the last reading above it (null: none), by the day of the first below. */
export interface Passed {
  pH: number;
  after: number | null;
  by: number;
}

/** When readings show that a pH was passed; null while they do not, or when the latest is above it again. */
export function passed(readings: readonly JarReading[], pH: number): Passed | null {
  const list = byTime(readings);
  const first = list.findIndex((r) => r.pH <= pH);
  if (first < 0 || list.at(-1)!.pH > pH) return null;
  const above = list.slice(0, first).at(-1);
  return { pH, after: above?.day ?? null, by: list[first]!.day };
}
