import { BLOCK_H, HOUSE_PH, LEGAL_PH, type Cut } from './constants';
import type { JarLid } from './gas';
import { byTime, type JarReading } from './judge';
import type { JarConditions } from './priors';
import { SIGNS, type JarSign } from './signs';
import { blockTemps, type JarTemp } from './warmth';

/**
 * Odds that a jar goes wrong (mould or rot: it is thrown away), which the kinetics of souring know nothing of. Handbook
 * chapter 6b, section 4: a product of factors, all from memory and a judgement. It changes no pH, no day and no verdict.
 */

/** How what is in a jar stands to its brine. */
export const COVERS = ['under', 'unsaid', 'floats'] as const;
export type JarCover = (typeof COVERS)[number];

/** What is known of a jar besides its conditions and its readings. */
export interface JarRisk {
  cover: JarCover;
  lid: JarLid | undefined;
  /** It was begun with lively brine. */
  lively: boolean;
  /** What was seen and smelt in it. */
  looks: readonly JarSign[];
}
export const NOTHING_SAID: JarRisk = { cover: 'unsaid', lid: undefined, lively: false, looks: [] };

/** Odds of a jar at its best, packed: 1 in 50. */
const BEST_ODDS = 0.0204;
const MOST = 0.9;
type Points = readonly (readonly [at: number, factor: number])[];
/** Salt of the water phase, %. */
const SALT: Points = [
  [0, 15],
  [0.5, 10],
  [1, 5],
  [1.5, 2.5],
  [2, 1.5],
  [2.5, 1],
  [8, 1],
  [12, 0.6],
];
/** Mean of the first week, °C. */
const WARMTH: Points = [
  [5, 1.6],
  [10, 1.5],
  [15, 1.1],
  [18, 1],
  [22, 1],
  [24, 1.3],
  [27, 2],
  [30, 3],
  [35, 5],
];
const CUT: Record<Cut, number> = { mash: 1, chopped: 1, halved: 1.2, whole: 1.5 };
const COVER: Record<JarCover, number> = { under: 1, unsaid: 2, floats: 5 };
const LID: Record<JarLid | 'unsaid', number> = { airlock: 1, closed: 1.2, unsaid: 1.2, cloth: 2 };
const STARTED = 0.4;

/** Straight in the logarithm of the factor between two points; the ends go on. */
function between(points: Points, at: number): number {
  const i = points.findIndex(([x]) => x >= at);
  if (i <= 0) return i === 0 ? points[0]![1] : points.at(-1)![1];
  const [[x0, f0], [x1, f1]] = [points[i - 1]!, points[i]!];
  return f0 * (f1 / f0) ** ((at - x0) / (x1 - x0));
}

/** Souring was due by now: less salt, and warmer, than this; from these days on a high pH says so (chapter 6b, section 4). */
const DUE = { saltPct: 8, tempC: 15, firstDay: 5, sureDay: 7 } as const;
/** What the latest pH by a meter makes of the odds. */
function meterFactor(readings: readonly JarReading[], due: boolean): number {
  const last = byTime(readings).findLast((r) => r.instrument === 'meter');
  if (!last) return 1;
  if (last.pH <= LEGAL_PH) return last.pH <= HOUSE_PH ? 0.2 : 0.4;
  if (!due || last.day < DUE.firstDay) return 1;
  return last.day < DUE.sureDay ? 2.5 : 5;
}
/** Share of the jars gone wrong that show it by a day, 0 to 1; warmer ones sooner. */
const shownBy = (day: number, tempC: number): number => 1 - Math.exp(-(((day * 2 ** ((tempC - 20) / 10)) / 9) ** 1.5));

/** The day of the last look that found nothing odd; 0 for none. What was odd on its day or later undoes it: a cloud beside a film is no clean look. */
function cleanDay(looks: readonly JarSign[]): number {
  const odd = Math.max(-1, ...looks.filter((l) => SIGNS[l.sign].verdict !== 'keep').map((l) => Math.floor(l.day)));
  const clean = looks.filter((l) => SIGNS[l.sign].verdict === 'keep' && Math.floor(l.day) > odd);
  return Math.max(0, ...clean.map((l) => l.day));
}

/** What raises the odds, by name: how much, and what would lower it. */
export const RISKS = {
  salt: 'salt to 2.5 % of all its water',
  warmth: '18 to 22 °C',
  cut: 'cutting it finer',
  cover: 'weighing everything down under the brine, and noting how far',
  lid: 'an airlock',
} as const;
export type RiskName = keyof typeof RISKS;

export interface JarOdds {
  /** 0 to 0.9. */
  p: number;
  /** What raises it most, and the odds without that; null where nothing does. */
  worst: { name: RiskName; without: number } | null;
}

/** Everything that the odds of a jar rest on. */
export interface JarAtRisk {
  conditions: JarConditions;
  tempC: number;
  temps: readonly JarTemp[];
  readings: readonly JarReading[];
  risk: JarRisk;
}

const WEEK_BLOCKS = (7 * 24) / BLOCK_H;
/** Odds that a jar goes wrong, by how it was packed, what was seen in it and what a meter showed. */
export function jarOdds({ conditions, tempC, temps, readings, risk }: JarAtRisk): JarOdds {
  const week = blockTemps(temps, tempC, WEEK_BLOCKS);
  const meanC = week.reduce((s, t) => s + t, 0) / week.length;
  const factors: Record<RiskName, number> = {
    salt: between(SALT, conditions.saltPct),
    warmth: between(WARMTH, meanC),
    cut: CUT[conditions.cut],
    cover: COVER[risk.cover],
    lid: LID[risk.lid ?? 'unsaid'],
  };
  const all = Object.values(factors).reduce((a, f) => a * f, risk.lively || (conditions.starter ?? 0) > 0 ? STARTED : 1);
  const shown = shownBy(cleanDay(risk.looks), meanC);
  const meter = meterFactor(readings, conditions.saltPct < DUE.saltPct && meanC > DUE.tempC);
  const oddsAt = (factor: number): number => {
    const packed = Math.min(MOST, (BEST_ODDS * factor) / (1 + BEST_ODDS * factor));
    const left = (packed * (1 - shown)) / (1 - packed * shown);
    const odds = (meter * left) / (1 - left);
    return Math.min(MOST, odds / (1 + odds));
  };
  const [name, most] = (Object.entries(factors) as [RiskName, number][]).reduce((a, b) => (b[1] > a[1] ? b : a));
  return { p: oddsAt(all), worst: most > 1 ? { name, without: oddsAt(all / most) } : null };
}

/** Judgements are told as one in so many. */
const ONE_IN = [2, 3, 5, 10, 20, 50] as const;
/** Odds as one in so many: a judgement is no percentage. */
export function oneIn(p: number): string {
  if (p > 0.65) return 'more likely than not';
  if (p < 0.014) return 'less than 1 in 50';
  const near = ONE_IN.reduce((a, b) => (Math.abs(Math.log(p * b)) < Math.abs(Math.log(p * a)) ? b : a));
  return `1 in ${near}`;
}
/** The odds that a jar goes wrong, and what would lower them, as a sentence. */
export const wrongText = ({ p }: JarOdds): string =>
  `Odds that it goes wrong and is thrown away: ${oneIn(p)} (a judgement, no measurement).`;

/** What would lower those odds most; empty where nothing would. */
export function lowerText({ p, worst }: JarOdds): string {
  const than = worst ? oneIn(worst.without) : oneIn(p);
  return worst && than !== oneIn(p) ? `What would lower that most: ${RISKS[worst.name]}; it would be ${than}.` : '';
}
