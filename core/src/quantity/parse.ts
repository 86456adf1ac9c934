import { unitOf, type Unit } from './units';

/** One amount as said: a number (the middle of a range) and a unit; a bare number is pieces or grams by context. */
export interface Amount {
  value: number;
  low: number;
  high: number;
  unit: Unit | null;
  /** The word for a piece ("cloves"), when it is none of the units. */
  piece: string | null;
}

/** What could not be understood, in words for the maker. */
export class QuantityError extends Error {}

const GLYPHS: Record<string, string> = {
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
export const NUMBER_WORDS: Record<string, number> = {
  a: 1,
  an: 1,
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  dozen: 12,
  couple: 2,
  few: 3,
  several: 4,
  half: 0.5,
  quarter: 0.25,
};

const NUMBER = String.raw`\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?|[.,]\d+`;

/** A figure, a fraction or a mixed number ("1 1/2"). Throws QuantityError on a 0 below the line. */
export function numberOf(text: string): number {
  const mixed = /^(\d+)\s+(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (mixed) return Number(mixed[1]) + fraction(mixed[2]!, mixed[3]!);
  const plain = /^(\d+)\s*\/\s*(\d+)$/.exec(text);
  if (plain) return fraction(plain[1]!, plain[2]!);
  return Number(text.replace(',', '.'));
}

function fraction(top: string, bottom: string): number {
  if (Number(bottom) === 0) throw new QuantityError('A fraction cannot have 0 below the line.');
  return Number(top) / Number(bottom);
}

/** Fractions in words. */
const PARTS: Record<string, string> = { 'a third': '1/3', 'one third': '1/3', 'two thirds': '2/3', 'three quarters': '3/4' };
/** "1.250 g": thousands in some countries, a fraction of a gram in others. */
const DOTTED = /(?<![\d.,])([1-9]\d{0,2})\.(\d{3})(?!\d)\s*(g|gr|grams?|ml)\b/i;

/**
 * Unicode fractions and fractions in words as figures, one space between words, no commas or spaces of thousands.
 * Throws QuantityError for "1.250 g".
 */
export function tidy(text: string): string {
  let s = text.trim();
  for (const [glyph, ascii] of Object.entries(GLYPHS)) s = s.replaceAll(glyph, ` ${ascii}`);
  s = s.replace(/⁄/g, '/').replace(/fl\.?\s*oz\.?/gi, 'floz');
  // "1,000 g" is a thousand; "1,5 g" is one and a half.
  s = s.replace(/(\d),(\d{3})(?!\d)/g, '$1$2').replace(/(?<![\d.,/])(\d{1,3}) (\d{3})(?=\s*(?:g|gr|grams?|ml)\b)/gi, '$1$2');
  const dotted = DOTTED.exec(s);
  if (dotted)
    throw new QuantityError(`Is that ${dotted[1]} ${dotted[3]} or ${dotted[1]},${dotted[2]} ${dotted[3]}? Write it without the dot.`);
  s = s.replace(
    /\b(a|one|two|three)[\s-](thirds?|quarters)\b/gi,
    (said, n: string, part: string) => PARTS[`${n} ${part}`.toLowerCase()] ?? said,
  );
  s = s.replace(/\b3 quarters\b/gi, '3/4');
  // "three quarters of a cup", "1 and 1/2", "2 dozen".
  s = s.replace(/^(\d+\s*\/\s*\d+) of an? /i, '$1 ').replace(/\b(\d+) and (\d+\s*\/\s*\d+)/gi, '$1 $2');
  s = s.replace(/\b(\d+) dozen\b/gi, (_, n: string) => String(12 * Number(n)));
  return s.replace(/\s+/g, ' ').trim();
}

function amountFrom(low: number, high: number, words: string): Amount {
  const word = words.trim().split(' ')[0] ?? '';
  const unit = word ? unitOf(word) : undefined;
  return {
    value: (low + high) / 2,
    low,
    high,
    unit: unit ?? null,
    piece: unit || !word ? null : words.trim().toLowerCase(),
  };
}

/**
 * Reads an amount as people write it: "1 1/2 cups", "¾ cup", "2-3 tbsp", "1 lb 4 oz", "half a cup", "3 cloves",
 * "12,5 g". Several amounts in a row add up ("1 lb 4 oz"). Throws QuantityError for empty, negative or unreadable text.
 */
export function parseAmounts(text: string): Amount[] {
  const s = tidy(text);
  if (s === '') throw new QuantityError('Say an amount, such as 300 g or 2 tbsp.');
  if (/^[-−–]\s*\d/.test(s)) throw new QuantityError('An amount cannot be negative.');
  const range = new RegExp(`^(${NUMBER})\\s*(?:-|–|to)\\s*(${NUMBER})\\s*(.*)$`, 'i').exec(s);
  if (range) {
    const [low, high] = [numberOf(range[1]!), numberOf(range[2]!)];
    return [amountFrom(Math.min(low, high), Math.max(low, high), range[3]!)];
  }
  const amounts: Amount[] = [];
  const each = new RegExp(`(${NUMBER})\\s*([^\\d.,/]*)`, 'gy');
  let end = 0;
  for (let m = each.exec(s); m; m = each.exec(s)) {
    const value = numberOf(m[1]!.trim());
    amounts.push(amountFrom(value, value, m[2]!.replace(/\band\b|\+/g, ' ')));
    end = each.lastIndex;
  }
  if (amounts.length > 0) {
    // Several amounts in a row only add up when each is a figure with a unit: "1 lb 4 oz".
    const mixed = amounts.length > 1 && amounts.some((a) => a.unit === null);
    if (end < s.length || mixed) throw new QuantityError(`"${text.trim()}" could not be read. Try 300 g, 2 tbsp or 3 cloves.`);
    return amounts;
  }
  return [spoken(s, text)];
}

/** "half a cup", "a pinch", "two and a half cups", "three cloves". */
function spoken(s: string, text: string): Amount {
  const words = s.toLowerCase().split(' ');
  let value: number | null = null;
  let at = 0;
  for (; at < words.length; at++) {
    const w = words[at]!;
    const n = Object.hasOwn(NUMBER_WORDS, w) ? NUMBER_WORDS[w] : undefined;
    if (n === undefined) {
      if ((w === 'and' || w === 'of') && value !== null) continue;
      break;
    }
    if (value === null) value = n;
    else if (w === 'a' || w === 'an') continue;
    else if (words[at - 1] === 'and' || (words[at - 1] === 'a' && words[at - 2] === 'and')) value += n;
    else value *= n;
  }
  if (value === null) throw new QuantityError(`"${text.trim()}" has no number. Try 300 g, 2 tbsp or 3 cloves.`);
  return amountFrom(value, value, words.slice(at).join(' '));
}
