import { ingredient, type Ingredient } from '../matter/ingredient';
import { massOf } from '../matter/stream';
import { densityOf } from '../matter/density';
import { inSchool, type HeatSchool, type PodLot } from '../pantry';
import type { StoredStuff } from '../parcel';
import type { Day } from '../plan';
import { seedOf, TYPICAL } from '../stat/draw';
import { stationKind, usualKind, type KindName, type ParamsOf } from '../stations';
import { styleOf } from '../styles';
import {
  BATCH_FORMAT,
  BATCH_VERSION,
  mapStations,
  stationIn,
  stationsOf,
  type BatchFile,
  type Goal,
  type Intake,
  type Strand,
} from '../file';
import { graphOf, strandEnd } from './graph';
import { namesOf } from './names';
import { runUpTo } from './run';

/** Defaults for a newcomer: ten small bottles, lively heat. */
export const DEFAULT_GOAL: Goal = { lowShu: 1300, highShu: 3200, bottles: 10, bottleMl: 100 };

/** A batch without pods yet, every station of its style at its defaults. */
export function newBatch(name: string, startDate: Day, goal: Goal = DEFAULT_GOAL, style = 'brine-ferment'): BatchFile {
  const file: BatchFile = {
    format: BATCH_FORMAT,
    version: BATCH_VERSION,
    name,
    style,
    startDate,
    seed: seedOf(name + startDate),
    strands: styleOf(style).strands(goal),
    readings: [],
    dutiesDone: [],
    lots: [],
    ingredients: [],
    stored: [],
  };
  return carry(file, [], []);
}

/**
 * The file with exactly the lots, ingredients and stored things its stations name, so that it runs elsewhere. Looked up
 * first in what is given, then in what the file carries, then (ingredients) in the table.
 * Throws RangeError when something is nowhere to be found.
 */
export function carry(
  file: BatchFile,
  lots: readonly PodLot[],
  ingredients: readonly Ingredient[],
  stored: readonly StoredStuff[] = [],
): BatchFile {
  const names = stationsOf(file).map((s) => namesOf(s.entry));
  const all = (pick: (n: (typeof names)[number]) => ReadonlySet<string>) => [...new Set(names.flatMap((n) => [...pick(n)]))];
  const found = <T extends { id: string }>(id: string, given: readonly T[], had: readonly T[], what: string): T => {
    const one = given.find((x) => x.id === id) ?? had.find((x) => x.id === id);
    if (!one) throw new RangeError(`The batch names a ${what} "${id}" that is not there`);
    return one;
  };
  const carriedLots = all((n) => n.lots).map((id) => found(id, lots, file.lots, 'pod lot'));
  const carriedStored = all((n) => n.stored).map((id) => found(id, stored, file.stored, 'stored thing'));
  const keys = new Set([...all((n) => n.ingredients), ...carriedLots.map((l) => l.like)]);
  const carriedRows = [...keys].map(
    (key) => ingredients.find((i) => i.key === key) ?? file.ingredients.find((i) => i.key === key) ?? ingredient(key),
  );
  const used = new Set(stationsOf(file).map((s) => s.entry.toolId));
  const tools = file.tools?.filter((t) => used.has(t.id));
  return {
    ...file,
    lots: carriedLots,
    ingredients: carriedRows,
    stored: carriedStored,
    ...(tools?.length ? { tools } : { tools: undefined }),
  };
}

/** The file with other parameters for one station; everything else is untouched. */
export function withParams(file: BatchFile, stationId: string, params: unknown): BatchFile {
  return mapStations(file, (s) => (s.id === stationId ? { ...s, params } : s));
}

/** The file with other intakes for one station; it must be carried anew. */
export function withIntakes(file: BatchFile, stationId: string, intakes: Intake[]): BatchFile {
  return mapStations(file, (s) => (s.id === stationId ? { ...s, intakes } : s));
}

/** The parameters of the first station of a kind. Throws RangeError when the line has none. */
export function paramsOf<K extends KindName>(file: BatchFile, kind: K): ParamsOf<K> {
  const found = stationsOf(file).find((s) => s.entry.kind === kind);
  if (!found) throw new RangeError(`This batch has no ${kind}`);
  return found.entry.params as ParamsOf<K>;
}

/** A strand by its id. Throws RangeError when there is none. */
export function strandIn(file: BatchFile, strandId: string): Strand {
  const found = file.strands.find((s) => s.id === strandId);
  if (!found) throw new RangeError(`There is no strand "${strandId}"`);
  return found;
}

/** Strands that end in bottles, in the order in which they are written. */
export const endStrands = (file: BatchFile): (Strand & { goal: Goal })[] =>
  file.strands.filter((s): s is Strand & { goal: Goal } => s.goal !== null);

/** The first strand that ends in bottles. Throws RangeError when none does. */
export function mainEnd(file: BatchFile): Strand & { goal: Goal } {
  const [first] = endStrands(file);
  if (!first) throw new RangeError('No strand of this batch ends in bottles');
  return first;
}

/** What the main end of a batch fills. */
export const vesselOf = (file: BatchFile): 'bottle' | 'bowl' => stationKind(endOf(mainEnd(file)).kind).vessel ?? 'bottle';

/** The goal of a strand that ends in bottles. Throws RangeError for another. */
export function goalOf(file: BatchFile, strandId: string): Goal {
  const { goal, name } = strandIn(file, strandId);
  if (!goal) throw new RangeError(`${name} does not end in bottles`);
  return goal;
}

