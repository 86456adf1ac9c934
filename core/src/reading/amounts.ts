import { andPart, countAt, markAt, NUMBER_STARTS, wordAt, type Count } from './count';
import { SIZE_FACTOR } from './pieces';
import { plain } from './plain';
import type { Token } from './tokens';
import { unitOf, type Unit } from './units';

/** An amount as said: a number and a unit, a piece or a package; the middle of a range counts. */
export interface Amount {
  low: number;
  high: number;
  unit: Unit | null;
  /** "clove", "stalk"; null for a bare number. */
  piece: string | null;
  /** small, large… */
  size: string | null;
  /** A heaped or scant spoon, as a factor, and how it was called. */
  spoon: { factor: number; word: string } | null;
  /** "tin", "jar", with the size of one where it is said; `inAll`: the size stands in brackets and may be that of all of them. */
  pack: { word: string; each: Amount | null; inAll: boolean } | null;
  /** Of each of the things named. */
  each: boolean;
  article: boolean;
  more: boolean;
  vague: boolean;
  /** Said to be the net or drained weight. */
  net: boolean;
  from: number;
  to: number;
}

/** The middle of an amount's range. */
export const valueOf = (a: Pick<Amount, 'low' | 'high'>): number => (a.low + a.high) / 2;

const words = (s: string) => new Set(s.split(' ').map(plain));
export const APPROX = words('about approx approximately around roughly circa ca nearly almost say maybe perhaps only just up');
const PACKS = words('tin can jar packet pack package bottle carton tub box tube block container envelope sachet');
const PIECES = words(
  'clove head ear cob bulb sprig bunch stalk stick rib leaf root slice ring pod piece pc wedge disc round stem segment berry part grinding grind twist turn',
);
/** Vessels and bags by which pods are counted. */
const HEAPS = words('bowl bag basket punnet');
const SIZES = new Set(Object.keys(SIZE_FACTOR));
/** Spoons that are not level, as factors (handbook chapter 7, section 5). */
const SPOONS: Readonly<Record<string, number>> = { heaped: 1.5, heaping: 1.5, rounded: 1.25, scant: 0.9, generous: 1.15 };
const FILLERS = words(
  'level good nice whole fresh full fat fine real packed loosely firmly grated chopped peeled crushed minced sliced diced',
);
/** Hands and lengths that need no number before them: "pinch of salt". */
const ALONE = /^(?:pinch|dash|handful|knob|thumb|finger|splash|drizzle|squeeze|glug|slosh|capful)$/;

const TOKENS_LEFT = 4;
/** A unit at a token. One letter is one only behind a figure; "in" only before what has a length. */
function unitAt(t: readonly Token[], i: number): Unit | null {
  const token = t[i];
  if (token?.is !== 'word') return null;
  const unit = unitOf(token.text);
  if (!unit) return null;
  if (token.text.length === 1 && t[i - 1]?.is !== 'figure') return null;
  if (token.w === 'in' && !(t[i - 1]?.is === 'figure' && (token.glued || /^(?:piece|of|long|chunk|knob)$/.test(wordAt(t, i + 1) ?? ''))))
    return null;
  return unit;
}

const blank = ({ low, high, next, article, more, vague }: Count, from: number): Amount => ({
  low,
  high,
  unit: null,
  piece: null,
  size: null,
  spoon: null,
  pack: null,
  each: false,
  article,
  more,
  vague,
  net: false,
  from,
  to: next,
});

/** A mass or volume at a token, as the size of a package: "14.5-ounce", "about 400 g"; `to` is the token behind it. */
function sizeOfOne(t: readonly Token[], i: number): Amount | null {
  let at = i;
  while (APPROX.has(wordAt(t, at) ?? '') || wordAt(t, at) === 'each') at++;
  const c = countAt(t, at);
  const unit = c && unitAt(t, c.next);
  if (!c || !unit || (unit.kind !== 'mass' && unit.kind !== 'volume')) return null;
  return { ...blank(c, i), unit, to: c.next + 1 };
}

/** A size in brackets, "(400 g each)", with what says that it is that of one. */
function sizeInBrackets(t: readonly Token[], i: number): { size: Amount; each: boolean; next: number } | null {
  if (markAt(t, i) !== '(') return null;
  const size = sizeOfOne(t, i + 1);
  if (!size) return null;
  let at = size.to;
  const each = wordAt(t, at) === 'each' || wordAt(t, i + 1) === 'each';
  if (wordAt(t, at) === 'each') at++;
  if (PACKS.has(wordAt(t, at) ?? '')) at++;
  return markAt(t, at) === ')' ? { size, each, next: at + 1 } : null;
}

