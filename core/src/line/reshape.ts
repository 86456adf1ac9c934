import { stationKind, usualKind, type KindName } from '../stations';
import { MOST, mapStations, stationsOf, type BatchFile, type Goal, type Intake, type StationEntry, type Strand } from '../file';
import { carry, endOf, strandIn } from './compose';
import { withoutOldTicks } from './ticks';
import { graphOf, strandEnd } from './graph';
import { fileIssues } from './issues';
import { LineProblem } from './problem';
import { freeId } from './put';
import { runLine } from './run';
import { TYPICAL } from '../stat/draw';

/** Why a line cannot be changed so, and what would do. */
export class ReshapeProblem extends Error {}

/** A name that no strand and no station of the batch has yet. */
function freeName(file: BatchFile, wanted: string): string {
  const taken = new Set([...file.strands.map((s) => s.id), ...stationsOf(file).map((s) => s.entry.id)]);
  let id = wanted.slice(0, 56);
  for (let n = 2; taken.has(id); n++) id = `${wanted.slice(0, 52)}-${n}`;
  return id;
}

const placeOf = (file: BatchFile, stationId: string) => {
  const found = stationsOf(file).find((s) => s.entry.id === stationId);
  if (!found) throw new ReshapeProblem('This station is not there any more.');
  return found;
};
const withStrand = (file: BatchFile, strandId: string, change: (s: Strand) => Strand): BatchFile => ({
  ...file,
  strands: file.strands.map((s) => (s.id === strandId ? change(s) : s)),
});
const nameOf = (entry: StationEntry) => stationKind(entry.kind).name;

/** Work was done there, or something measured. */
const begun = (file: BatchFile, { id, log }: StationEntry) =>
  Object.values(log).some((v) => v !== undefined) || file.readings.some((r) => r.stationId === id);

/** What is done or measured already stays as it was. */
function refuseBegun(file: BatchFile, entry: StationEntry, act: string): void {
  if (entry.log.doneOn !== undefined)
    throw new ReshapeProblem(`${nameOf(entry)} is done already and cannot be ${act}. Mark it as not done first.`);
  if (begun(file, entry))
    throw new ReshapeProblem(`${nameOf(entry)} has been measured already and cannot be ${act}. Take its readings and weights out first.`);
}

/** Nothing new comes before what has begun. */
function refuseBefore(file: BatchFile, next: StationEntry | undefined, way: string): void {
  if (next && begun(file, next)) throw new ReshapeProblem(`${nameOf(next)} has begun already: nothing can come before it any more.${way}`);
}

const runs = (file: BatchFile): LineProblem | null => {
  try {
    runLine(file, TYPICAL);
    runLine(file, TYPICAL, false);
    return null;
  } catch (error) {
    if (error instanceof LineProblem) return error;
    throw error;
  }
};

/**
 * A changed line that works: it hangs together, and runs if it did before. Ticks of what is gone go with it;
 * a station with readings never goes. Throws ReshapeProblem with the first thing that does not.
 */
function working(before: BatchFile, file: BatchFile): BatchFile {
  const kept = withoutOldTicks(file);
  const [issue] = fileIssues(kept);
  if (issue) throw new ReshapeProblem(issue.message);
  const whole = carry(kept, [], []);
  const stops = runs(whole);
  if (stops && !runs(before)) throw new ReshapeProblem(stops.message);
  return whole;
}

/** A new station in front of another, or behind it. */
export function addStation(file: BatchFile, kind: KindName, at: LinePlace): BatchFile {
  const { strand, entry, at: i } = placeOf(file, at.stationId);
  const index = at.where === 'before' ? i : i + 1;
  if (stationKind(kind).bottled) throw new ReshapeProblem('Bottles are where a strand ends. Share out into bowls to fill other bottles.');
  if (at.where === 'after' && stationKind(entry.kind).bottled)
    throw new ReshapeProblem('Nothing comes after the bottles. Put it in front of them.');
  const next = strand.stations[index];
  refuseBefore(file, next, ' Put it further on.');
  const made: StationEntry = { id: freeName(file, kind), kind, intakes: [], params: stationKind(kind).defaults(), log: {} };
  return working(
    file,
    withStrand(file, strand.id, (s) => ({ ...s, stations: [...s.stations.slice(0, index), made, ...s.stations.slice(index)] })),
  );
}

/** A place in the line: in front of a station, or behind it. */
export interface LinePlace {
  stationId: string;
  where: 'before' | 'after';
}

/**
 * A station with what goes in there, at another place of its strand or of another one. Where it stands already, the file
 * as it is. Throws ReshapeProblem where something that it would pass, or that it would come before, has begun.
 */
