import type { PhResult, PhStart } from '../acid';
import type { BatchFile } from '../file';
import { volumeMl } from '../matter/density';
import { massOf } from '../matter/stream';
import { bandedOf, BANDED, phOf, scaleParcel, type Banded, type Parcel } from '../parcel';
import { acidWorld } from '../pantry';
import { drawEnsemble, hash, type Draw } from '../stat/draw';
import { stationKind, StationProblem } from '../stations';
import { graphOf, outletOf, sideOutlet } from './graph';
import { readingsAt } from './jars';
import { namesOf } from './names';
import { LineProblem } from './problem';
import { givenOf, oldOf, runStation, type Given, type StationRun } from './run';
import { schedule } from './schedule';
import { toolAt } from './toolAt';

/** One station in many worlds: what it handed on (null where it cannot run), and what carries a band. */
export interface StationWorlds {
  runs: (Given | null)[];
  values: (Record<Banded, number | null> | null)[];
  /** What there is to be filled, ml; null where nothing is filled, or it cannot run. */
  ml: (number | null)[];
}
/** Every station of a batch in many worlds, by id. */
export type Worlds = ReadonlyMap<string, StationWorlds>;

/** How many stations' worlds are kept: some versions of a few batches. */
const MOST_KEPT = 64;

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

/** All of a sauce as it is filled: also what of it fills no bottle. */
export function filling({ bowl, out }: Pick<StationRun, 'bowl' | 'out'>): Parcel {
  const [filled, all] = [massOf(out.stream), massOf(bowl.stream)];
  return filled > 0 ? scaleParcel(out, all / filled) : { stream: bowl.stream, past: out.past };
}

/** A text in a few letters: two hashes and its length, so that no two differing ones meet in practice. */
const digest = (text: string): string => `${hash(text, 1).toString(36)}.${hash(text, 0x9e3779b9).toString(36)}.${text.length}`;

/**
 * Everything that decides a station's worlds, by id: its entry, its dates and readings, the lots, rows and stored things it
 * names, what is wished where it ends in bottles, how the outlets it takes of are handed out, and all of that of the
 * stations it waits for.
 */
function keysOf(file: BatchFile, set: DrawSet): Map<string, string> {
  const dates = schedule(file);
  const graph = graphOf(file);
  const keys = new Map<string, string>();
  for (const { id, entry, strand, before, feeders } of graph.order) {
    const kind = stationKind(entry.kind);
    const names = namesOf(entry);
    const lots = file.lots.filter((l) => names.lots.has(l.id));
    const rows = new Set([...names.ingredients, ...lots.map((l) => l.like)]);
    const { from, to } = dates.get(id)!;
    const own = {
      worlds: set.keyAt(id),
      entry,
      from,
      to,
      readings: readingsAt(file, entry),
      lots,
      rows: file.ingredients.filter((i) => rows.has(i.key)),
      stored: file.stored.filter((s) => names.stored.has(s.id)),
      goal: kind.bottled ? strand.goal : null,
      tool: toolAt(file, entry),
      before: before === null ? null : keys.get(before)!,
      feeders: feeders.map((f) => [f, keys.get(f)!]),
      // Of its sides only those are kept that somebody takes of.
      taken: [...graph.takers.keys()].filter((outlet) => outlet.startsWith(sideOutlet(id, ''))),
      shared: entry.intakes.flatMap((x) => {
        const outlet = outletOf(x.origin);
        return outlet === null ? [] : [graph.takers.get(outlet)!.map((t) => [t.stationId, t.intake.id, t.intake.amount])];
      }),
    };
    keys.set(id, digest(JSON.stringify(own)));
  }
  return keys;
}

/** The worlds that a batch is run in: their unknowns, and what tells those of a station from other ones of it. */
export interface DrawSet {
  draws: readonly Draw[];
  keyAt(stationId: string): string;
  /** Where the pH is worked out, which takes most of the time. */
  hasPh(stationId: string): boolean;
}
/** So many worlds of one seed. */
export const drawSet = (seed: number, members: number): DrawSet => ({
  draws: drawEnsemble(seed, members),
  keyAt: () => `${seed}/${members}`,
  hasPh: () => true,
});

/** What `run` gives, or null where the line cannot run in a world. */
export function runOrNull<T>(run: () => T): T | null {
  try {
    return run();
  } catch (error) {
    if (error instanceof LineProblem || error instanceof StationProblem || error instanceof RangeError) return null;
    throw error;
  }
}

