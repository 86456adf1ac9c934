import {
  gramsOf,
  mapStations,
  stationsOf,
  type BatchFile,
  type Intake,
  type Reading,
  type StationEntry,
  type StationLog,
  type Strand,
} from '../file';
import { stationKind } from '../stations';

/** The vessels that what stands at a station was packed into before; null where nothing says so. */
export function packedFor(strand: Strand, entry: StationEntry): { ml: number; count: number } | null {
  const before = strand.stations.slice(0, strand.stations.indexOf(entry)).reverse();
  return before.map((e) => stationKind(e.kind).vessels?.(e.params)).find((v) => v) ?? null;
}

/** The jars of a station: how many were packed, and which of them were not thrown away, counted from 1. */
export interface JarCount {
  count: number;
  left: readonly number[];
}
export function jarsOf(strand: Strand, entry: StationEntry): JarCount {
  const count = stationKind(entry.kind).lives ? (packedFor(strand, entry)?.count ?? 1) : 1;
  const gone = new Set((entry.log.jarsThrown ?? []).map((j) => j.jar));
  const left = Array.from({ length: count }, (_, i) => i + 1).filter((jar) => !gone.has(jar));
  return { count, left };
}
/** The same by a station's id. */
export function jarsAt(file: BatchFile, stationId: string): JarCount {
  const found = stationsOf(file).find((s) => s.entry.id === stationId);
  return found ? jarsOf(found.strand, found.entry) : { count: 1, left: [1] };
}

/** Readings of a station, but for those of jars that were thrown away: they say nothing of what is left. */
export function readingsAt(file: BatchFile, entry: StationEntry): Reading[] {
  const gone = new Set((entry.log.jarsThrown ?? []).map((j) => j.jar));
  return file.readings.filter((r) => r.stationId === entry.id && !(r.jar !== undefined && gone.has(r.jar)));
}

/** A jar of several, the day on which it was thrown away, and why. */
export type JarThrown = NonNullable<StationLog['jarsThrown']>[number];

/**
 * A batch with one of several jars thrown away. What was still to go in after it was planned for all that stood: it goes
 * down with it. The last jar is not thrown away like this, but with its station.
 */
export function withJarThrown(file: BatchFile, stationId: string, jar: JarThrown): BatchFile {
  const { strand, entry } = stationsOf(file).find((s) => s.entry.id === stationId)!;
  const before = jarsOf(strand, entry).left.length;
  const share = (before - 1) / before;
  const later = new Set(strand.stations.slice(strand.stations.indexOf(entry) + 1).map((s) => s.id));
  return mapStations(file, (s) => {
    if (s.id === stationId) return { ...s, log: { ...s.log, jarsThrown: [...(s.log.jarsThrown ?? []), jar] } };
    if (!later.has(s.id) || s.log.doneOn !== undefined) return s;
    const less = (x: Intake): Intake => {
      const g = gramsOf(x.amount);
      return g === null ? x : { ...x, amount: { g: Math.round(g * share * 10) / 10 } };
    };
    return { ...s, intakes: s.intakes.map(less) };
  });
}
