import { LEGAL_PH } from './constants';
import { risesIn } from './rise';
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
/** Whole-jar salt below this is too little where nothing is read by this day; salt of all its water below that always is. */
export const LEAST_SALT_PCT = 2;
const READ_BY_DAY = 5;
export const LEAST_WATER_SALT_PCT = 1;
/** More salt than this in its water: salted, and not soured (chapter 6, section 2). */
export const ONLY_SALTED_PCT = 12;
/** No jar is sour before this day, in the cold before that one; the cold is below this, °C (chapter 6, section 2). */
export const SOUR_DAY = { warm: 3, cold: 5, coldC: 15 } as const;
/** What a strip must show of a soured jar: strips differ among each other by more than a meter (chapter 6, section 2). */
export const STRIP_SOUR_PH = 4.2;
/** Lactic acid that explains a reading, % of the liquid (chapter 6, section 2, judgement). */
export const LEAST_LACTIC_PCT = 0.3;
/** What went in explains a reading that is sourer than it by no more than this, or than its instrument may be off. */
const EXPLAINED = 0.15;
/** A strip this far above the line says so of a jar alone; nearer ones only on two days. */
const STRIP_SURE_SDS = 1.645;

const BECAUSE = {
  sour: 'acid',
  'no reading': 'unread',
  'read too early': 'unread',
  'not shown': 'unread',
  'ended early': 'unread',
  'above its target': 'unread',
  'too little salt': 'doubtful',
  'not sour yet': 'doubtful',
  'salted, not sour': 'doubtful',
  rising: 'doubtful',
  'still rising': 'condemned',
  'never sour': 'condemned',
  seen: 'condemned',
  'seen and not sour': 'condemned',
  pickle: 'none',
  salted: 'none',
} as const;
export type JarBecause = keyof typeof BECAUSE;

export interface JarJudgement {
  /** By readings alone; none: nothing soured here, it is raw stuff in salt or acid and keeps as such. */
  verdict: 'acid' | 'unread' | 'doubtful' | 'condemned' | 'none';
  /** What decided. */
  because: JarBecause;
  latest: JarReading | null;
  /** Largest rise that nothing has cleared, over the lowest reading before it; and whether only strips show it. */
  rise: number;
  byStrips: boolean;
  /** The sign that decided, where one did. */
  sign: Sign | null;
}

/** What is known of a jar besides what was read in it. */
export interface JarFacts {
  /** Salt of the water phase, and of the whole jar, %. */
  saltPct: number;
  wholeJarPct: number;
  /** °C, on the mean. */
  tempC: number;
  /** What a meter showed when it was packed. */
  startPh: number;
  targetPh: number;
  /** Lactic acid of the liquid by a day, %, in the middle of the jars that fit the readings. */
  lacticPct: (day: number) => number;
  /** Days after which it was ended; null while it stands. */
  endedDay: number | null;
}

/** Readings in the order of time; those without a pH are not here. */
export function byTime(readings: readonly JarReading[]): JarReading[] {
  return [...readings].sort((a, b) => a.day - b.day);
}

/**
 * Above the line on day 14 or later: by a meter at all, by a strip where it is so by more than a strip may be off, or by
 * strips of two days where those of that time are above it on the mean (one of them may be a wrong one).
 */
function lateAbove(list: readonly JarReading[]): boolean {
  const late = list.filter((r) => r.day >= DISCARD_DAY);
  const above = late.filter((r) => r.pH > LEGAL_PH);
  if (above.some((r) => r.instrument === 'meter' || r.pH - STRIP_SURE_SDS * r.sd > LEGAL_PH)) return true;
  const mean = late.reduce((sum, r) => sum + r.pH, 0) / late.length;
  return new Set(above.map((r) => Math.floor(r.day))).size > 1 && mean > LEGAL_PH;
}

/** A reading that shows a soured jar, by its day, its instrument, and the acid that explains it. */
function showsSour(r: JarReading, jar: JarFacts): JarBecause {
  const low = r.instrument === 'meter' ? r.pH + mayBeOff(r) <= LEGAL_PH : r.pH <= STRIP_SOUR_PH;
  if (!low) return 'not shown';
  if (r.day < (jar.tempC < SOUR_DAY.coldC ? SOUR_DAY.cold : SOUR_DAY.warm)) return 'read too early';
  // What went in explains it without any acid made since: a pickle.
  if (jar.startPh <= LEGAL_PH && r.pH > jar.startPh - Math.max(EXPLAINED, mayBeOff(r))) return 'pickle';
  return jar.lacticPct(r.day) >= LEAST_LACTIC_PCT ? 'sour' : 'not shown';
}