export function putStation(file: BatchFile, stationId: string, to: LinePlace): BatchFile {
  const { strand, entry, at } = placeOf(file, stationId);
  const target = placeOf(file, to.stationId);
  const own = strand.id === target.strand.id;
  const gap = target.at + (to.where === 'after' ? 1 : 0);
  if (own && (gap === at || gap === at + 1)) return file;
  refuseBegun(file, entry, 'moved');
  if (own) for (const other of strand.stations.slice(Math.min(at + 1, gap), Math.max(at, gap))) refuseBegun(file, other, 'passed');
  else {
    if (stationKind(entry.kind).bottled)
      throw new ReshapeProblem(`${strand.name} ends in these bottles. Join it to the other strand instead, or share out into bowls.`);
    if (strand.stations.length === 1)
      throw new ReshapeProblem(`${nameOf(entry)} is all there is of ${strand.name}. Join it to the other strand, or take it out.`);
    refuseBefore(file, target.strand.stations[gap], ' Put it further on.');
  }
  const without = strand.stations.filter((e) => e.id !== stationId);
  const bare = withStrand(file, strand.id, (s) => ({ ...s, stations: without }));
  const index = own && gap > at ? gap - 1 : gap;
  return working(
    file,
    withStrand(bare, target.strand.id, (s) => ({ ...s, stations: [...s.stations.slice(0, index), entry, ...s.stations.slice(index)] })),
  );
}

/** A station one place on in its strand (1) or back (-1). */
export function moveStation(file: BatchFile, stationId: string, by: 1 | -1): BatchFile {
  const { strand, entry, at } = placeOf(file, stationId);
  const other = strand.stations[at + by];
  if (!other) throw new ReshapeProblem(`${nameOf(entry)} stands at the ${by < 0 ? 'beginning' : 'end'} of its strand already.`);
  return putStation(file, stationId, { stationId: other.id, where: by < 0 ? 'before' : 'after' });
}

/** The same station once more, behind it; what goes in stays with the first. */
export function doubleStation(file: BatchFile, stationId: string): BatchFile {
  const { strand, entry, at } = placeOf(file, stationId);
  if (stationKind(entry.kind).bottled)
    throw new ReshapeProblem('Bottles are where a strand ends. Share out into bowls to fill other bottles.');
  const next = strand.stations[at + 1];
  refuseBefore(file, next, '');
  const twin: StationEntry = { ...entry, id: freeName(file, entry.kind), intakes: [], log: {} };
  const stations = [...strand.stations.slice(0, at + 1), twin, ...strand.stations.slice(at + 1)];
  return working(
    file,
    withStrand(file, strand.id, (s) => ({ ...s, stations })),
  );
}

/** Without a station: what went in there goes in at the next one; what took of its sides takes it no more. */
export function takeOutStation(file: BatchFile, stationId: string): BatchFile {
  const { strand, entry, at } = placeOf(file, stationId);
  refuseBegun(file, entry, 'taken out');
  if (stationKind(entry.kind).bottled)
    throw new ReshapeProblem(`${strand.name} ends in these bottles. Join it to another strand instead, or share out into bowls.`);
  const without = mapStations(file, (e) => {
    const intakes = e.intakes.filter((i) => i.origin.from !== 'side' || i.origin.stationId !== stationId);
    return intakes.length === e.intakes.length ? e : { ...e, intakes };
  });
  const rest = strandIn(without, strand.id).stations.filter((e) => e.id !== stationId);
  if (rest.length === 0) return working(file, dissolved(without, strand.id, entry.intakes));
  const heir = rest[Math.min(at, rest.length - 1)]!;
  const given = (e: StationEntry) => (e.id === heir.id ? withGiven(e, entry.intakes) : e);
  return working(
    file,
    withStrand(without, strand.id, (s) => ({ ...s, stations: rest.map(given) })),
  );
}

/** A strand of which no station is left: what went into it goes in where its end was taken. */
function dissolved(file: BatchFile, strandId: string, intakes: readonly Intake[]): BatchFile {
  const takers = graphOf(file).takers.get(strandEnd(strandId)) ?? [];
  if (takers.length !== 1) throw new ReshapeProblem('Its end goes to several places. Take those out first.');
  const [taker] = takers;
  const strands = file.strands.filter((s) => s.id !== strandId);
  return mapStations({ ...file, strands }, (e) =>
    e.id === taker!.stationId ? withGiven({ ...e, intakes: e.intakes.filter((i) => i.id !== taker!.intake.id) }, intakes) : e,
  );
}

/** A station with more that goes in, under ids of its own. */
function withGiven(entry: StationEntry, more: readonly Intake[]): StationEntry {
  return more.reduce((e, i) => ({ ...e, intakes: [...e.intakes, { ...i, id: freeId(e, i.id) }] }), entry);
}

/** Something that goes in, at another station. */
export function moveIntake(file: BatchFile, from: { stationId: string; intakeId: string }, toStationId: string): BatchFile {
  const { entry } = placeOf(file, from.stationId);
  const { entry: to } = placeOf(file, toStationId);
  const intake = entry.intakes.find((i) => i.id === from.intakeId);
  if (!intake) throw new ReshapeProblem('It does not go in there any more.');
  if (entry.id === to.id) return file;
  refuseBegun(file, entry, 'emptied');
  refuseBegun(file, to, 'filled');
  return working(
    file,
    mapStations(file, (e) => {
      if (e.id === entry.id) return { ...e, intakes: e.intakes.filter((i) => i.id !== intake.id) };
      return e.id === to.id ? withGiven(e, [intake]) : e;
    }),
  );
}

