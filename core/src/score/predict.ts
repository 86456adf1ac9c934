import { stationsOf, type BatchFile, type StationEntry, type StationLog } from '../file';
import { graphOf } from '../line/graph';
import { readingSd } from '../parcel/past';
import { LineProblem } from '../line/problem';
import { reportLine, type JarForecast, type LineReport } from '../line/report';
import { schedule } from '../line/schedule';
import { daysSince, type Day } from '../plan';
import { Z_90 } from '../stat/normal';
import type { Prediction, Scored } from './scored';

/** A look is told in whole steps: up to half a step off, evenly (the sd of that). */
const LOOK_SD = 1 / Math.sqrt(12);

/** One measured value of a batch. */
export interface MeasuredValue {
  key: string;
  of: Scored;
  entry: StationEntry;
  /** Day, or day and time; empty for what stands in the log of a step that is not done yet. */
  at: string;
  value: number;
  /** What its instrument may be off by (sd). */
  sd: number;
  /** Of several jars the one it is of. */
  jar?: number | undefined;
}

/** What the log of a step says was measured. Typed before the step is done, it counts in the line from then on. */
function loggedValues(entry: StationEntry): MeasuredValue[] {
  const { log } = entry;
  const own = (of: Scored, value: number | undefined, sd: number): MeasuredValue[] =>
    value === undefined ? [] : [{ key: `${entry.id}/${of}`, of, entry, at: log.doneOn ?? '', value, sd }];
  return [
    ...own('mass', log.massG, 0),
    ...own('pH', log.pH, readingSd(log.instrument ?? 'strip', log.by)),
    ...own('body', log.look, LOOK_SD),
    ...own('bottles', log.bottles, 0),
  ];
}
/** All that was measured of a batch and could be foretold, in the order of its stations. */
export function measuredValues(file: BatchFile): MeasuredValue[] {
  return stationsOf(file).flatMap(({ entry }) => {
    const read = file.readings.filter((r) => r.stationId === entry.id && r.pH !== undefined);
    return [
      // What was read of a jar and taken over into its log was measured once.
      ...loggedValues(entry).filter((m) => !(m.of === 'pH' && read.some((r) => r.pH === m.value))),
      ...read.map((r): MeasuredValue => {
        const sd = readingSd(r.instrument ?? 'strip', r.by);
        return { key: `${r.id}/jarPh`, of: 'jarPh', entry, at: r.at, value: r.pH!, sd, jar: r.jar };
      }),
    ];
  });
}

/** Worlds for what was not foretold at the time: as few as a report takes, of many days at once. */
const FEW_WORLDS = 60;

type Band = { p10: number; p50: number; p90: number };
/** The same band for what an instrument shows of it. */
function shown({ p10, p50, p90 }: Band, sd: number): Band {
  const wide = (half: number) => Math.hypot(half, Z_90 * sd);
  return { p10: p50 - wide(p50 - p10), p50, p90: p50 + wide(p90 - p50) };
}
/** The pH that a forecast has for a day, between its points; null beyond them. */
function phOn(f: JarForecast, day: number): Band | null {
  const i = f.days.findIndex((d) => d >= day);
  if (i < 0 || day < 0) return null;
  const [a, b] = [Math.max(0, i - 1), i];
  const share = a === b ? 0 : (day - f.days[a]!) / (f.days[b]! - f.days[a]!);
  const at = (p: keyof Band) => f.pH[a]![p] + share * (f.pH[b]![p] - f.pH[a]![p]);
  return { p10: at('p10'), p50: at('p50'), p90: at('p90') };
}

/** What a report foretells of a thing that is not measured in it; null where it says nothing of it. */
function foretold(before: BatchFile, report: LineReport, m: MeasuredValue): Band | null {
  const { id } = m.entry;
  const band = report.stations.find((s) => s.id === id)?.band;
  const { of } = m;
  if (of === 'mass' || of === 'pH' || of === 'body') return band?.[of === 'mass' ? 'massG' : of] ?? null;
  if (of === 'bottles') return report.ends.find((e) => e.stationId === id)?.fills.bottles ?? null;
  if (of === 'heat') return null;
  const all = report.forecasts.filter((f) => f.stationId === id);
  const f = all.find((x) => x.jar === (m.jar ?? null)) ?? all.find((x) => x.jar === null);
  const from = schedule(before).get(id)?.from;
  return f && from ? phOn(f, daysSince(from, m.at)) : null;
}

