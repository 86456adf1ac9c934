import { ingredient } from '../matter/ingredient';
import { WATER_KEY } from '../matter/kind';
import { amountAt, APPROX, type Amount } from './amounts';
import { countAt, markAt, wordAt } from './count';
import { HARMLESS } from './harmless';
import { LONGEST, type Lexicon } from './lexicon';
import { plainWords } from './plain';
import type { Token } from './tokens';
import { FIXED_ML, MASSES_G, unitOf, type Unit } from './units';
import { withUnknown } from './unknown';

/** A run of tokens with one meaning in a line; `from` and `to` are tokens. */
export type Span = { from: number; to: number } & (
  | { is: 'name'; phrase: string[] }
  | { is: 'amount'; amount: Amount }
  /** Juice or zest of a fruit. */
  | { is: 'part'; parts: string[] }
  /** The word for a piece beside a name: "garlic cloves". */
  | { is: 'piece'; w: string }
  | { is: 'vague' }
  /** "3 %": of what stands with it, or how strong a vinegar is. */
  | { is: 'share'; pct: number; /** Said as so many grams of a kilogram or a litre. */ per?: number }
  /** "half and half": what is said of the names before it is that of all of them, in equal parts. */
  | { is: 'split' }
  | { is: 'joiner'; w: string }
  | { is: 'harmless'; /** The unknown name that the one behind it stands for: "piloncillo or brown sugar". */ unknown?: string }
  | { is: 'mark'; text: string }
  | { is: 'strange'; w: string }
);
export type SpanOf<K extends Span['is']> = Extract<Span, { is: K }>;

const words = (s: string) => new Set(s.split(' ').flatMap((w) => plainWords(w)));
/** Phrases by their first word. */
function phrases(s: string): ReadonlyMap<string, readonly string[][]> {
  const all = new Map<string, string[][]>();
  for (const p of s.split('|').map((x) => plainWords(x))) all.set(p[0]!, [...(all.get(p[0]!) ?? []), p]);
  return all;
}
/** How much, without a figure. */
const VAGUE = phrases(
  'some|enough|plenty of|plenty|lots of|lots|a lot of|a lot|loads of|loads|heaps of|heaps|a bit of|a bit|a little|a touch of|a touch|to taste|as needed|as required|as you like',
);
/** What ends what is said of a thing: all of it up to the next mark is a remark. */
const TAILS = phrases(
  'plus extra|plus more|for serving|to finish|for finishing|for garnish|for frying|for the brine|for the jar|for the base|for the sauce|to serve|to garnish|to cover|to fill|to top|if needed|per|if you like|if you want|if you can|if possible|such as|e g|see note|see|per batch|or to taste|or less|or more|or so|in all|in total|altogether|by weight|of total weight|of the total weight|of the weight|of its weight|of their weight|of everything|more if|or thereabouts',
);
const SPLIT = phrases('half and half|half half|half each|in equal parts|equal parts|in equal amounts|equal amounts|evenly split|equally');
const JOINERS = words('and or plus with in from into on');
export const PIECE_WORDS = words('clove head bulb stalk stick sprig leaf pod slice rib pepper chili root disc bunch stem');
const PARTS: Readonly<Record<string, string>> = {
  juice: 'juice',
  juiced: 'juice',
  zest: 'zest',
  zested: 'zest',
  rind: 'zest',
  peel: 'zest',
};
export const COLOURS = words('red green yellow orange white brown black purple');
/** A word of a name may have these in it: "red ripe jalapeños". */
const INSIDE = words('ripe fresh fat large small medium big whole long good organic raw dried chopped thin');

function phraseAt(t: readonly Token[], i: number, list: ReadonlyMap<string, readonly string[][]>): number {
  let best = 0;
  for (const p of list.get(wordAt(t, i) ?? '') ?? []) if (p.length > best && p.every((w, k) => wordAt(t, i + k) === w)) best = p.length;
  return best;
}

/** The longest name at a token, of at least so many words: its phrase and the token behind it. */
function nameAt(t: readonly Token[], i: number, lexicon: Lexicon, least: number): { phrase: string[]; to: number } | null {
  const first = wordAt(t, i);
  if (first === null || !lexicon.begins(first)) return null;
  const run: string[] = [];
  while (run.length < LONGEST + 1 && wordAt(t, i + run.length) !== null) run.push(wordAt(t, i + run.length)!);
  for (let n = Math.min(LONGEST, run.length); n >= least; n--) {
    const phrase = run.slice(0, n);
    if (lexicon.has(phrase)) return { phrase, to: i + n };
    // Words that say no kind stand inside it.
    if (n < 3) continue;
    const bare = phrase.filter((w, k) => k === 0 || k === n - 1 || !INSIDE.has(w));
    if (bare.length < n && bare.length >= 2 && lexicon.has(bare)) return { phrase: bare, to: i + n };
  }
  return null;
}

