import { gramsOf, graphOf, stationKind, type BatchFile, type LineReport, type StationLog, type StationReport } from '@roskel/core';
import { intakeWords } from '../batch/intakes';
import { grams } from '../format';

/** Something that goes in at a step. */
export interface StepThing {
  id: string;
  name: string;
  amount: string;
  how: string;
  late: boolean;
}
/** One step at the counter: a station of the line. */
export interface Step {
  station: StationReport;
  title: string;
  says: string;
  why: string;
  things: StepThing[];
  done: boolean;
  /** Minutes by the clock where one waits for something; null where hands are busy all the time. */
  minutes: number | null;
  /** Days it stands. */
  days: number;
  /** g at which it is done, where the scale decides. */
  untilG: number | null;
}

/** Waiting shorter than this needs no clock, min. */
const LEAST_MIN = 1;
const DAY_MS = 86_400_000;

function thingsOf(file: BatchFile, s: StationReport): StepThing[] {
  const entry = file.strands.flatMap((x) => x.stations).find((e) => e.id === s.id);
  const own = (entry?.intakes ?? []).map((i): StepThing => {
    const { name, how } = intakeWords(file, i);
    const g = gramsOf(i.amount) ?? s.enters.grams[i.id] ?? 0;
    const words = typeof i.amount === 'object' && 'g' in i.amount ? i.amount.words : undefined;
    return { id: i.id, name, how, amount: words ? `${words}, ${grams(g)}` : grams(g), late: i.late === true };
  });
  // What the station puts in itself: salt and water over the pods.
  return [...own, ...s.made.map((m) => ({ id: `own ${m.id}`, name: m.name, how: '', amount: grams(m.massG), late: false }))];
}

/** The steps of a batch in the order in which they are worked through. */
export function stepsOf(file: BatchFile, report: LineReport): Step[] {
  const byId = new Map(report.stations.map((s) => [s.id, s]));
  return graphOf(file).order.flatMap(({ id, strand, entry }) => {
    const station = byId.get(id);
    if (!station) return [];
    const [duty] = station.duties;
    const many = file.strands.length > 1 && strand.name;
    const { byScale } = stationKind(station.kind);
    const waits = station.minutes.clock > station.minutes.hands || byScale === true;
    return [
      {
        station,
        title: many ? `${station.name}, ${strand.name.toLowerCase()}` : station.name,
        says: duty?.text ?? '',
        why: duty?.why ?? '',
        things: thingsOf(file, station),
        // From the batch itself: the report lags behind what was just done.
        done: entry.log.doneOn !== undefined,
        minutes: waits && station.minutes.clock >= LEAST_MIN ? Math.round(station.minutes.clock) : null,
        days: Math.round((Date.parse(station.to) - Date.parse(station.from)) / DAY_MS),
        untilG: byScale && station.now.massG > 0 ? station.now.massG : null,
      },
    ];
  });
}

/** Minutes of a step that are left of its plan: a pot that was weighed has boiled so long already. Null without a time. */
export function leftMinutes({ minutes }: Pick<Step, 'minutes'>, log: StationLog): number | null {
  return minutes === null ? null : Math.max(1, Math.round(10 * (minutes - (log.pot?.at(-1)?.min ?? 0))) / 10);
}
