import { mapStations, seenEntry, stationsOf, type BatchFile, type Seen, type StationEntry, type Tool, type ToolKind } from '../file';
import { runLine, runOf, schedule, toolAt, withoutRound, withParams } from '../line';
import { massOf } from '../matter/stream';
import { daysBetween } from '../plan';
import { stationKind } from '../stations';
import { TYPICAL } from '../stat/draw';

/** Something a made batch showed that its plan did not know, and what it does to the next plan. */
export interface Lesson {
  /** Stable within the batch, so that it can be left out. */
  id: string;
  stationId: string;
  says: string;
  apply(file: BatchFile): BatchFile;
}

/** Smaller than this it is no lesson: within what scales and eyes do (our judgement). */
const WORTH_LOG = 0.03;
/** What a tool's book can hold. */
const MOST_LOG = 5;
const DOES: Partial<Record<ToolKind, string>> = { pot: 'boiled off', sieve: 'held back', blender: 'made it', place: 'soured it' };
const AS: Partial<Record<ToolKind, string>> = { blender: 'as thick as the tables say', place: 'as lively as the tables say' };

/** The tool a station was done with, or one that stands for whatever it was. */
function toolWith(file: BatchFile, entry: StationEntry, seen: Seen): Tool {
  const had = toolAt(file, entry);
  const { tool, toolLike } = stationKind(entry.kind);
  const like = { id: `as-${entry.id}`.slice(0, 64), kind: tool!, name: `as in ${file.name}`.slice(0, 60), seen: [] };
  const base: Tool = had ?? { ...like, ...toolLike?.(entry.params) };
  return { ...base, seen: [...base.seen.filter((s) => s.of !== seen.of), seen] };
}

/** What weighings and looks showed of pots, sieves and jugs. */
function toolLesson(file: BatchFile, entry: StationEntry, batchId: string, facts: unknown): Lesson | null {
  const kind = stationKind(entry.kind);
  const shown = kind.tool && kind.teaches && facts ? kind.teaches(facts, entry.log) : null;
  if (!shown || Math.abs(shown.log) < WORTH_LOG || Math.abs(shown.log) > MOST_LOG) return null;
  const where = { on: entry.log.doneOn ?? file.startDate, where: file.name, of: `${batchId}/${entry.id}` };
  const seen = seenEntry(kind.tool!, where, shown);
  const tool = toolWith(file, entry, seen);
  return {
    id: `tool/${entry.id}`,
    stationId: entry.id,
    says: `${kind.name}: the ${tool.kind} ${DOES[tool.kind] ?? 'did'} ${Math.exp(shown.log).toFixed(2)} times ${AS[tool.kind] ?? 'what the tables say'}.`,
    apply: (f) => ({
      ...mapStations(f, (e) => (e.id === entry.id ? { ...e, toolId: tool.id } : e)),
      tools: [...(f.tools ?? []).filter((t) => t.id !== tool.id), tool],
    }),
  };
}

/** What its being done showed of a station's own parameters. */
function ownLesson(file: BatchFile, entry: StationEntry, inG: number): Lesson | null {
  const kind = stationKind(entry.kind);
  const date = schedule(file).get(entry.id)!;
  const seen = { inG, log: entry.log, stoodDays: date.done ? daysBetween(date.from, date.to) : null };
  const shown = kind.showed?.(entry.params, seen);
  if (!shown) return null;
  return {
    id: `own/${entry.id}`,
    stationId: entry.id,
    says: `${kind.name}: ${shown.says}`,
    apply: (f) => withParams(f, entry.id, shown.params),
  };
}

/** What was stirred in by taste, and in whose words; left out, the next batch begins without it. */
function trimLesson(file: BatchFile, entry: StationEntry): Lesson | null {
  const rounds = entry.log.rounds ?? [];
  const put = rounds.flatMap((r) => r.put);
  if (put.length === 0) return null;
  const nameOf = (id: string) => file.ingredients.find((i) => i.key === id)?.name ?? file.lots.find((l) => l.id === id)?.name ?? id;
  const g = new Map<string, number>();
  for (const p of put) g.set(p.of, (g.get(p.of) ?? 0) + p.g);
  const said = [
    ...new Set(
      rounds.flatMap((r) =>
        Object.entries(r.says).flatMap(([rail, w]) => (w === 'right' ? [] : [`${w === 'much' ? 'too much' : 'too little'} ${rail}`])),
      ),
    ),
  ];
  return {
    id: `trim/${entry.id}`,
    stationId: entry.id,
    says: `Put right by taste${said.length > 0 ? ` (${said.join(', ')})` : ''}: ${[...g].map(([id, x]) => `${x < 10 ? x.toFixed(1) : Math.round(x)} g ${nameOf(id).split(',')[0]!.toLowerCase()}`).join(', ')}. It goes in again.`,
    // What rounds came to stands at the station already: nothing is to be done but to keep it.
    apply: (f) => f,
  };
}

/** What a made batch showed, station by station. `batchId` names it in what tools remember. Throws LineProblem. */
export function lessonsOf(file: BatchFile, batchId: string): Lesson[] {
  const runs = runLine(file, TYPICAL, true);
  return stationsOf(file).flatMap(({ entry }) => {
    const run = runOf(runs, entry.id);
    return [toolLesson(file, entry, batchId, run.facts), ownLesson(file, entry, massOf(run.bowl.stream)), trimLesson(file, entry)].filter(
      (l): l is Lesson => l !== null,
    );
  });
}

/**
 * The batch as it was begun: no days, weights or readings; what was tasted and put in stays unless it is left out. What was
 * said of the sauce that came of it is not said of the next one.
 */
export function unmade(file: BatchFile, without: ReadonlySet<string>): BatchFile {
  let bare = file;
  for (const { entry } of stationsOf(file))
    if (without.has(`trim/${entry.id}`)) for (const r of entry.log.rounds ?? []) bare = withoutRound(bare, entry.id, r.id);
  const planned = mapStations(bare, (e) => {
    const { note } = e.log;
    return { ...e, log: note === undefined || stationKind(e.kind).bottled ? {} : { note } };
  });
  return { ...planned, readings: [], dutiesDone: [] };
}
