import { claimedHalfWidth } from '../acid';
import {
  forecastJar,
  HOUSE_PH,
  LEGAL_PH,
  passed,
  ONLY_SALTED_PCT,
  readinessOf,
  type Forecast,
  type ForecastInput,
  type Passed,
  type Readiness,
} from '../ferment';
import type { Quantiles } from '../ferment/forecast';
import type { BatchFile } from '../file';
import { massOf } from '../matter/stream';
import { BANDED, phOf, type Banded } from '../parcel';
import type { Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import { quantileSorted, Z_90 } from '../stat/normal';
import { jarBubbles, jarSigns, readingsOfJar, slowestJar, toldApart, type KindName } from '../stations';
import { stationKind } from '../stations';
import { drawSet, runWorlds, mlOf, valuesOf, wholeWorlds, type LineMemo, type Worlds } from './ensemble';
import { graphOf } from './graph';
import { additionsOf, runLine, type StationRun } from './run';
import type { FlowReport } from './flows';
import { reportTypical, type TypicalEnd, type TypicalOf, type TypicalReport } from './typical';
import { jarAsked } from './jar';
import { jarsOf, readingsAt } from './jars';
import { schedule } from './schedule';
import { seedOfFile } from './seed';

/** 10, 50 and 90 % of the ensemble after a station. */
export type Bands = Record<Banded, Quantiles | null>;
/** The report of a station, by its kind: a panel gets its own kind's. */
export type StationReport<K extends KindName = KindName> = { [N in K]: TypicalOf<N> & { band: Bands } }[K];

export interface JarForecast extends Forecast {
  stationId: string;
  /** Of several jars that are told apart the one it is of; null: of all, by the one that is furthest behind. */
  jar: number | null;
  /** What it was asked, to be asked again with something else. */
  asked: ForecastInput;
  /** Limits that readings show were passed: facts, not forecasts. */
  passed: { legal: Passed | null; house: Passed | null; target: Passed | null };
  /** Anything sours in it: nothing does in as much salt as keeps all of it raw. */
  sours: boolean;
  /** What was read or seen says to throw it away: no forecast stands beside that. */
  condemned: boolean;
  /** Whether it is done, by what was measured and seen. */
  readiness: Readiness;
}

/** What a sauce fills, over the worlds in which the line runs. */
export interface Fills {
  /** Whole bottles there is enough for, and ml of sauce in all. */
  bottles: Quantiles;
  ml: Quantiles;
  /** Share of the worlds in which there is enough for all that are wanted, 0 to 1; one that cannot run misses. */
  odds: number;
}

/** The same with what only many possible worlds can say. */
export interface EndReport extends TypicalEnd {
  heat: Quantiles;
  /** Share of members whose finished heat lands in the bracket, 0 to 1; a member that cannot run misses. */
  odds: number;
  fills: Fills;
}

/** The same with everything that only many possible worlds can say. */
export interface LineReport extends Omit<TypicalReport, 'stations' | 'ends'> {
  stations: StationReport[];
  ends: EndReport[];
  forecasts: JarForecast[];
  members: number;
  /** Members in which the line could not run. */
  failed: number;
}

export interface ReportOptions {
  today: Day;
  /** Members of the ensemble, at least 60. */
  members?: number;
  seed?: number;
  /** Leave the forecasts of jars out (small pictures do not need them). */
  forecast?: boolean;
}

/** Worlds of a report, where nobody asks for another number. */
export const WORLDS = 100;
/** Jars of a forecast for each world of the line: 300 for the usual 100. */
const JARS_PER_WORLD = 3;
const Z_90_OF_95 = Z_90 / 1.6449;

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
  const anchored = run.out.past.ferment !== null && additionsOf(run).length === 0;
  const half = claimedHalfWidth(result, massOf(run.out.stream) / 1000, { anchored });
  const claim = half * Z_90_OF_95;
  return { p10: Math.min(band.p10, result.pH - claim), p50: band.p50, p90: Math.max(band.p90, result.pH + claim) };
}

/** 10, 50 and 90 % of everything that carries a band, after a station. */
function bandsOf(worlds: Worlds, whole: readonly boolean[], run: StationRun): Bands {
  const values = valuesOf(worlds, run.id, whole);
  const band = {} as Bands;
  for (const b of BANDED) band[b] = values[b].length > 1 ? quantiles(values[b]) : null;
  if (band.pH) band.pH = widenPh(band.pH, run);
  return band;
}

/** Bottles of an end over its worlds; counted ones are what they are. */
function fillsOf(file: BatchFile, end: TypicalEnd, ml: readonly number[], members: number): Fills {
  const { entry } = graphOf(file).nodes.get(end.stationId)!;
  const each = stationKind(entry.kind).wantsMl?.(entry.params, { ...end.goal, bottles: 1 }) ?? 0;
  const counted = entry.log.bottles;
  const count = (x: number) => counted ?? (each > 0 ? Math.floor(x / each + 1e-9) : 0);
  const bottles = ml.map(count);
  if (ml.length === 0) return { bottles: NONE, ml: NONE, odds: 0 };
  return {
    bottles: quantiles([...bottles]),
    ml: quantiles([...ml]),
    odds: bottles.filter((n) => n >= end.goal.bottles).length / members,
  };
}
const NONE: Quantiles = { p10: 0, p50: 0, p90: 0 };

