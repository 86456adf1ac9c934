import { ingredient, type Ingredient } from '../matter/ingredient';
import { densityOf } from '../matter/density';
import { inSchool, type HeatSchool, type PodLot } from '../pantry';
import type { Day } from '../plan';
import { seedOf, TYPICAL } from '../stat/draw';
import { stationKind, type Extra, type PodUse } from '../stations';
import { BATCH_FORMAT, BATCH_VERSION, type BatchFile, type Goal, type StationEntry } from '../file';
import { massOf } from '../matter/stream';
import { runLine } from './run';

/** Stations of each style, in order. */
export const STYLES = {
  'brine-ferment': { name: 'brine ferment', stations: ['prep', 'salt', 'ferment', 'drain', 'blend', 'strain', 'bottle'] },
} as const;

/** Defaults for a newcomer: ten small bottles, lively heat. */
export const DEFAULT_GOAL: Goal = { lowShu: 1300, highShu: 3200, bottles: 10, bottleMl: 100 };

/** A batch without pods yet, every station at its defaults. */
export function newBatch(name: string, startDate: Day, goal: Goal = DEFAULT_GOAL): BatchFile {
  const stations: StationEntry[] = STYLES['brine-ferment'].stations.map((kind) => ({
    id: kind,
    kind,
    params: stationKind(kind).defaults(),
    log: {},
  }));
  const file: BatchFile = {
    format: BATCH_FORMAT,
    version: BATCH_VERSION,
    name,
    style: 'brine-ferment',
    startDate,
    seed: seedOf(name + startDate),
    goal,
    stations,
    readings: [],
    dutiesDone: [],
    lots: [],
    ingredients: [],
  };
  return carry(file, [], []);
}

/**
 * The file with exactly the lots and ingredients its stations name, so that it runs elsewhere. Looked up first in
 * what is given, then in what the file carries, then (ingredients) in the table.
 * Throws RangeError when something is nowhere to be found.
 */
export function carry(file: BatchFile, lots: readonly PodLot[], ingredients: readonly Ingredient[]): BatchFile {
  const lotIds = new Set<string>();
  const keys = new Set<string>();
  for (const s of file.stations) {
    const names = stationKind(s.kind).names?.(s.params);
    names?.lots.forEach((id) => lotIds.add(id));
    names?.ingredients.forEach((key) => keys.add(key));
  }
  const carriedLots = [...lotIds].map((id) => {
    const lot = lots.find((l) => l.id === id) ?? file.lots.find((l) => l.id === id);
    if (!lot) throw new RangeError(`The batch names a pod lot "${id}" that is not there`);
    keys.add(lot.like);
    return lot;
  });
  const carriedRows = [...keys].map(
    (key) => ingredients.find((i) => i.key === key) ?? file.ingredients.find((i) => i.key === key) ?? ingredient(key),
  );
  return { ...file, lots: carriedLots, ingredients: carriedRows };
}

/** The file with other parameters for one station; everything else is untouched. */
export function withParams(file: BatchFile, stationId: string, params: unknown): BatchFile {
  return { ...file, stations: file.stations.map((s) => (s.id === stationId ? { ...s, params } : s)) };
}

/** The parameters of the first station of a kind. Throws when the line has none. */
export function paramsOf<P>(file: BatchFile, kind: string): P {
  const entry = file.stations.find((s) => s.kind === kind);
  if (!entry) throw new RangeError(`This batch has no ${kind}`);
  return entry.params as P;
}

/** The batch with vessels of a size that fits what comes into them; stations that are done keep theirs. */
export function fitVessels(file: BatchFile): BatchFile {
  let fitted = file;
  file.stations.forEach((s, i) => {
    const kind = stationKind(s.kind);
    if (!kind.fits || s.log.doneOn !== undefined) return;
    // Only what comes before it decides; what comes after may not run yet.
    const before = runLine({ ...fitted, stations: fitted.stations.slice(0, i) }, TYPICAL).at(-1);
    const inG = before ? massOf(before.out.stream) : 0;
    if (inG > 0) fitted = withParams(fitted, s.id, kind.fits(s.params, inG));
  });
  return fitted;
}

/** Every station's amounts times `factor`: a bigger or smaller batch of the same sauce. Vessels follow on their own. */
export function resize(file: BatchFile, factor: number): BatchFile {
  return {
    ...file,
    stations: file.stations.map((s) => {
      const kind = stationKind(s.kind);
      return kind.resize ? { ...s, params: kind.resize(s.params, factor) } : s;
    }),
  };
}

/** Grams of finished sauce that fill the goal's bottles, at the density the line ends with. */
export function wantedMassG(file: BatchFile): number {
  const runs = runLine(file, TYPICAL, false);
  const end = runs.at(-1);
  const density = end && end.input.stream.grams.water > 0 ? densityOf(end.input.stream) : 1.03;
  const head = (file.stations.at(-1)?.params as { headspacePct?: number }).headspacePct ?? 0;
  return file.goal.bottles * file.goal.bottleMl * (1 - head / 100) * density;
}

/** The station of a line that takes pods from the store. Throws RangeError when the line has none. */
function podStation(file: BatchFile): StationEntry {
  const entry = file.stations.find((s) => stationKind(s.kind).pods);
  if (!entry) throw new RangeError('This batch takes no pods');
  return entry;
}

/** Which pods a batch takes, how much, and what is done to them. */
export function podUses(file: BatchFile): PodUse[] {
  const entry = podStation(file);
  return stationKind(entry.kind).pods!.read(entry.params);
}

/** The batch with other pods; nothing else is touched. */
export function withPodUses(file: BatchFile, uses: PodUse[]): BatchFile {
  const entry = podStation(file);
  return withParams(file, entry.id, stationKind(entry.kind).pods!.write(entry.params, uses));
}

/** True when the pods are taken from the store already. */
export function podsAreIn(file: BatchFile): boolean {
  return podStation(file).log.doneOn !== undefined;
}

/** Id of the station that takes the pods. */
export function podStationId(file: BatchFile): string {
  return podStation(file).id;
}

/** True when something of this line holds pulp back. */
export function isStrained(file: BatchFile): boolean {
  return file.stations.some((s) => stationKind(s.kind).sieves?.(s.params));
}

/** What goes from the larder into the jug of a batch; empty where nothing can. */
export function extrasOf(file: BatchFile): Extra[] {
  const entry = file.stations.find((s) => stationKind(s.kind).extras);
  return entry ? stationKind(entry.kind).extras!.read(entry.params) : [];
}

/** The batch with these things from the larder in its jug, in place of what the plan had there. */
export function withExtras(file: BatchFile, items: Extra[], rows: readonly Ingredient[]): BatchFile {
  const entry = file.stations.find((s) => stationKind(s.kind).extras);
  if (!entry) throw new RangeError('Nothing from the larder goes into this batch');
  return carry(withParams(file, entry.id, stationKind(entry.kind).extras!.write(entry.params, items)), [], rows);
}

/** The batch as a school counts heat: to be computed with, never to be stored. */
export function countedIn(file: BatchFile, school: HeatSchool): BatchFile {
  return { ...file, lots: file.lots.map((l) => inSchool(l, school)) };
}
