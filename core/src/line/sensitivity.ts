import type { BatchFile } from '../file';
import type { Banded } from '../parcel';
import { drawEnsemble, TYPICAL, type Draw } from '../stat/draw';
import type { Quantiles } from '../ferment/forecast';
import { drawSet, runWorlds, type DrawSet, type StationWorlds, type Worlds } from './ensemble';
import { graphOf } from './graph';
import { runLine, type StationRun } from './run';
import { seedOfFile } from './seed';
import { sourceOf, sourceWords, type Source, type SourceDoor } from './sources';

/** What a number hangs on: one source of its doubt. */
export interface Hang {
  source: Source;
  what: string;
  better: string;
  door: SourceDoor;
  /** Share of the variance that is gone once this is known and everything else is as before, at most: 0 to 1. */
  share: number;
}
/** What a number after a station hangs on, what matters most first. */
export interface Sensitivity {
  what: Banded;
  stationId: string;
  hangs: readonly Hang[];
  worlds: number;
}

/** Worlds, each run once more for each source: shares are right to about a tenth of themselves (Jansen 1999: sqrt(2 / n)). */
const WORLDS = 150;
/** Names of unknowns are asked for in so many worlds: not every world takes every way. */
const ASKED = 8;
/** Less than this is no more than the luck of the draw. */
const LEAST = 0.01;
/** So many worlds tell whether a source brings anything at all. */
const FEW = 20;
/** What multiplies along the line is looked at as its logarithm. */
const BY_LOG: ReadonlySet<Banded> = new Set<Banded>(['massG', 'heatShu']);
const OTHER = 0x51f15eed;

/** The unknowns of one source, by their names. */
interface Unknowns {
  source: Source;
  names: Set<string>;
}

/** A world with some of its unknowns out of another. */
const exchanged = (world: Draw, other: Draw, has: (name: string) => boolean): Draw => ({
  z: (name) => (has(name) ? other : world).z(name),
  typical: false,
});

/** The unknowns that each station asks for, by id, up to `stationId`; empty where what is seen is that of all stations. */
function namesAsked(file: BatchFile, typical: readonly StationRun[], seed: number, stationId: string): Map<string, ReadonlySet<string>> {
  let asked = new Set<string>();
  const heard = (draw: Draw): Draw => ({ z: (name) => (asked.add(name), draw.z(name)), typical: false });
  const set: DrawSet = { draws: drawEnsemble(seed, ASKED).map(heard), keyAt: () => '', hasPh: () => true };
  const names = new Map<string, ReadonlySet<string>>();
  const steps = runWorlds(file, typical, set, null);
  for (const { id } of graphOf(file).order) {
    steps.next();
    names.set(id, asked);
    asked = new Set();
    if (id === stationId) break;
  }
  return names;
}

/** Values of a number after a station over worlds; null where the line cannot run. */
function valuesAt(worlds: Worlds, stationId: string, what: Banded): (number | null)[] {
  return worlds.get(stationId)!.values.map((v) => {
    const x = v?.[what] ?? null;
    return x === null || !BY_LOG.has(what) ? x : x > 0 ? Math.log(x) : null;
  });
}
function varianceOf(values: readonly number[]): number {
  const mean = values.reduce((s, x) => s + x, 0) / values.length;
  return values.reduce((s, x) => s + (x - mean) ** 2, 0) / (values.length - 1);
}
/** Of the mean squares of what one source alone changes (Jansen's estimator of the total index), as a share of all. */
function shareOf(plain: readonly (number | null)[], other: readonly (number | null)[], variance: number): number {
  const squares = plain.flatMap((x, w) => {
    const y = other[w]!;
    return x === null || y === null ? [] : [(x - y) ** 2];
  });
  if (squares.length === 0) return 0;
  return Math.min(1, squares.reduce((s, x) => s + x, 0) / squares.length / (2 * variance));
}

/**
 * What a number after a station hangs on: for each source of doubt the share of the variance that it brings, by running every
 * world once more with that source as it is in another world (Jansen, Comput. Phys. Commun. 117, 1999, from memory; Saltelli et
 * al. 2010). Yields after each station that was run. Null where the number is not known there, or hangs on nothing.
 * Throws LineProblem for parameters that cannot work.
 */