/** What the stations put in themselves: salt and water over the pods. */
export const packedIn = (report: LineReport): FlowReport[] => report.stations.flatMap((s) => s.made);

/**
 * The report of a batch in steps: first what is typical, then, station by station, its many worlds; the whole at the end.
 * Whoever drives it may stop between two steps. Throws LineProblem for parameters that cannot work.
 */
export function* reportSteps(
  file: BatchFile,
  options: ReportOptions,
  memo: LineMemo | null = null,
): Generator<TypicalReport | null, LineReport> {
  const members = Math.max(60, options.members ?? WORLDS);
  const seed = options.seed ?? seedOfFile(file);
  const runs = runLine(file, TYPICAL, true);
  const typical = reportTypical(file, options.today);
  yield typical;
  const steps = runWorlds(file, runs, drawSet(seed, members), memo);
  let step = steps.next();
  while (!step.done) {
    yield null;
    step = steps.next();
  }
  const worlds = step.value;
  const whole = wholeWorlds(worlds);
  const bands = new Map(runs.map((r) => [r.id, bandsOf(worlds, whole, r)]));
  return {
    ...typical,
    stations: typical.stations.map((s) => ({ ...s, band: bands.get(s.id)! }) as StationReport),
    ends: typical.ends.map((end): EndReport => {
      const { lowShu, highShu } = end.goal;
      const heat = valuesOf(worlds, end.stationId, whole).heatShu;
      return {
        ...end,
        heat: bands.get(end.stationId)!.heatShu ?? { p10: 0, p50: 0, p90: 0 },
        odds: heat.filter((h) => h >= lowShu && h <= highShu).length / members,
        fills: fillsOf(file, end, mlOf(worlds, end.stationId, whole), members),
      };
    }),
    forecasts: options.forecast === false ? [] : runs.flatMap((r) => jarForecasts(file, r, options.today, members)),
    members,
    failed: whole.filter((w) => !w).length,
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
  if (!before || before.stations.length !== typical.stations.length || before.ends.length !== typical.ends.length) return null;
  const bands = new Map(before.stations.map((s) => [s.id, s.band]));
  const ends = new Map(before.ends.map((e) => [e.strandId, e]));
  if (typical.stations.some((s) => !bands.has(s.id)) || typical.ends.some((e) => !ends.has(e.strandId))) return null;
  return {
    ...before,
    ...typical,
    stations: typical.stations.map((s) => ({ ...s, band: bands.get(s.id)! }) as StationReport),
    ends: typical.ends.map((e) => ({ ...ends.get(e.strandId)!, ...e })),
  };
}

/** The forecast of all the jars of a station, then of each that is told apart; empty where nothing lives. */
function jarForecasts(file: BatchFile, run: StationRun, today: Day, worlds: number): JarForecast[] {
  const { strand, entry } = graphOf(file).nodes.get(run.id)!;
  const { count, left } = jarsOf(strand, entry);
  const apart = count > 1 && toldApart(readingsAt(file, entry)) ? left : [];
  return [null, ...apart].flatMap((jar) => jarForecast(file, run, today, worlds, jar) ?? []);
}

/** The forecast of a jar; null where nothing lives, or nothing is there. */
function jarForecast(file: BatchFile, run: StationRun, today: Day, worlds: number, jar: number | null): JarForecast | null {
  const node = graphOf(file).nodes.get(run.id)!;
  const asked = jarAsked(file, node, run.bowl, today, jar ?? undefined);
  if (!asked) return null;
  const by = (pH: number) => passed(asked.readings, pH);
  const { from } = schedule(file).get(run.id)!;
  const all = readingsAt(file, node.entry);
  const of = jar ?? slowestJar(all, jarsOf(node.strand, node.entry).left);
  const readings = of === null ? all : readingsOfJar(all, of);
  // A jar without readings is as well known by fewer; one that was read takes all it was learnt with.
  const members = asked.readings.length > 0 ? asked.members : Math.min(asked.members, JARS_PER_WORLD * worlds);
  return {
    ...forecastJar({ ...asked, members }),
    stationId: run.id,
    jar,
    asked,
    condemned: run.out.past.ferment === 'condemned',
    sours: asked.conditions.saltPct <= ONLY_SALTED_PCT,
    readiness: readinessOf(
      { targetPh: asked.targetPh, leastDays: asked.leastDays, day: asked.now ?? 0, verdict: run.out.past.ferment ?? 'unread' },
      asked.readings,
      jarBubbles(readings, from),
      jarSigns(readings, from),
    ),
    passed: { legal: by(LEGAL_PH), house: by(HOUSE_PH), target: by(asked.targetPh) },
  };
}

/** The report of the first station of a kind. Throws RangeError when the line has none. */
export function reportOfKind<K extends KindName>(report: LineReport, kind: K): StationReport<K> {
  const found = report.stations.find((s) => s.kind === kind);
  if (!found) throw new RangeError(`This batch has no ${kind}`);
  return found as StationReport<K>;
}
