import { stationsOf, type BatchFile } from '../file';
import { addDays, type Day } from '../plan';
import { stationKind } from '../stations';
import { graphOf, type Graph, type Node } from './graph';

export interface StationDates {
  /** First and last day by plan alone. */
  plannedFrom: Day;
  plannedTo: Day;
  /** First and last day, with what was logged. */
  from: Day;
  to: Day;
  done: boolean;
  /** Everything it takes is there: it can be worked on. */
  ready: boolean;
}

const later = (a: Day, b: Day) => (b > a ? b : a);
const earlier = (a: Day, b: Day) => (b < a ? b : a);
const daysOf = (node: Node) => stationKind(node.entry.kind).days(node.entry.params);

/** First and last day of each station by id: as early as can be, then what flows in as late as it can. */
function pass(file: BatchFile, graph: Graph, logged: boolean): Map<string, { from: Day; to: Day }> {
  const done = (n: Node) => (logged ? n.entry.log.doneOn : undefined);
  const found = new Map<string, { from: Day; to: Day }>();
  for (const node of graph.order) {
    const from = node.feeders.reduce((day, f) => later(day, found.get(f)!.to), file.startDate);
    found.set(node.id, { from, to: done(node) ?? addDays(from, daysOf(node)) });
  }
  const waits = new Map<string, string[]>();
  for (const node of graph.order) for (const f of node.feeders) waits.set(f, [...(waits.get(f) ?? []), node.id]);
  for (const node of [...graph.order].reverse()) {
    const next = waits.get(node.id);
    if (!next || done(node) !== undefined) continue;
    const own = found.get(node.id)!;
    const to = next.map((id) => found.get(id)!.from).reduce(earlier);
    // What runs already stays where it is; a day that is over is no day to begin on.
    if (to <= own.to || node.feeders.some((f) => graph.nodes.get(f)!.strand === node.strand && done(graph.nodes.get(f)!))) continue;
    found.set(node.id, { from: addDays(to, -daysOf(node)), to });
  }
  return found;
}

const known = new WeakMap<BatchFile, ReadonlyMap<string, StationDates>>();

/**
 * Dates of every station by id: each begins when the latest of what it takes is there, shifted by the days on which work
 * was done; strands that flow in run as late as they can. Throws LineProblem for a file that is no graph.
 */
export function schedule(file: BatchFile): ReadonlyMap<string, StationDates> {
  const had = known.get(file);
  if (had) return had;
  const graph = graphOf(file);
  const [plan, now] = [pass(file, graph, false), pass(file, graph, true)];
  const dates = new Map<string, StationDates>();
  for (const { entry } of stationsOf(file)) {
    const [p, n] = [plan.get(entry.id)!, now.get(entry.id)!];
    const done = entry.log.doneOn !== undefined;
    const ready = !done && graph.nodes.get(entry.id)!.feeders.every((f) => graph.nodes.get(f)!.entry.log.doneOn !== undefined);
    dates.set(entry.id, { plannedFrom: p.from, plannedTo: p.to, from: n.from, to: n.to, done, ready });
  }
  known.set(file, dates);
  return dates;
}

/** Stations that come to nothing: what would have gone into them was thrown away before. */
export function endedStations(file: BatchFile): ReadonlySet<string> {
  let found = ended.get(file);
  if (!found) {
    const ids = file.strands.flatMap(({ stations }) => {
      const at = stations.findIndex((s) => s.log.thrownOn !== undefined);
      return at < 0 ? [] : stations.slice(at + 1).map((s) => s.id);
    });
    ended.set(file, (found = new Set(ids)));
  }
  return found;
}
const ended = new WeakMap<BatchFile, ReadonlySet<string>>();

/**
 * Stations to be worked on as of a day: those that are ready and whose day has come; and where none has come yet, the
 * first of them. Something that only waits to flow in later is not due before.
 */
export function activeStations(file: BatchFile, today: Day): ReadonlySet<string> {
  const dates = schedule(file);
  const ended = endedStations(file);
  const ready = [...dates].filter(([id, d]) => d.ready && !ended.has(id));
  if (ready.length === 0) return new Set();
  const first = ready.map(([, d]) => d.from).reduce(earlier);
  return new Set(ready.filter(([, d]) => d.from <= later(first, today)).map(([id]) => id));
}

/** Days a batch takes, from its first station to its last, as dates. */
export function lastDay(file: BatchFile): Day {
  return [...schedule(file).values()].reduce((day, d) => later(day, d.to), file.startDate);
}
