import { isDay, addDays, daysBetween } from '../plan';
import {
  gramsOf,
  MOST,
  pathOf,
  sameThing,
  stationsOf,
  type BatchFile,
  type Intake,
  type Reading,
  type StationEntry,
  type Strand,
} from '../file';
import { stationKind } from '../stations';
import { graphOf, outletOf, type Graph } from './graph';
import { jarsAt, jarsOf } from './jars';
import { LineProblem } from './problem';
import { endedStations } from './schedule';

/** Something in a file that cannot be right, with the path of the field. */
export interface FileIssue {
  path: string;
  message: string;
}

/**
 * Checks of meaning that no schema can make: strands that hang together and end somewhere, intakes that can be, dates in
 * order, ids that exist once. Each is a sentence at its place.
 */
export function fileIssues(file: BatchFile): FileIssue[] {
  const issues: FileIssue[] = [];
  if (!isDay(file.startDate)) issues.push({ path: 'startDate', message: 'The start date is not a day in the calendar.' });
  issues.push(...nameIssues(file));
  if (issues.length > 0) return issues;
  let graph: Graph;
  try {
    graph = graphOf(file);
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
    return [{ path: `${pathOf(file, error.stationId)}/${error.field}`.replace(/\/$/, ''), message: error.message }];
  }
  file.strands.forEach((strand, i) => issues.push(...strandIssues(file, graph, strand, `strands/${i}`)));
  for (const { entry } of stationsOf(file)) issues.push(...intakeIssues(entry, pathOf(file, entry.id)));
  issues.push(...sharedIssues(file, graph));
  issues.push(...dateIssues(file, graph), ...readingIssues(file), ...jarIssues(file));
  return issues;
}

function nameIssues(file: BatchFile): FileIssue[] {
  const issues: FileIssue[] = [];
  const strands = new Set<string>();
  const stations = new Set<string>();
  file.strands.forEach((s, i) => {
    if (strands.has(s.id)) issues.push({ path: `strands/${i}/id`, message: `Two strands are called "${s.id}".` });
    strands.add(s.id);
    s.stations.forEach((e, j) => {
      if (stations.has(e.id)) issues.push({ path: `strands/${i}/stations/${j}/id`, message: `Two stations are called "${e.id}".` });
      stations.add(e.id);
    });
  });
  if (stations.size > MOST.stations)
    issues.push({ path: 'strands', message: `A batch has at most ${MOST.stations} stations; this one has ${stations.size}.` });
  return issues;
}

function strandIssues(file: BatchFile, graph: Graph, strand: Strand, path: string): FileIssue[] {
  const issues: FileIssue[] = [];
  const [first, last] = [strand.stations[0]!, strand.stations.at(-1)!];
  const kind = stationKind(first.kind);
  if (kind.needsStuff && first.intakes.length === 0)
    issues.push({
      path: `${path}/stations/0`,
      message: `${strand.name} begins with ${kind.name.toLowerCase()} and nothing to work on. Put something in here, or a station before it.`,
    });
  const bottled = stationKind(last.kind).bottled !== undefined;
  const taken = (graph.takers.get(`strand ${strand.id}`)?.length ?? 0) > 0;
  const at = `${path}/stations/${strand.stations.length - 1}`;
  if (!bottled && !taken)
    issues.push({ path: at, message: `${strand.name} ends nowhere. Let it end in bottles, or put its end into another station.` });
  if (bottled && taken) issues.push({ path: at, message: `${strand.name} ends in bottles: nothing can be taken of it any more.` });
  strand.stations.slice(0, -1).forEach((e, j) => {
    if (stationKind(e.kind).bottled)
      issues.push({ path: `${path}/stations/${j}`, message: 'Nothing comes after the bottles. Move this to the end, or take it out.' });
  });
  if (bottled && !strand.goal)
    issues.push({ path: `${path}/goal`, message: `Say what is wished of ${strand.name}: its heat and its bottles.` });
  if (!bottled && strand.goal)
    issues.push({ path: `${path}/goal`, message: `${strand.name} does not end in bottles, so nothing can be wished of it.` });
  if (strand.goal && strand.goal.highShu <= strand.goal.lowShu)
    issues.push({ path: `${path}/goal/highShu`, message: 'The high end of the heat must be above the low end.' });
  return issues;
}

