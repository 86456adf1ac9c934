import { pinPh } from '../acid';
import { LEGAL_PH } from '../ferment';
import type { BatchFile } from '../file';
import type { Ingredient } from '../matter/ingredient';
import { massOf } from '../matter/stream';
import { INSTRUMENT_SD, NO_PARCEL, phOf, scaleParcel, type MeasuredPh, type Parcel } from '../parcel';
import { acidWorld, type PodLot } from '../pantry';
import { TYPICAL, type Draw } from '../stat/draw';
import { stationKind, StationProblem, type FactsOf, type Flow, type KindName, type Outcome } from '../stations';
import { checkBalance } from './balance';
import { changedSince, NO_READING, phOn, readingAt, unlikely, type PhState } from './reading';
import { schedule, type StationDates } from './schedule';

interface RunOf<K extends KindName> extends Outcome<FactsOf<K>> {
  id: string;
  kind: K;
  input: Parcel;
  ph: PhState;
  /** By-products that may be taken further on, after this station. */
  kept: ReadonlyMap<string, Flow>;
}

/** What a station did in one run of the line. */
export type StationRun<K extends KindName = KindName> = { [N in K]: RunOf<N> }[K];

/** The run of the first station of a kind; undefined when the line has none. */
export function runOfKind<K extends KindName>(runs: readonly StationRun[], kind: K): StationRun<K> | undefined {
  return runs.find((r) => r.kind === kind) as StationRun<K> | undefined;
}

