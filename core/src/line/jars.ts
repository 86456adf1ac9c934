import { gramsOf, stationsOf, type BatchFile, type Intake, type Reading, type StationEntry, type StationLog, type Strand } from '../file';
import { stationKind } from '../stations';

/** The vessels that what stands at a station was packed into before; null where nothing says so. */
export function packedFor(strand: Strand, entry: StationEntry): { ml: number; count: number } | null {
  const before = strand.stations.slice(0, strand.stations.indexOf(entry)).reverse();
  return before.map((e) => stationKind(e.kind).vessels?.(e.params)).find((v) => v) ?? null;
}

const thrownJars = (entry: StationEntry): ReadonlySet<number> => new Set((entry.log.jarsThrown ?? []).map((j) => j.jar));

/** The jars of a station: how many were packed, and which of them were not thrown away, counted from 1. */
export interface JarCount {
  count: number;
  left: readonly number[];
}
export function jarsOf(strand: Strand, entry: StationEntry): JarCount {
  const count = stationKind(entry.kind).lives ? (packedFor(strand, entry)?.count ?? 1) : 1;
  const gone = thrownJars(entry);
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
  const gone = thrownJars(entry);
  return file.readings.filter((r) => r.stationId === entry.id && !(r.jar !== undefined && gone.has(r.jar)));
}

/** A jar of several, the day on which it was thrown away, and why. */
export type JarThrown = NonNullable<StationLog['jarsThrown']>[number];

/** The strands that are made of a strand alone, from their first station on: bowls that part from it, and theirs. */
function madeOf(file: BatchFile, strandId: string): ReadonlySet<string> {
  const all = new Set([strandId]);
  const from = (x: Intake): string | null => (x.origin.from === 'strand' ? x.origin.strandId : null);
  for (let grew = true; grew;) {
    grew = false;
    for (const { id, stations } of file.strands) {
      if (all.has(id) || !stations[0]!.intakes.some((x) => all.has(from(x) ?? ''))) continue;
      all.add(id);
      grew = true;
    }
  }
  return all;
}

/**
 * A batch with one of several jars thrown away. What was still to go in after it was planned for all that stood: it goes
 * down with it, in its own strand, in the bowls that part from it, and wherever some of it is taken. The last jar is not
 * thrown away like this, but with its station.
 */
export function withJarThrown(file: BatchFile, stationId: string, jar: JarThrown): BatchFile {
  const { strand, entry } = stationsOf(file).find((s) => s.entry.id === stationId)!;
  const before = jarsOf(strand, entry).left.length;
  const share = (before - 1) / before;
  const own = madeOf(file, strand.id);
  const here = strand.stations.indexOf(entry);
  const earlier = new Set(strand.stations.slice(0, here).map((s) => s.id));
  const later = new Set(strand.stations.slice(here).map((s) => s.id));
  const ofIt = ({ origin }: Intake) =>
    (origin.from === 'strand' && own.has(origin.strandId)) || (origin.from === 'side' && later.has(origin.stationId));
  const less = (x: Intake): Intake => {
    const g = gramsOf(x.amount);
    return g === null ? x : { ...x, amount: { g: Math.floor(g * share * 10) / 10 } };
  };
  const strands = file.strands.map((s) => ({
    ...s,
    stations: s.stations.map((at) => {
      if (at.id === stationId) {
        const intakes = at.intakes.map((x) => (x.late ? less(x) : x));
        return { ...at, intakes, log: { ...at.log, jarsThrown: [...(at.log.jarsThrown ?? []), jar] } };
      }
      if (earlier.has(at.id) || at.log.doneOn !== undefined) return at;
      return { ...at, intakes: at.intakes.map((x) => (own.has(s.id) || ofIt(x) ? less(x) : x)) };
    }),
  }));
  return { ...file, strands };
}
