import type { Cut } from '../ferment/constants';
import { SATURATED_PCT } from './brine';
import { evenHours, risingMash, type MashStep, type PutRight, type SaltEveryWay } from './counting';

/** Salt of the whole jar, %, at which what is said of it changes (handbook chapter 4, section 1.7). */
export const JAR_SALT = { least: 2, usual: 3, slow: 5, months: 8, most: 15 } as const;

/** What a share of salt does to a jar, in a sentence. */
export function saltVerdict({ wholeJar, waterPhase }: Pick<SaltEveryWay, 'wholeJar' | 'waterPhase'>): string {
  if (waterPhase !== null && waterPhase > SATURATED_PCT) return 'More than its water can hold: the rest stays at the bottom.';
  if (wholeJar < JAR_SALT.least) return `Too little: below ${JAR_SALT.least} % the wrong things are held back too slowly.`;
  if (wholeJar < JAR_SALT.usual) return 'Low: quick and lively, softer pods, short ferments in a cool room.';
  if (wholeJar <= JAR_SALT.slow) return 'Usual: a good selection, firm pods.';
  if (wholeJar <= JAR_SALT.months) return 'Slow: weeks to months in a warm room.';
  if (wholeJar <= JAR_SALT.most) return 'A mash for months: salt keeps it, acid comes late or not at all.';
  return 'More than anything that sours can bear: salt alone keeps it, and too salty to season with.';
}

const sayG = (g: number): string => (g < 10 ? `${g.toFixed(1)} g` : `${Math.round(g)} g`);

/** How a jar is put right, in sentences. */
export function putRightText({ addSaltG, addWaterG, swapG }: PutRight): string[] {
  if (addSaltG > 0.05) return [`Stir in ${sayG(addSaltG)} of salt.`];
  if (addWaterG <= 0.5) return ['It is right as it is.'];
  return [
    `Pour in ${sayG(addWaterG)} of water, if there is room for it;`,
    swapG === null
      ? 'or pack it anew: so much brine is not there to be changed.'
      : `or, once it is even, take out ${sayG(swapG)} of brine and put as much water in.`,
  ];
}

/** When a jar is even all through, by its cut. */
export function evenText(cut: Cut): string {
  const hours = evenHours(cut);
  if (hours < 6) return 'about an hour or two, stirred';
  if (hours < 30) return 'about a day';
  return hours < 72 ? 'about two days' : 'four to five days';
}

/** A mash that stands for months is salted up in steps: it sours on little salt and is kept by much (common practice, no source). */
const STEPS = [
  { day: 0, pct: 5 },
  { day: 14, pct: 8 },
  { day: 42, pct: 12 },
] as const;
export const mashSteps = (produceG: number): MashStep[] => risingMash(produceG, STEPS);