/** A parameter that cannot work, with the station it belongs to. */
export class LineProblem extends Error {
  constructor(
    readonly stationId: string,
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** The flow that a weighing lost or found: on a side what went missing, among the additions what nobody put in. */
export const UNWEIGHED = 'unweighed';

/** More than this over what went in is no matter of the scale (our judgement). */
const SCALE_SLACK = 1.05;

/** Brings the output to a weighed mass: what is missing left somewhere, what is extra came from somewhere. */
function pinMass(outcome: Outcome, input: Parcel, massG: number, typical: boolean): Outcome {
  const { out } = outcome;
  const mass = massOf(out.stream);
  if (!(mass > 0) || Math.abs(massG - mass) < 1e-9) return outcome;
  if (typical) {
    const went = outcome.additions.reduce((s, a) => s + massOf(a.stream), massOf(input.stream));
    if (massG > went * SCALE_SLACK)
      throw new StationProblem(
        'log/massG',
        `Only ${Math.round(went)} g went in here. Weigh without the bowl, or check what went in before.`,
      );
    const dry = mass - out.stream.grams.water;
    if (massG < dry)
      throw new StationProblem(
        'log/massG',
        `Even dried out it would weigh ${Math.ceil(dry)} g. Check the weight, or the amounts before it.`,
      );
  }
  const pinned = scaleParcel(out, massG / mass);
  const rest = scaleParcel(out, Math.abs(massG / mass - 1));
  if (massG < mass) {
    return { ...outcome, out: pinned, sides: [...outcome.sides, { id: UNWEIGHED, name: 'lost on the way', ...rest }] };
  }
  return { ...outcome, out: pinned, additions: [...outcome.additions, { id: UNWEIGHED, name: 'not accounted for', ...rest }] };
}

interface Known {
  lots: Map<string, PodLot>;
  rows: Map<string, Ingredient>;
  dates: StationDates[];
}
const known = new WeakMap<BatchFile, Known>();
/** What every world of a file shares. Files are never changed in place. */
function knownOf(file: BatchFile): Known {
  let had = known.get(file);
  if (!had) {
    had = {
      lots: new Map(file.lots.map((l) => [l.id, l])),
      rows: new Map(file.ingredients.map((i) => [i.key, i])),
      dates: schedule(file),
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
    if (!runs && !file.stations.some((s) => s.log.phOn)) return NONE_OLD;
    had = new Set((runs ?? runLine(file, TYPICAL)).filter((r) => r.ph.status === 'old').map((r) => r.id));
    oldReadings.set(file, had);
  }
  return had;
}

/** What the reading of a station says, once the typical line is known up to it. */
function judge(file: BatchFile, at: number, read: MeasuredPh, outcome: Outcome, predicted: number | null, lives: boolean): PhState {
  const entry = file.stations[at]!;
  const told = (status: PhState['status'], note: string | null): PhState => ({
    status,
    value: read.value,
    instrument: read.instrument,
    note,
  });
  const changed = entry.log.phOn && !lives && read.value === entry.log.pH ? changedSince(entry.log.phOn, outcome.out) : null;
  if (changed)
    return told(
      'old',
      `pH ${read.value.toFixed(2)} was measured before: ${changed}. It does not count any more. Measure what is there now.`,
    );
  const far = entry.log.phSure ? null : unlikely(read.value, predicted, outcome.out.past.blended);
  return far ? told('unlikely', `${far} Until you have, keep it cold.`) : told('measured', null);
}

/** One station in one world, on top of what came before it (null: it is the first). Throws LineProblem. */
export function runStation(
  file: BatchFile,
  at: number,
  before: StationRun | null,
  draw: Draw,
  measured: boolean,
  old: ReadonlySet<string>,
): StationRun {
  const { lots, rows, dates } = knownOf(file);
  const acids = acidWorld(draw);
  const entry = file.stations[at]!;
  const input = before?.out ?? NO_PARCEL;
  const kept = new Map(before?.kept);
  const kind = stationKind(entry.kind);
  const lives = kind.lives === true;
  const log = measured ? entry.log : {};
  const read = measured ? readingAt(file, entry, lives) : null;
  const find = <T>(map: Map<string, T>, key: string, what: string): T => {
    const found = map.get(key);
    if (!found) throw new LineProblem(entry.id, '', `The file does not carry the ${what} "${key}" that ${kind.name} names.`);
    return found;
  };
  const lot = (id: string): PodLot => find(lots, id, 'pod lot');
  const ingredient = (key: string): Ingredient => find(rows, key, 'ingredient');
  const shown = read ? read.value + INSTRUMENT_SD[read.instrument] * draw.z(`reading.${entry.id}`) : null;
  const readings = measured ? file.readings.filter((r) => r.stationId === entry.id) : [];
  const { from, to } = dates[at]!;
  let outcome: Outcome;
  let ph: PhState = NO_READING;
  try {
    const context = { draw, acids, lot, ingredient, log, pH: shown, readings, from, to, goal: file.goal, kept };
    outcome = kind.apply(input, entry.params, context);
    if (log.massG !== undefined) outcome = pinMass(outcome, input, log.massG, draw.typical);
    checkBalance(entry.kind, input.stream, outcome, draw.typical);
  } catch (error) {
    if (error instanceof StationProblem) throw new LineProblem(entry.id, error.field, error.message);
    throw error;
  }
  const { out } = outcome;
  if (read && out.stream.grams.water > 0) {
    const predicted = draw.typical && out.past.blended ? (phOf(out.stream)?.pH ?? null) : null;
    ph = draw.typical
      ? judge(file, at, read, outcome, predicted, lives)
      : { ...NO_READING, status: old.has(entry.id) ? 'old' : 'measured' };
    if (ph.status !== 'old') {
      // An unlikely reading lengthens nothing until it is confirmed; one above the line shortens at once.
      const counts = ph.status === 'measured' || read.value > LEGAL_PH;
      // Pods out of a jar that are read above the line tell what the jar was.
      const soured = out.past.ferment !== null && !out.past.blended && read.value > LEGAL_PH && out.past.ferment !== 'condemned';
      const past = { ...out.past, ph: counts ? read : null, ferment: soured ? ('doubtful' as const) : out.past.ferment };
      outcome = { ...outcome, out: { stream: pinPh(out.stream, shown!, acids), past } };
    } else outcome = { ...outcome, out: { ...out, past: { ...out.past, ph: null } } };
  }
  for (const side of outcome.sides) if (side.kept) kept.set(side.id, side);
  return { ...outcome, id: entry.id, kind: kind.kind, input, ph, kept } as StationRun;
}

/**
 * Runs the stations of a batch in order, in one possible world. With `measured` false the log is ignored
 * and the pure plan is run. Pure: the same file and draw give the same numbers. Mass, heat and strong ions are checked at
 * every station. Throws LineProblem when a parameter cannot work.
 */
export function runLine(file: BatchFile, draw: Draw, measured = true): StationRun[] {
  const old = measured && !draw.typical ? oldOf(file) : NONE_OLD;
  const runs: StationRun[] = [];
  for (let at = 0; at < file.stations.length; at++) runs.push(runStation(file, at, runs.at(-1) ?? null, draw, measured, old));
  if (measured && draw.typical) oldOf(file, runs);
  return runs;
}

/**
 * The file with each measured pH tied to what it was measured on. A new reading is tied to the amounts of now; one that
 * stands in `before` with the same value keeps what it was tied to. A line that cannot run ties nothing.
 */
export function tieReadings(before: BatchFile | null, after: BatchFile): BatchFile {
  if (!after.stations.some((s) => s.log.pH !== undefined && !s.log.phOn)) return after;
  let runs: StationRun[] | null = null;
  try {
    runs = runLine(after, TYPICAL);
  } catch {
    return after;
  }
  const stations = after.stations.map((s, i) => {
    if (s.log.pH === undefined || s.log.phOn) return s;
    const had = before?.stations.find((b) => b.id === s.id);
    const same = had?.log.phOn && had.log.pH === s.log.pH ? had.log.phOn : null;
    return { ...s, log: { ...s.log, phOn: same ?? phOn(runs[i]!.out) } };
  });
  return { ...after, stations };
}
