import type { Span, SpanOf } from './spans';
import type { Token } from './tokens';

/** What stations leave, and what one works with, is no thing that is bought: "a stick blender". */
const NO_THING =
  /^(?:brine|liquid|liquor|mash|mixture|pulp|paste|puree|sauce|base|blender|processor|pan|pot|jar|bottle|bowl|sieve|spoon|whisk|masher|mill|cloth|lid)$/;
/** "…, 30 g dried shrimp, …": words of no row, with an amount before them and a mark behind, name something that is not known. */
export function withUnknown(spans: readonly Span[], t: readonly Token[]): Span[] {
  const out: Span[] = [];
  for (let i = 0; i < spans.length; i++) {
    const s = spans[i]!;
    out.push(s);
    if (s.is !== 'amount' || (s.amount.unit === null && s.amount.pack === null && s.amount.piece === null)) continue;
    let to = i + 1;
    while (spans[to]?.is === 'strange' || spans[to]?.is === 'harmless' || spans[to]?.is === 'piece') to++;
    const run = spans.slice(i + 1, to);
    const ends =
      to >= spans.length || (spans[to]!.is === 'mark' && /^[,;.]$/.test((spans[to] as SpanOf<'mark'>).text)) || spans[to]!.is === 'joiner';
    const first = out.every((x) => x.is !== 'name' && x.is !== 'strange') && !run.some((x) => x.is === 'strange' && NO_THING.test(x.w));
    if (!ends || run.at(-1)?.is !== 'strange' || !(isListed(out) || first)) continue;
    const from = run.findIndex((x) => x.is === 'strange');
    out.push(...run.slice(0, from));
    const phrase = run.slice(from).flatMap((x) => t.slice(x.from, x.to).flatMap((k) => (k.is === 'word' ? [k.w] : [])));
    out.push({ is: 'name', phrase, from: run[from]!.from, to: run.at(-1)!.to });
    i = to - 1;
  }
  return out;
}

/** Amounts stand before their names here: the last name has one, with no mark between. */
function isListed(spans: readonly Span[]): boolean {
  const name = spans.findLastIndex((s) => s.is === 'name');
  if (name < 0) return false;
  for (let i = name - 1; i >= 0; i--) {
    const s = spans[i]!;
    if (s.is === 'amount') return true;
    if (s.is === 'name' || s.is === 'joiner' || (s.is === 'mark' && /^[,;.]$/.test(s.text))) return false;
  }
  return false;
}
