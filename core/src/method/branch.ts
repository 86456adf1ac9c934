import { markAt, wordAt, type Token } from '../reading';

/** What a divided sauce is parted into. */
const PART = /^(?:half|third|quarter|part|portion|batch|bowl|share)$/;
const WHICH = /^(?:one|first|second|third|fourth|another|other|last|remaining)$/;

/** Behind "the first" these are no part of what was divided. */
const STEP = /^(?:pan|pot|jar|jug|bottle|blender|mixture|sauce|time|day|week|step|of)s?$/;

/** "one half", "the other", "half with": words for a part of what was divided; `to` is the token behind them. */
export function branchAt(t: readonly Token[], i: number): { to: number } | null {
  const w = wordAt(t, i) ?? '';
  if (WHICH.test(w)) {
    if (PART.test(wordAt(t, i + 1) ?? '')) return { to: i + 2 };
    // "into the first blend …, into the second …".
    if (wordAt(t, i - 1) === 'the' && /^(?:into|to|in)$/.test(wordAt(t, i - 2) ?? '') && !STEP.test(wordAt(t, i + 1) ?? ''))
      return { to: i + 1 };
    const next = wordAt(t, i + 1);
    // "the other gets …", "into the other".
    if (w === 'other' && wordAt(t, i - 1) === 'the' && (next === null || /^(?:with|and|gets?|goes|for|add|stir)$/.test(next)))
      return { to: i + 1 };
  }
  // "half of the mash", where another half follows.
  if (
    w === 'half' &&
    wordAt(t, i + 1) === 'of' &&
    /^(?:the|it|this)$/.test(wordAt(t, i + 2) ?? '') &&
    (wordAt(t, i + 2) === 'it' || /^(?:mash|sauce|mixture|base|paste|puree|batch|it)$/.test(wordAt(t, i + 3) ?? ''))
  )
    return { to: wordAt(t, i + 2) === 'it' ? i + 3 : i + 4 };
  // "half into another jug".
  if (w === 'half' && /^(?:into|in)$/.test(wordAt(t, i + 1) ?? '') && /^(?:another|second|separate)$/.test(wordAt(t, i + 2) ?? ''))
    return { to: i + 4 };
  const rest = w === 'rest' && wordAt(t, i - 1) === 'the';
  return (w === 'half' || rest) && wordAt(t, i + 1) === 'with' ? { to: i + 1 } : null;
}

/** Where a clause that speaks of more than one part is cut, so that each has its own: token indices. */
export function cutsOf(t: readonly Token[], from: number, to: number): number[] {
  const parts: { at: number; to: number }[] = [];
  for (let i = from; i < to; i++) {
    const found = branchAt(t, i);
    if (!found) continue;
    parts.push({ at: i, to: found.to });
    i = found.to - 1;
  }
  return parts.slice(1).flatMap((p, n) => {
    const before = parts[n]!;
    const marks: number[] = [];
    for (let i = before.to; i < p.at; i++) if (wordAt(t, i) === 'and' || /^[,;]$/.test(markAt(t, i) ?? '')) marks.push(i);
    if (marks.length === 0) return [];
    // "basil into one half and mint into the other"; "one half with basil and salt, the other with mint".
    const behind = /^(?:into|to|in)$/.test(wordAt(t, before.at - 1) ?? '');
    return [behind ? marks[0]! : marks.at(-1)!];
  });
}