/** "a yellow one" of what was named before: the same noun in that colour. */
function pronounAt(t: readonly Token[], i: number, before: readonly Span[], lexicon: Lexicon): { phrase: string[]; to: number } | null {
  if (!COLOURS.has(wordAt(t, i) ?? '') || wordAt(t, i + 1) !== 'one') return null;
  const last = before.findLast((s): s is SpanOf<'name'> => s.is === 'name');
  for (let cut = 0; last && cut < last.phrase.length; cut++) {
    const phrase = [wordAt(t, i)!, ...last.phrase.slice(cut)];
    if (lexicon.has(phrase)) return { phrase, to: i + 2 };
  }
  return null;
}

/** "(I used half cayenne, half fresno)": which ones somebody took, and no more of them; the token behind it, 0 where it is none. */
function asideAt(t: readonly Token[], i: number, lexicon: Lexicon): number {
  if (
    markAt(t, i) !== '(' ||
    !/^(?:i|we)$/.test(wordAt(t, i + 1) ?? '') ||
    !/^(?:use|used|like|had|take|took)$/.test(wordAt(t, i + 2) ?? '')
  )
    return 0;
  const end = t.findIndex((_, k) => k > i && markAt(t, k) === ')');
  // One alone says which: "(I use serrano)".
  return end > 0 && t.slice(i, end).filter((_, k) => nameAt(t, i + k, lexicon, 1)).length > 1 ? end + 1 : 0;
}

function spanAt(t: readonly Token[], i: number, before: readonly Span[], lexicon: Lexicon): Span {
  const at = (to: number) => ({ from: i, to });
  const token = t[i]!;
  const name = nameAt(t, i, lexicon, 2) ?? pronounAt(t, i, before, lexicon);
  if (name) return { ...at(name.to), is: 'name', phrase: name.phrase };
  const split = before.filter((s) => s.is === 'name').length > 1 ? phraseAt(t, i, SPLIT) : 0;
  if (split > 0) return { ...at(i + split), is: 'split' };
  const aside = asideAt(t, i, lexicon);
  if (aside > 0 && before.some((x) => x.is === 'amount')) return { ...at(aside), is: 'harmless' };
  const vague = phraseAt(t, i, VAGUE);
  if (vague > 0) return { ...at(i + vague), is: 'vague' };
  const tail = before.some((s) => s.is === 'name' || s.is === 'amount') ? phraseAt(t, i, TAILS) : 0;
  if (tail > 0) {
    let to = i + tail;
    while (t[to] && !/^[,;()]$/.test(markAt(t, to) ?? '')) to++;
    return { ...at(to), is: 'harmless' };
  }
  const w = token.is === 'word' ? token.w : null;
  const part = w === null ? undefined : (PARTS[(token as { text: string }).text.toLowerCase()] ?? PARTS[w]);
  if (part !== undefined) {
    const second = /^(?:and|&|\+)$/.test(wordAt(t, i + 1) ?? markAt(t, i + 1) ?? '') ? PARTS[wordAt(t, i + 2) ?? ''] : undefined;
    return second === undefined ? { ...at(i + 1), is: 'part', parts: [part] } : { ...at(i + 3), is: 'part', parts: [part, second] };
  }
  const count = token.is === 'figure' ? countAt(t, i) : null;
  if (count && (markAt(t, count.next) === '%' || wordAt(t, count.next) === 'percent'))
    return { ...at(count.next + 1), is: 'share', pct: (count.low + count.high) / 2 };
  // "soaked 30 min in …".
  if (count && /^(?:second|minute|min|hour|hr)$/.test(wordAt(t, count.next) ?? '')) return { ...at(count.next + 1), is: 'harmless' };
  const amount = amountAt(t, i);
  if (amount) {
    const net = wordAt(t, i - 1) === 'weight' && /^(?:drained|net)$/.test(wordAt(t, i - 2) ?? '');
    return { ...at(amount.to), is: 'amount', amount: net ? { ...amount, net } : amount };
  }
  if (w === null) {
    if (token.is === 'mark' && /^[&+]$/.test(token.text)) return { ...at(i + 1), is: 'joiner', w: 'and' };
    return { ...at(i + 1), is: 'mark', text: token.text };
  }
  const one = nameAt(t, i, lexicon, 1);
  const last = before.at(-1);
  // "jalapeño peppers, jarred": a piece word is one behind a name.
  if (PIECE_WORDS.has(w) && last?.is === 'name' && last.to === i) return { ...at(i + 1), is: 'piece', w };
  // "1 head garlic, cloves peeled".
  if (w === 'clove' && before.some((s) => s.is === 'name' && s.phrase.includes('garlic'))) return { ...at(i + 1), is: 'piece', w };
  if (one) return { ...at(one.to), is: 'name', phrase: one.phrase };
  if (JOINERS.has(w)) return { ...at(i + 1), is: 'joiner', w };
  if (PIECE_WORDS.has(w)) return { ...at(i + 1), is: 'piece', w };
  if (HARMLESS.has(w) || APPROX.has(w) || w === 'x') return { ...at(i + 1), is: 'harmless' };
  return { ...at(i + 1), is: 'strange', w };
}

