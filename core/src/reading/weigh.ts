import type { Ingredient } from '../matter/ingredient';
import { valueOf, type Amount } from './amounts';
import { heapOf, pieceFor, SIZE_FACTOR, tinOf } from './pieces';
import { FIXED_ML, HANDFUL_ML, LENGTHS_IN, MASSES_G, PINCHES_ML, POURS_ML, VOLUMES_ML, type Kitchen } from './units';

/** What could not be understood, in words for the maker. */
export class QuantityError extends Error {}

/** An amount in grams, with everything that was assumed to get there. */
export interface Weighed {
  massG: number;
  assumed: string[];
}

/** What weighing must know of a thing. */
export type Weighable = Pick<Ingredient, 'key' | 'name' | 'pieces' | 'measure' | 'density'>;

/** What a number without a unit means. */
export type Bare = 'g' | 'oz' | 'piece';
const BARE_NAMES = { g: 'grams', oz: 'ounces' } as const;

const US_CUP_ML = VOLUMES_ML.us.cup;
const KITCHEN_NAMES: Record<Kitchen, string> = { us: 'US', metric: 'metric', au: 'Australian', uk: 'UK' };
/** A large or small hand, as a factor (our judgement; chapter 7, section 5). */
const HAND_SIZE: Record<string, number> = { small: 0.7, little: 0.7, large: 1.4, big: 1.4 };
/** Small loose leaves: a US cup weighs less than this, g (our judgement). */
const LEAFY_CUP_G = 30;

/** Grams per ml as measured with spoons or cups: the table's cup weight, the true density for liquids. */
export function bulkDensity(what: Pick<Ingredient, 'measure' | 'density'>): number {
  return what.measure.cup > 0 ? what.measure.cup / US_CUP_ML : what.density;
}

const round = (x: number) => Math.round(x * 10) / 10;
const shortName = (what: Weighable) => what.name.split(',')[0]!.toLowerCase();

/** A volume unit in ml, and how it is called in this kitchen. */
function volumeOf(id: string, kitchen: Kitchen): { ml: number; name: string | null } {
  if (Object.hasOwn(FIXED_ML, id)) {
    const ml = FIXED_ML[id as keyof typeof FIXED_ML];
    return { ml, name: id === 'dessertspoon' || id === 'drop' ? `${id} of ${ml} ml` : null };
  }
  const ml = VOLUMES_ML[kitchen][id as keyof (typeof VOLUMES_ML)['us']];
  return { ml, name: `${KITCHEN_NAMES[kitchen]} ${id === 'flOz' ? 'fluid ounce' : id} of ${round(ml)} ml` };
}

