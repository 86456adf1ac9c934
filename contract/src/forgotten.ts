import type { Timer } from './timers';

/** A timer that was last set, and ended, longer ago than this is forgotten, ms. */
const FORGET_MS = 24 * 3600_000;
export const isForgotten = (t: Pick<Timer, 'changedAt' | 'endsAt'>, now: number): boolean =>
  now - Math.max(t.changedAt, t.endsAt ?? 0) > FORGET_MS;