/** The spans of a line, left to right, each token in one. */
export function spansOf(t: readonly Token[], lexicon: Lexicon): Span[] {
  const spans: Span[] = [];
  for (let i = 0; i < t.length;) {
    const span = spanAt(t, i, spans, lexicon);
    spans.push(span);
    i = Math.max(span.to, i + 1);
  }
  return withUnknown(withBrine(withPer(withOther(spans), t)), t);
}

/** "1 tbsp piloncillo or brown sugar": where the first is not known it is the second. */
function withOther(spans: readonly Span[]): Span[] {
  const out = [...spans];
  out.forEach((s, or) => {
    if (s.is !== 'joiner' || s.w !== 'or') return;
    const from = out.findLastIndex((x, i) => i < or && x.is !== 'strange' && x.is !== 'harmless');
    const to = out.findIndex((x, i) => i > or && x.is !== 'harmless');
    // "red or orange peppers" are one kind in two colours.
    const unknown = out.slice(from + 1, or).some((x) => x.is === 'strange' && !COLOURS.has(x.w));
    if (!unknown || out[from]?.is !== 'amount' || out[to]?.is !== 'name') return;
    const name = out
      .slice(from + 1, or)
      .flatMap((x) => (x.is === 'strange' ? [x.w] : []))
      .join(' ');
    for (let i = from + 1; i <= or; i++)
      out[i] = { from: out[i]!.from, to: out[i]!.to, is: 'harmless', ...(i === or ? { unknown: name } : {}) };
  });
  return out;
}

/** What is said of a kilogram or a litre is a share: "25 g salt per kilo of chillies"; only of what is dosed so. */
function withPer(spans: readonly Span[], t: readonly Token[]): Span[] {
  const at = spans.findIndex((s) => s.is === 'harmless' && wordAt(t, s.from) === 'per');
  const of = at < 0 ? null : ofSo(t, spans[at]!.from + 1);
  const dose = spans.slice(0, Math.max(0, at)).findLast((s): s is SpanOf<'amount'> => s.is === 'amount' && s.amount.unit?.kind === 'mass');
  const named = spans.slice(0, Math.max(0, at)).findLast((s): s is SpanOf<'name'> => s.is === 'name');
  if (of === null || !(of > 0) || !dose || !DOSED.has(named?.phrase.at(-1) ?? '')) return [...spans];
  const pct = (50 * (dose.amount.low + dose.amount.high) * gramsOfUnit(dose.amount.unit!)!) / of;
  return spans.map((s) => (s === dose ? { from: s.from, to: s.to, is: 'share', pct, per: (pct * of) / 100 } : s));
}
const DOSED = words('salt sugar honey');
/** Grams of what a share is of: "kilo", "500 g", "litre"; null where it is something else. */
function ofSo(t: readonly Token[], i: number): number | null {
  const count = countAt(t, i);
  const unit = unitOf(t[count?.next ?? i]?.text ?? '');
  const one = unit && gramsOfUnit(unit);
  return one ? one * (count ? (count.low + count.high) / 2 : 1) : null;
}
/** Grams of one, a litre of water; null for what is no measure of that. */
const gramsOfUnit = ({ id }: Unit): number | null =>
  id in MASSES_G ? MASSES_G[id as keyof typeof MASSES_G] : id === 'l' ? FIXED_ML.l * ingredient(WATER_KEY).density! : null;

/** "2 % salt brine": one name, whose salt is a share of its water. */
function withBrine(spans: readonly Span[]): Span[] {
  const at = spans.findIndex((s) => s.is === 'strange' && s.w === 'brine');
  const share = at < 0 ? -1 : spans.slice(Math.max(0, at - 3), at).findIndex((s) => s.is === 'share');
  if (share < 0) return [...spans];
  const first = Math.max(0, at - 3) + share + 1;
  const between = spans.slice(first, at);
  if (!between.every((s) => s.is === 'harmless' || (s.is === 'name' && s.phrase.join(' ') === 'salt'))) return [...spans];
  const name: Span = { is: 'name', phrase: ['brine'], from: (between[0] ?? spans[at]!).from, to: spans[at]!.to };
  return [...spans.slice(0, first), name, ...spans.slice(at + 1)];
}
