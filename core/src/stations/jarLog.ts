import type { JarLid, JarReading, JarRisk, JarSign, JarTemp } from '../ferment';
import type { Reading, StationLog } from '../file';
import { readingSd } from '../parcel';
import { daysBetween, daysSince, type Day } from '../plan/date';

/** What was read and seen of one of several jars: what names it, and what names none. */
export const readingsOfJar = (readings: readonly Reading[], jar: number): Reading[] =>
  readings.filter((r) => r.jar === undefined || r.jar === jar);

/** Whether readings tell jars apart. */
export const toldApart = (readings: readonly Reading[]): boolean => readings.some((r) => r.jar !== undefined);

/** Of jars that are told apart the one that is furthest behind, by its last pH: the line goes by it. Null where none is. */
export function slowestJar(readings: readonly Reading[], jars: readonly number[]): number | null {
  if (!toldApart(readings)) return null;
  const latest = (of: readonly Reading[]) =>
    of.filter((r) => r.pH !== undefined).reduce<Reading | null>((a, r) => (a && a.at > r.at ? a : r), null)?.pH;
  // What was read of it by name tells it apart; what was read of all of them does not.
  const last = (jar: number) => latest(readings.filter((r) => r.jar === jar)) ?? latest(readingsOfJar(readings, jar)) ?? -1;
  return jars.reduce<number | null>((a, jar) => (a === null || last(jar) > last(a) ? jar : a), null);
}

/** How warm the jar was: by its logger where there is one, else by the readings. */
export function jarTemps(readings: readonly Reading[], log: StationLog, from: Day): JarTemp[] {
  const read = readings
    .filter((r): r is Reading & { tempC: number } => r.tempC !== undefined)
    .map((r) => ({ day: Math.max(0, daysSince(from, r.at)), c: r.tempC }));
  if (!log.temps) return read;
  // Where the logger was running it knows better than a look in between.
  const last = Math.max(...log.temps.map((t) => t.day));
  return [...log.temps, ...read.filter((t) => t.day > last)];
}

/** Everything seen and smelt in a jar, by its own day. */
export const jarSigns = (readings: readonly Reading[], from: Day): JarSign[] =>
  readings.flatMap((r) =>
    // Brine measured to stand below what floats is brine that does not cover.
    [...(r.signs ?? []), ...((r.coverMm ?? 0) < 0 && !r.signs?.includes('low') ? (['low'] as const) : [])].map((sign) => ({
      day: Math.max(0, daysSince(from, r.at)),
      sign,
    })),
  );
/** Looks that found brine above everything, by their own day. */
const jarCovered = (readings: readonly Reading[], from: Day) =>
  readings.flatMap((r) => ((r.coverMm ?? 0) > 0 ? [{ day: Math.max(0, daysSince(from, r.at)) }] : []));
/** Bubbles counted, by their own day. */
export const jarBubbles = (readings: readonly Reading[], from: Day) =>
  readings.flatMap((r) => (r.bubbles === undefined ? [] : [{ day: Math.max(0, daysSince(from, r.at)), perMin: r.bubbles }]));

/** Every pH read in a jar, by its own day: the readings, and the one logged when it was drained. */
export function jarReadings(readings: readonly Reading[], log: StationLog, from: Day, to: Day): JarReading[] {
  const list = readings
    .filter((r): r is Reading & { pH: number } => r.pH !== undefined)
    .map((r) => ({ day: Math.max(0, daysSince(from, r.at)), pH: r.pH, instrument: r.instrument, sd: readingSd(r.instrument, r.by) }));
  if (log.pH !== undefined) {
    const instrument = log.instrument ?? 'strip';
    list.push({ day: daysBetween(from, log.doneOn ?? to) + 0.99, pH: log.pH, instrument, sd: readingSd(instrument, log.by) });
  }
  return list;
}

/** What the odds of a jar rest on besides; the latest word of its brine counts. */
export function jarRisk(readings: readonly Reading[], from: Day, lid: JarLid | undefined, lively: boolean): JarRisk {
  const looks = jarSigns(readings, from);
  const floats = looks.filter((l) => l.sign === 'floating' || l.sign === 'low');
  const [out, under] = [floats, jarCovered(readings, from)].map((list) => Math.max(-1, ...list.map((l) => l.day))) as [number, number];
  const cover = out < 0 && under < 0 ? 'unsaid' : out >= under ? 'floats' : 'under';
  return { cover, lid, lively, looks };
}
