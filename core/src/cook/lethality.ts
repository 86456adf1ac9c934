/** What heat has done, from a log of temperatures (handbook chapter 4, section 6). */

/** A temperature at a time: minutes from the first, °C. */
export interface HeatPoint {
  min: number;
  c: number;
}

/** Reference of the published values for acid brines: at 71.1 °C, ten times faster for each 10.8 K (Breidt 2005, from memory). */
export const VEGETATIVE = { refC: 71.1, z: 10.8, neededMin: 1.2 } as const;
/** What Roskel asks for, far longer than the published values: everywhere at 82 °C for ten minutes (chapter 4, section 6, judgement). */
export const HEATED = { c: 82, min: 10 } as const;

/**
 * Lethality in minutes at `refC`: the integral of 10^((T - refC)/z) over a log that runs straight between its points, exact
 * for each piece. Points in order of time; fewer than two are no time at all.
 */
export function lethalityMin(points: readonly HeatPoint[], refC: number = VEGETATIVE.refC, z: number = VEGETATIVE.z): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) {
    const [p, q] = [points[i - 1]!, points[i]!];
    const minutes = q.min - p.min;
    if (!(minutes > 0)) continue;
    const rate = (c: number) => 10 ** ((c - refC) / z);
    const rise = q.c - p.c;
    // A piece that is level is its rate times its time; the quotient has no digits there.
    sum += Math.abs(rise) < 1e-9 ? rate(p.c) * minutes : ((rate(q.c) - rate(p.c)) * minutes * z) / (rise * Math.LN10);
  }
  return sum;
}

/** Nobody knows what happened between two readings farther apart than this, min (our judgement). */
export const MOST_GAP_MIN = 15;

/** The same with only the cooler end of each piece counted, and nothing of a gap: what may be taken credit for. */
export function creditMin(points: readonly HeatPoint[], refC: number = VEGETATIVE.refC, z: number = VEGETATIVE.z): number {
  let sum = 0;
  for (let i = 1; i < points.length; i++) {
    const [p, q] = [points[i - 1]!, points[i]!];
    if (q.min > p.min && q.min - p.min <= MOST_GAP_MIN) sum += 10 ** ((Math.min(p.c, q.c) - refC) / z) * (q.min - p.min);
  }
  return sum;
}

/** The longest stretch without a break at `atLeast` °C or more, min; straight between points, and a gap is a break. */
export function heldMin(points: readonly HeatPoint[], atLeast: number = HEATED.c): number {
  let best = 0;
  let run = 0;
  for (let i = 1; i < points.length; i++) {
    const [p, q] = [points[i - 1]!, points[i]!];
    const minutes = q.min - p.min;
    if (!(minutes > 0)) continue;
    if (minutes > MOST_GAP_MIN) {
      run = 0;
      continue;
    }
    const [hotP, hotQ] = [p.c >= atLeast, q.c >= atLeast];
    const share = hotP === hotQ ? (hotP ? 1 : 0) : Math.abs(((hotP ? p.c : q.c) - atLeast) / (q.c - p.c));
    if (hotP && hotQ) run += minutes;
    else if (hotP) {
      best = Math.max(best, run + share * minutes);
      run = 0;
    } else if (hotQ) run = share * minutes;
    else run = 0;
    best = Math.max(best, run);
  }
  return best;
}

/** What a log of the coldest spot amounts to. */
export interface HeatTreatment {
  peakC: number;
  /** Longest stretch at 82 °C or more, min. */
  heldMin: number;
  /** Lethality at 71.1 °C, z 10.8: exact, and what may be counted. */
  exactMin: number;
  creditMin: number;
  /** Ten minutes at 82 °C are reached. */
  enough: boolean;
  /** °C and minutes that are lacking; null when nothing is. */
  lacks: { c: number } | { min: number } | null;
  /** Longest time between two readings, min. */
  gapMin: number;
}

/** Judges a log of the coldest spot. Throws RangeError for fewer than two points, or ones that are not numbers. */
export function heatTreatment(points: readonly HeatPoint[]): HeatTreatment {
  const sorted = [...points].sort((a, b) => a.min - b.min);
  if (sorted.length < 2) throw new RangeError('Two temperatures at least, with their times.');
  if (sorted.some((p) => !Number.isFinite(p.min) || !Number.isFinite(p.c)))
    throw new RangeError('One of the temperatures is not a number.');
  const peakC = Math.max(...sorted.map((p) => p.c));
  const held = heldMin(sorted);
  return {
    peakC,
    gapMin: Math.max(...sorted.slice(1).map((p, i) => p.min - sorted[i]!.min)),
    heldMin: held,
    exactMin: lethalityMin(sorted),
    creditMin: creditMin(sorted),
    enough: held >= HEATED.min - 1e-9,
    lacks: held >= HEATED.min - 1e-9 ? null : peakC < HEATED.c ? { c: HEATED.c - peakC } : { min: HEATED.min - held },
  };
}

/** A log in at most `most` points, each the coldest of its stretch: never longer or hotter than what was read. */
export function thinLog(points: readonly HeatPoint[], most: number): HeatPoint[] {
  const sorted = [...points].sort((a, b) => a.min - b.min);
  if (sorted.length <= most) return sorted;
  const each = Math.ceil(sorted.length / most);
  const out: HeatPoint[] = [];
  for (let i = 0; i < sorted.length; i += each) out.push(sorted.slice(i, i + each).reduce((cold, p) => (p.c < cold.c ? p : cold)));
  return out;
}
