import { bitterSeeds, handlingPods, pastItsDay, pastItsDays, stoodBefore, type Caution } from '../caution';
import type { Energy } from '../cook/energy';
import type { BatchFile, Goal, StationLog } from '../file';
import { couldBe, keepingOf, keepsLonger, NO_CLOCK, stateOf, type Clock, type Keeping, type Sauce, type SauceState } from '../keep';
import type { Limit } from '../keep/limit';
import { massOf } from '../matter/stream';
import { propsOf, type Props, type StoredStuff } from '../parcel';
import type { Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import { readyOn, stationKind, type Bottled, type Duty, type FactsOf, type KindName, type Minutes, type StationView } from '../stations';
import { clocksOf } from './clock';
import { endOf, endStrands } from './compose';
import {
  entersOf,
  flowReport,
  sideReport,
  strandReports,
  type EntersReport,
  type FlowReport,
  type SideReport,
  type StrandReport,
} from './flows';
import type { Eaten } from '../heat';
import { eatenOf } from '../styles';
import { filling } from './ensemble';
import { graphOf, upstreamOf, type Graph } from './graph';
import { jarsOf, readingsAt } from './jars';
import type { PhState } from './reading';
import { additionsOf, runLine, type StationRun } from './run';
import { activeStations, endedStations, lastDay, schedule, type StationDates } from './schedule';
import { UNWEIGHED } from './weighed';

export interface TypicalOf<K extends KindName> extends StationDates {
  id: string;
  kind: K;
  name: string;
  strandId: string;
  /** It can be worked on, and its day has come. */
  active: boolean;
  /** What the plan alone says, and what it says with everything measured so far. */
  planned: Props;
  now: Props;
  /** What came along the strand, and what was worked on, g. */
  inG: number;
  bowlG: number;
  additions: FlowReport[];
  /** Of these, what the station puts in itself: salt and water over the pods. */
  made: FlowReport[];
  sides: SideReport[];
  enters: EntersReport;
  minutes: Minutes;
  /** What it takes of the hob or the socket. */
  energy: readonly Energy[];
  facts: FactsOf<K> | null;
  log: StationLog;
  /** The measured pH here, and whether it counts. */
  ph: PhState;
  /** The pH of what comes out was measured on just that, here or before. */
  phMeasured: boolean;
  /** What comes out is one body: a reading of it is a reading of all of it. */
  blended: boolean;
  /** Since when what comes out can spoil, and how long it was warm. */
  clock: Clock;
  cautions: Caution[];
  /** Why it should not be ended today, as it stands; null where nothing speaks against it. */
  doubtsEnd: string | null;
  /** What is done there, as a recipe says it to somebody else. */
  step: string;
  duties: Duty[];
}
/** What is typical of a station, without bands. */
export type TypicalStation<K extends KindName = KindName> = { [N in K]: TypicalOf<N> }[K];

/** What a strand that ends in bottles typically comes to. */
export interface TypicalEnd {
  strandId: string;
  name: string;
  /** Its last station. */
  stationId: string;
  goal: Goal;
  /** How it is eaten: what its word for heat goes by. */
  eaten: Eaten;
  /** All of the sauce that is filled, also what of it fills no bottle. */
  finished: Props;
  bottles: Bottled & { wanted: number; bottleMl: number };
  /** What it fills. */
  vessel: 'bottle' | 'bowl';
  keeping: Keeping | null;
  /** The same, were its pH measured low enough and all done as planned; null where it keeps no longer then. */
  couldKeep: Keeping | null;
  /** What it is; null where nothing is in it. */
  state: SauceState | null;
  readyOn: Day;
}

/** What a batch typically comes to: the first answer, ready in a few milliseconds. */
export interface TypicalReport {
  /** Each after those it waits for. */
  stations: TypicalStation[];
  strands: StrandReport[];
  /** Strands that end in bottles; the first is the main one. */
  ends: TypicalEnd[];
  duties: (Duty & { stationId: string; done: boolean })[];
  cautions: (Caution & { stationId: string })[];
  readyOn: Day;
}

/** The last report of a file: whoever asks for it on a day is given the same. */
const known = new WeakMap<BatchFile, { today: Day; report: TypicalReport }>();

/** Typical values of the whole line, its dates, duties, cautions and keeping. Throws LineProblem. */
export function reportTypical(file: BatchFile, today: Day): TypicalReport {
  const had = known.get(file);
  if (had?.today === today) return had.report;
  const report = typicalOf(file, runLine(file, TYPICAL, true), today);
  known.set(file, { today, report });
  return report;
}

/** Things kept of other batches that go in at a station. */
function keptIn(file: BatchFile, run: StationRun): StoredStuff[] {
  const ids = run.taken.flatMap(({ intake: { origin }, flow }) => (origin.from === 'stored' && massOf(flow.stream) > 0 ? origin.id : []));
  return file.stored.filter((s) => ids.includes(s.id));
}

/** What the cautions of a station, and of all it waits for, say of how long a sauce may be kept. */
export function limitsAt(file: BatchFile, stations: readonly TypicalStation[], stationId: string): Limit[] {
  const onTheWay = new Set([...upstreamOf(graphOf(file), stationId), stationId]);
  return stations.flatMap((x) => (onTheWay.has(x.id) ? x.cautions.flatMap((c) => c.keep ?? []) : []));
}

type View = StationView<unknown, unknown>;

/** A station as duties and cautions see it. */
function viewOf(file: BatchFile, run: StationRun, now: Props, today: Day, active: boolean, clock: Clock): View {
  const { entry, strand } = graphOf(file).nodes.get(run.id)!;
  const { from, to, done } = schedule(file).get(run.id)!;
  return {
    params: entry.params,
    log: entry.log,
    readings: readingsAt(file, entry),
    jars: jarsOf(strand, entry).left,
    goal: strand.goal,
    ...{ from, to, today, done, active, clock, after: now, keeping: null, jarsAhead: jarsAhead(file, run.id) },
    out: run.out,
    past: run.bowl.past,
    facts: run.facts,
    phMeasured: run.out.past.ph !== null,
  };
}

/** No jar on the way to a station is ended. */
function jarsAhead(file: BatchFile, stationId: string): boolean {
  const { nodes } = graphOf(file);
  const jars = [...upstreamOf(graphOf(file), stationId)].filter((id) => stationKind(nodes.get(id)!.entry.kind).lives);
  return jars.every((id) => nodes.get(id)!.entry.log.doneOn === undefined);
}

/** What is filled somewhere, and how it keeps. */
type Kept = Pick<TypicalEnd, 'keeping' | 'couldKeep' | 'state'>;
function keptAs(sauce: Sauce | null, v: View, limits: readonly Limit[]): Kept {
  if (!sauce) return { keeping: null, couldKeep: null, state: null };
  const asked = { readyOn: readyOn(v), clock: v.clock, limits };
  const keeping = keepingOf(sauce, asked);
  const could = couldBe(sauce, v.jarsAhead);
  const better = could && keepingOf(could, asked);
  return { keeping, couldKeep: better && keepsLonger(better, keeping) ? better : null, state: stateOf(sauce) };
}

/** What is known of the stations before one: their cautions, by station. */
type Said = ReadonlyMap<string, readonly Caution[]>;

/** Cautions of all that a station waits for. */
const before = (graph: Graph, said: Said, stationId: string): Caution[] =>
  [...upstreamOf(graph, stationId)].flatMap((id) => said.get(id) ?? []);

/** Cautions of before that go with the stuff, once each. */
function carried(cautions: readonly Caution[]): Caution[] {
  const own = cautions.filter((c) => c.carries && c.severity !== 'note');
  return own.filter((c, i) => own.findIndex((d) => d.id === c.id && d.why === c.why) === i);
}

function typicalOf(file: BatchFile, runs: readonly StationRun[], today: Day): TypicalReport {
  const graph = graphOf(file);
  const dates = schedule(file);
  const plan = new Map(runLine(file, TYPICAL, false).map((r) => [r.id, r]));
  const active = activeStations(file, today);
  const ended = endedStations(file);
  const { out: clocks, waited } = clocksOf(file, runs, today);
  const said = new Map<string, readonly Caution[]>();
  const kept = new Map<string, Kept>();
  const stations = runs.map((run) => {
    const { entry, strand } = graph.nodes.get(run.id)!;
    const kind = stationKind(entry.kind);
    const date = dates.get(run.id)!;
    const now = propsOf(run.out);
    const bare = viewOf(file, run, now, today, active.has(run.id), clocks.get(run.id) ?? NO_CLOCK);
    const doubt = phCaution(run);
    const enters = entersOf(run);
    const bowlG = massOf(run.bowl.stream);
    const upstream = before(graph, said, run.id);
    const at = [
      ...(doubt ? [doubt] : []),
      // What burns is handled where it goes in, whatever is done there.
      ...handlingPods(enters.hottestShu),
      ...(enters.lots > 0 ? bitterSeeds(enters.seedShare) : []),
      ...keptIn(file, run).flatMap((stuff) => pastItsDay(stuff, date.to)),
      ...stoodBefore(waited.get(run.id) ?? 0),
      ...(kind.lives ? [] : carried(upstream)),
    ];
    const limits = [...upstream, ...at].flatMap((c) => c.keep ?? []);
    const told = keptAs(kind.fills?.(bare) ?? null, bare, [...limits, ...(kind.keepsAtMost ? [kind.keepsAtMost] : [])]);
    kept.set(run.id, told);
    const view: View = { ...bare, keeping: told.keeping };
    const late = clocks.get(run.id)?.late;
    const cautions = [...at, ...(late ? pastItsDays(late) : []), ...(kind.cautions?.(view) ?? [])];
    said.set(run.id, cautions);
    return {
      ...date,
      id: run.id,
      kind: kind.kind,
      name: kind.name,
      strandId: strand.id,
      active: view.active,
      planned: propsOf(plan.get(run.id)!.out),
      now,
      inG: massOf(run.along.stream),
      bowlG,
      additions: additionsOf(run).map(flowReport),
      made: run.made.filter((f) => f.id !== UNWEIGHED).map(flowReport),
      sides: run.sides.map((s) => sideReport(graph, run, s)),
      enters,
      minutes: kind.minutes(entry.params, bowlG),
      energy: run.facts && kind.energy ? kind.energy(entry.params, run.bowl.stream, run.facts) : [],
      facts: run.facts,
      log: entry.log,
      ph: run.ph,
      phMeasured: view.phMeasured,
      blended: run.out.past.blended,
      clock: view.clock,
      cautions,
      doubtsEnd: date.done || run.thrown ? null : (kind.doubtsEnd?.(view) ?? null),
      step: kind.step(view),
      duties: ended.has(run.id) || run.thrown ? [] : ((date.done ? kind.after?.(view) : kind.duties?.(view)) ?? []),
    } as TypicalStation;
  });
  return {
    stations,
    strands: strandReports(file, graph, runs),
    ends: endStrands(file).map((strand): TypicalEnd => {
      const stationId = endOf(strand).id;
      const s = stations.find((x) => x.id === stationId)!;
      const kind = stationKind(s.kind);
      const bottled = kind.bottled && s.facts ? kind.bottled(s.facts) : { filled: 0, possible: 0, filledMl: 0, overMl: 0 };
      return {
        strandId: strand.id,
        name: strand.name,
        stationId,
        goal: strand.goal,
        eaten: eatenOf(file, strand.goal),
        finished: propsOf(filling(runs.find((r) => r.id === stationId)!)),
        bottles: { ...bottled, wanted: strand.goal.bottles, bottleMl: strand.goal.bottleMl },
        vessel: kind.vessel ?? 'bottle',
        ...kept.get(stationId)!,
        readyOn: s.to,
      };
    }),
    duties: stations.flatMap((s) => s.duties.map((d) => ({ ...d, stationId: s.id, done: file.dutiesDone.includes(dutyKey(s.id, d.key)) }))),
    cautions: stations.flatMap((s) => s.cautions.map((c) => ({ ...c, stationId: s.id }))),
    readyOn: lastDay(file),
  };
}

/** A duty as a batch keeps that it was ticked off. */
export const dutyKey = (stationId: string, key: string): string => `${stationId}/${key}`;

/** A reading that does not count is named as long as it stands there. */
function phCaution({ ph }: StationRun): Caution | null {
  if (ph.status !== 'old' && ph.status !== 'unlikely') return null;
  return {
    id: ph.status === 'old' ? 'ph-old' : 'ph-unlikely',
    guide: 'measured',
    severity: 'caution',
    text: ph.note!,
    why: 'A measured pH belongs to what it was measured on.',
    authority: 'common practice',
  };
}

/** The report of a station. Throws RangeError when there is none. */
export function stationOf<S extends { id: string }>(report: { stations: readonly S[] }, stationId: string): S {
  const found = report.stations.find((s) => s.id === stationId);
  if (!found) throw new RangeError(`There is no station "${stationId}"`);
  return found;
}
