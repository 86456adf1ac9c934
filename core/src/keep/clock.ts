import type { Day } from '../plan/date';

/** Stuff that was left too long before something was done that would have kept it. */
export interface Late {
  /** Days it stood, and days it might have stood as it was. */
  stood: number;
  might: number;
}

/**
 * The clock of keeping (handbook chapter 6, section 1): since when stuff can spoil in its present state, and how long it was
 * warm. Whole pods, roots and packets have no clock of this kind.
 */
export interface Clock {
  since: Day | null;
  /** Hours between 5 and 57 °C since anything last made it sourer; a pH read later speaks for these. */
  warmH: number;
  /** Hours of before that: what is sour now was not then. */
  warmBeforeH: number;
  /** It was past its days once, and nothing mends that. */
  late: Late | null;
}

export const NO_CLOCK: Clock = { since: null, warmH: 0, warmBeforeH: 0, late: null };

const earlier = (a: Day | null, b: Day | null): Day | null => (a === null || b === null ? (a ?? b) : a < b ? a : b);

/** The clock of a mix: the earlier day, the longer time warm. */
export function joinClocks(a: Clock, b: Clock): Clock {
  return {
    since: earlier(a.since, b.since),
    warmH: Math.max(a.warmH, b.warmH),
    warmBeforeH: Math.max(a.warmBeforeH, b.warmBeforeH),
    late: a.late ?? b.late,
  };
}

/** What stood warm is not sour for what was added since. */
export const souredSince = (c: Clock): Clock => ({ ...c, warmH: 0, warmBeforeH: c.warmBeforeH + c.warmH });

/** What was measured at 4.6 or less was so while it stood warm. */
export const measuredSour = (c: Clock): Clock => ({ ...c, warmH: 0 });