/** Things that go in at a station, made ready in a strand of their own that flows in there instead. */
export function prepareApart(
  file: BatchFile,
  stationId: string,
  intakeIds: readonly string[],
  name: string,
  kind: KindName = usualKind('pods').kind,
): BatchFile {
  const { entry } = placeOf(file, stationId);
  refuseBegun(file, entry, 'changed');
  if (file.strands.length >= MOST.strands) throw new ReshapeProblem(`A batch has at most ${MOST.strands} strands. Join two of them first.`);
  const apart = entry.intakes.filter((i) => intakeIds.includes(i.id));
  if (apart.length === 0) throw new ReshapeProblem('Say what is to be prepared apart.');
  const id = freeName(file, 'apart');
  const first: StationEntry = {
    id: freeName(file, kind === id ? `${kind}-1` : kind),
    kind,
    intakes: [],
    params: stationKind(kind).defaults(),
    log: {},
  };
  const strand: Strand = { id, name: name.trim().slice(0, 60) || 'Apart', stations: [withGiven(first, apart)], goal: null };
  const moved = mapStations(file, (e) => {
    if (e.id !== stationId) return e;
    const rest = { ...e, intakes: e.intakes.filter((i) => !intakeIds.includes(i.id)) };
    return withGiven(rest, [{ id, origin: { from: 'strand', strandId: id }, amount: 'rest' }]);
  });
  return working(file, { ...moved, strands: [...moved.strands, strand] });
}

/** A strand that ended in bottles, shared out into bowls alike: each has bottles, and may have things of its own. */
export function shareOut(file: BatchFile, strandId: string, bowls: number): BatchFile {
  const strand = strandIn(file, strandId);
  const last = endOf(strand);
  if (!strand.goal) throw new ReshapeProblem(`${strand.name} does not end in bottles. Share out the strand that does.`);
  refuseBegun(file, last, 'shared out');
  if (strand.stations.length < 2) throw new ReshapeProblem('There is nothing before the bottles to be shared out.');
  if (!(bowls >= 2) || file.strands.length + bowls > MOST.strands)
    throw new ReshapeProblem(`Share out into 2 to ${Math.max(2, MOST.strands - file.strands.length)} bowls.`);
  const goal: Goal = { ...strand.goal, bottles: Math.max(1, Math.round(strand.goal.bottles / bowls)) };
  let next = withStrand(file, strandId, (s) => ({ ...s, stations: s.stations.slice(0, -1), goal: null }));
  const jug = usualKind('larder');
  for (let n = 1; n <= bowls; n++) {
    const id = freeName(next, `bowl-${n}`);
    const amount: Intake['amount'] = n === bowls ? 'rest' : { pct: Math.round(1000 / bowls) / 10 };
    const stir: StationEntry = {
      id: freeName(next, `${id}-stir`),
      kind: jug.kind,
      intakes: [{ id: strandId, origin: { from: 'strand', strandId }, amount }],
      params: jug.defaults(),
      log: {},
    };
    // The first bowl keeps the bottling as it was, so that what was set there stays.
    const fill: StationEntry =
      n === 1 ? { ...last, intakes: last.intakes } : { ...last, id: freeName(next, `${id}-${last.kind}`), intakes: [], log: {} };
    next = { ...next, strands: [...next.strands, { id, name: `Bowl ${n}`, stations: [stir, fill], goal }] };
  }
  return working(file, next);
}

/** A strand's end put into a station of another one: it flows in there from now on, and has no bottles of its own. */
export function joinStrand(file: BatchFile, strandId: string, intoStationId: string): BatchFile {
  const strand = strandIn(file, strandId);
  const { strand: to, entry } = placeOf(file, intoStationId);
  if (to.id === strandId) throw new ReshapeProblem('A strand cannot flow into itself. Choose a station of another one.');
  refuseBegun(file, entry, 'joined');
  const last = endOf(strand);
  if (strand.goal) refuseBegun(file, last, 'joined');
  const stations = strand.goal ? strand.stations.slice(0, -1) : strand.stations;
  if (stations.length === 0) throw new ReshapeProblem(`${strand.name} is nothing but its bottles.`);
  const given = strand.goal ? last.intakes : [];
  const freed = mapStations(file, (e) => {
    const rest = e.intakes.filter((i) => i.origin.from !== 'strand' || i.origin.strandId !== strandId);
    return rest.length === e.intakes.length ? e : { ...e, intakes: rest };
  });
  const open = withStrand(freed, strandId, (s) => ({ ...s, stations, goal: null }));
  return working(
    file,
    mapStations(open, (e) =>
      e.id === intoStationId ? withGiven(e, [{ id: strandId, origin: { from: 'strand', strandId }, amount: 'rest' }, ...given]) : e,
    ),
  );
}
