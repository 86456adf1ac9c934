import type { Ingredient } from '../matter/ingredient';
import { parseAmounts, QuantityError, type Amount } from './parse';
import { HANDFULS_G, MASSES_G, VOLUMES_ML, type Kitchen } from './units';

/** An amount in grams, with everything that was assumed to get there. */
export interface Weighed {
  massG: number;
  assumed: string[];
}

/** What a piece weighs in g, by ingredient key; absent for stuff that has no pieces. */
type Pieces = Pick<Ingredient, 'name' | 'pieces' | 'measure' | 'density' | 'key'>;

const US_CUP_ML = 236.5882365;
const KITCHEN_NAMES: Record<Kitchen, string> = { us: 'US', metric: 'metric', au: 'Australian', uk: 'UK' };

/** Grams per ml as measured with spoons or cups: the table's cup weight, the true density for liquids. */
function bulkDensity(what: Pieces): number {
  return what.measure.cup > 0 ? what.measure.cup / US_CUP_ML : what.density;
}

function singular(word: string): string {
  return word
    .replace(/ies$/, 'y')
    .replace(/(ch|sh|x|to)es$/, '$1')
    .replace(/s$/, '');
}

/** A piece by its word, or the ingredient's only piece for a bare number. */
function pieceOf(what: Pieces, word: string | null): { name: string; massG: number } | undefined {
  const entries = Object.entries(what.pieces);
  if (word === null) return entries[0] && { name: entries[0][0], massG: entries[0][1] };
  const stem = singular(word.split(' ')[0]!);
  const rest = word.split(' ').map(singular);
  const found =
    entries.find(([name]) => name === stem) ??
    entries.find(([name]) => rest.includes(name)) ??
    // "2 garlics", "3 large onions": the thing itself is the piece.
    (rest.some((w) => what.name.toLowerCase().includes(w) && w.length > 2) ? entries[0] : undefined);
  return found && { name: found[0], massG: found[1] };
}

function one(amount: Amount, what: Pieces, kitchen: Kitchen, bare: 'g' | 'piece'): Weighed {
  const { unit, value } = amount;
  const spread = amount.low < amount.high ? [`middle of ${amount.low} to ${amount.high}`] : [];
  if (unit?.kind === 'mass') return { massG: value * MASSES_G[unit.id as keyof typeof MASSES_G], assumed: spread };
  if (unit?.kind === 'volume') {
    const per = bulkDensity(what);
    if (unit.id === 'ml' || unit.id === 'l') {
      const ml = unit.id === 'l' ? value * 1000 : value;
      return { massG: ml * per, assumed: [...spread, `${per.toFixed(2)} g per ml`] };
    }
    const ml = VOLUMES_ML[kitchen][unit.id as keyof (typeof VOLUMES_ML)['us']];
    const name = `${KITCHEN_NAMES[kitchen]} ${unit.id === 'flOz' ? 'fluid ounce' : unit.id}`;
    return { massG: value * ml * per, assumed: [...spread, `${name} of ${round(ml)} ml`, `${per.toFixed(2)} g per ml`] };
  }
  if (unit?.kind === 'hand') {
    const g = HANDFULS_G[unit.id as keyof typeof HANDFULS_G];
    return { massG: value * g, assumed: [...spread, `a ${unit.id} of ${g} g`] };
  }
  if (amount.piece === null && bare === 'g') return { massG: value, assumed: [...spread, 'a bare number means grams'] };
  const piece = pieceOf(what, amount.piece);
  if (!piece) {
    const known = Object.keys(what.pieces);
    throw new QuantityError(
      `What does one ${amount.piece ?? 'piece'} weigh? Say grams instead${known.length > 0 ? `, or ${known.join(', ')}` : ''}.`,
    );
  }
  return { massG: value * piece.massG, assumed: [...spread, `a ${piece.name.replace('_', ' ')} of ${piece.massG} g`] };
}

function round(x: number): number {
  return Math.round(x * 10) / 10;
}

/**
 * Grams of an ingredient from what was typed ("1 1/2 cups", "3 cloves", "1 lb 4 oz", "12"). A bare number is grams.
 * Throws QuantityError with a sentence that says what to do.
 */
export function toGrams(text: string, what: Pieces, kitchen: Kitchen, bare: 'g' | 'piece' = 'g'): Weighed {
  const parts = parseAmounts(text).map((a) => one(a, what, kitchen, bare));
  const massG = parts.reduce((s, p) => s + p.massG, 0);
  if (!Number.isFinite(massG)) throw new QuantityError('That is not an amount.');
  return { massG, assumed: [...new Set(parts.flatMap((p) => p.assumed))] };
}