/** What follows the whole amount and belongs to it: "each", "of them", "or two", "and a half". */
function finished(t: readonly Token[], a: Amount): Amount {
  let out = a;
  const skip = (n: number) => (out = { ...out, to: out.to + n });
  if (markAt(t, out.to) === '.' && t[out.to]!.glued && t[out.to + 1] && out.unit) skip(1);
  const whole = out.unit !== null || out.pack !== null;
  const and = whole && out.low === out.high ? andPart(t, out.to) : null;
  if (and) out = { ...out, low: out.low + and.value, high: out.high + and.value, to: and.next };
  if (whole && wordAt(t, out.to) === 'or' && out.low === 1) {
    // "a spoon or two": not "a cup or two apples".
    const c = countAt(t, out.to + 1);
    const behind = c ? wordAt(t, c.next) : null;
    if (c && !c.article && !c.vague && c.high > 1 && c.high <= 4 && (behind === null || behind === 'of') && t[c.next]?.is !== 'figure')
      out = { ...out, high: c.high, to: c.next };
  }
  if (wordAt(t, out.to) === 'each' || wordAt(t, out.to) === 'apiece') {
    out = { ...out, each: true };
    skip(1);
  }
  if (wordAt(t, out.to) === 'of' && /^(?:them|these|those|it)$/.test(wordAt(t, out.to + 1) ?? '')) skip(2);
  return out;
}

/** Measures that are said without a number at the head of a line. */
const BARE = /^(?:teaspoon|tablespoon|dessertspoon|cup|pound|pint|quart|litre|liter|kilo)$/i;
/** "Scant teaspoon of cumin", "cup of vinegar": one of them, where the number was left out. */
function oneSpoon(t: readonly Token[], i: number): Count | null {
  const spoon = SPOONS[t[i]?.text.toLowerCase() ?? ''] !== undefined && unitAt(t, i + 1)?.kind === 'volume';
  const bare = (i === 0 || markAt(t, i - 1) !== null) && BARE.test(t[i]?.text ?? '') && wordAt(t, i + 1) === 'of';
  return spoon || bare ? { low: 1, high: 1, next: i, article: true, more: false, vague: false } : null;
}

/** Words that an amount may begin with. */
const STARTS: ReadonlySet<string> = new Set([
  ...APPROX,
  ...SIZES,
  ...NUMBER_STARTS,
  ...words(Object.keys(SPOONS).join(' ')),
  ...words('teaspoon tablespoon dessertspoon cup pound pint quart litre liter kilo'),
]);

