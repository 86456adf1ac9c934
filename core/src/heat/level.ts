/** Names of the scores 0 to 10 of a taster (handbook chapter 2, section 5). */
export const LEVEL_NAMES = [
  'no heat',
  'a hint',
  'gentle',
  'warm',
  'lively',
  'hot',
  'very hot',
  'fierce',
  'severe',
  'extreme',
  'beyond reason',
] as const;

/** Level of a pungency in SHU: 2.5 log10(S/50), clamped to 0..10. One level is a factor 2.51. */
export function levelOf(shu: number): number {
  if (!(shu > 0)) return 0;
  return Math.min(10, Math.max(0, 2.5 * Math.log10(shu / 50)));
}

/** SHU in the middle of a level. */
export function shuOfLevel(level: number): number {
  return 50 * 10 ** (level / 2.5);
}

/** Bracket of a level: half a level to each side, in SHU. */
export function bracketOfLevel(level: number): { lowShu: number; highShu: number } {
  return { lowShu: twoFigures(shuOfLevel(level - 0.5)), highShu: twoFigures(shuOfLevel(level + 0.5)) };
}

/**
 * Words for a heat as it is, and what is about that hot: fresh pods of the variety table, eaten raw. One word spans a
 * factor of four, which is about as well as a batch is known (our judgement).
 */
export const HEAT_WORDS = [
  { name: 'mild', lowShu: 100, highShu: 500, like: 'a poblano; the heat is noticed, no more' },
  { name: 'medium', lowShu: 500, highShu: 2000, like: 'a green jalapeño' },
  { name: 'hot', lowShu: 2000, highShu: 8000, like: 'a fresh cayenne' },
  { name: 'very hot', lowShu: 8000, highShu: 30_000, like: 'a habanero' },
  { name: 'fierce', lowShu: 30_000, highShu: 120_000, like: 'the hottest habaneros; by the drop' },
  { name: 'extreme', lowShu: 120_000, highShu: 500_000, like: 'a superhot pod; not for the table' },
] as const;

export type HeatWord = (typeof HEAT_WORDS)[number]['name'];

/** The word for a heat, SHU as it is. */
export function levelName(shu: number): string {
  if (!(shu >= HEAT_WORDS[0].lowShu)) return 'no heat';
  return (HEAT_WORDS.find((w) => shu < w.highShu) ?? HEAT_WORDS.at(-1)!).name;
}

/** Rounds to two significant figures: all that a predicted heat deserves. */
export function twoFigures(x: number): number {
  if (x === 0) return 0;
  const unit = 10 ** (Math.floor(Math.log10(Math.abs(x))) - 1);
  return Math.round(x / unit) * unit;
}
