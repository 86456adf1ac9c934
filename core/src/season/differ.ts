import type { Day } from '../plan';
import type { HeatWord } from '../heat';
import type { Pin, Season, SeasonBatch } from './season';

/** A plan as it is kept to be held against a later one. */
export interface KeptSeason {
  batches: readonly Pin[];
  parts: readonly { wishId: string | null; says: string; got: number; bottles: number }[];
}

/** What another answer does otherwise than the one of before. */
export type SeasonChange =
  | { kind: 'moved'; batch: SeasonBatch; before: Day }
  | { kind: 'new'; batch: SeasonBatch }
  | { kind: 'gone'; batch: Pin }
  | { kind: 'less' | 'more'; wishId: string; says: string; got: number; before: number; of: number };

const sauceOf = (b: { style: string; heat: HeatWord | null }) => `${b.style} ${b.heat ?? ''}`;
const totals = (s: KeptSeason) => {
  const out = new Map<string, { says: string; got: number; of: number }>();
  for (const p of s.parts) {
    if (p.wishId === null) continue;
    const had = out.get(p.wishId) ?? { says: p.says, got: 0, of: 0 };
    out.set(p.wishId, { says: p.says, got: had.got + p.got, of: had.of + p.bottles });
  }
  return out;
};

/** What changed from one plan to the next: batches of the same sauce are the same batch on another day, the nearest first. */
export function differsFrom(before: KeptSeason, after: Season): SeasonChange[] {
  const out: SeasonChange[] = [];
  const left = [...before.batches];
  const fresh = after.batches.filter((b) => {
    const i = left.findIndex((x) => sauceOf(x) === sauceOf(b) && x.start === b.start);
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
