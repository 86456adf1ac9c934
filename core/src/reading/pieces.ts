import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import type { Kitchen } from './units';

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

/** Net weight of a tin when no size is said, g; undefined for what comes in none that is usual. */
export const tinOf = (key: string, kitchen: Kitchen): number | undefined => kindOf({ key }).tin?.[kitchen];

/** Pods in a vessel or a hand (handbook chapter 7, section 5: common practice, no source). */
const HEAPS: Readonly<Record<string, number>> = { bowl: 15, handful: 6, bag: 20, basket: 20, bunch: 10, punnet: 10 };
/** A heap of pods; undefined for what has none, or a piece of its own by that word. */
export function heapOf(word: string, pieces: Ingredient['pieces']): Piece | undefined {
  const [n, pod] = [Object.hasOwn(HEAPS, word) ? HEAPS[word] : undefined, pieces.pod];
  if (n === undefined || pod === undefined || pieces[word] !== undefined) return undefined;
  return { name: word, massG: n * pod, assumed: `a ${word} of ${n} pods of ${told(pod)} g` };
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
  row: Pick<Ingredient, 'pieces'>,
  word: string | null,
  size: string | null,
  nameWords: readonly string[],
): Piece | undefined {
  const all = row.pieces;
  const plain = Object.keys(all).filter((k) => !/_(small|large)$/.test(k) && k !== 'inch_2.5cm');
  const said = word !== null ? [word, ALIAS[word] ?? ''].find((w) => plain.includes(w)) : undefined;
  if (word !== null && !said) return undefined;
  const key = said ?? nameWords.find((w) => plain.includes(w)) ?? plain.find((k) => !PARTS.has(k));
  if (key === undefined) return undefined;
  const own = size ? all[`${key}_${SIZE_FACTOR[size]! > 1 ? 'large' : SIZE_FACTOR[size]! < 1 ? 'small' : ''}`] : undefined;
  const massG = own ?? all[key]! * (size ? SIZE_FACTOR[size]! : 1);
  const g = told(massG);
  const kind = /^(cherry|roma|plum)$/.test(key) && plain.includes('tomato') ? `${key} tomato` : key.replaceAll('_', ' ');
  const text = `${size && SIZE_FACTOR[size] !== 1 ? `${size} ` : ''}${kind}`;
  // A pod is weighed as it is bought.
  return { name: key, massG, assumed: `${article(text)} ${text} of ${g} g${key === 'pod' ? ' with its stem' : ''}` };
}
