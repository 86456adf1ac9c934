import type { Preparation } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { stationKind } from '../stations';
import { gramsOf, mapStations, stationsOf, type BatchFile, type Intake, type StationEntry } from '../file';
import { carry, mainEnd, pathTo, strandIn, strandsUpTo, withIntakes } from './compose';

/** Pods of the store that a batch takes, where, and what the knife does to them. */
export interface PodUse {
  lotId: string;
  massG: number;
  prep: Preparation;
  /** The station where they go in. */
  stationId: string;
}

/** Something from the larder that goes in with the rest. */
export interface Extra {
  id: string;
  massG: number;
  words?: string;
}

/** Every intake of a batch with its station; with `strandId` only of what leads there. */
export function intakesOf(file: BatchFile, strandId?: string): { entry: StationEntry; intake: Intake }[] {
  const strands = strandId === undefined ? null : strandsUpTo(file, strandId);
  return stationsOf(file)
    .filter((s) => strands === null || strands.has(s.strand.id))
    .flatMap(({ entry }) => entry.intakes.map((intake) => ({ entry, intake })));
}

/** Which pods go into a strand, or into the whole batch. */
export function podUses(file: BatchFile, strandId?: string): PodUse[] {
  return intakesOf(file, strandId).flatMap(({ entry, intake: { origin, amount } }) =>
    origin.from === 'pods' ? [{ lotId: origin.lotId, massG: gramsOf(amount) ?? 0, prep: origin.prep, stationId: entry.id }] : [],
  );
}

/** The station on the way to a strand's end where such things usually go in: of those meant for it, else the first or the last but one. */
function usualPlace(file: BatchFile, what: 'pods' | 'larder', strandId: string): StationEntry {
  const way = pathTo(file, strandId).flatMap((id) => strandIn(file, id).stations);
  const meant = way.find((s) => stationKind(s.kind).usual === what);
  return meant ?? (what === 'pods' ? way[0]! : (way.at(-2) ?? way[0]!));
}

/** Id of the station where pods go in for a strand: where some do already, else where they usually would. */
export function podStationId(file: BatchFile, strandId: string = mainEnd(file).id): string {
  return podUses(file, strandId)[0]?.stationId ?? usualPlace(file, 'pods', strandId).id;
}

/** True when the pods of a strand are taken from the store already. */
export function podsAreIn(file: BatchFile, strandId: string = mainEnd(file).id): boolean {
  const places = new Set(podUses(file, strandId).map((u) => u.stationId));
  if (places.size === 0) places.add(podStationId(file, strandId));
  return stationsOf(file).some(({ entry }) => places.has(entry.id) && entry.log.doneOn !== undefined);
}

/** A name for an intake that its station does not have yet. */
export function freeId(entry: Pick<StationEntry, 'intakes'>, wanted: string): string {
  const taken = new Set(entry.intakes.map((i) => i.id));
  let id = wanted.slice(0, 60);
  for (let n = 2; taken.has(id); n++) id = `${wanted.slice(0, 56)}-${n}`;
  return id;
}

/** The batch with other pods on the way to a strand's end; each lot at its place, nothing else is touched. */
export function withPodUses(file: BatchFile, uses: readonly PodUse[], strandId: string = mainEnd(file).id): BatchFile {
  const strands = strandsUpTo(file, strandId);
  return mapStations(file, (entry, strand) => {
    if (!strands.has(strand.id)) return entry;
    const here = uses.filter((u) => u.stationId === entry.id);
    if (here.length === 0 && !entry.intakes.some((i) => i.origin.from === 'pods')) return entry;
    const rest = entry.intakes.filter((i) => i.origin.from !== 'pods');
    const had = (u: PodUse) => entry.intakes.find((i) => i.origin.from === 'pods' && i.origin.lotId === u.lotId);
    const pods = here.map((u): Intake => ({
      id: had(u)?.id ?? freeId({ ...entry, intakes: rest }, u.lotId),
      origin: { from: 'pods', lotId: u.lotId, prep: u.prep },
      amount: { g: u.massG },
      ...(had(u)?.late ? { late: true } : {}),
    }));
    return { ...entry, intakes: [...pods, ...rest] };
  });
}

/** Id of the station where things from the larder go in, when nobody says where. */
export const larderStationId = (file: BatchFile, strandId: string = mainEnd(file).id): string => usualPlace(file, 'larder', strandId).id;

/** What goes from the larder into that station. */
export function extrasOf(file: BatchFile, strandId: string = mainEnd(file).id): Extra[] {
  return usualPlace(file, 'larder', strandId).intakes.flatMap(({ origin, amount }): Extra[] => {
    if (origin.from !== 'larder') return [];
    const words = typeof amount === 'object' && 'g' in amount ? amount.words : undefined;
    return [{ id: origin.key, massG: gramsOf(amount) ?? 0, ...(words === undefined ? {} : { words }) }];
  });
}

/** The batch with these things from the larder there, in place of what the plan had from the larder. */
export function withExtras(
  file: BatchFile,
  items: readonly Extra[],
  rows: readonly Ingredient[],
  strandId: string = mainEnd(file).id,
): BatchFile {
  const place = usualPlace(file, 'larder', strandId);
  const rest = place.intakes.filter((i) => i.origin.from !== 'larder');
  const put = items.map(({ id, massG, words }): Intake => ({
    id: freeId({ ...place, intakes: rest }, id),
    origin: { from: 'larder', key: id },
    amount: { g: massG, ...(words === undefined ? {} : { words }) },
  }));
  return carry(withIntakes(file, place.id, [...put, ...rest]), [], rows);
}