export function* sensitivitySteps(file: BatchFile, stationId: string, what: Banded, members = WORLDS): Generator<void, Sensitivity | null> {
  const seed = seedOfFile(file);
  const typical = runLine(file, TYPICAL, true);
  const names = namesAsked(file, typical, seed, stationId);
  const others = drawEnsemble(seed ^ OTHER, members);
  const all = drawSet(seed, members);
  const hasPh = (id: string) => what === 'pH' && id === stationId;

  /** Values over the first `count` worlds, and over the same with unknowns exchanged; what comes before those is run once. */
  function inWorlds(count: number) {
    const known = new Map<string, StationWorlds>();
    function* run(set: DrawSet, keep: boolean): Generator<void, (number | null)[]> {
      const memo = { get: (key: string) => known.get(key), put: (key: string, w: StationWorlds) => void (keep && known.set(key, w)) };
      const steps = runWorlds(file, typical, set, memo);
      for (let step = steps.next(); ; step = steps.next()) {
        if (step.value.has(stationId)) return valuesAt(step.value, stationId, what);
        yield;
      }
    }
    const draws = all.draws.slice(0, count);
    return {
      plain: () => run({ draws, keyAt: () => '', hasPh }, true),
      exchanged: ({ source, names: own }: Unknowns) => {
        const everywhere = source.kind === 'acid' || source.kind === 'body';
        const has = (name: string) => own.has(name);
        const set: DrawSet = {
          draws: draws.map((d, w) => exchanged(d, others[w]!, has)),
          keyAt: (id) => (everywhere || [...(names.get(id) ?? [])].some(has) ? 'exchanged' : ''),
          hasPh,
        };
        return run(set, false);
      },
    };
  }
  const full = inWorlds(members);
  const values = yield* full.plain();
  const known = values.filter((x) => x !== null);
  if (known.length < 2) return null;
  const variance = varianceOf(known);
  if (!(Math.max(...known) - Math.min(...known) > 1e-9 * Math.max(1, Math.abs(known[0]!)))) return null;

  const unknowns = new Map<string, Unknowns>();
  for (const name of new Set([...names.values()].flatMap((n) => [...n]))) {
    const source = sourceOf(file, name);
    const key = `${source.kind}/${source.id}`;
    unknowns.set(key, { source, names: (unknowns.get(key)?.names ?? new Set()).add(name) });
  }
  const few = inWorlds(Math.min(FEW, members));
  const fewValues = yield* few.plain();
  const found: { source: Source; share: number }[] = [];
  for (const unknown of unknowns.values()) {
    // Most of them bring nothing: a few worlds tell.
    if (shareOf(fewValues, yield* few.exchanged(unknown), variance) < LEAST / 4) continue;
    found.push({ source: unknown.source, share: shareOf(values, yield* full.exchanged(unknown), variance) });
  }
  // What sources do together counts for each of them, and so does the luck of the draw: all of it is no more than all.
  const sum = Math.max(
    1,
    found.reduce((s, f) => s + f.share, 0),
  );
  const hangs = found
    .map(({ source, share }) => ({ source, share: share / sum }))
    .filter(({ share }) => share >= LEAST)
    .sort((a, b) => b.share - a.share)
    .map(({ source, share }): Hang => ({ source, ...sourceWords(file, source), share }));
  return { what, stationId, hangs, worlds: members };
}

/** What is said beside it where more hangs on a number than the number: never that a sum takes the place of a reading. */
export const ONLY_MEASURED: Partial<Record<Banded, string>> = {
  pH: 'No sum of acids is better than 0.2 to 0.4: what is shown elsewhere is never narrower. Only a measured pH counts for keeping.',
};

/** A band of a number once what brings a share of its doubt is known, at best. */
export function bandKnowing({ p10, p50, p90 }: Quantiles, what: Banded, share: number): Quantiles {
  const width = Math.sqrt(1 - Math.min(1, share));
  const toward = (x: number) => (BY_LOG.has(what) && p50 > 0 && x > 0 ? p50 * (x / p50) ** width : p50 + width * (x - p50));
  return { p10: toward(p10), p50, p90: toward(p90) };
}

/** The same at once. */
export function sensitivityOf(file: BatchFile, stationId: string, what: Banded, members?: number): Sensitivity | null {
  const steps = sensitivitySteps(file, stationId, what, members);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
