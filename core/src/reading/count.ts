import { isTens, PARTS, TIMES, VAGUE_COUNTS, WHOLE } from './numbers';
import type { Token } from './tokens';

/** A number or a range of numbers that begins at a token; `next` is the token behind it. */
export interface Count {
  low: number;
  high: number;
  next: number;
  /** Only "a" or "an". */
  article: boolean;
  /** "another", "one more": it comes to what was named before. */
  more: boolean;
  /** "a few": no number, so it is asked. */
  vague: boolean;
}

export const wordAt = (t: readonly Token[], i: number): string | null => (t[i]?.is === 'word' ? t[i].w : null);
export const markAt = (t: readonly Token[], i: number): string | null => (t[i]?.is === 'mark' ? t[i].text : null);
const isArticle = (w: string | null) => w === 'a' || w === 'an';

/** Words that a number may begin with. */
export const NUMBER_STARTS: ReadonlySet<string> = new Set([
  ...['a', 'an', 'couple', 'another', 'extra', 'further', 'more'],
  ...[...WHOLE.keys(), ...PARTS.keys(), ...TIMES.keys(), ...VAGUE_COUNTS.keys()],
]);

/** "of", "of a", "of the": behind a fraction they say nothing. */
export function pastOf(t: readonly Token[], i: number): number {
  if (wordAt(t, i) !== 'of') return isArticle(wordAt(t, i)) ? i + 1 : i;
  const after = wordAt(t, i + 1);
  return isArticle(after) || after === 'the' || after === 'one' ? i + 2 : i + 1;
}

const exact = (value: number, next: number, more = false): Count => ({
  low: value,
  high: value,
  next,
  article: false,
  more,
  vague: false,
});

/** "and a half", "and three quarters", "and 1/2" behind a number; null where none stands there. */
export function andPart(t: readonly Token[], i: number): { value: number; next: number } | null {
  if (wordAt(t, i) !== 'and') return null;
  const figure = t[i + 1];
  if (figure?.is === 'figure') return figure.value < 1 ? { value: figure.value, next: i + 2 } : null;
  const [n, at] = isArticle(wordAt(t, i + 1))
    ? [1, i + 2]
    : [WHOLE.get(wordAt(t, i + 1) ?? '') ?? 1, i + (WHOLE.has(wordAt(t, i + 1) ?? '') ? 2 : 1)];
  const part = PARTS.get(wordAt(t, at) ?? '');
  return part === undefined || n * part >= 1 ? null : { value: n * part, next: at + 1 };
}

/** A whole number in words, at most 999. */
function whole(t: readonly Token[], i: number): { value: number; next: number } | null {
  const w = wordAt(t, i);
  if (w === null) return null;
  const n = WHOLE.get(w);
  if (n === undefined) return null;
  const ones = isTens(w) ? WHOLE.get(wordAt(t, i + 1) ?? '') : undefined;
  return ones !== undefined && ones < 10 && ones > 0 ? { value: n + ones, next: i + 2 } : { value: n, next: i + 1 };
}

/** "two dozen", "a hundred and fifty". */
function multiplied(t: readonly Token[], n: number, i: number): { value: number; next: number } {
  const times = TIMES.get(wordAt(t, i) ?? '');
  if (times === undefined) return { value: n, next: i };
  const value = n * times;
  const more = times === 100 ? whole(t, wordAt(t, i + 1) === 'and' ? i + 2 : i + 1) : null;
  return more ? { value: value + more.value, next: more.next } : { value, next: times === 12 && wordAt(t, i + 1) === 'of' ? i + 1 : i + 1 };
}

/** What may follow a number: "and a half", "dozen", "thirds of a". */
function completed(t: readonly Token[], n: number, i: number): Count {
  const part = PARTS.get(wordAt(t, i) ?? '');
  if (part !== undefined && n * part < 1) return exact(n * part, pastOf(t, i + 1));
  const m = multiplied(t, n, i);
  const and = andPart(t, m.next);
  return and ? exact(m.value + and.value, and.next) : exact(m.value, m.next);
}

function single(t: readonly Token[], i: number): Count | null {
  const token = t[i];
  if (token?.is === 'figure') {
    const more = wordAt(t, i + 1) === 'more';
    return more ? exact(token.value, i + 2, true) : completed(t, token.value, i + 1);
  }
  const w = wordAt(t, i);
  if (w === null) return null;
  const at = isArticle(w) || w === 'one' ? i + 1 : i;
  const here = wordAt(t, at) ?? '';
  const vague = VAGUE_COUNTS.get(here);
  if (vague) return { ...exact(vague[1], at + 1), low: vague[0], high: vague[2], vague: true };
  if (here === 'couple') return exact(2, wordAt(t, at + 1) === 'of' ? at + 2 : at + 1);
  if (here === 'another' || here === 'extra' || here === 'further') {
    const n = single(t, at + 1);
    return n && !n.article ? { ...n, more: true } : exact(1, at + 1, true);
  }
  if (here === 'more' && at > i) return exact(1, at + 1, true);
  const part = PARTS.get(here);
  if (part !== undefined && (at > i || part === 0.5 || here === 'quarter')) {
    const past = pastOf(t, at + 1);
    const times = TIMES.get(wordAt(t, past) ?? '');
    return times === undefined ? exact(part, past) : exact(part * times, past + 1);
  }
  if (TIMES.has(here)) return completed(t, 1, at);
  // "a two inch piece": the number counts.
  const counted = isArticle(w) && (t[i + 1]?.is === 'figure' || WHOLE.has(here)) ? single(t, i + 1) : null;
  if (counted) return counted;
  if (isArticle(w)) return { ...exact(1, i + 1), article: true };
  const n = whole(t, i);
  if (!n) return null;
  if (wordAt(t, n.next) === 'more') return exact(n.value, n.next + 1, true);
  return completed(t, n.value, n.next);
}

/** Numbers up to this, and so near to each other, make a range of "4, 5". */
const [SMALL, NEAR] = [20, 3];
const PERHAPS = new Set(['maybe', 'perhaps', 'even', 'possibly']);

/** A number or a range at a token: "2-3", "half to two thirds of a", "4, 5, maybe 6"; null where none begins there. */
export function countAt(t: readonly Token[], i: number): Count | null {
  const first = single(t, i);
  if (!first || first.vague) return first;
  let { high, next } = first;
  for (;;) {
    const comma = markAt(t, next) === ',';
    const joint = comma || markAt(t, next) === '-' || ['to', 'or', 'till'].includes(wordAt(t, next) ?? '');
    if (!joint) break;
    let at = next + 1;
    if (comma && wordAt(t, at) === 'or') at++;
    const perhaps = PERHAPS.has(wordAt(t, at) ?? '');
    while (PERHAPS.has(wordAt(t, at) ?? '')) at++;
    const second = single(t, at);
    if (!second || second.article || second.vague || second.more || !(second.high > high)) break;
    const small = Number.isInteger(high) && Number.isInteger(second.high) && second.high <= SMALL && second.high - high <= NEAR;
    if (comma && !(small || perhaps)) break;
    high = second.high;
    next = second.next;
  }
  return { ...first, high, next };
}
