import type { JarReading } from './judge';

/**
 * A rise that no lactic ferment makes: above the lowest reading before it by more than this, and above the second lowest by
 * more than that, whichever is more of a figure and so many sds of the two readings together (handbook chapter 6, section 3).
 */
const LOWEST = { by: 0.3, sds: 2.5 } as const;
const SECOND = { by: 0.15, sds: 1.5 } as const;
/** A reading that comes as near to the lowest one clears what was risen before it. */
const CLEARED = 0.15;

const above = (r: JarReading, low: JarReading, { by, sds }: { by: number; sds: number }): boolean =>
  r.pH - low.pH > Math.max(by, sds * Math.hypot(r.sd, low.sd));

/** A reading that rose, over the lowest before it; `sure` where a second low reading bears it out. */
export interface Risen {
  reading: JarReading;
  by: number;
  sure: boolean;
}

/**
 * Readings that stand above what was read before them, in the order of time, and of these the ones that nothing since has
 * cleared. What rose is no ground for what comes after it; a single low reading may be a wrong one.
 */
export function risesIn(list: readonly JarReading[]): { all: Risen[]; open: Risen[] } {
  const ground: JarReading[] = [];
  const all: Risen[] = [];
  let open: Risen[] = [];
  for (const reading of list) {
    const [lowest, second] = [...ground].sort((a, b) => a.pH - b.pH);
    if (lowest && above(reading, lowest, LOWEST) && (!second || above(reading, second, SECOND))) {
      const risen = { reading, by: reading.pH - lowest.pH, sure: second !== undefined };
      all.push(risen);
      open.push(risen);
      continue;
    }
    if (lowest && reading.pH - lowest.pH <= CLEARED) open = [];
    ground.push(reading);
  }
  return { all, open };
}