/** The file with another goal for a strand. */
export function withGoal(file: BatchFile, strandId: string, goal: Goal): BatchFile {
  return { ...file, strands: file.strands.map((s) => (s.id === strandId ? { ...s, goal } : s)) };
}

/** Ids of the strands that lead to one, itself among them. */
export function strandsUpTo(file: BatchFile, strandId: string): Set<string> {
  const found = new Set<string>();
  const look = (id: string): void => {
    if (found.has(id)) return;
    found.add(id);
    for (const entry of strandIn(file, id).stations)
      for (const { origin } of entry.intakes) {
        if (origin.from === 'strand') look(origin.strandId);
        else if (origin.from === 'side') look(stationsOf(file).find((s) => s.entry.id === origin.stationId)!.strand.id);
      }
  };
  look(strandId);
  return found;
}

/**
 * The way that is read along to a strand, from where it begins: each strand that begins with the end of another comes
 * after that one.
 */
export function pathTo(file: BatchFile, strandId: string): string[] {
  const path = [strandId];
  for (let at = strandId; ;) {
    const first = strandIn(file, at).stations[0]?.intakes.find((i) => i.origin.from === 'strand');
    if (first?.origin.from !== 'strand' || path.includes(first.origin.strandId)) return path;
    at = first.origin.strandId;
    path.unshift(at);
  }
}

/** The batch with vessels of a size that fits what comes into them, and stops that can be reached; stations that are done keep theirs. */
export function fitVessels(file: BatchFile): BatchFile {
  let fitted = file;
  for (const { entry } of graphOf(file).order) {
    const kind = stationKind(entry.kind);
    if (!kind.fits || entry.log.doneOn !== undefined) continue;
    // Only what comes before it decides: a vessel of any size holds what is in the bowl.
    const inG = bowlG(fitted, entry.id);
    if (!(inG > 0)) continue;
    fitted = withParams(fitted, entry.id, kind.fits(stationIn(fitted, entry.id)!.params, inG));
    if (!kind.pastStop) continue;
    const { facts } = runUpTo(fitted, entry.id);
    const moved = facts && kind.pastStop(stationIn(fitted, entry.id)!.params, facts);
    if (moved) fitted = withParams(fitted, entry.id, moved);
  }
  return fitted;
}

/** Grams in the bowl of a station, whatever the station makes of them. */
export function bowlG(file: BatchFile, stationId: string): number {
  const board = usualKind('pods');
  // The same bowl at a board, where nothing can go wrong.
  const plain = mapStations(file, (s) => (s.id === stationId ? { ...s, kind: board.kind, params: board.defaults(), log: {} } : s));
  return massOf(runUpTo(plain, stationId).bowl.stream);
}

/** Strands that grow with one: those that lead to it, and those that take a share of what grows. */
function growing(file: BatchFile, strandId: string): Set<string> {
  const found = strandsUpTo(file, strandId);
  const { takers, nodes } = graphOf(file);
  for (let grew = true; grew;) {
    grew = false;
    for (const id of [...found])
      for (const t of takers.get(strandEnd(id)) ?? []) {
        const to = nodes.get(t.stationId)!.strand.id;
        const share = t.intake.amount === 'rest' || 'pct' in t.intake.amount;
        if (!share || found.has(to)) continue;
        for (const s of strandsUpTo(file, to)) found.add(s);
        grew = true;
      }
  }
  return found;
}

const grown = (intake: Intake, factor: number): Intake => {
  const { amount, origin } = intake;
  if (amount === 'rest' || !('g' in amount)) return intake;
  // Words said of the old amount do not hold for the new one.
  return { ...intake, amount: { g: origin.from === 'pods' ? amount.g * factor : Math.round(amount.g * factor * 10) / 10 } };
};

/**
 * Amounts times `factor`: a bigger or smaller batch of the same sauce. With `strandId` only what leads there grows, and
 * what takes a share of that. Vessels follow on their own.
 */
export function resize(file: BatchFile, factor: number, strandId: string = mainEnd(file).id): BatchFile {
  const all = growing(file, strandId);
  return mapStations(file, (s, strand) => {
    if (!all.has(strand.id)) return s;
    const kind = stationKind(s.kind);
    return {
      ...s,
      intakes: s.intakes.map((i) => grown(i, factor)),
      params: kind.resize ? kind.resize(s.params, factor) : s.params,
    };
  });
}

/** The last station of a strand. */
export const endOf = (strand: Strand) => strand.stations.at(-1)!;

/** Grams of finished sauce that fill the goal's bottles, at the density its strand ends with. */
export function wantedMassG(file: BatchFile, strandId: string = mainEnd(file).id): number {
  const strand = strandIn(file, strandId);
  const end = endOf(strand);
  const { stream } = runUpTo(file, end.id, TYPICAL, false).bowl;
  const density = stream.grams.water > 0 ? densityOf(stream) : 1.03;
  return (stationKind(end.kind).wantsMl?.(end.params, goalOf(file, strandId)) ?? 0) * density;
}

/** True when something on the way to a strand's end holds pulp back. */
export function isStrained(file: BatchFile, strandId: string = mainEnd(file).id): boolean {
  const strands = strandsUpTo(file, strandId);
  return stationsOf(file).some(({ strand, entry }) => strands.has(strand.id) && stationKind(entry.kind).sieves?.(entry.params));
}

/** The batch as a school counts heat: to be computed with, never to be stored. */
export function countedIn(file: BatchFile, school: HeatSchool): BatchFile {
  const lots = file.lots.map((l) => inSchool(l, school));
  // Nothing is counted otherwise: what is known of the file holds.
  return lots.every((l, i) => l === file.lots[i]) ? file : { ...file, lots };
}
