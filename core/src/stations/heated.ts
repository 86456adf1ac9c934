import { HEATED, heatTreatment } from '../cook';
import type { StationLog } from '../file';
import { notFresh, type Past } from '../parcel';

/** Whether a temperature log shows ten minutes at 82 °C or more; null when none was kept. */
export const heatHeld = (log: StationLog): boolean | null => (log.heat ? heatTreatment(log.heat).enough : null);

/**
 * Whether it was hot enough when it was filled, as somebody said: by a thermometer, its log, or the tick that one was used;
 * null where nobody said anything (handbook chapter 6, section 4).
 */
export function filledHot(log: StationLog): boolean | null {
  const held = heatHeld(log);
  const said = log.fillC !== undefined ? log.fillC >= HEATED.c : log.hotByThermometer === true ? true : null;
  // What one of the two denies, the other does not make true.
  if (held === false || said === false) return false;
  return said ?? held;
}

/** Where a station stands in its batch: whether it is done, or still lies ahead with all that comes after it. */
export interface Stands {
  log: StationLog;
  ahead: boolean;
}

/**
 * The past of what was heated through, or will be by the plan, and whether its clock begins anew (handbook chapter 6,
 * sections 1 and 4): a log that was kept decides; without one what the clock `surely` did. A step that was left out on the
 * way heated nothing.
 */
export function heated(past: Past, { log, ahead }: Stands, surely: boolean): { past: Past; anew: boolean } {
  const done = log.doneOn !== undefined;
  if (!(heatHeld(log) ?? surely) || !(done || ahead)) return { past, anew: false };
  return { past: { ...notFresh(past), cooked: done ? 'yes' : 'planned' }, anew: true };
}
