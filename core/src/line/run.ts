import { pinPh } from '../acid';
import { LEGAL_PH } from '../ferment';
import { gramsOf, learntOf, stationsOf, type BatchFile, type Intake, type StationEntry } from '../file';
import type { Ingredient } from '../matter/ingredient';
import { massOf, mix, EMPTY } from '../matter/stream';
import { join, lookedAt, NO_PARCEL, parcel, phOf, scaleParcel, type MeasuredPh, type Parcel, type StoredStuff } from '../parcel';
import { acidWorld, type PodLot } from '../pantry';
import { drawAt, TYPICAL, type Draw } from '../stat/draw';
import {
  stationKind,
  StationProblem,
  type FactsOf,
  type Flow,
  type JarTold,
  type KindName,
  type Outcome,
  type StationContext,
} from '../stations';
import { checkBalance, type Booked } from './balance';
import { graphOf, handOut, outletOf, takerKey, upstreamOf, type Graph, type Node } from './graph';
import { jarTold } from './jar';
import { jarsOf, readingsAt } from './jars';
import { nothing, stirred, take, type Stores, type Taken } from './intake';
import { LineProblem } from './problem';
import { changedSince, NO_READING, readingAt, unlikely, type PhState } from './reading';
import { endedStations, schedule } from './schedule';
import { refuseSlips } from './slips';
import { toolAt } from './toolAt';
import { pinMass } from './weighed';

interface RunOf<K extends KindName> extends Outcome<FactsOf<K>> {
  id: string;
  kind: K;
  /** What came along the strand. */
  along: Parcel;
  /** What went in here. */
  taken: readonly Taken[];
  /** What the station worked on: what came along, and what went in at once. */
  bowl: Parcel;
  ph: PhState;
  /** What was there was thrown away: nothing of it goes on. */
  thrown: boolean;
}

/** What a station did in one run of the line. */
export type StationRun<K extends KindName = KindName> = { [N in K]: RunOf<N> }[K];

/** The run of the first station of a kind; undefined when the line has none. */
export function runOfKind<K extends KindName>(runs: readonly StationRun[], kind: K): StationRun<K> | undefined {
  return runs.find((r) => r.kind === kind) as StationRun<K> | undefined;
}

/** The run of a station. Throws RangeError when it did not run. */
export function runOf(runs: readonly StationRun[], stationId: string): StationRun {
  const found = runs.find((r) => r.id === stationId);
  if (!found) throw new RangeError(`There is no station "${stationId}"`);
  return found;
}

/** Everything that was put in at a station: intakes, and what the station adds itself. */
export const additionsOf = (run: StationRun): Flow[] => [
  ...run.taken.filter((t) => massOf(t.flow.stream) > 0).map((t) => t.flow),
  ...run.made,
];

/** A run as the books see it. */
export const bookedOf = (run: StationRun): Booked => ({ ...run, additions: additionsOf(run) });

interface Known {
  graph: Graph;
  lots: Map<string, PodLot>;
  rows: Map<string, Ingredient>;
  stored: Map<string, StoredStuff>;
}
const known = new WeakMap<BatchFile, Known>();
/** What every world of a file shares. Files are never changed in place. */
function knownOf(file: BatchFile): Known {
  let had = known.get(file);
  if (!had) {
    had = {
      graph: graphOf(file),
      lots: new Map(file.lots.map((l) => [l.id, l])),
      rows: new Map(file.ingredients.map((i) => [i.key, i])),
      stored: new Map(file.stored.map((s) => [s.id, s])),
    };
    known.set(file, had);
  }
  return had;
}

/** Which readings of a file belong to amounts that have changed since, by station. */
const NONE_OLD: ReadonlySet<string> = new Set();
const oldReadings = new WeakMap<BatchFile, ReadonlySet<string>>();
export function oldOf(file: BatchFile, runs?: readonly StationRun[]): ReadonlySet<string> {
  let had = oldReadings.get(file);
  if (!had) {
    if (!runs && !stationsOf(file).some((s) => s.entry.log.phOn)) return NONE_OLD;
    had = new Set((runs ?? runLine(file, TYPICAL)).filter((r) => r.ph.status === 'old').map((r) => r.id));
    oldReadings.set(file, had);
  }
  return had;
}

