import type { BatchFile } from '../file';
import { bandedOf, BANDED, phOf, type Banded } from '../parcel';
import { acidWorld } from '../pantry';
import { drawEnsemble, type Draw } from '../stat/draw';
import { stationKind, StationProblem } from '../stations';
import { LineProblem, oldOf, runStation, type StationRun } from './run';
import { schedule } from './schedule';

/** One station in many worlds: its runs (null where the line cannot run up to here), and what carries a band. */
export interface StationWorlds {
  runs: (StationRun | null)[];
  values: (Record<Banded, number | null> | null)[];
}

/** How many stations' worlds are kept: some versions of a few batches. */
const MOST_KEPT = 48;

/** Stations already run, by everything that goes into them. An edit runs only what comes after it. */
export class LineMemo {
  private readonly known = new Map<string, StationWorlds>();
  get(key: string): StationWorlds | undefined {
    const found = this.known.get(key);
    if (found) {
      // Used again: the last to go.
      this.known.delete(key);
      this.known.set(key, found);
    }
    return found;
  }
  put(key: string, worlds: StationWorlds): void {
    this.known.set(key, worlds);
    if (this.known.size > MOST_KEPT) this.known.delete(this.known.keys().next().value!);
  }
}

/**
 * Everything that decides a station's worlds, as text: its entry, its dates and readings, the lots and rows it names, the
 * bottles where it fills some, and all of that of the stations before it.
 */
function keysOf(file: BatchFile, seed: number, members: number): string[] {
  const dates = schedule(file);
  let before = `${seed} ${members}`;
  return file.stations.map((entry, at) => {
    const kind = stationKind(entry.kind);
    const names = kind.names?.(entry.params) ?? { lots: [], ingredients: [] };
    const lots = file.lots.filter((l) => names.lots.includes(l.id));
    const keys = new Set([...names.ingredients, ...lots.map((l) => l.like)]);
    const { from, to } = dates[at]!;
    const own = {
      entry,
      from,
      to,
      readings: file.readings.filter((r) => r.stationId === entry.id),
      lots,
      rows: file.ingredients.filter((i) => keys.has(i.key)),
      goal: kind.bottled ? file.goal : null,
    };
    return (before = `${before}\n${JSON.stringify(own)}`);
  });
}

function runOrNull(run: () => StationRun): StationRun | null {
  try {
    return run();
  } catch (error) {
    if (error instanceof LineProblem || error instanceof StationProblem || error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * Runs a batch in many worlds, station by station; yields after each, so that whoever drives it may stop. `typical` is its
 * typical run: each pH is sought from there.
 */
export function* runWorlds(
  file: BatchFile,
  typical: readonly StationRun[],
  members: number,
  seed: number,
  memo: LineMemo | null,
): Generator<void, StationWorlds[]> {
  const draws: Draw[] = drawEnsemble(seed, members);
  const acids = draws.map(acidWorld);
  const keys = memo ? keysOf(file, seed, members) : [];
  const old = oldOf(file, typical);
  const worlds: StationWorlds[] = [];
  for (let at = 0; at < file.stations.length; at++) {
    const known = memo?.get(keys[at]!);
    if (known) {
      worlds.push(known);
      continue;
    }
    const near = phOf(typical[at]!.out.stream) ?? undefined;
    const before = worlds[at - 1]?.runs;
    const runs = draws.map((draw, w) => {
      const from = before ? before[w]! : null;
      return before && !from ? null : runOrNull(() => runStation(file, at, from, draw, true, old));
    });
    const made = { runs, values: runs.map((r, w) => (r ? bandedOf(r.out.stream, acids[w]!, near) : null)) };
    memo?.put(keys[at]!, made);
    worlds.push(made);
    yield;
  }
  return worlds;
}

/** Values of each band at a station, over the worlds in which the whole line runs. */
export function valuesOf(worlds: readonly StationWorlds[], at: number): Record<Banded, number[]> {
  const end = worlds.at(-1)?.runs ?? [];
  const found = Object.fromEntries(BANDED.map((b) => [b, [] as number[]])) as Record<Banded, number[]>;
  worlds[at]!.values.forEach((values, w) => {
    if (!values || !end[w]) return;
    for (const b of BANDED) {
      const v = values[b];
      if (v !== null) found[b].push(v);
    }
  });
  return found;
}
