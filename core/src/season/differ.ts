import type { Day } from '../plan';
import type { Season, SeasonBatch } from './season';

/** What another answer does otherwise than the one of before. */
export type SeasonChange =
  | { kind: 'moved'; batch: SeasonBatch; before: Day }
  | { kind: 'new' | 'gone'; batch: SeasonBatch }
  | { kind: 'less' | 'more'; wishId: string; says: string; got: number; before: number; of: number };

const sauceOf = (b: SeasonBatch) => `${b.style} ${b.heat ?? ''}`;
const totals = (s: Season) => {
  const out = new Map<string, { says: string; got: number; of: number }>();
  for (const p of s.parts) {
    if (p.wishId === null) continue;
    const had = out.get(p.wishId) ?? { says: p.says, got: 0, of: 0 };
    out.set(p.wishId, { says: p.says, got: had.got + p.got, of: had.of + p.bottles });
  }
  return out;
};

/** What changed from one plan to the next: batches of the same sauce are the same batch on another day, the nearest first. */
export function differsFrom(before: Season, after: Season): SeasonChange[] {
  const out: SeasonChange[] = [];
  const left = [...before.batches];
  const fresh = after.batches.filter((b) => {
    const i = left.findIndex((x) => x.id === b.id);
    if (i >= 0) left.splice(i, 1);
    return i < 0;
  });
  for (const b of fresh) {
    const i = left.findIndex((x) => sauceOf(x) === sauceOf(b));
    if (i >= 0) out.push({ kind: 'moved', batch: b, before: left.splice(i, 1)[0]!.start });
    else out.push({ kind: 'new', batch: b });
  }
  for (const batch of left) out.push({ kind: 'gone', batch });
  const had = totals(before);
  for (const [wishId, { says, got, of }] of totals(after)) {
    const was = had.get(wishId)?.got;
    if (was !== undefined && was !== got) out.push({ kind: got < was ? 'less' : 'more', wishId, says, got, before: was, of });
  }
  return out;
}
