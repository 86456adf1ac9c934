/** Names of the levels 0 to 10 (handbook chapter 2, section 5). */
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

/** Name of the nearest level. */
export function levelName(shu: number): (typeof LEVEL_NAMES)[number] {
  return LEVEL_NAMES[Math.round(levelOf(shu))]!;
}

/** Rounds to two significant figures: all that a predicted heat deserves. */
export function twoFigures(x: number): number {
  if (x === 0) return 0;
  const unit = 10 ** (Math.floor(Math.log10(Math.abs(x))) - 1);
  return Math.round(x / unit) * unit;
}