/** What the reading of a station says, once the typical line is known up to it. */
function judge(entry: StationEntry, read: MeasuredPh, outcome: Outcome, predicted: number | null, lives: boolean): PhState {
  const told = (status: PhState['status'], note: string | null): PhState => ({
    status,
    value: read.value,
    instrument: read.instrument,
    note,
  });
  const changed = entry.log.phOn && !lives && read.value === entry.log.pH ? changedSince(entry.log.phOn, outcome.out, entry) : null;
  if (changed)
    return told(
      'old',
      `pH ${read.value.toFixed(2)} was measured before: ${changed}. It does not count any more. Measure what is there now.`,
    );
  const far = entry.log.phSure ? null : unlikely(read.value, predicted);
  return far ? told('unlikely', `${far} Until you have, keep it cold.`) : told('measured', null);
}

/** What a run hands on to the stations after it. */
export type Given = Pick<StationRun, 'id' | 'kind' | 'out' | 'sides'> & { hadStuff: boolean };
export const givenOf = ({ id, kind, out, sides, bowl, thrown }: StationRun): Given => ({
  ...{ id, kind, out, sides },
  // Of what was thrown away nobody is promised anything.
  hadStuff: !thrown && massOf(bowl.stream) > 0,
});

/** What a station upstream handed on, in the same world. */
export type Find = (stationId: string) => Given;

/** What an outlet holds in a world, by the station that fills it. */
function outletParcel(origin: Intake['origin'], run: Given, strandName: string): { whole: Parcel; id: string; name: string } {
  if (origin.from !== 'side') return { whole: run.out, id: run.id, name: strandName };
  const side = run.sides.find((s) => s.id === origin.side);
  const name = stationKind(run.kind).gives?.[origin.side] ?? origin.side;
  return { whole: side ?? NO_PARCEL, id: origin.side, name: `own ${name}` };
}

/** An outcome without the share that was thrown away with its jars. */
const withoutJars = (outcome: Outcome, share: number): Outcome => ({
  ...outcome,
  out: scaleParcel(outcome.out, 1 - share),
  sides: [...outcome.sides, { id: 'thrown', name: 'thrown away', ...scaleParcel(outcome.out, share) }],
});

