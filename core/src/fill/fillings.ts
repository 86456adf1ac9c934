/** A kind of bottle that a sauce may be filled into: what it holds to the brim, ml. */
export interface BottleKind {
  id: string;
  name: string;
  ml: number;
}
/** What a sauce comes to in one kind of bottle. */
export interface Filling {
  kind: BottleKind;
  count: number;
  leftMl: number;
  /** One bottle of another kind that takes the rest, and how full it gets; null where none is full enough. */
  rest: { kind: BottleKind; share: number } | null;
}

/** A bottle that is emptier than this has too much air over the sauce (our judgement). */
const FULL_ENOUGH = 0.8;

/**
 * A volume of sauce (ml) in each of several kinds of bottle, filled but for their headspace (%): how many, what is left, and
 * which other bottle would take that. The one that leaves least, rest counted, stands first.
 */
export function fillings(volumeMl: number, headspacePct: number, kinds: readonly BottleKind[]): Filling[] {
  const holds = (k: BottleKind) => k.ml * (1 - headspacePct / 100);
  const rows = kinds
    .filter((k) => holds(k) > 0)
    .map((kind): Filling => {
      const count = Math.max(0, Math.floor(volumeMl / holds(kind) + 1e-9));
      const leftMl = Math.max(0, volumeMl - count * holds(kind));
      const rest = kinds
        .filter((k) => k.id !== kind.id && leftMl >= FULL_ENOUGH * holds(k) - 1e-9 && leftMl <= holds(k) + 1e-9)
        .map((k) => ({ kind: k, share: leftMl / holds(k) }))
        .sort((a, b) => b.share - a.share)[0];
      return { kind, count, leftMl, rest: rest ?? null };
    });
  const over = (f: Filling) => (f.rest ? 0 : f.leftMl);
  return rows.sort((a, b) => over(a) - over(b) || a.count - b.count);
}
