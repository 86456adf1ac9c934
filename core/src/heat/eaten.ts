import { HEAT_WORDS, levelName, twoFigures } from './level';

/**
 * How a sauce is eaten: SHU is per gram, the mouth counts what a mouthful carries. The same 400 SHU is mild by the drop and
 * hot by the chip (handbook chapter 6, section 6; a judgement). `bounds` is what the bounds of the words are times.
 */
export const EATEN = {
  drop: { name: 'by the drop or dash', mouthG: 1, bounds: 1 },
  spooned: { name: 'spooned on food', mouthG: 4, bounds: 1 / 3 },
  dip: { name: 'as a dip or table salsa', mouthG: 15, bounds: 1 / 10 },
} as const;
export type Eaten = keyof typeof EATEN;
export const EATEN_IDS = Object.keys(EATEN) as Eaten[];

/** The word for a sauce that is so hot, SHU as it is, and eaten so. */
export const heatWord = (shu: number, eaten: Eaten): string => levelName(shu / EATEN[eaten].bounds);

/** The words for a sauce that is eaten so, with their bounds in SHU. */
export const heatWords = (eaten: Eaten) =>
  HEAT_WORDS.map((w) => ({
    name: w.name,
    lowShu: twoFigures(w.lowShu * EATEN[eaten].bounds),
    highShu: twoFigures(w.highShu * EATEN[eaten].bounds),
    /** What by the drop is about that hot. */
    like: w.like,
  }));
