import type { Ingredient } from '../matter/ingredient';
import { amountAt, type Amount } from './amounts';
import { HARMLESS } from './harmless';
import { plainWords } from './plain';
import { FigureError, plainSigns, tokensOf, type Token } from './tokens';
import type { Kitchen } from './units';
import { QuantityError, weighWays, type Bare, type Way, type Weighed } from './weigh';

/** What a piece weighs in g, by ingredient key; absent for stuff that has no pieces. */
type Pieces = Pick<Ingredient, 'name' | 'pieces' | 'measure' | 'density' | 'key'>;

const ALTERNATIVE = /^(?:\/|=|or|\(|,)$/;

const unknownPiece = (word: string, pieces: readonly string[]) =>
  new QuantityError(`How much is ${word.toLowerCase()}? Say grams instead${pieces.length > 0 ? `, or ${pieces.join(', ')}` : ''}.`);

/** Amounts of a field, with no name but that of the thing itself. Throws QuantityError. */
function waysIn(text: string, own: ReadonlySet<string>, pieces: readonly string[]): Way[] {
  const s = plainSigns(text).trim();
  const numberless = () => new QuantityError(`"${text.trim()}" has no number. Try 300 g, 2 tbsp or 3 cloves.`);
  const refused = () => new QuantityError(`"${text.trim()}" could not be read. Try 300 g, 2 tbsp or 3 cloves.`);
  if (s === '') throw new QuantityError('Say an amount, such as 300 g or 2 tbsp.');
  if (/^-\s*\d/.test(s)) throw new QuantityError('An amount cannot be negative.');
  let t: Token[];
  try {
    t = tokensOf(s);
  } catch (e) {
    if (e instanceof FigureError) throw new QuantityError(e.message);
    throw e;
  }
  const ways: Amount[][] = [];
  let alternative = false;
  for (let i = 0; i < t.length;) {
    const a = amountAt(t, i);
    if (a) {
      if (alternative || ways.length === 0) ways.push([a]);
      else if (a.unit && ways.at(-1)!.at(-1)!.unit) ways.at(-1)!.push(a);
      else throw refused();
      alternative = false;
      i = a.to;
      continue;
    }
    const token = t[i]!;
    const said = token.is === 'word' ? token.w : token.is === 'mark' ? token.text : '';
    if (ALTERNATIVE.test(said)) alternative = true;
    else if (token.is === 'word' && !own.has(said) && !HARMLESS.has(said))
      throw ways.length > 0 ? unknownPiece(token.text, pieces) : numberless();
    else if (token.is === 'mark' && !/^[)&+.]$/.test(said)) throw refused();
    i++;
  }
  if (ways.length === 0) throw numberless();
  return ways;
}

/**
 * Grams of an ingredient from what was typed ("1 1/2 cups", "3 cloves", "1 lb 4 oz", "a cup, 200 g", "12"). `bare` says what a
 * number without a unit means. Throws QuantityError with a sentence that says what to do.
 */
export function toGrams(text: string, what: Pieces, kitchen: Kitchen, bare: Bare = 'g'): Weighed {
  const words = plainWords(what.name);
  const own = new Set([...words, ...Object.keys(what.pieces), 'chili', 'pepper', 'pod']);
  const ways = waysIn(
    text,
    own,
    Object.keys(what.pieces).filter((w) => !w.includes('_')),
  );
  // "2 carrots": the thing itself is the piece.
  const counted = plainWords(text).some((w) => own.has(w));
  const w = weighWays(ways, [], what, kitchen, counted ? 'piece' : bare, words);
  if (!Number.isFinite(w.massG)) throw new QuantityError('That is not an amount.');
  return w;
}