/** More asked for than there is, by no more than a scale shows, is no matter, g. */
const SCALE_G = 0.5;
/** One station in one world, on top of those it waits for. Throws LineProblem. */
export function runStation(file: BatchFile, node: Node, find: Find, draw: Draw, measured: boolean, old: ReadonlySet<string>): StationRun {
  const { graph, lots, rows, stored } = knownOf(file);
  const { entry, strand } = node;
  const own = drawAt(draw, entry.id);
  const acids = acidWorld(draw);
  const along = node.before === null ? NO_PARCEL : find(node.before).out;
  const kind = stationKind(entry.kind);
  const lives = kind.lives === true;
  const log = measured ? entry.log : {};
  const read = measured ? readingAt(file, entry, lives) : null;
  const lookUp = <T>(map: Map<string, T>, key: string, what: string): T => {
    const found = map.get(key);
    if (!found) throw new LineProblem(entry.id, '', `The file does not carry the ${what} "${key}" that ${kind.name} names.`);
    return found;
  };
  const stores: Stores = {
    lot: (id) => lookUp(lots, id, 'pod lot'),
    row: (key) => lookUp(rows, key, 'ingredient'),
    stored: (id) => lookUp(stored, id, 'stored thing'),
    outlet: (intake) => fromOutlet(file, graph, entry, intake, find, draw.typical),
  };
  const taken = takeAll(node, endedStations(file).has(node.id), along, stores, draw, own);
  const inTime = (t: Taken) => !(kind.lasts && t.intake.late);
  const bowl = stirred(along, taken.filter(inTime), stores);
  const lateTaken = taken.filter((t) => !inTime(t));
  const late = lateTaken.map((t) => t.stays);
  const lateG = late.reduce((s, p) => s + massOf(p.stream), 0);
  const knife = taken.flatMap((t) => t.goes ?? []);
  const shown = read ? read.value + read.sd * draw.z(`reading.${entry.id}`) : null;
  const jars = measured ? jarsOf(strand, entry) : { count: 1, left: [1] };
  const context: StationContext = {
    ...{ draw, own, acids, ingredient: stores.row, log, pH: shown, goal: strand.goal, ahead: isAhead(file, graph, entry.id) },
    days: () => schedule(file).get(entry.id)!,
    jar: () => (measured ? jarOf(file, node, draw.typical ? bowl : null) : null),
    massG: log.massG === undefined ? null : Math.max(0, log.massG - lateG),
    tool: toolOf(file, entry),
    readings: measured ? readingsAt(file, entry) : [],
    jars: jars.left,
  };
  let outcome: Outcome;
  let ph: PhState = NO_READING;
  try {
    if (draw.typical) {
      if (log.doneOn !== undefined && !(massOf(bowl.stream) + lateG > 0))
        throw new StationProblem('log/doneOn', 'There is nothing here yet. Choose the pods first.');
      refuseSlips(entry, along, taken, join(bowl, ...late));
    }
    outcome = kind.apply(bowl, entry.params, context);
    if (jars.left.length < jars.count) outcome = withoutJars(outcome, 1 - jars.left.length / jars.count);
    if (late.length > 0) outcome = { ...outcome, out: stirred(outcome.out, lateTaken, stores) };
    if (knife.length > 0)
      outcome = { ...outcome, sides: [{ id: 'trimmings', name: 'stems and cores', ...parcel(mix(EMPTY, ...knife)) }, ...outcome.sides] };
    const wentG = taken.reduce((s, t) => s + massOf(t.flow.stream), massOf(along.stream));
    if (log.massG !== undefined) outcome = pinMass(outcome, wentG, log.massG, draw.typical);
    const additions = [...taken.map((t) => t.flow), ...outcome.made];
    checkBalance(entry.kind, along.stream, { ...outcome, additions }, draw.typical);
  } catch (error) {
    if (error instanceof StationProblem) throw new LineProblem(entry.id, error.field, error.message);
    throw error;
  }
  if (log.look !== undefined) outcome = { ...outcome, out: lookedAt(outcome.out, log.look) };
  const { out } = outcome;
  if (read && out.stream.grams.water > 0) {
    const blended = out.past.blended || read.ofBlended === true;
    const predicted = draw.typical && blended ? (phOf(out.stream)?.pH ?? null) : null;
    ph = draw.typical ? judge(entry, read, outcome, predicted, lives) : { ...NO_READING, status: old.has(entry.id) ? 'old' : 'measured' };
    if (ph.status !== 'old') {
      // An unlikely reading lengthens nothing until it is confirmed; one above the line shortens at once.
      const counts = ph.status === 'measured' || read.value > LEGAL_PH;
      // Pods out of a jar that are read above the line tell what the jar was.
      const soured = out.past.ferment !== null && !out.past.blended && read.value > LEGAL_PH && out.past.ferment !== 'condemned';
      const past = { ...out.past, ph: counts ? read : null, ferment: soured ? ('doubtful' as const) : out.past.ferment };
      outcome = { ...outcome, out: { stream: pinPh(out.stream, shown!, acids), past } };
    } else outcome = { ...outcome, out: { ...out, past: { ...out.past, ph: null } } };
  }
  const thrown = log.thrownOn !== undefined;
  if (thrown) outcome = { ...outcome, out: NO_PARCEL, sides: [...outcome.sides, { id: 'thrown', name: 'thrown away', ...outcome.out }] };
  const { sides, made, change, heatLossShuG, facts, anew = false, warmH = 0 } = outcome;
  const rest = { ...(change ? { change } : {}), ...(heatLossShuG === undefined ? {} : { heatLossShuG }) };
  return {
    id: entry.id,
    kind: kind.kind,
    along,
    taken,
    bowl,
    ph,
    thrown,
    out: outcome.out,
    sides,
    made,
    facts,
    anew,
    warmH,
    ...rest,
  } as StationRun;
}

const aheads = new WeakMap<BatchFile, ReadonlySet<string>>();
/** Whether neither a station nor anything after it is done: what it does is still a plan. */
function isAhead(file: BatchFile, graph: Graph, id: string): boolean {
  let behind = aheads.get(file);
  if (!behind) {
    const done = graph.order.filter((n) => n.entry.log.doneOn !== undefined).map((n) => n.id);
    behind = new Set(done.flatMap((d) => [d, ...upstreamOf(graph, d)]));
    aheads.set(file, behind);
  }
  return !behind.has(id);
}

const jars = new WeakMap<BatchFile, Map<string, JarTold | null>>();
/** What the readings of a station's jar tell: the same in every world, and worked out in the typical one. */
function jarOf(file: BatchFile, node: Node, typicalBowl: Parcel | null): JarTold | null {
  let known = jars.get(file);
  if (!known) jars.set(file, (known = new Map()));
  if (!known.has(node.id)) known.set(node.id, jarTold(file, node, typicalBowl ?? runUpTo(file, node.id).bowl));
  return known.get(node.id)!;
}