/** One of a unit, g. Throws QuantityError where that cannot be said of the thing. */
function unitG({ unit, spoon, size }: Amount, what: Weighable, kitchen: Kitchen): Weighed {
  const id = unit!.id;
  if (unit!.kind === 'mass') return { massG: MASSES_G[id as keyof typeof MASSES_G], assumed: [] };
  if (unit!.kind === 'spoon') throw new QuantityError(`Which spoon of ${shortName(what)}?`);
  const per = bulkDensity(what);
  if (unit!.kind === 'volume') {
    const { ml, name } = volumeOf(id, kitchen);
    const by = spoon?.factor ?? 1;
    const said = spoon ? [`${spoon.word}: ${spoon.factor} of a level one`] : [];
    return { massG: ml * per * by, assumed: [...said, ...(name ? [name] : []), `${per.toFixed(2)} g per ml`] };
  }
  if (unit!.kind === 'length') {
    const perInch = what.pieces['inch_2.5cm'];
    if (!perInch) throw new QuantityError(`How heavy is that much ${what.name.toLowerCase()}? Say grams instead.`);
    const inches = LENGTHS_IN[id as keyof typeof LENGTHS_IN] * (size ? (SIZE_FACTOR[size] ?? 1) : 1);
    return { massG: inches * perInch, assumed: [`${round(inches * 2.54)} cm of it, ${perInch} g for 2.5 cm`] };
  }
  const by = size ? (HAND_SIZE[size] ?? 1) : 1;
  const sized = by === 1 ? [] : [`${size}: ${by} of a usual one`];
  if (id === 'handful') {
    // A handful of pods is so many pods.
    const pods = heapOf('handful', what.pieces);
    if (pods) return { massG: pods.massG * by, assumed: [pods.assumed, ...sized] };
    const leaves = what.measure.cup > 0 && what.measure.cup < LEAFY_CUP_G;
    const g = per * (leaves ? HANDFUL_ML.leaves : HANDFUL_ML.cut);
    return { massG: g * by, assumed: [`a handful of ${round(g)} g, ${leaves ? 'a cup of loose leaves' : 'half a cup'}`, ...sized] };
  }
  const ml = Object.hasOwn(POURS_ML, id) ? POURS_ML[id as keyof typeof POURS_ML] : PINCHES_ML[id as keyof typeof PINCHES_ML];
  const g = ml * per;
  return { massG: g * by, assumed: [`a ${id} of ${g < 1 ? g.toPrecision(2) : round(g)} g`, ...sized] };
}

/** A package: its own size where that is said, the usual tin else. */
function packG(a: Amount, what: Weighable, kitchen: Kitchen): Weighed {
  const { word, each, inAll } = a.pack!;
  const usual = word === 'tin' || word === 'can' ? tinOf(what.key, kitchen) : undefined;
  if (each) {
    const net = weigh(each, what, kitchen, 'g');
    const n = valueOf(a);
    // "2 cans (800 g)": of each or of all, whichever is nearer to the usual one.
    const nearerInAll =
      inAll && n > 1 && usual !== undefined && Math.abs(Math.log(net.massG / n / usual)) < Math.abs(Math.log(net.massG / usual));
    if (nearerInAll) return { massG: net.massG, assumed: [`${Math.round(net.massG)} g in all`] };
    return { massG: n * net.massG, assumed: [`the whole ${word} of ${Math.round(net.massG)} g`] };
  }
  if (usual === undefined) throw new QuantityError(`How much is in one ${word} of ${what.name.toLowerCase()}? Say its grams.`);
  return { massG: valueOf(a) * usual, assumed: [`a ${word} of ${usual} g, all of it`] };
}

/**
 * Grams of one amount of a thing; `bare` says what a number without a unit means, `words` are those of its name. Throws
 * QuantityError with what only the maker can say.
 */
export function weigh(a: Amount, what: Weighable, kitchen: Kitchen, bare: Bare, words: readonly string[] = []): Weighed {
  const spread = a.low < a.high ? [`middle of ${figure(a.low)} to ${figure(a.high)}`] : [];
  if (a.vague) throw new QuantityError(`How many ${shortName(what)}?`);
  if (a.pack) {
    const w = packG(a, what, kitchen);
    return { massG: w.massG, assumed: [...spread, ...w.assumed] };
  }
  if (a.unit) {
    const one = unitG(a, what, kitchen);
    return { massG: valueOf(a) * one.massG, assumed: [...spread, ...one.assumed] };
  }
  if (a.piece === null && a.size === null && bare !== 'piece' && !a.article)
    return { massG: valueOf(a) * MASSES_G[bare], assumed: [...spread, `a bare number means ${BARE_NAMES[bare]}`] };
  const heap = a.piece ? heapOf(a.piece, what.pieces) : undefined;
  if (heap) return { massG: valueOf(a) * heap.massG * (a.size ? (SIZE_FACTOR[a.size] ?? 1) : 1), assumed: [...spread, heap.assumed] };
  const piece = pieceFor(what, a.piece === 'piece' || a.piece === 'pc' ? null : a.piece, a.size, words);
  if (!piece) {
    const one = a.piece ? `one ${a.piece} of ${what.name.toLowerCase()}` : `one ${what.name.toLowerCase()}`;
    const known = Object.keys(what.pieces).filter((word) => !word.includes('_'));
    throw new QuantityError(
      `How much does ${one} weigh? Say grams or spoons instead${known.length > 0 ? `, or ${known.join(', ')}` : ''}.`,
    );
  }
  return { massG: valueOf(a) * piece.massG, assumed: [...spread, piece.assumed] };
}
const figure = (x: number) => String(Math.round(x * 1000) / 1000);

