import type { Forecast } from '../ferment';
import type { BatchFile } from '../file';
import { addDays, daysBetween, type Day } from '../plan';
import { withParams } from './compose';
import { graphOf } from './graph';
import { lastDay, schedule } from './schedule';

/** A start, how long the jar then has, and how many of 1 are ready in it. */
export interface BackPlan {
  start: Day;
  days: number;
  odds: number;
}
/** What a day that is wished asks for. */
export interface Back {
  /** The latest start with which most are ready in time; null where not even beginning today does. */
  latest: BackPlan | null;
  /** The latest such start on which nothing clashes; where there is none, the one of those with the best odds. */
  free: BackPlan | null;
  /** Begun today. */
  now: BackPlan;
}

/** So many of ten jars ready in time are enough to plan by (our judgement). */
export const SURE = 0.8;

/** Share of jars that are ready after so many days, 0 to 1. */
export function readyAfter(forecast: Pick<Forecast, 'days' | 'readyBy'>, days: number): number {
  let share = 0;
  forecast.days.forEach((d, i) => {
    if (d <= days) share = forecast.readyBy[i]!;
  });
  return share;
}

/** The first day (since it was packed) after which `share` of the jars are ready; null where that is beyond what was looked at. */
export function daysFor(forecast: Pick<Forecast, 'days' | 'readyBy'>, share: number): number | null {
  const at = forecast.readyBy.findIndex((r) => Math.round(100 * r) >= Math.round(100 * share));
  return at < 0 ? null : Math.ceil(forecast.days[at]!);
}

/**
 * A batch planned back from the day its last station is to be over: what comes before and after the jar takes the days it
 * takes, the jar gets the rest. Throws RangeError for a jar that stands already, or a day that is past.
 `clashes`
 * tells whether the kitchen is taken on a plan's days.
 */
export function planBack(
  file: BatchFile,
  stationId: string,
  forecast: Pick<Forecast, 'days' | 'readyBy'>,
  wanted: Day,
  today: Day,
  clashes: (plan: BackPlan) => boolean = () => false,
): Back {
  if (wanted < today) throw new RangeError('That day is past. Choose one that is still to come');
  const dates = schedule(file);
  if ([...dates.values()].some((d) => d.done)) throw new RangeError('It has begun: its jar tells when it is ready');
  const { from, to } = dates.get(stationId)!;
  const [before, after] = [daysBetween(file.startDate, from), daysBetween(to, lastDay(file))];
  const plan = (start: Day): BackPlan => {
    const days = daysBetween(start, wanted) - before - after;
    return { start, days, odds: days > 0 ? readyAfter(forecast, days) : 0 };
  };
  let latest: BackPlan | null = null;
  let sure: BackPlan | null = null;
  let best: BackPlan | null = null;
  for (let start = wanted; start >= today && !sure; start = addDays(start, -1)) {
    const p = plan(start);
    // As it is told, in whole hundredths.
    const enough = Math.round(100 * p.odds) >= 100 * SURE;
    if (enough) latest ??= p;
    if (p.days <= 0 || clashes(p)) continue;
    best = p;
    if (enough) sure = p;
  }
  return { latest, free: sure ?? best, now: plan(today) };
}

/** The batch begun and its jar left as a plan has it, in a place of so many °C. */
export function withBackPlan(file: BatchFile, stationId: string, plan: BackPlan, tempC: number): BatchFile {
  const { entry } = graphOf(file).nodes.get(stationId)!;
  const params = { ...(entry.params as object), days: Math.max(1, plan.days), tempC };
  return withParams({ ...file, startDate: plan.start }, stationId, params);
}
