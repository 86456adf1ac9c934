import { ingredient, type Ingredient } from '../matter/ingredient';
import { acidsLike, MIXED_UNKNOWN, variety } from '../matter/variety';
import type { Amount } from './amounts';
import type { Line, Part } from './line';
import type { Known, Said } from './meanings';
import { pieceFor } from './pieces';
import { COLOURS } from './spans';
import type { Kitchen } from './units';
import { QuantityError, rankOf, weighWays, type Weighable } from './weigh';

/** A row or a variety with what weighing must know of it. */
export interface Thing extends Weighable {
  store: 'larder' | 'pods';
  id: string;
}

/** More of one thing than this is a slip of the finger, g (our judgement). */
const MOST_G = 50_000;
/** Measured by density alone. */
export const NO_SPOONS = { cup: 0, tbsp: 0, tsp: 0 };
/** A finished sauce by no name of its own; what one pours like, g/ml (our judgement). */
export const SAUCE: Weighable = { key: 'sauce', name: 'Sauce', pieces: {}, measure: NO_SPOONS, density: 1.03 };
/** What a meaning names. Throws RangeError for what is not in the tables. */
export function thingOf({ store, id }: Pick<Known, 'store' | 'id'>, own: readonly Ingredient[]): Thing {
  if (store === 'larder') {
    const row = own.find((r) => r.key === id) ?? ingredient(id);
    return { store, id, key: row.key, name: row.name, pieces: row.pieces, measure: row.measure, density: row.density };
  }
  const v = id === MIXED_UNKNOWN.id ? MIXED_UNKNOWN : variety(id);
  const like = ingredient(acidsLike(v));
  return {
    store,
    id,
    key: id,
    name: v.name,
    pieces: v.pod ? { pod: v.pod.massG.typical } : {},
    measure: like.measure,
    density: like.density,
  };
}

/** Every plain word that is said of a part, its name and its pieces among them. */
export function saidOf(line: Line, p: Part, phrase: string[], parts: readonly string[] | null): Said {
  const { spans, tokens } = line;
  const all = new Set<string>(phrase);
  for (const s of spans.slice(p.first, p.last + 1)) {
    if (s.is === 'part') for (const w of s.parts) all.add(w);
    else if (s.is === 'vague') all.add('taste');
    else for (const t of tokens.slice(s.from, s.to)) if (t.is === 'word') all.add(t.w);
  }
  if (parts) {
    for (const w of ['juice', 'juiced', 'squeezed', 'zest', 'zested', 'rind', 'peel']) all.delete(w);
    for (const w of parts) all.add(w);
  }
  const best = [...p.ways].sort((a, b) => rankOf(b[0]!) - rankOf(a[0]!))[0]?.[0];
  const unit = best ? (best.unit?.id ?? best.piece ?? (best.pack ? best.pack.word : null)) : null;
  const beside = new Set(spans.flatMap((s) => (s.is === 'name' && s !== p.span ? [s.phrase.at(-1)!] : [])));
  const counted = best !== undefined && unit === null && !best.article;
  return { words: phrase, kitchen: line.kitchen, unit, counted, all, beside };
}

/** "vinegar (cider)", "sugar, half a cup, brown": the kind is looked for in all that is said of it. */
export function inverted(line: Line, p: Part): string[] {
  const { phrase } = p.span;
  const said = line.spans.slice(p.first, p.last + 1).flatMap((s, n) => {
    if (s.is === 'strange') return [s.w];
    // "red chillies (long ones)": a word that says little says which.
    const word = s.is === 'harmless' && p.first + n > p.index ? line.tokens[s.from] : undefined;
    return word?.is === 'word' && /^(?:long|small|large)$/.test(word.w) ? [word.w] : [];
  });
  for (const w of said) {
    if (line.lexicon.has([w, ...phrase])) return [w, ...phrase];
    // "100 g red or orange peppers": the first colour.
    const rest = phrase.slice(1);
    if (rest.length > 0 && COLOURS.has(phrase[0]!) && COLOURS.has(w) && line.lexicon.has([w, ...rest])) return [w, ...rest];
  }
  return phrase;
}

const measuredBy = (a: Amount) => a.unit !== null || a.piece !== null || a.pack !== null;

/** Grams of a thing as they are said of a part. Throws QuantityError. */
export function weighed(p: Part, thing: Weighable, kitchen: Kitchen, pieceSaid: string | null) {
  const withPiece = (a: Amount): Amount =>
    pieceSaid !== null && !a.unit && !a.piece && !a.pack && pieceFor(thing, pieceSaid, null, []) ? { ...a, piece: pieceSaid } : a;
  const w = weighWays(
    p.ways.map((way) => way.map(withPiece)),
    // "one clove, plus one more".
    p.more.map((a) => (measuredBy(a) ? a : { ...a, piece: p.ways[0]?.[0]?.piece ?? null, unit: p.ways[0]?.[0]?.unit ?? null })),
    thing,
    kitchen,
    'piece',
    p.span.phrase,
  );
  if (!Number.isFinite(w.massG)) throw new QuantityError('That is not an amount.');
  if (w.massG > MOST_G) throw new QuantityError('That is more than a kitchen holds. Check the amount.');
  return w;
}

/** g that were said of what is not known; null where it was not said by weight or volume. */
export function saidG(p: Pick<Part, 'ways'>, kitchen: Kitchen): number | null {
  try {
    const measured = p.ways.filter((way) => way.every((a) => a.unit?.kind === 'mass' || a.unit?.kind === 'volume'));
    return measured.length === 0 ? null : weighWays(measured, [], { ...SAUCE, density: 1 }, kitchen, 'piece', []).massG;
  } catch {
    return null;
  }
}