function intakeIssues(entry: StationEntry, path: string): FileIssue[] {
  const issues: FileIssue[] = [];
  const ids = new Set<string>();
  entry.intakes.forEach((intake, i) => {
    const at = `${path}/intakes/${i}`;
    if (ids.has(intake.id)) issues.push({ path: `${at}/id`, message: `Two things that go in here are called "${intake.id}".` });
    ids.add(intake.id);
    const { amount } = intake;
    if (amount !== 'rest' && 'g' in amount === 'pct' in amount)
      issues.push({ path: `${at}/amount`, message: 'Say either how many grams or which share of it.' });
    else if (outletOf(intake.origin) === null && gramsOf(amount) === null)
      issues.push({ path: `${at}/amount`, message: 'Say how many grams of it. A share can only be taken of something made here.' });
    if (entry.intakes.findIndex((x) => sameThing(x, intake)) !== i) issues.push({ path: at, message: twice(intake) });
  });
  return issues;
}

const twice = (intake: Intake) =>
  intake.origin.from === 'pods' ? 'This lot is listed twice. Give each lot one line.' : 'This is listed twice. Give each thing one line.';

/** Outlets of which more than all is promised, or the rest twice. */
function sharedIssues(file: BatchFile, graph: Graph): FileIssue[] {
  const issues: FileIssue[] = [];
  const pathTo = (stationId: string, intake: Intake) => {
    const entry = graph.nodes.get(stationId)!.entry;
    return `${pathOf(file, stationId)}/intakes/${entry.intakes.indexOf(intake)}/amount`;
  };
  for (const takers of graph.takers.values()) {
    const rests = takers.filter((t) => t.intake.amount === 'rest');
    if (rests.length > 1)
      issues.push({
        path: pathTo(rests[1]!.stationId, rests[1]!.intake),
        message: 'The rest can go to one place only. Say a share or grams here.',
      });
    const shares = takers.filter((t) => typeof t.intake.amount === 'object' && 'pct' in t.intake.amount);
    const pct = shares.reduce((s, t) => s + (t.intake.amount as { pct: number }).pct, 0);
    if (pct > 100 + 1e-9)
      issues.push({
        path: pathTo(shares.at(-1)!.stationId, shares.at(-1)!.intake),
        message: `${Math.round(pct)} % of it are shared out. Together the shares may be 100 % at most.`,
      });
  }
  for (const { entry } of stationsOf(file)) {
    entry.intakes.forEach((intake, i) => {
      const { origin } = intake;
      if (origin.from !== 'side') return;
      const gives = stationKind(graph.nodes.get(origin.stationId)!.entry.kind).gives ?? {};
      if (!(origin.side in gives))
        issues.push({ path: `${pathOf(file, entry.id)}/intakes/${i}/origin`, message: `No "${origin.side}" comes out there.` });
    });
  }
  return issues;
}

/** Stations are done after those they take from, on the same day or later. */
export function dateIssues(file: BatchFile, graph: Graph): FileIssue[] {
  const issues: FileIssue[] = [];
  const nameOf = (id: string) => stationKind(graph.nodes.get(id)!.entry.kind).name;
  for (const node of graph.order) {
    const day = node.entry.log.doneOn;
    if (day === undefined) continue;
    const path = `${pathOf(file, node.id)}/log/doneOn`;
    if (!isDay(day)) {
      issues.push({ path, message: 'This is not a day in the calendar.' });
      continue;
    }
    const open = node.feeders.find((f) => graph.nodes.get(f)!.entry.log.doneOn === undefined);
    if (open !== undefined) {
      issues.push({ path, message: `${nameOf(open)} comes before this and is not done yet.` });
      continue;
    }
    const before = node.feeders.map((f) => graph.nodes.get(f)!.entry.log.doneOn!);
    const last = before.reduce((a, b) => (b > a ? b : a), file.startDate);
    if (!isDay(last) || daysBetween(last, day) >= 0) continue;
    const why = before.includes(last) ? 'the step before it was done' : 'the batch was started';
    issues.push({ path, message: `${nameOf(node.id)} cannot be done on ${day}: ${why} on ${last}.` });
  }
  return issues;
}

