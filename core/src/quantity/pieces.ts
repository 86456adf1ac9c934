import type { Ingredient } from '../matter/ingredient';
import type { Kitchen } from './units';

/** Pieces beyond the table, in g edible. Common practice and USDA portion weights, from memory, ±30 %. */
const MORE: Record<string, Record<string, number>> = {
  garlic: { clove_small: 3, clove_large: 6 },
  spring_onion: { bunch: 100 },
  basil: { bunch: 60 },
  mint: { bunch: 60 },
  onion: { onion_small: 70 },
  celery: { bunch: 450, rib: 40 },
  carrot: { carrot_small: 50, carrot_large: 72 },
  pineapple: { pineapple: 900, slice: 84 },
  tomato: { cherry: 17, roma: 62, plum: 62, tomato_small: 91, tomato_large: 182 },
  cilantro: { stem: 2.2, stalk: 2.2, leaf: 0.3 },
  apple: { apple_small: 149, apple_large: 223 },
  lemongrass: { stem: 15, stick: 15 },
  lime_juice: { lime_large: 44 },
  lime_zest: { lemon: 6, orange: 12 },
  shallot: { shallot_large: 40 },
  ginger: { slice: 4 },
  black_pepper: { grind: 0.05 },
  white_pepper: { grind: 0.05 },
};

/** Other words for a piece. */
const ALIAS: Record<string, string> = {
  bulb: 'head',
  rib: 'stalk',
  grinding: 'grind',
  twist: 'grind',
  turn: 'grind',
  stick: 'stalk',
  round: 'ring',
  chili: 'pod',
  pepper: 'pod',
  fruit: 'pod',
  link: 'clove',
};

/** Sizes where the table has no weight of its own, as a factor on the usual piece (our judgement). */
export const SIZE_FACTOR: Record<string, number> = { small: 0.7, little: 0.7, medium: 1, large: 1.35, big: 1.35 };
/** The size that a word says; null when it says none. */
export const sizeOf = (word: string): string | null => (Object.hasOwn(SIZE_FACTOR, word) ? word : null);

/** Pieces that are a part of a thing and never meant by a bare number: "2 gingers" are no slices. */
const PARTS = new Set(['slice', 'ring', 'leaf', 'sprig', 'stem', 'wedge', 'root', 'grind', 'bunch']);

/** Net weight of a tin when no size is said, g, by what is in it (common practice, no source). */
const TINS: Record<string, Record<Kitchen, number>> = {
  tomato: { us: 411, metric: 400, au: 400, uk: 400 },
  tomato_paste: { us: 170, metric: 140, au: 140, uk: 142 },
};

export function tinOf(key: string, kitchen: Kitchen): number | undefined {
  return TINS[key]?.[kitchen];
}

/** What a piece weighs as it is told: two figures below 2 g. */
const told = (g: number) => (g < 2 ? Number(g.toPrecision(2)) : Math.round(g * 10) / 10);
const article = (word: string) => (/^[aeiou]/.test(word) ? 'an' : 'a');

export interface Piece {
  name: string;
  massG: number;
  assumed: string;
}

/**
 * The piece of an ingredient that a word, a size and the name mean: "3 large onions", "2 bulbs", "10 cherry tomatoes".
 * Undefined when the table knows no such piece.
 */
export function pieceFor(
  row: Pick<Ingredient, 'key' | 'pieces'>,
  word: string | null,
  size: string | null,
  nameWords: readonly string[],
): Piece | undefined {
  const all: Record<string, number> = { ...row.pieces, ...MORE[row.key] };
  const plain = Object.keys(all).filter((k) => !/_(small|large)$/.test(k) && k !== 'inch_2.5cm');
  const said = word !== null ? [word, ALIAS[word] ?? ''].find((w) => plain.includes(w)) : undefined;
  if (word !== null && !said) return undefined;
  const key = said ?? nameWords.find((w) => plain.includes(w)) ?? plain.find((k) => !PARTS.has(k));
  if (key === undefined) return undefined;
  const own = size ? all[`${key}_${SIZE_FACTOR[size]! > 1 ? 'large' : SIZE_FACTOR[size]! < 1 ? 'small' : ''}`] : undefined;
  const massG = own ?? all[key]! * (size ? SIZE_FACTOR[size]! : 1);
  const g = told(massG);
  const kind = /^(cherry|roma|plum)$/.test(key) ? `${key} tomato` : key.replaceAll('_', ' ');
  const text = `${size && SIZE_FACTOR[size] !== 1 ? `${size} ` : ''}${kind}`;
  return { name: key, massG, assumed: `${article(text)} ${text} of ${g} g` };
}