/**
 * Judges a jar by its readings, each by its own day and never by the day on which one looks (handbook chapter 4, section
 * 5.1; chapter 6, sections 2 and 3): above 4.6 on day 14 or later condemns it, and what is condemned stays so; a rise that
 * a meter shows on two days, or with a bad sign, does too, and so do fuzz, rot, and a bad sign in a jar that is read above
 * 4.6. It has soured only where a reading shows it, late enough, and the acid that is made explains it.
 */
export function judgeJar(readings: readonly JarReading[], jar: JarFacts, signs: readonly JarSign[] = []): JarJudgement {
  const list = byTime(readings);
  const latest = list.at(-1) ?? null;
  const { saltPct, wholeJarPct } = jar;
  const rises = risesIn(list);
  const rise = rises.open.reduce((most, r) => Math.max(most, r.by), 0);
  const byStrips = rises.open.every((r) => r.reading.instrument === 'strip');
  const say = (because: JarBecause, sign: Sign | null = null): JarJudgement => ({
    ...{ verdict: BECAUSE[because], because, latest, rise, byStrips, sign },
  });
  // What was seen cannot be unseen: fuzz and rot end a jar whatever its pH.
  const ended = signs.find((s) => SIGNS[s.sign].verdict === 'discard');
  if (ended) return say('seen', ended.sign);
  const byMeter = rises.all.filter((r) => r.sure && r.reading.instrument === 'meter');
  const bad = signs.find((s) => BAD_SIGNS.has(s.sign) && s.day >= SIGN_DAY);
  if (new Set(byMeter.map((r) => Math.floor(r.reading.day))).size > 1 || (byMeter.length > 0 && bad)) return say('still rising');
  const unsour = saltPct < SALTED_PCT ? signs.find((s) => unsourAt(list, s)) : undefined;
  if (unsour) return say('seen and not sour', unsour.sign);
  if (saltPct < SALTED_PCT && lateAbove(list)) return say('never sour');
  if (saltPct < LEAST_WATER_SALT_PCT) return say('too little salt');
  if (wholeJarPct < LEAST_SALT_PCT && !(list[0] && list[0].day <= READ_BY_DAY)) return say('too little salt');
  if (rises.open.length > 0) return say('rising');
  if (saltPct > ONLY_SALTED_PCT) return say('salted');
  if (!latest) return say('no reading');
  if (latest.instrument === 'meter' ? latest.pH + mayBeOff(latest) > LEGAL_PH : latest.pH > LEGAL_PH)
    return say(saltPct >= SALTED_PCT ? 'salted, not sour' : 'not sour yet');
  const shown = list.map((r) => showsSour(r, jar));
  if (!shown.includes('sour')) {
    const why = (['pickle', 'read too early'] as const).find((b) => shown.includes(b));
    return say(why ?? 'not shown');
  }
  if (jar.endedDay !== null) {
    if (jar.endedDay < SOUR_DAY.warm) return say('ended early');
    if (latest.pH > jar.targetPh + latest.sd) return say('above its target');
  }
  return say('sour');
}

/** A bad sign in a jar that is read above 4.6: at about that time or later, or when last read before it. */
function unsourAt(list: readonly JarReading[], { sign, day }: JarSign): boolean {
  if (!BAD_SIGNS.has(sign) || day < SIGN_DAY) return false;
  const since = list.filter((r) => r.day >= day - 1);
  const speak = since.length > 0 ? since : list.slice(-1);
  return speak.some((r) => r.pH > LEGAL_PH && r.day >= SIGN_DAY);
}

/** What a meter may be off by: a limit is kept only where the reading and this together are below it (chapter 6, section 3). */
export const mayBeOff = (r: Pick<JarReading, 'instrument' | 'sd'>): number => (r.instrument === 'meter' ? ONE_SIDED_95 * r.sd : 0);
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
