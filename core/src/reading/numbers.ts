/** Numbers as cooks write and say them. */

/** Signs of fractions, as figures. */
export const GLYPHS: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

const UNDER_20 =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** Whole numbers below a hundred, in words. */
export const WHOLE: ReadonlyMap<string, number> = new Map([
  ...UNDER_20.map((w, n) => [w, n] as const),
  ...TENS.map((w, n) => [w, 10 * (n + 2)] as const),
]);
/** Words that take a smaller one behind them: "twenty five". */
export const isTens = (word: string): boolean => TENS.includes(word);

/** Parts of one, in words. "second" is a time, and "a quarter" no quart. */
export const PARTS: ReadonlyMap<string, number> = new Map([
  ['half', 1 / 2],
  ['halve', 1 / 2],
  ['third', 1 / 3],
  ['quarter', 1 / 4],
  ['fourth', 1 / 4],
  ['fifth', 1 / 5],
  ['sixth', 1 / 6],
  ['eighth', 1 / 8],
]);

/** Words that multiply what stands before them, or stand for it alone. */
export const TIMES: ReadonlyMap<string, number> = new Map([
  ['dozen', 12],
  ['hundred', 100],
]);

/** What is no number, and yet an amount: taken so far as a guess, low to high, and always asked (our judgement). */
export const VAGUE_COUNTS: ReadonlyMap<string, readonly [low: number, typical: number, high: number]> = new Map([
  ['few', [2, 3, 5]],
  ['several', [3, 5, 8]],
]);