/** The tool of a station, with what its weighings say; null where none is named. */
function toolOf(file: BatchFile, entry: StationEntry): StationContext['tool'] {
  const tool = toolAt(file, entry);
  return tool ? { ...tool, learnt: learntOf(tool) } : null;
}

/** Everything that goes in at a station: nothing where it `ended` before. What only seasons waits for something to season. */
function takeAll(node: Node, ended: boolean, along: Parcel, stores: Stores, draw: Draw, own: Draw): Taken[] {
  const { entry, at } = node;
  const made = entry.intakes.map((intake): Taken => {
    const { origin } = intake;
    const g = gramsOf(intake.amount) ?? 0;
    if (ended || (outletOf(origin) === null && !(g > 0))) return nothing(intake);
    return take(intake, g, stores, draw, own);
  });
  const stuff = massOf(along.stream) > 0 || made.some((t) => t.intake.origin.from !== 'larder' && massOf(t.stays.stream) > 0);
  const waits = !stuff && at > 0 && stationKind(entry.kind).needsStuff === true;
  return waits ? made.map((t) => nothing(t.intake)) : made;
}

/** What an outlet hands to an intake in one world. Throws LineProblem where the typical world has less than was promised. */
function fromOutlet(file: BatchFile, graph: Graph, entry: StationEntry, intake: Intake, find: Find, typical: boolean) {
  const { origin } = intake;
  const strand = origin.from === 'strand' ? file.strands.find((s) => s.id === origin.strandId)! : null;
  const giver = find(origin.from === 'side' ? origin.stationId : strand!.stations.at(-1)!.id);
  const { whole, id, name } = outletParcel(origin, giver, strand?.name ?? '');
  const totalG = massOf(whole.stream);
  const { shares, shortG } = handOut(graph.takers.get(outletOf(origin)!)!, totalG);
  if (typical && shortG > SCALE_G && gramsOf(intake.amount) !== null && gramsOf(intake.amount)! > 0) {
    const field = `intakes/${entry.intakes.indexOf(intake)}/amount`;
    const what = name.replace(/^own /, '');
    // A batch that has nothing in it yet promises nothing.
    if (totalG > 0) throw new LineProblem(entry.id, field, `Only ${Math.floor(totalG)} g of ${what} are there for all that take of it.`);
    if (giver.hadStuff) throw new LineProblem(entry.id, field, `There is no ${what} to take.`);
  }
  const share = shares.get(takerKey(entry.id, intake.id)) ?? 0;
  return {
    parcel: scaleParcel(whole, share),
    id: origin.from === 'strand' ? `strand:${strand!.id}` : id,
    name,
  };
}

const typical = { plan: new WeakMap<BatchFile, Map<string, StationRun>>(), measured: new WeakMap<BatchFile, Map<string, StationRun>>() };
/** What is known already of the typical world of a file. */
function typicalOf(file: BatchFile, measured: boolean): Map<string, StationRun> {
  const known = measured ? typical.measured : typical.plan;
  let runs = known.get(file);
  if (!runs) known.set(file, (runs = new Map()));
  return runs;
}

/**
 * Runs the stations of a batch, each after those it waits for, in one possible world. With `measured` false the log is
 * ignored and the pure plan is run; with `only` no others are run, and these must hold all they wait for. Pure: the same
 * file and draw give the same numbers. Mass, heat and strong ions are checked at every station. Throws LineProblem when a
 * parameter cannot work.
 */
export function runLine(file: BatchFile, draw: Draw, measured = true, only?: ReadonlySet<string>): StationRun[] {
  const { graph } = knownOf(file);
  const old = measured && !draw.typical ? oldOf(file) : NONE_OLD;
  // The typical world of a file is run once, whoever asks for which part of it.
  const runs = draw.typical ? typicalOf(file, measured) : new Map<string, StationRun>();
  const find: Find = (id) => givenOf(runs.get(id)!);
  const all: StationRun[] = [];
  for (const node of graph.order) {
    if (only && !only.has(node.id)) continue;
    let run = runs.get(node.id);
    if (!run) runs.set(node.id, (run = runStation(file, node, find, draw, measured, old)));
    all.push(run);
  }
  if (measured && draw.typical && !only) oldOf(file, all);
  return all;
}

/** The run of one station and of all it waits for; nothing after it need work. Throws LineProblem. */
export function runUpTo(file: BatchFile, stationId: string, draw: Draw = TYPICAL, measured = true): StationRun {
  const graph = graphOf(file);
  return runOf(runLine(file, draw, measured, new Set([...upstreamOf(graph, stationId), stationId])), stationId);
}
