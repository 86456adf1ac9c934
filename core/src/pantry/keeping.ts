import { daysBetween, type Day } from '../plan/date';
import type { JarVerdict } from '../matter/jar';
import type { PodForm, PodLot } from './lot';

/**
 * Days that a form of pods is good for, cold for what is wet and dark and dry for what is not (common practice, no
 * source). Quality, not safety: mould, slime or a bad smell end it sooner.
 */
export const KEEPS_DAYS: Record<PodForm, number> = {
  fresh: 14,
  frozen: 365,
  dried: 365,
  flakes: 365,
  powder: 270,
  paste: 5,
  ferment: 7,
  pulp: 365,
};

/** A lot as sure as its jar; `null` where nothing is known of one. */
export function withJar({ jar: _, ...lot }: PodLot, jar: JarVerdict | null): PodLot {
  return jar === null ? lot : { ...lot, jar };
}

/** Out of a jar that was to be thrown away: no part of any sauce, whatever became of it since. */
export const isSpoilt = (lot: PodLot): boolean => lot.jar === 'condemned';

/** What age asks of a lot, in a few words: null while it is good. `gotOn` null: nothing is known. */
export function ageHint(form: PodForm, gotOn: Day | null, today: Day): string | null {
  if (gotOn === null) return null;
  const days = daysBetween(gotOn, today);
  const keeps = KEEPS_DAYS[form];
  if (days <= keeps) return null;
  if (keeps >= 270) return 'losing heat and colour';
  return days <= 2 * keeps ? 'look it over' : 'old: look, smell';
}