/** How far an amount is trusted: what is weighed over what is poured, that over spoons, pieces, hands and the usual package. */
export function rankOf(a: Amount): number {
  if (a.net) return 6;
  if (a.pack) return a.pack.each ? 5 : 0;
  if (!a.unit) return 2;
  // What a scale shows in grams over the pound that it is called.
  if (a.unit.kind === 'mass') return /^k?g$/.test(a.unit.id) ? 5.5 : 5;
  if (a.unit.kind === 'volume') return /^(?:ml|cl|dl|l)$/.test(a.unit.id) ? 4 : 3;
  return a.unit.kind === 'length' ? 2 : 1;
}
/** Two ways of one amount may differ by so much before it is asked which is meant, by the rank of the lesser (chapter 7, section 6). */
const apartBy = (rank: number): number => (rank >= 3 ? 1.5 : rank === 2 ? 2.2 : rank === 1 ? 3 : Infinity);

/** One way of saying how much: amounts that add up. */
export type Way = readonly Amount[];

/** Two ways of one amount that cannot both be true. */
export class TwoAmounts extends QuantityError {
  constructor(
    message: string,
    readonly grams: readonly [number, number],
  ) {
    super(message);
  }
}

/**
 * Grams of what is said in one or more ways: the best of them counts, never a sum; `more` comes on top. Throws TwoAmounts
 * where they cannot be the same, QuantityError where none can be weighed.
 */
export function weighWays(
  ways: readonly Way[],
  more: readonly Amount[],
  what: Weighable,
  kitchen: Kitchen,
  bare: Bare,
  words: readonly string[],
): Weighed {
  const sum = (way: Way): Weighed => {
    const all = way.map((a) => weigh(a, what, kitchen, bare, words));
    return { massG: all.reduce((s, w) => s + w.massG, 0), assumed: [...new Set(all.flatMap((w) => w.assumed))] };
  };
  const ranked = ways.map((way, n) => ({ way, n, rank: Math.min(...way.map(rankOf)) })).sort((a, b) => b.rank - a.rank || a.n - b.n);
  const [best, ...rest] = ranked;
  const w = sum(best!.way);
  for (const other of rest) {
    const apart = apartBy(other.rank);
    if (!Number.isFinite(apart)) continue;
    let o: Weighed;
    try {
      o = sum(other.way);
    } catch {
      continue;
    }
    if (o.massG > 0 && w.massG > 0 && Math.max(o.massG / w.massG, w.massG / o.massG) > apart)
      throw contradiction(what, w.massG, o.massG, other.way);
  }
  const added = more.length > 0 ? sum(more) : { massG: 0, assumed: [] };
  const chosen = rest.length > 0 && best!.n > 0 ? ['as weighed, not as counted'] : [];
  return { massG: w.massG + added.massG, assumed: [...chosen, ...new Set([...w.assumed, ...added.assumed])] };
}

function contradiction(what: Weighable, bestG: number, otherG: number, other: Way): TwoAmounts {
  const how = other[0]!.unit?.kind === 'volume' ? 'by the spoon or cup ' : '';
  return new TwoAmounts(
    `That much ${shortName(what)} ${how}weighs about ${Math.round(otherG)} g, not ${Math.round(bestG)} g. Keep the one that is right.`,
    [bestG, otherG],
  );
}
