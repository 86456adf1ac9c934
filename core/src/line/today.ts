import type { ForecastInput } from '../ferment';
import { stationIn, stationsOf, type BatchFile } from '../file';
import { massOf } from '../matter/stream';
import { daysSince, type Day, type Occupies } from '../plan';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';
import { graphOf } from './graph';
import { jarAsked } from './jar';
import { occupiesOf } from './occupies';
import { jarsOf, readingsAt } from './jars';
import { LineProblem } from './problem';
import { runLine, type StationRun } from './run';
import { endedStations } from './schedule';
import { dutyKey, reportTypical, type TypicalReport } from './typical';

/** A thing to do in a batch, as a list over all batches shows it. */
export interface TodayDuty {
  /** "station/key", as the batch keeps that it was done or put off. */
  id: string;
  stationId: string;
  station: string;
  text: string;
  why: string;
  /** The day it is due, or until which it was put off. */
  due: Day;
  minutes: number;
  does: 'read' | 'look' | 'work' | 'tick';
}

/** A jar that stands on the side. */
export interface TodayJar {
  stationId: string;
  from: Day;
  to: Day;
  hex: string;
  /** What is in it, g. */
  massG: number;
  /** Of several jars those that were not thrown away, counted from 1. */
  left: readonly number[];
  targetPh: number;
  /** The last pH that was read in it. */
  last: { pH: number; day: number; strip: boolean } | null;
  /** What its readings say is wrong, the worst caution's words; null when nothing is. */
  warns: string | null;
  /** The question its forecast answers: worked out where it is shown. */
  asked: ForecastInput;
}

/** What a batch asks for now, and what of it stands in jars; null when it asks nothing. */
export interface BatchToday {
  duties: TodayDuty[];
  jars: TodayJar[];
  /** What of the kitchen it still takes. */
  occupies: Occupies;
  begun: boolean;
}

/** Minutes that a duty takes where neither it nor its station says. */
const A_MOMENT = 2;

/** Duties of a batch that are open: of the stations one is at, and standing ones. Put-off ones are due when they come back. */
function openDuties(file: BatchFile, report: TypicalReport): TodayDuty[] {
  const later = new Map((file.later ?? []).map((l) => [l.id, l.until]));
  const at = new Map(report.stations.map((s) => [s.id, s]));
  return report.duties
    .filter((d) => !d.done && (d.standing || at.get(d.stationId)!.active))
    .map((d) => {
      const id = dutyKey(d.stationId, d.key);
      const station = at.get(d.stationId)!;
      const until = later.get(id);
      // What is done by hand in one go is the work of the station; other duties take a moment.
      const does = d.does ?? (station.done || d.standing ? 'tick' : 'work');
      const minutes = d.minutes ?? (does === 'work' ? Math.max(A_MOMENT, Math.round(station.minutes.hands)) : A_MOMENT);
      return {
        ...{ id, stationId: d.stationId, station: station.name, text: d.text, why: d.why, minutes, does },
        due: until !== undefined && until > d.due ? until : d.due,
      };
    });
}

function jarOf(file: BatchFile, run: StationRun, report: TypicalReport, today: Day): TodayJar | null {
  const node = graphOf(file).nodes.get(run.id)!;
  const s = report.stations.find((x) => x.id === run.id)!;
  if (!stationKind(run.kind).lives || !s.active || s.from > today) return null;
  const asked = jarAsked(file, node, run.bowl, today);
  if (!asked) return null;
  const { count, left } = jarsOf(node.strand, node.entry);
  const read = readingsAt(file, node.entry)
    .filter((r) => r.pH !== undefined)
    .sort((a, b) => a.at.localeCompare(b.at))
    .at(-1);
  return {
    ...{
      stationId: run.id,
      from: s.from,
      to: s.to,
      hex: s.now.hex,
      left,
      massG: (massOf(run.bowl.stream) * left.length) / count,
      targetPh: asked.targetPh,
      asked,
    },
    last: read ? { pH: read.pH!, day: Math.floor(daysSince(s.from, read.at)), strip: read.instrument === 'strip' } : null,
    warns: s.cautions.find((c) => c.severity === 'danger')?.text ?? null,
  };
}

/** A batch that cannot be worked out hides whatever stands in it: that is the first thing to see to. */
function troubleDuty(file: BatchFile, { stationId, message }: LineProblem, today: Day): TodayDuty {
  const at = stationIn(file, stationId) ?? stationsOf(file)[0]!.entry;
  return {
    ...{ id: dutyKey(at.id, 'trouble'), stationId: at.id, station: stationKind(at.kind).name, minutes: A_MOMENT, does: 'work', due: today },
    ...{ text: 'See what is wrong: this batch cannot be worked out', why: message },
  };
}

/** What a batch asks for on a day; where its line cannot run, that one sees why. */
export function todayOf(file: BatchFile, today: Day): BatchToday {
  const begun = stationsOf(file).some(({ entry }) => entry.log.doneOn !== undefined);
  try {
    const runs = runLine(file, TYPICAL, true);
    const report = reportTypical(file, today);
    const ended = endedStations(file);
    const jars = runs.flatMap((r) => (ended.has(r.id) || r.thrown ? [] : (jarOf(file, r, report, today) ?? [])));
    return { duties: openDuties(file, report), jars, occupies: occupiesOf(file, report, today), begun };
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
    return { duties: [troubleDuty(file, error, today)], jars: [], occupies: { jars: [], pots: [], work: [] }, begun };
  }
}

/** The day on which a duty stands in a calendar: what is overdue is still to be done today. */
export const dutyDay = (d: Pick<TodayDuty, 'due'>, today: Day): Day => (d.due < today ? today : d.due);
