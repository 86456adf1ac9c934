import type { Goal, Intake, StationEntry, Strand } from '../file';
import { stationKind, type KindName, type ParamsOf } from '../stations';

/** Grams of pods, as weighed, that every amount of a style is written for; the line follows the pods that are chosen. */
export const PODS_OF_STYLE = 640;

/** Something from the larder, g for the pods of a style. */
export const larder = (key: string, g: number, words?: string): Intake => ({
  id: key,
  origin: { from: 'larder', key },
  amount: { g, ...(words === undefined ? {} : { words }) },
});
/** All of another strand, or so many percent of it. */
export const flowsIn = (strandId: string, pct?: number): Intake => ({
  id: strandId,
  origin: { from: 'strand', strandId },
  amount: pct === undefined ? 'rest' : { pct },
});

/** A station with its defaults, some of them changed. `id` tells two of a kind apart. */
export function at<K extends KindName>(
  kind: K,
  params: Partial<ParamsOf<K>> = {},
  intakes: Intake[] = [],
  id: string = kind,
): StationEntry {
  return { id, kind, intakes, params: { ...(stationKind(kind).defaults() as object), ...params }, log: {} };
}

/** The strand that everything else serves. */
export const sauce = (goal: Goal | null, stations: StationEntry[]): Strand => ({ id: 'main', name: 'Sauce', stations, goal });
