import { daysBetween, type Day } from '../plan';
import { BLOCK_H } from './constants';

/** A temperature of a jar: days since it was packed, °C. */
export interface JarTemp {
  day: number;
  c: number;
}

/** A log is kept as the mean of every so many hours: what the model works with. */
const PER_DAY = 24 / BLOCK_H;
const DAY_MIN = 24 * 60;
/** A gap in a log or between readings that is bridged by a straight line; over a longer one the plan stands, days (our judgement). */
const MOST_GAP_D = 4;

/** A log's points as means of blocks of 6 h, each at the middle of its block; a year's log is a few hundred figures. */
export function thinTemps(points: readonly JarTemp[]): JarTemp[] {
  const blocks = new Map<number, { sum: number; n: number }>();
  for (const { day, c } of points) {
    if (!Number.isFinite(day) || !Number.isFinite(c) || day < 0) continue;
    const b = Math.floor(day * PER_DAY);
    const had = blocks.get(b) ?? { sum: 0, n: 0 };
    blocks.set(b, { sum: had.sum + c, n: had.n + 1 });
  }
  return [...blocks]
    .sort(([a], [b]) => a - b)
    .map(([b, { sum, n }]) => ({ day: Math.round(((b + 0.5) / PER_DAY) * 1000) / 1000, c: Math.round((sum / n) * 10) / 10 }));
}

/**
 * A thermometer's log as days since a jar was packed: by its dates where it has them, else counted from then on. What was
 * logged before that day is left out.
 */
export function jarDays(points: readonly { min: number; c: number }[], startMin: number | null, from: Day): JarTemp[] {
  const offset = startMin === null ? 0 : startMin / DAY_MIN - daysBetween('1970-01-01', from);
  return points.map((p) => ({ day: offset + p.min / DAY_MIN, c: p.c })).filter((t) => t.day >= 0);
}

/**
 * Mean temperature of every block of 6 h: what was read where it was read, by straight lines between; what is expected
 * where nothing is known. Before the first reading it counts as that one, up to the longest gap that is bridged.
 */
export function blockTemps(known: readonly JarTemp[], expectedC: number, blocks: number): Float64Array {
  const out = new Float64Array(blocks).fill(expectedC);
  const list = known.filter((t) => Number.isFinite(t.day) && Number.isFinite(t.c)).sort((a, b) => a.day - b.day);
  let at = 0;
  for (let b = 0; b < blocks; b++) {
    const day = (b + 0.5) / PER_DAY;
    while (at < list.length && list[at]!.day < day) at++;
    const [before, after] = [list[at - 1], list[at]];
    if (before && after && after.day - before.day <= MOST_GAP_D)
      out[b] = before.c + ((after.c - before.c) * (day - before.day)) / (after.day - before.day);
    else if (!before && after && after.day - day <= MOST_GAP_D) out[b] = after.c;
    // A reading speaks for its own block, also where nothing stands near it.
    else if (before && day - before.day <= 1 / PER_DAY) out[b] = before.c;
    else if (after && after.day - day <= 1 / PER_DAY) out[b] = after.c;
  }
  return out;
}
