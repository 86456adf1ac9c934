import { HEATED, heatTreatment } from '../cook';
import type { StationLog } from '../file';
import type { Cooked } from '../parcel';

/** Whether a temperature log shows ten minutes at 82 °C or more; null when none was kept. */
export const heatHeld = (log: StationLog): boolean | null => (log.heat ? heatTreatment(log.heat).enough : null);

/** It was hot enough when it was filled, as far as anybody measured. */
export const filledHotBy = (log: StationLog): boolean => log.fillC === undefined || log.fillC >= HEATED.c;

/**
 * Heated through or not: a log that was kept decides; without one the maker's word, or what the clock surely did. `before`
 * is what it was when it came.
 */
export function cookedBy(log: StationLog, surely: boolean, before: Cooked): Cooked {
  const held = heatHeld(log);
  // It was on the fire, and not for long enough: what was read of it was read of what had been hot.
  if (held === false) return before === 'yes' ? before : 'planned';
  if (!(held ?? surely)) return before;
  return log.doneOn === undefined ? 'planned' : 'yes';
}
