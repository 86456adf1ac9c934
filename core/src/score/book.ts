import { SCORED, SCORED_KINDS, type Prediction, type Scored } from './scored';

/** A prediction with what it is of, to be told apart by. */
export interface ScoreRow extends Prediction {
  batchId: string;
  batch: string;
  /** Kind of sauce, and of station. */
  style: string;
  station: string;
  /** Name of the thing it was done with; null where none was named. */
  tool: string | null;
  /** Names of the lots that are in it. */
  lots: readonly string[];
}

/** What a measured value is off from the middle of what was foretold: a share, or in its unit. */
export const offOf = (r: Prediction, value = r.measured): number =>
  SCORED[r.of].relative ? (r.p50 > 0 ? value / r.p50 - 1 : 0) : value - r.p50;
/** It lay in the band of eight in ten. */
export const isInside = (r: Prediction): boolean => r.measured >= r.p10 && r.measured <= r.p90;

/** How many lay in their band of eight in ten. */
export interface Coverage {
  n: number;
  inside: number;
  /** Below and above their bands. */
  below: number;
  above: number;
  /** What the share inside may be in the long run, 5 to 95 % (Wilson's interval). */
  low: number;
  high: number;
  /** Mean of what they are off by, and its standard error; null with fewer than two. */
  off: { mean: number; se: number } | null;
}
const Z_95 = 1.6449;
/** Wilson, E. B., "Probable inference, the law of succession, and statistical inference", JASA 22 (1927), 209 (from memory). */
function wilson(k: number, n: number): { low: number; high: number } {
  if (n === 0) return { low: 0, high: 1 };
  const [p, z2] = [k / n, Z_95 ** 2];
  const middle = (p + z2 / (2 * n)) / (1 + z2 / n);
  const half = (Z_95 / (1 + z2 / n)) * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
/** Rows of one kind: what they are off by has one unit. */
export function coverageOf(rows: readonly Prediction[]): Coverage {
  const n = rows.length;
  const inside = rows.filter(isInside).length;
  const offs = rows.map((r) => offOf(r));
  const mean = offs.reduce((s, x) => s + x, 0) / n;
  const se = Math.sqrt(offs.reduce((s, x) => s + (x - mean) ** 2, 0) / (n - 1) / n);
  return {
    ...{ n, inside, ...wilson(inside, n) },
    below: rows.filter((r) => r.measured < r.p10).length,
    above: rows.filter((r) => r.measured > r.p90).length,
    off: n < 2 ? null : { mean, se },
  };
}

/** What rows may be put together by. */
export const SCORE_GROUPS = {
  style: { name: 'kind of sauce', of: (r: ScoreRow) => [r.style] },
  station: { name: 'station', of: (r: ScoreRow) => [r.station] },
  tool: { name: 'thing of the kitchen', of: (r: ScoreRow) => (r.tool === null ? [] : [r.tool]) },
  lot: { name: 'lot', of: (r: ScoreRow) => r.lots },
} as const;
export type ScoreGroup = keyof typeof SCORE_GROUPS;

/** The rows of one kind by a group, largest first. */
export function scoresBy(rows: readonly ScoreRow[], group: ScoreGroup): { name: string; coverage: Coverage }[] {
  const by = new Map<string, ScoreRow[]>();
  for (const r of rows) for (const name of SCORE_GROUPS[group].of(r)) by.set(name, [...(by.get(name) ?? []), r]);
  return [...by].map(([name, own]) => ({ name, coverage: coverageOf(own) })).sort((a, b) => b.coverage.n - a.coverage.n);
}

/** What may be at fault. */
export type BiasGroup = Exclude<ScoreGroup, 'style'>;
/** Something that is off again and again, and what would make it better. */
export interface Bias {
  of: Scored;
  group: BiasGroup;
  name: string;
  n: number;
  /** A share, or in its unit. */
  off: number;
}
/** So many at least, and so many standard errors: fewer is luck (our judgement). */
const LEAST_ROWS = 3;
const LEAST_SES = 2.5;
/**
 * What is off again and again, the surest first: by the thing it was done with, else by the station. What is done
 * with a named thing is told of that alone.
 */
export function biasesOf(rows: readonly ScoreRow[]): Bias[] {
  const found = SCORED_KINDS.flatMap((of) => {
    const own = rows.filter((r) => r.of === of);
    const groups: BiasGroup[] = of === 'heat' ? ['lot'] : ['tool', 'station'];
    return groups.flatMap((group) =>
      scoresBy(group === 'station' ? own.filter((r) => r.tool === null) : own, group).flatMap(({ name, coverage: c }) => {
        if (!c.off || c.n < LEAST_ROWS || Math.abs(c.off.mean) < SCORED[of].minds) return [];
        // Alike to the last digit is no certainty: an instrument is never that good.
        const se = Math.max(c.off.se, SCORED[of].minds / 4);
        return Math.abs(c.off.mean) < LEAST_SES * se ? [] : [{ of, group, name, n: c.n, off: c.off.mean, sure: Math.abs(c.off.mean) / se }];
      }),
    );
  });
  return found.sort((a, b) => b.sure - a.sure).map(({ of, group, name, n, off }) => ({ of, group, name, n, off }));
}