/**
 * Runs a batch in many worlds, station by station; yields what is known after each, so that whoever drives it may stop.
 * `typical` is its typical run: each pH is sought from there.
 */
export function* runWorlds(
  file: BatchFile,
  typical: readonly StationRun[],
  set: DrawSet,
  memo: Pick<LineMemo, 'get' | 'put'> | null,
): Generator<Worlds, Worlds> {
  const { draws } = set;
  const acids = draws.map(acidWorld);
  const keys = memo ? keysOf(file, set) : null;
  const old = oldOf(file, typical);
  const worlds = new Map<string, StationWorlds>();
  const typicalPh = new Map<string, PhResult | null>();
  const graph = graphOf(file);
  for (const [at, node] of graph.order.entries()) {
    const near = phOf(typical[at]!.out.stream);
    typicalPh.set(node.id, near);
    const key = keys?.get(node.id);
    const known = key === undefined ? undefined : memo!.get(key);
    if (known) {
      worlds.set(node.id, known);
      continue;
    }
    const upstream = node.before === null ? undefined : worlds.get(node.before)!.values;
    const middle = node.before === null ? null : typicalPh.get(node.before)!;
    /** Where a world's pH is sought: as far from the typical one as it was a station before. */
    const start = (w: number): PhStart | undefined => {
      const before = upstream?.[w]?.pH;
      return near && middle && before != null ? { ...near, pH: near.pH + before - middle.pH } : (near ?? undefined);
    };
    const from = node.feeders.map((f) => worlds.get(f)!.runs);
    // Only what goes on is kept: the rest of thousands of runs would fill the memory.
    const kept = (run: StationRun): Given => {
      const given = givenOf(run);
      return { ...given, sides: given.sides.filter((s) => graph.takers.has(sideOutlet(node.id, s.id))) };
    };
    const before = node.before === null ? undefined : worlds.get(node.before)!;
    /** What came along, with its pH: a sieve or a bottle changes neither. */
    const along = (w: number) => {
      const [run, value] = [before?.runs[w], before?.values[w]];
      return run && value && set.hasPh(node.before!) ? { stream: run.out.stream, pH: value.pH } : undefined;
    };
    const fills = stationKind(node.entry.kind).bottled !== undefined;
    const made: StationWorlds = { runs: [], values: [], ml: [] };
    for (const [w, draw] of draws.entries()) {
      const run = from.some((f) => f[w] === null)
        ? null
        : runOrNull(() => runStation(file, node, (id) => worlds.get(id)!.runs[w]!, draw, true, old));
      const whole = run && (fills ? filling(run) : run.out);
      const known = set.hasPh(node.id) ? along(w) : run && { stream: whole!.stream, pH: null };
      made.runs.push(run && kept(run));
      made.values.push(
        run && { ...bandedOf(whole!, acids[w]!, start(w), draw.z('body'), known ?? undefined), massG: massOf(run.out.stream) },
      );
      made.ml.push(run && fills ? volumeMl(run.bowl.stream) : null);
    }
    if (key !== undefined) memo!.put(key, made);
    worlds.set(node.id, made);
    yield worlds;
  }
  return worlds;
}

/** For each world, whether the whole batch runs in it. */
export function wholeWorlds(worlds: Worlds): boolean[] {
  const all = [...worlds.values()];
  return (all[0]?.runs ?? []).map((_, w) => all.every((s) => s.runs[w] !== null));
}

/** Values of each band at a station, over the worlds in which the whole batch runs. */
export function valuesOf(worlds: Worlds, stationId: string, whole: readonly boolean[]): Record<Banded, number[]> {
  const found = Object.fromEntries(BANDED.map((b) => [b, [] as number[]])) as Record<Banded, number[]>;
  worlds.get(stationId)!.values.forEach((values, w) => {
    if (!values || !whole[w]) return;
    for (const b of BANDED) {
      const v = values[b];
      if (v !== null) found[b].push(v);
    }
  });
  return found;
}

/** ml of what is filled at a station, over the worlds in which the whole batch runs. */
export const mlOf = (worlds: Worlds, stationId: string, whole: readonly boolean[]): number[] =>
  worlds.get(stationId)!.ml.flatMap((x, w) => (x !== null && whole[w] ? [x] : []));
