import type { Ingredient } from '../matter/ingredient';
import { parseAmounts, QuantityError, type Amount } from './parse';
import { pieceFor, sizeOf } from './pieces';
import { FIXED_ML, HANDFUL_ML, LENGTHS_IN, MASSES_G, PINCHES_ML, VOLUMES_ML, type Kitchen } from './units';
import { plainWords } from './words';

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
export function bulkDensity(what: Pick<Ingredient, 'measure' | 'density'>): number {
  return what.measure.cup > 0 ? what.measure.cup / US_CUP_ML : what.density;
}

/** The piece that words mean ("small onion", "cloves", "large"), by the same table as a recipe's lines. */
function pieceOf(what: Pieces, said: string | null) {
  const words = plainWords(said ?? '');
  const size = words.map(sizeOf).find((w) => w !== null) ?? null;
  const rest = words.filter((w) => sizeOf(w) === null);
  const own = plainWords(what.name);
  const named = rest.find((w) => pieceFor(what, w, size, [])) ?? null;
  // "2 garlics", "3 large onions": the thing itself is the piece; another word is another thing.
  if (named === null && rest.length > 0 && !rest.some((w) => own.includes(w) && w.length > 2)) return undefined;
  return pieceFor(what, named, size, rest);
}

/** Small loose leaves: a US cup weighs less than this, g (our judgement). */
const LEAFY_CUP_G = 30;

/** A volume unit in ml, and how it is called in this kitchen. */
function volumeOf(id: string, kitchen: Kitchen): { ml: number; name: string | null } {
  if (Object.hasOwn(FIXED_ML, id)) {
    const ml = FIXED_ML[id as keyof typeof FIXED_ML];
    return { ml, name: id === 'dessertspoon' || id === 'drop' ? `${id} of ${ml} ml` : null };
  }
  const ml = VOLUMES_ML[kitchen][id as keyof (typeof VOLUMES_ML)['us']];
  return { ml, name: `${KITCHEN_NAMES[kitchen]} ${id === 'flOz' ? 'fluid ounce' : id} of ${round(ml)} ml` };
}

function handful(what: Pieces): Weighed {
  const leaves = what.measure.cup > 0 && what.measure.cup < LEAFY_CUP_G;
  const g = bulkDensity(what) * (leaves ? HANDFUL_ML.leaves : HANDFUL_ML.cut);
  return { massG: g, assumed: [`a handful of ${round(g)} g, ${leaves ? 'a cup of loose leaves' : 'half a cup'}`] };
}

/** What a number without a unit means. */
export type Bare = 'g' | 'oz' | 'piece';
const BARE_NAMES = { g: 'grams', oz: 'ounces' } as const;

/** Grams of one amount. Throws QuantityError. */
export function weigh(amount: Amount, what: Pieces, kitchen: Kitchen, bare: Bare): Weighed {
  const { unit, value } = amount;
  const spread = amount.low < amount.high ? [`middle of ${amount.low} to ${amount.high}`] : [];
  if (unit?.kind === 'mass') return { massG: value * MASSES_G[unit.id as keyof typeof MASSES_G], assumed: spread };
  if (unit?.kind === 'volume') {
    const per = bulkDensity(what);
    const { ml, name } = volumeOf(unit.id, kitchen);
    return { massG: value * ml * per, assumed: [...spread, ...(name ? [name] : []), `${per.toFixed(2)} g per ml`] };
  }
  if (unit?.id === 'handful') {
    const one = handful(what);
    return { massG: value * one.massG, assumed: [...spread, ...one.assumed] };
  }
  if (unit?.kind === 'hand') {
    const g = PINCHES_ML[unit.id as keyof typeof PINCHES_ML] * bulkDensity(what);
    return { massG: value * g, assumed: [...spread, `a ${unit.id} of ${g.toPrecision(2)} g`] };
  }
  if (unit?.kind === 'length') {
    const perInch = what.pieces['inch_2.5cm'];
    if (!perInch) throw new QuantityError(`How heavy is that much ${what.name.toLowerCase()}? Say grams instead.`);
    const inches = value * LENGTHS_IN[unit.id as keyof typeof LENGTHS_IN];
    return { massG: inches * perInch, assumed: [...spread, `${round(inches * 2.54)} cm of it, ${perInch} g for 2.5 cm`] };
  }
  if (amount.piece === null && bare !== 'piece')
    return { massG: value * MASSES_G[bare], assumed: [...spread, `a bare number means ${BARE_NAMES[bare]}`] };
  const piece = pieceOf(what, amount.piece);
  if (!piece) {
    const known = Object.keys(what.pieces).filter((word) => !word.includes('_'));
    throw new QuantityError(
      `What does one ${amount.piece ?? 'piece'} weigh? Say grams instead${known.length > 0 ? `, or ${known.join(', ')}` : ''}.`,
    );
  }
  return { massG: value * piece.massG, assumed: [...spread, piece.assumed] };
}

function round(x: number): number {
  return Math.round(x * 10) / 10;
}

/**
 * Grams of an ingredient from what was typed ("1 1/2 cups", "3 cloves", "1 lb 4 oz", "12"). `bare` says what a number without a unit means.
 * Throws QuantityError with a sentence that says what to do.
 */
export function toGrams(text: string, what: Pieces, kitchen: Kitchen, bare: Bare = 'g'): Weighed {
  // "a bowl of 15": a count, in whatever it stands.
  const counted = /^(?:an?|one|the)?\s*(?:bowl|bag|box|handful|basket)\s+of\s+(\d+)(?:\s+\w+)?$/i.exec(text.trim());
  if (counted && Object.keys(what.pieces).length > 0) return toGrams(`${counted[1]} ${Object.keys(what.pieces)[0]}`, what, kitchen, bare);
  const parts = parseAmounts(text).map((a) => weigh(a, what, kitchen, bare));
  const massG = parts.reduce((s, p) => s + p.massG, 0);
  if (!Number.isFinite(massG)) throw new QuantityError('That is not an amount.');
  return { massG, assumed: [...new Set(parts.flatMap((p) => p.assumed))] };
}