/** What `after` says was measured and `before` does not know. */
export function newlyMeasured(before: BatchFile, after: BatchFile): MeasuredValue[] {
  const had = new Set(measuredValues(before).map((m) => m.key));
  return measuredValues(after).filter((m) => !had.has(m.key));
}

/**
 * What was foretold by `before` of what `after` says was measured and `before` does not know: as it stood. Nothing of what
 * is measured in both, and nothing where the line of `before` cannot run.
 */
export function predictionsOf(before: BatchFile, after: BatchFile, today: Day, afterwards = false): Prediction[] {
  const there = graphOf(before).nodes;
  const fresh = newlyMeasured(before, after).filter((m) => there.has(m.entry.id));
  if (fresh.length === 0) return [];
  let report: LineReport;
  try {
    const forecast = fresh.some((m) => m.of === 'jarPh');
    report = reportLine(before, { today, forecast, ...(afterwards ? { members: FEW_WORLDS } : {}) });
  } catch (error) {
    if (error instanceof LineProblem) return [];
    throw error;
  }
  return fresh.flatMap((m): Prediction[] => {
    const band = foretold(before, report, m);
    if (!band) return [];
    return [
      { key: m.key, of: m.of, stationId: m.entry.id, on: m.at.slice(0, 10) || today, ...shown(band, m.sd), measured: m.value, afterwards },
    ];
  });
}

/** A station's log without some of what was measured. */
function without(log: StationLog, gone: ReadonlySet<Scored>): StationLog {
  const { massG, pH, instrument, by, phOn: on, look, bottles, ...rest } = log;
  const kept = <T extends object>(of: Scored, value: T): Partial<T> => (gone.has(of) ? {} : value);
  return JSON.parse(
    JSON.stringify({
      ...rest,
      ...kept('mass', { massG }),
      ...kept('pH', { pH, instrument, by, phOn: on }),
      ...kept('body', { look }),
      ...kept('bottles', { bottles }),
    }),
  ) as StationLog;
}
/** What nobody dated was measured last. */
const LAST: Day = '9999-12-31';
const dayOf = (m: MeasuredValue): Day => m.at.slice(0, 10) || LAST;
/** A batch without what was measured on a day and later. */
function asOf(file: BatchFile, day: Day): BatchFile {
  const gone = (entry: StationEntry) => new Set(loggedValues(entry).flatMap((m) => (dayOf(m) >= day ? [m.of] : [])));
  return {
    ...file,
    readings: file.readings.filter((r) => r.at.slice(0, 10) < day),
    strands: file.strands.map((s) => ({ ...s, stations: s.stations.map((e) => ({ ...e, log: without(e.log, gone(e)) })) })),
  };
}
/** Days of readings that are worked out afterwards: a forecast each, and a logger may have left hundreds. */
const JAR_DAYS = 4;
/** So many of a list at most, evenly, the first and the last among them. */
const spread = <T>(list: readonly T[], most: number): T[] =>
  list.length <= most ? [...list] : Array.from({ length: most }, (_, i) => list[Math.round((i * (list.length - 1)) / (most - 1))]!);

/**
 * For a batch that came with its measurements: what the line without those of a day and later would have foretold, day by
 * day (of many days of readings, four). It knows steps that were done later as done, and what is known of the lots now: told
 * as worked out afterwards.
 */
export function predictionsAfterwards(file: BatchFile): Prediction[] {
  const measured = measuredValues(file);
  const daysOf = (jar: boolean) => [...new Set(measured.filter((m) => (m.of === 'jarPh') === jar).map(dayOf))].sort();
  const days = [...new Set([...daysOf(false), ...spread(daysOf(true), JAR_DAYS)])].sort();
  return days.flatMap((day) => {
    const after = measured.filter((m) => dayOf(m) === day);
    const keys = new Set(after.map((m) => m.key));
    const today = day < LAST ? day : (days.findLast((d) => d < LAST) ?? file.startDate);
    return predictionsOf(asOf(file, day), file, today, true).filter((p) => keys.has(p.key));
  });
}
