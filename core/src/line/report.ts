import { claimedHalfWidth } from '../acid';
import type { Caution } from '../caution';
import type { Keeping } from '../caution';
import { forecastJar, type Forecast } from '../ferment';
import type { Quantiles } from '../ferment/forecast';
import { massOf } from '../matter/stream';
import { colourOf } from '../matter/colour';
import { addDays, type Day } from '../plan';
import { drawEnsemble, seedOf, TYPICAL } from '../stat/draw';
import { quantileSorted } from '../stat/normal';
import { stationKind, type Duty, type Facts, type StationView } from '../stations';
import type { BatchFile, StationLog } from './file';
import { BANDED, phOf, propsOf, type Banded, type Props } from './props';
import { runLine, type StationRun } from './run';
import { schedule, type StationDates } from './schedule';

export interface FlowReport {
  id: string;
  name: string;
  massG: number;
  hex: string;
  kept: boolean;
}

export interface StationReport extends StationDates {
  id: string;
  kind: string;
  name: string;
  /** What the plan alone says, and what it says with everything measured so far. */
  planned: Props;
  now: Props;
  /** 10, 50 and 90 % of the ensemble after this station. */
  band: Record<Banded, Quantiles | null>;
  inG: number;
  additions: FlowReport[];
  sides: FlowReport[];
  facts: Facts;
  log: StationLog;
  phMeasured: boolean;
  cautions: Caution[];
  duties: Duty[];
}

export interface LineReport {
  stations: StationReport[];
  finished: Props;
  heat: Quantiles;
  /** Share of members whose finished heat lands in the bracket, 0 to 1. */
  odds: number;
  bottles: { filled: number; wanted: number; possible: number; bottleMl: number; overMl: number };
  keeping: Keeping | null;
  forecast: (Forecast & { stationId: string }) | null;
  duties: (Duty & { stationId: string; done: boolean })[];
  cautions: (Caution & { stationId: string })[];
  readyOn: Day;
  members: number;
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
  const result = phOf(run.out);
  if (!result || run.phMeasured) return band;
  const half = claimedHalfWidth(result, massOf(run.out) / 1000, { anchored: run.known.fermented === true && run.additions.length === 0 });
  const claim = half * Z_90_OF_95;
  return { p10: Math.min(band.p10, result.pH - claim), p50: band.p50, p90: Math.max(band.p90, result.pH + claim) };
}

function bandsOf(file: BatchFile, typical: readonly StationRun[], members: number, seed: number) {
  const draws = drawEnsemble(seed, members);
  const values = typical.map(() => Object.fromEntries(BANDED.map((b) => [b, [] as number[]])) as Record<Banded, number[]>);
  for (const draw of draws) {
    runLine(file, draw).forEach((run, i) => {
      const props = propsOf(run.out);
      for (const b of BANDED) {
        const v = props[b];
        if (v !== null) values[i]![b].push(v);
      }
    });
  }
  const bands = values.map((v, i) => {
    const band = {} as Record<Banded, Quantiles | null>;
    for (const b of BANDED) band[b] = v[b].length > 1 ? quantiles([...v[b]]) : null;
    if (band.pH) band.pH = widenPh(band.pH, typical[i]!);
    return band;
  });
  return { bands, finalHeat: values.at(-1)?.heatShu ?? [] };
}

function flowReport(flows: StationRun['sides']): FlowReport[] {
  return flows.map((f) => ({ id: f.id, name: f.name, massG: massOf(f.stream), hex: colourOf(f.stream), kept: f.kept ?? false }));
}

/**
 * Everything there is to say about a batch: the plan, what measurements made of it, bands, dates, duties and
 * cautions. The batch page, the worker, the server and the `line` command all call this. Throws LineProblem for
 * parameters that cannot work.
 */
export function reportLine(file: BatchFile, options: ReportOptions): LineReport {
  const members = Math.max(60, options.members ?? 100);
  const seed = options.seed ?? seedOf(file.name + file.startDate);
  const dates = schedule(file);
  const plan = runLine(file, TYPICAL, false);
  const runs = runLine(file, TYPICAL, true);
  const { bands, finalHeat } = bandsOf(file, runs, members, seed);

  const views: StationView<unknown>[] = [];
  const stations = runs.map((run, i): StationReport => {
    const entry = file.stations[i]!;
    const kind = stationKind(entry.kind);
    const date = dates[i]!;
    const now = propsOf(run.out);
    const view: StationView<unknown> = {
      params: entry.params,
      log: entry.log,
      readings: file.readings.filter((r) => r.stationId === entry.id),
      goal: file.goal,
      from: date.from,
      to: date.to,
      today: options.today,
      done: date.done,
      active: date.active,
      before: propsOf(run.input),
      after: now,
      facts: run.facts,
      known: { ...run.known, ...(entry.log.pH === undefined ? {} : { phInstrument: entry.log.instrument ?? 'strip' }) },
      phMeasured: run.phMeasured,
      ingredients: run.ingredients,
    };
    views.push(view);
    return {
      ...date,
      id: entry.id,
      kind: entry.kind,
      name: kind.name,
      planned: propsOf(plan[i]!.out),
      now,
      band: bands[i]!,
      inG: massOf(run.input),
      additions: flowReport(run.additions),
      sides: flowReport(run.sides),
      facts: run.facts,
      log: entry.log,
      phMeasured: run.phMeasured,
      cautions: kind.cautions?.(view) ?? [],
      duties: date.done ? [] : (kind.duties?.(view) ?? []),
    };
  });

  const end = stations.at(-1);
  const facts = end?.facts ?? {};
  const { lowShu, highShu } = file.goal;
  const inside = finalHeat.filter((h) => h >= lowShu && h <= highShu).length;
  const finished = end?.now ?? propsOf(runs[0]?.input ?? plan[0]!.input);
  const lastView = views.at(-1);
  const keeping = file.stations.length > 0 ? stationKind(file.stations.at(-1)!.kind).keeping : undefined;
  return {
    stations,
    finished,
    heat: end?.band.heatShu ?? { p10: 0, p50: 0, p90: 0 },
    odds: finalHeat.length > 0 ? inside / finalHeat.length : 0,
    bottles: {
      filled: Number(facts.bottles ?? 0),
      wanted: file.goal.bottles,
      possible: Number(facts.possible ?? 0),
      bottleMl: file.goal.bottleMl,
      overMl: Number(facts.overMl ?? 0),
    },
    keeping: keeping && lastView && finished.massG > 0 ? keeping(lastView) : null,
    forecast: options.forecast === false ? null : jarForecast(file, runs, members, seed),
    duties: stations.flatMap((s) => s.duties.map((d) => ({ ...d, stationId: s.id, done: file.dutiesDone.includes(d.key) }))),
    cautions: stations.flatMap((s) => s.cautions.map((c) => ({ ...c, stationId: s.id }))),
    readyOn: end?.to ?? addDays(file.startDate, 0),
    members,
  };
}

function jarForecast(file: BatchFile, runs: readonly StationRun[], members: number, seed: number) {
  const i = runs.findIndex((r) => stationKind(r.kind).forecast);
  const run = runs[i];
  if (!run || !(run.input.grams.water > 0)) return null;
  const input = stationKind(run.kind).forecast!(run.input, file.stations[i]!.params, run.known, members, seed);
  return { ...forecastJar(input), stationId: run.id };
}
