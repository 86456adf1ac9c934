import { claimedHalfWidth } from '../acid';
import type { Caution } from '../caution';
import { forecastJar, HOUSE_PH, LEGAL_PH, passed, type Forecast, type Passed } from '../ferment';
import type { Quantiles } from '../ferment/forecast';
import type { BatchFile, StationLog } from '../file';
import type { Keeping } from '../keep';
import type { Limit } from '../keep/limit';
import { colourOf } from '../matter/colour';
import { massOf } from '../matter/stream';
import { BANDED, NO_PARCEL, phOf, propsOf, type Banded, type Props } from '../parcel';
import { addDays, type Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import { quantileSorted } from '../stat/normal';
import { jarReadings, stationKind, type Duty, type FactsOf, type KindName, type StationView } from '../stations';
import { runWorlds, valuesOf, type LineMemo, type StationWorlds } from './ensemble';
import type { PhState } from './reading';
import { runLine, UNWEIGHED, type StationRun } from './run';
import { schedule, type StationDates } from './schedule';
import { seedOfFile } from './worlds';

export interface FlowReport {
  id: string;
  name: string;
  massG: number;
  hex: string;
  kept: boolean;
}

interface TypicalOf<K extends KindName> extends StationDates {
  id: string;
  kind: K;
  name: string;
  /** What the plan alone says, and what it says with everything measured so far. */
  planned: Props;
  now: Props;
  inG: number;
  additions: FlowReport[];
  sides: FlowReport[];
  facts: FactsOf<K> | null;
  log: StationLog;
  /** The measured pH here, and whether it counts. */
  ph: PhState;
  /** The pH of what comes out was measured on just that, here or before. */
  phMeasured: boolean;
  cautions: Caution[];
  duties: Duty[];
}
/** What is typical of a station, without bands. */
export type TypicalStation<K extends KindName = KindName> = { [N in K]: TypicalOf<N> }[K];
/** 10, 50 and 90 % of the ensemble after a station. */
export type Bands = Record<Banded, Quantiles | null>;
/** The report of a station, by its kind: a panel gets its own kind's. */
export type StationReport<K extends KindName = KindName> = { [N in K]: TypicalOf<N> & { band: Bands } }[K];

export interface JarForecast extends Forecast {
  stationId: string;
  /** Limits that readings show were passed: facts, not forecasts. */
  passed: { legal: Passed | null; house: Passed | null; target: Passed | null };
}

/** What a batch typically comes to: the first answer, ready in a few milliseconds. */
export interface TypicalReport {
  stations: TypicalStation[];
  finished: Props;
  bottles: { filled: number; wanted: number; possible: number; bottleMl: number; overMl: number };
  keeping: Keeping | null;
  duties: (Duty & { stationId: string; done: boolean })[];
  cautions: (Caution & { stationId: string })[];
  readyOn: Day;
}

/** The same with everything that only many possible worlds can say. */
export interface LineReport extends Omit<TypicalReport, 'stations'> {
  stations: StationReport[];
  heat: Quantiles;
  /** Share of members whose finished heat lands in the bracket, 0 to 1; a member that cannot run misses. */
  odds: number;
  forecast: JarForecast | null;
  members: number;
  /** Members in which the line could not run. */
  failed: number;
}

export interface ReportOptions {
  today: Day;
  /** Members of the ensemble, at least 60. */
  members?: number;
  seed?: number;
  /** Leave the forecast of the jar out (small pictures do not need it). */
  forecast?: boolean;
}

const Z_90_OF_95 = 1.2816 / 1.6449;

function quantiles(values: number[]): Quantiles {
  const sorted = values.sort((a, b) => a - b);
  return { p10: quantileSorted(sorted, 0.1), p50: quantileSorted(sorted, 0.5), p90: quantileSorted(sorted, 0.9) };
}

/**
 * The band of a predicted pH: never narrower than what may be claimed (chapter 3, section 9). The claim is read as
 * 5 to 95 %; the band is 10 to 90 %.
 */
function widenPh(band: Quantiles, run: StationRun): Quantiles {
  const result = phOf(run.out.stream);
  if (!result || run.out.past.ph) return band;
  const anchored = run.out.past.ferment !== null && run.additions.length === 0;
  const half = claimedHalfWidth(result, massOf(run.out.stream) / 1000, { anchored });
  const claim = half * Z_90_OF_95;
  return { p10: Math.min(band.p10, result.pH - claim), p50: band.p50, p90: Math.max(band.p90, result.pH + claim) };
}

/** 10, 50 and 90 % of everything that carries a band, at each station. */
function bandsOf(worlds: readonly StationWorlds[], typical: readonly StationRun[]): Bands[] {
  return typical.map((run, at) => {
    const values = valuesOf(worlds, at);
    const band = {} as Bands;
    for (const b of BANDED) band[b] = values[b].length > 1 ? quantiles(values[b]) : null;
    if (band.pH) band.pH = widenPh(band.pH, run);
    return band;
  });
}

function flowReport(flows: StationRun['sides']): FlowReport[] {
  return flows.map((f) => ({ id: f.id, name: f.name, massG: massOf(f.stream), hex: colourOf(f.stream), kept: f.kept ?? false }));
}

/** What comes in at stations that take neither pods nor what the maker puts into the jug: salt and water over the pods. */
export function packedIn(report: LineReport): FlowReport[] {
  return report.stations
    .filter((s) => !stationKind(s.kind).pods && !stationKind(s.kind).extras)
    .flatMap((s) => s.additions.filter((f) => f.id !== UNWEIGHED));
}

/** Typical values of the whole line, its dates, duties, cautions and keeping. Throws LineProblem. */
export function reportTypical(file: BatchFile, today: Day): TypicalReport {
  return typicalOf(file, runLine(file, TYPICAL, true), today);
}

function typicalOf(file: BatchFile, runs: readonly StationRun[], today: Day): TypicalReport {
  const dates = schedule(file);
  const plan = runLine(file, TYPICAL, false);
  const views: StationView<unknown, unknown>[] = [];
  const stations = runs.map((run, i) => {
    const entry = file.stations[i]!;
    const kind = stationKind(entry.kind);
    const date = dates[i]!;
    const now = propsOf(run.out.stream);
    const view: StationView<unknown, unknown> = {
      params: entry.params,
      log: entry.log,
      readings: file.readings.filter((r) => r.stationId === entry.id),
      goal: file.goal,
      from: date.from,
      to: date.to,
      today,
      done: date.done,
      active: date.active,
      after: now,
      out: run.out,
      past: run.input.past,
      facts: run.facts,
      phMeasured: run.out.past.ph !== null,
    };
    views.push(view);
    const doubt = phCaution(run);
    return {
      ...date,
      id: entry.id,
      kind: kind.kind,
      name: kind.name,
      planned: propsOf(plan[i]!.out.stream),
      now,
      inG: massOf(run.input.stream),
      additions: flowReport(run.additions),
      sides: flowReport(run.sides),
      facts: run.facts,
      log: entry.log,
      ph: run.ph,
      phMeasured: view.phMeasured,
      cautions: [...(doubt ? [doubt] : []), ...(kind.cautions?.(view) ?? [])],
      duties: date.done ? [] : (kind.duties?.(view) ?? []),
    } as TypicalStation;
  });

  const cautions = stations.flatMap((s) => s.cautions.map((c) => ({ ...c, stationId: s.id })));
  const end = stations.at(-1);
  const last = end && stationKind(end.kind);
  const bottled = last?.bottled && end!.facts ? last.bottled(end!.facts) : { filled: 0, possible: 0, overMl: 0 };
  const finished = end?.now ?? propsOf(NO_PARCEL.stream);
  const limits = cautions.flatMap((c): Limit[] => (c.keep ? [c.keep] : []));
  return {
    stations,
    finished,
    bottles: { ...bottled, wanted: file.goal.bottles, bottleMl: file.goal.bottleMl },
    keeping: last?.keeping && finished.massG > 0 ? last.keeping(views.at(-1)!, limits) : null,
    duties: stations.flatMap((s) => s.duties.map((d) => ({ ...d, stationId: s.id, done: file.dutiesDone.includes(d.key) }))),
    cautions,
    readyOn: end?.to ?? addDays(file.startDate, 0),
  };
}

/**
 * The report of a batch in steps: first what is typical, then, station by station, its many worlds; the whole at the end.
 * Whoever drives it may stop between two steps. Throws LineProblem for parameters that cannot work.
 */
export function* reportSteps(
  file: BatchFile,
  options: ReportOptions,
  memo: LineMemo | null = null,
): Generator<TypicalReport | null, LineReport> {
  const members = Math.max(60, options.members ?? 100);
  const seed = options.seed ?? seedOfFile(file);
  const runs = runLine(file, TYPICAL, true);
  const typical = typicalOf(file, runs, options.today);
  yield typical;
  const steps = runWorlds(file, runs, members, seed, memo);
  let step = steps.next();
  while (!step.done) {
    yield null;
    step = steps.next();
  }
  const worlds = step.value;
  const bands = bandsOf(worlds, runs);
  const { lowShu, highShu } = file.goal;
  const finalHeat = worlds.length > 0 ? valuesOf(worlds, worlds.length - 1).heatShu : [];
  return {
    ...typical,
    stations: typical.stations.map((s, i) => ({ ...s, band: bands[i]! }) as StationReport),
    heat: bands.at(-1)?.heatShu ?? { p10: 0, p50: 0, p90: 0 },
    odds: finalHeat.filter((h) => h >= lowShu && h <= highShu).length / members,
    forecast: options.forecast === false ? null : jarForecast(file, runs, members, seed),
    members,
    failed: (worlds.at(-1)?.runs ?? []).filter((r) => r === null).length,
  };
}

/**
 * Everything there is to say about a batch: the plan, what measurements made of it, bands, dates, duties and
 * cautions. The batch page, the worker, the server and the `line` command all call this. Throws LineProblem for
 * parameters that cannot work.
 */
export function reportLine(file: BatchFile, options: ReportOptions, memo: LineMemo | null = null): LineReport {
  const steps = reportSteps(file, options, memo);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** New typical values with the bands of the report before, until theirs are there; null when it was of another line. */
export function firstLook(typical: TypicalReport, before: LineReport | null): LineReport | null {
  if (!before || before.stations.length !== typical.stations.length) return null;
  if (typical.stations.some((s, i) => s.id !== before.stations[i]!.id)) return null;
  return { ...before, ...typical, stations: typical.stations.map((s, i) => ({ ...s, band: before.stations[i]!.band }) as StationReport) };
}

/** A reading that does not count is named as long as it stands there. */
function phCaution({ ph }: StationRun): Caution | null {
  if (ph.status !== 'old' && ph.status !== 'unlikely') return null;
  return {
    id: ph.status === 'old' ? 'ph-old' : 'ph-unlikely',
    severity: 'caution',
    text: ph.note!,
    why: 'A measured pH belongs to what it was measured on.',
    authority: 'common practice',
  };
}

function jarForecast(file: BatchFile, runs: readonly StationRun[], members: number, seed: number): JarForecast | null {
  const i = runs.findIndex((r) => stationKind(r.kind).forecast);
  const run = runs[i];
  if (!run || !(run.input.stream.grams.water > 0)) return null;
  const entry = file.stations[i]!;
  const input = stationKind(run.kind).forecast!(run.input, entry.params, members, seed);
  const { from, to } = schedule(file)[i]!;
  const read = jarReadings(
    file.readings.filter((r) => r.stationId === entry.id),
    entry.log,
    from,
    to,
  );
  const by = (pH: number) => passed(read, pH);
  return { ...forecastJar(input), stationId: run.id, passed: { legal: by(LEGAL_PH), house: by(HOUSE_PH), target: by(input.targetPh) } };
}

/** The report of the first station of a kind. Throws RangeError when the line has none. */
export function reportOfKind<K extends KindName>(report: LineReport, kind: K): StationReport<K> {
  const found = report.stations.find((s) => s.kind === kind);
  if (!found) throw new RangeError(`This batch has no ${kind}`);
  return found as StationReport<K>;
}
