import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import { lexiconOf, type Lexicon } from './lexicon';
import { isBehindOr, paired, type Group, type Paired } from './pairing';
import { spansOf, type Span, type SpanOf } from './spans';
import { plainSigns, tokensOf, type Token } from './tokens';
import type { Kitchen } from './units';

/** A line taken apart. */
export interface Line {
  text: string;
  plain: string;
  tokens: Token[];
  spans: Span[];
  kitchen: Kitchen;
  own: readonly Ingredient[];
  lexicon: Lexicon;
}

/** A name with the spans that speak of it. */
export interface Part extends Paired {
  first: number;
  last: number;
  /** Words not understood right before it, and right behind. */
  before: string[];
  behind: string[];
  /** It stands behind an "or", or is only a remark. */
  aside: boolean;
}

/** Fruit of which juice and zest are parts. */
export const CITRUS = /^(?:lime|lemon|orange)$/;
const SEPARATORS = /^[,;(:]$/;
const separates = (s: Span) => (s.is === 'mark' && SEPARATORS.test(s.text)) || (s.is === 'joiner' && s.w !== 'or');

/** Words not understood from a span on, as far as nothing parts them from it. */
function strangersFrom(spans: readonly Span[], index: number, step: 1 | -1): string[] {
  const name = spans[index]!;
  const citrus = name.is === 'name' && CITRUS.test(name.phrase.join(' '));
  const start = index + step;
  const found: string[] = [];
  for (let i = start; i >= 0 && i < spans.length; i += step) {
    const s = spans[i]!;
    if (s.is === 'strange') found.push(s.w);
    // "carrot juice" is no carrot, "juice of a pineapple" no pineapple.
    else if (s.is === 'part' && !citrus) found.push(...s.parts.slice(0, 1));
    else if (s.is === 'joiner' && s.w === 'in' && step === 1 && spans[i + 1]?.is === 'strange') continue;
    else if (s.is !== 'harmless' && s.is !== 'piece') break;
  }
  return step === 1 ? found : found.reverse();
}

/** Names in brackets, or behind "from" and "in", without an amount of their own are remarks. */
function isRemark(spans: readonly Span[], p: Paired, others: readonly Paired[]): boolean {
  if (p.ways.length > 0 || !others.some((o) => o.ways.length > 0 && o.index < p.index)) return false;
  // "10 habaneros, orange" is a colour.
  if (
    p.span.phrase.join(' ') === 'orange' &&
    spans[p.index - 1]?.is === 'mark' &&
    spans[p.index - 2]?.is === 'name' &&
    !CITRUS.test((spans[p.index - 2] as SpanOf<'name'>).phrase.join(' '))
  )
    return true;
  let named = false;
  for (let i = p.index - 1; i >= 0; i--) {
    const s = spans[i]!;
    if (s.is === 'amount' || (s.is === 'mark' && s.text === ')')) return false;
    if (s.is === 'mark' && s.text === '(') return true;
    // "mixed chillies (fresno, habanero)".
    named ||= s.is === 'name';
    if (named) continue;
    if (s.is === 'joiner') return /^(?:from|in|into|on)$/.test(s.w);
  }
  return false;
}

/** Names of peppers that say no kind. */
const SAYS_NO_KIND = /^(?:(?:hot|fresh|red|green|yellow|dried|small|large|long) )*(?:pepper|chili|pod)$/;

/** "5 green chillies, serrano", "4 yellow chillies (aji amarillo)": the kind stands behind the mark, and is no second thing. */
function withKinds(names: readonly Paired[], { spans, lexicon }: Line): Paired[] {
  const [a, b, ...more] = names;
  if (!a || !b || more.length > 0 || a.ways.length === 0 || b.ways.length > 0 || !SAYS_NO_KIND.test(a.span.phrase.join(' ')))
    return [...names];
  const between = spans.slice(a.index + 1, b.index);
  const meaning = lexicon.meaning({ words: b.span.phrase, kitchen: 'metric', unit: null, all: new Set(b.span.phrase) });
  const isPods = meaning !== null && 'id' in meaning && (meaning.store === 'pods' || kindOf({ key: meaning.id }).variety !== undefined);
  if (
    !isPods ||
    !between.some((s) => s.is === 'mark' && /^[,(]$/.test(s.text)) ||
    !between.every((s) => s.is === 'mark' || s.is === 'harmless')
  )
    return [...names];
  return [{ ...a, span: { ...a.span, phrase: b.span.phrase } }];
}

/** The things that a line names, each with what is said of it. */
export function lineParts(line: Line): { parts: Part[]; loose: Group[] } {
  const { spans } = line;
  const { names: said, loose } = paired(spans);
  const names = withKinds(said, line);
  const parts = names.map((p): Part => ({
    ...p,
    ...{ first: 0, last: spans.length - 1, aside: isBehindOr(spans, p.index) || isRemark(spans, p, names) || isSource(line, p, names) },
    before: strangersFrom(spans, p.index, -1),
    behind: strangersFrom(spans, p.index, 1),
  }));
  const kept = parts.filter((p) => !p.aside);
  kept.forEach((p, n) => {
    if (n === 0) return;
    let i = p.index - 1;
    while (i > kept[n - 1]!.index && !separates(spans[i]!)) i--;
    // "1 onion, chopped carrots 200 g" is parted at the last mark before the name.
    p.first = i;
    kept[n - 1]!.last = i - 1;
  });
  // What stands aside gives its amount to a name without one: "honey or maple syrup, 2 tbsp".
  for (const p of parts) {
    const bare = kept.findLast((k) => k.index < p.index);
    if (p.aside && bare && bare.ways.length === 0 && isBehindOr(spans, p.index)) bare.ways = p.ways;
  }
  return { parts: kept, loose };
}

/** "100 ml lime juice (from 3 limes)": where it came from is no second thing. */
function isSource({ spans }: Line, p: Paired, names: readonly Paired[]): boolean {
  const bracket = spans.slice(0, p.index).findLastIndex((s) => s.is === 'mark' && s.text === '(');
  const inside = bracket >= 0 && spans.slice(bracket + 1, p.index).every((s) => s.is !== 'mark') ? spans.slice(bracket + 1, p.index) : [];
  const fruit = CITRUS.test(p.span.phrase.join(' ')) && names.some((o) => o.index < bracket && o.span.phrase.includes('juice'));
  return (fruit || inside.some((s) => s.is === 'joiner' && s.w === 'from')) && names.some((o) => o.index < bracket && o.ways.length > 0);
}

/** The text from one span to another. */
export const textOf = (line: Line, first: number, last: number): string => {
  const [a, b] = [line.spans[first], line.spans[last]];
  return a && b && last >= first ? line.plain.slice(line.tokens[a.from]!.from, line.tokens[b.to - 1]!.to) : '';
};

/** Bullets, boxes and numbering before a line. */
const BULLET = /^\s*(?:(?:[-*•·▢□☐]+|\[[ x]?\]|\d+[.)](?=\s))\s*)+/i;

/** "vinegar, apple cider": the words behind a mark, before a name, are one that is known. */
export function uninverted(spans: Span[], tokens: readonly Token[], lexicon: Lexicon): Span[] {
  for (let i = 0; i < spans.length - 2; i++) {
    const name = spans[i]!;
    const mark = spans[i + 1]!;
    if (name.is !== 'name' || mark.is !== 'mark' || !/^[,(]$/.test(mark.text)) continue;
    let to = i + 2;
    while (spans[to] && /^(?:name|strange|harmless)$/.test(spans[to]!.is) && to < i + 5) to++;
    for (let end = to; end > i + 2; end--) {
      const words = tokens.slice(spans[i + 2]!.from, spans[end - 1]!.to).flatMap((t) => (t.is === 'word' ? [t.w] : []));
      if (words.length < 2 || !lexicon.has([...words, ...name.phrase])) continue;
      const rest = spans.slice(i + 2, end).map((s): Span => ({ is: 'harmless', from: s.from, to: s.to }));
      return [...spans.slice(0, i), { ...name, phrase: [...words, ...name.phrase] }, mark, ...rest, ...spans.slice(end)];
    }
  }
  return spans;
}

/** A line of text taken apart. Throws FigureError. */
export function lineOf(text: string, kitchen: Kitchen, own: readonly Ingredient[]): Line {
  const plain = plainSigns(text.replace(BULLET, '').replace(/^\s*[–—]\s*/, ''));
  const tokens = tokensOf(plain);
  const lexicon = lexiconOf(own);
  return { text, plain, tokens, spans: uninverted(spansOf(tokens, lexicon), tokens, lexicon), kitchen, own, lexicon };
}
