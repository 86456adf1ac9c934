/** One row of a trim: what a step of each thing does to it, and between what the sum must lie. */
export interface SearchRow {
  by: readonly number[];
  low: number;
  high: number;
}
export interface Search {
  rows: readonly SearchRow[];
  /** Most steps of each thing; cost of a step, and of taking it at all. */
  most: readonly number[];
  stepCost: readonly number[];
  kindCost: readonly number[];
  /** Things that may be in together. */
  mostThings: number;
  /** Sets of things that may not be in together. */
  cuts: readonly ReadonlySet<number>[];
}

/** Rounding room of a row, in its own units. */
const EPS = 1e-9;
const NOTHING = 1e-12;

/**
 * The cheapest whole numbers of steps of at most a few things that keep every row: exact, by trying every set of things,
 * every count of all but the last, and reading the last off the rows. With three things and spoons that fit the
 * job that is some hundred thousand sums (bench: trim, beside a whole-number program of the same rows). Null when there is none.
 */
export function searchSteps(s: Search): { steps: number[]; objective: number } | null {
  const { rows, most, stepCost, kindCost } = s;
  let best: { steps: number[]; objective: number } | null = null;
  // Things with few steps are tried one by one; the last of a set, with most, is read off.
  const things = most.map((_, i) => i).filter((i) => most[i]! > 0);
  things.sort((a, b) => most[a]! - most[b]! || a - b);

  const set: number[] = [];
  const counts: number[] = [];
  const barred = () => s.cuts.some((cut) => cut.size <= set.length && [...cut].every((i) => set.includes(i)));
  const offer = (objective: number) => {
    if (best && objective >= best.objective - EPS) return;
    const steps = most.map(() => 0);
    set.forEach((i, at) => (steps[i] = counts[at]!));
    best = { steps, objective };
  };

  /** The fewest steps of a thing that keep every row on top of these sums; 0 when none do. */
  const fewest = (i: number, sums: Float64Array): number => {
    let low = 1;
    let high = most[i]!;
    for (let r = 0; r < rows.length && low <= high; r++) {
      const row = rows[r]!;
      const c = row.by[i]!;
      const [under, over] = [row.low - sums[r]! - EPS, row.high - sums[r]! + EPS];
      if (Math.abs(c) < NOTHING) {
        if (under > 0 || over < 0) return 0;
      } else if (c > 0) {
        if (under > c) low = Math.max(low, Math.ceil(under / c));
        if (over < c * high) high = Math.floor(over / c);
      } else {
        if (over < c) low = Math.max(low, Math.ceil(over / c));
        if (under > c * high) high = Math.floor(under / c);
      }
    }
    return low <= high ? low : 0;
  };

  // What one step to all steps of a thing do to a row, least and most.
  const least = rows.map((r) => most.map((m, i) => Math.min(r.by[i]!, r.by[i]! * m)));
  const greatest = rows.map((r) => most.map((m, i) => Math.max(r.by[i]!, r.by[i]! * m)));
  /** The things of the set from `at` on can still bring every row in, as far as each row alone can tell. */
  const canKeep = (at: number, sums: Float64Array): boolean => {
    for (let r = 0; r < rows.length; r++) {
      let [low, high] = [sums[r]!, sums[r]!];
      for (let k = at; k < set.length; k++) {
        low += least[r]![set[k]!]!;
        high += greatest[r]![set[k]!]!;
      }
      if (low > rows[r]!.high + EPS || high < rows[r]!.low - EPS) return false;
    }
    return true;
  };

  /** Tries every count of the things of the set from `at` on. */
  const tryFrom = (at: number, sums: Float64Array, cost: number): void => {
    const i = set[at]!;
    if (at === set.length - 1) {
      const n = fewest(i, sums);
      if (n === 0) return;
      counts[at] = n;
      offer(cost + n * stepCost[i]!);
      return;
    }
    const next = new Float64Array(rows.length);
    for (let n = 1; n <= most[i]!; n++) {
      const so = cost + n * stepCost[i]!;
      if (best && so >= best.objective) return;
      for (let r = 0; r < rows.length; r++) next[r] = sums[r]! + n * rows[r]!.by[i]!;
      counts[at] = n;
      if (canKeep(at + 1, next)) tryFrom(at + 1, next, so);
    }
  };

  const kept = rows.every((r) => r.low <= EPS && r.high >= -EPS);
  if (kept) return { steps: most.map(() => 0), objective: 0 };
  const zero = new Float64Array(rows.length);
  // Small sets first: what they find leaves little for the larger ones.
  const sets = (size: number, from: number, cost: number): void => {
    if (set.length === size) {
      if (canKeep(0, zero) && !barred()) tryFrom(0, zero, cost);
      return;
    }
    for (let t = from; t < things.length; t++) {
      const i = things[t]!;
      const so = cost + kindCost[i]!;
      if (best && so >= best.objective) continue;
      set.push(i);
      sets(size, t + 1, so);
      set.pop();
    }
  };
  for (let size = 1; size <= s.mostThings; size++) sets(size, 0, 0);
  return best;
}