/** The amount that begins at a token, without what comes before or after it; null where none begins there. */
export function amountAt(t: readonly Token[], start: number): Amount | null {
  const first = t[start];
  if (first?.is === 'word' ? !STARTS.has(first.w) && !ALONE.test(first.w) : first?.is === 'mark' && first.text !== '~') return null;
  let i = start;
  while (APPROX.has(wordAt(t, i) ?? '') || markAt(t, i) === '~' || (i > start && markAt(t, i) === '.')) i++;
  const size0 = SIZES.has(wordAt(t, i) ?? '') && ALONE.test(wordAt(t, i + 1) ?? '') ? wordAt(t, i) : null;
  const alone = wordAt(t, size0 === null ? i : i + 1) ?? '';
  // "drizzle in the oil" is no amount.
  const done = /^(?:drizzle|splash|squeeze|dash)$/.test(alone) && /^(?:in|over|into|on|with|the|out|from)$/.test(wordAt(t, i + 1) ?? '');
  if (ALONE.test(alone) && !done) {
    const at = size0 === null ? i : i + 1;
    const one = blank({ low: 1, high: 1, next: at + 1, article: false, more: false, vague: false }, start);
    return finished(t, { ...one, unit: unitOf(alone)!, size: size0 });
  }
  const c = countAt(t, i) ?? oneSpoon(t, i);
  if (!c) return null;
  const a = blank(c, start);
  let at = c.next;
  // "3 x 400 g tins", "2 x 2 cm".
  if (wordAt(t, at) === 'x' && (t[at + 1]?.is === 'figure' || markAt(t, at + 1) === '(')) at++;
  const bracket = sizeInBrackets(t, at);
  const sized = bracket
    ? { amount: bracket.size, next: bracket.next }
    : at > c.next || t[at]?.is === 'figure' || c.low < 20
      ? bareSize(t, at)
      : null;
  if (sized) {
    const word = wordAt(t, sized.next);
    if (word !== null && PACKS.has(word))
      return finished(t, { ...a, pack: { word, each: sized.amount, inAll: false }, to: sized.next + 1 });
    // "two 2-inch pieces" is four inches.
  }
  const long = t[at]?.is === 'figure' ? countAt(t, at) : null;
  const length = long && unitAt(t, long.next);
  if (long && length?.kind === 'length')
    return finished(t, { ...a, low: a.low * long.low, high: a.high * long.high, unit: length, to: pastPiece(t, long.next + 1) });
  let size: string | null = null;
  let spoon: Amount['spoon'] = null;
  let last = at;
  for (; last < at + TOKENS_LEFT; last++) {
    const w = wordAt(t, last);
    if (w === null) break;
    if (SIZES.has(w)) size = w;
    else if (SPOONS[t[last]!.text.toLowerCase()] !== undefined)
      spoon = { factor: SPOONS[t[last]!.text.toLowerCase()]!, word: t[last]!.text.toLowerCase() };
    else if (!FILLERS.has(w)) break;
  }
  const unit = unitAt(t, last);
  if (unit) {
    const pack = wordAt(t, last + 1);
    const mass = unit.kind === 'mass' || unit.kind === 'volume';
    // "14 oz can": one package of that size.
    if (mass && pack !== null && PACKS.has(pack) && wordAt(t, last + 2) !== 'in')
      return finished(t, { ...a, low: 1, high: 1, pack: { word: pack, each: { ...a, unit, to: last + 1 }, inAll: false }, to: last + 2 });
    // "14 oz (400 g) can".
    const also = mass ? sizeInBrackets(t, last + 1) : null;
    if (also && PACKS.has(wordAt(t, also.next) ?? ''))
      return finished(t, {
        ...a,
        low: 1,
        high: 1,
        pack: { word: wordAt(t, also.next)!, each: also.size, inAll: false },
        to: also.next + 1,
      });
    const to = unit.kind === 'length' ? pastPiece(t, last + 1) : last + 1;
    return finished(t, { ...a, unit, size, spoon, to });
  }
  const w = wordAt(t, last);
  if (w !== null && HEAPS.has(w)) return heap(t, { ...a, size }, w, last);
  if (w !== null && PACKS.has(w)) {
    const inside = sizeInBrackets(t, last + 1) ?? ofSize(t, last + 1);
    const pack = { word: w, each: inside?.size ?? null, inAll: inside ? !inside.each : false };
    return finished(t, { ...a, size, pack, to: inside?.next ?? last + 1 });
  }
  if (w !== null && PIECES.has(w)) return finished(t, { ...a, size, piece: w, to: last + 1 });
  // A size or a filler alone belongs to the name: only the size is remembered.
  return finished(t, { ...a, size, to: size !== null ? last : at });
}

function bareSize(t: readonly Token[], at: number): { amount: Amount; next: number } | null {
  const amount = sizeOfOne(t, at);
  return amount && { amount, next: amount.to };
}
/** "jar of 340 g". */
function ofSize(t: readonly Token[], i: number): { size: Amount; each: boolean; next: number } | null {
  if (wordAt(t, i) !== 'of') return null;
  const size = sizeOfOne(t, i + 1);
  return size && { size, each: true, next: size.to };
}
/** "piece of", "knob of" behind a length. */
function pastPiece(t: readonly Token[], i: number): number {
  let at = i;
  while (/^(?:long|piece|chunk|knob|length|thick|section)$/.test(wordAt(t, at) ?? '')) at++;
  return at;
}
/** "a bowl of 15 pods" is the count; "a bowl of pods" is a bowl. */
function heap(t: readonly Token[], a: Amount, word: string, at: number): Amount {
  const inside = wordAt(t, at + 1) === 'of' ? amountAt(t, at + 2) : null;
  if (inside && !inside.article && inside.unit === null && inside.piece === null && inside.pack === null)
    return { ...inside, from: a.from };
  return finished(t, { ...a, piece: word, to: at + 1 });
}