/** What can be said of a jar only: how warm it stood, what was seen in it, that it was thrown away. */
function jarIssues(file: BatchFile): FileIssue[] {
  const issues: FileIssue[] = [];
  const jars = new Set(stationsOf(file).flatMap(({ entry }) => (stationKind(entry.kind).lives ? [entry.id] : [])));
  const ended = endedStations(file);
  for (const { entry, strand } of stationsOf(file)) {
    const { thrownOn, thrownWhy, temps, doneOn } = entry.log;
    const at = `${pathOf(file, entry.id)}/log`;
    if (!jars.has(entry.id)) {
      if (thrownOn !== undefined)
        issues.push({ path: `${at}/thrownOn`, message: 'Only a jar is thrown away like this. Archive the batch.' });
      if (temps) issues.push({ path: `${at}/temps`, message: 'Only a jar has such a log.' });
    }
    const { count, left } = jarsOf(strand, entry);
    const gone = entry.log.jarsThrown ?? [];
    if (gone.some((j) => j.jar > count) || new Set(gone.map((j) => j.jar)).size < gone.length)
      issues.push({
        path: `${at}/jarsThrown`,
        message: `There ${count === 1 ? 'is 1 jar' : `are ${count} jars`}: name each that was thrown away once.`,
      });
    else if (left.length === 0)
      issues.push({ path: `${at}/jarsThrown`, message: 'The last jar is thrown away with all of it: say that of the whole.' });
    if (thrownOn !== undefined && thrownOn !== doneOn)
      issues.push({ path: `${at}/thrownOn`, message: 'A jar that is thrown away is done on that day. Say both, or neither.' });
    if (thrownOn === undefined && thrownWhy !== undefined)
      issues.push({ path: `${at}/thrownWhy`, message: 'Say on which day it was thrown away.' });
    if (ended.has(entry.id) && doneOn !== undefined)
      issues.push({ path: `${at}/doneOn`, message: 'What would go in here was thrown away before: nothing can be done with it.' });
  }
  file.readings.forEach((r, i) => {
    for (const seen of ['signs', 'bubbles', 'coverMm'] as const)
      if (r[seen] !== undefined && !jars.has(r.stationId))
        issues.push({ path: `readings/${i}/${seen}`, message: 'Only a jar is looked at like this.' });
    if (r.jar !== undefined && r.jar > jarsAt(file, r.stationId).count)
      issues.push({ path: `readings/${i}/jar`, message: 'There are not so many jars.' });
  });
  return issues;
}

/** A reading is one of these at least. */
export const SAYS = ['pH', 'tempC', 'signs', 'bubbles', 'coverMm', 'photo'] as const satisfies readonly (keyof Reading)[];

function readingIssues(file: BatchFile): FileIssue[] {
  const issues: FileIssue[] = [];
  const ids = new Set(stationsOf(file).map((s) => s.entry.id));
  file.readings.forEach((r, i) => {
    if (!ids.has(r.stationId)) issues.push({ path: `readings/${i}/stationId`, message: 'This reading belongs to no station.' });
    if (Number.isNaN(Date.parse(r.at))) issues.push({ path: `readings/${i}/at`, message: 'This is not a time.' });
    // An instant is in UTC, the start a day in the maker's zone: a day of grace between them.
    else if (r.at.slice(0, 10) < addDays(file.startDate, -1)) {
      issues.push({ path: `readings/${i}/at`, message: `A reading cannot be older than the batch, which starts on ${file.startDate}.` });
    }
    if (!SAYS.some((s) => r[s] !== undefined)) {
      issues.push({ path: `readings/${i}/pH`, message: 'A reading needs a pH, a temperature, or something that was seen.' });
    }
  });
  return issues;
}
