import type { BatchFile, Goal } from '../file';
import { HEAT_SCHOOLS, inSchool, type HeatSchool } from '../pantry';
import type { Day } from '../plan';
import { stationKind, type Need } from '../stations';
import { LineProblem } from './run';
import { reportTypical, type TypicalStation } from './report';

/** A station as a small picture of the line shows it. */
export interface StationSummary {
  id: string;
  name: string;
  from: Day;
  to: Day;
  done: boolean;
  active: boolean;
  inG: number;
  massG: number;
  hex: string;
}

/** What a list shows of a batch: typical values, no bands. */
export interface BatchSummary {
  name: string;
  startDate: Day;
  goal: Goal;
  /** Finished heat by each way of counting it, SHU; 0 without pods. */
  heatShu: Record<HeatSchool, number>;
  /** Finished sauce, g; 0 without pods. */
  massG: number;
  /** Bottles it fills. */
  bottles: number;
  /** The day its last station was done. */
  doneOn: Day | null;
  stations: StationSummary[];
  /** What is to be done next at the station one is at, as of the day it was worked out. */
  next: { text: string; due: Day } | null;
  /** Why nothing can be worked out; empty when it can. */
  trouble: string;
}

/** A station of a report in the few figures that draw its part of the ribbon. */
export const stationSummary = (s: TypicalStation): StationSummary => ({
  id: s.id,
  name: s.name,
  from: s.from,
  to: s.to,
  done: s.done,
  active: s.active,
  inG: s.inG,
  massG: s.now.massG,
  hex: s.now.hex,
});

/** A batch in the few figures a list needs. A line that cannot run has its sentence in `trouble`. */
export function summaryOf(file: BatchFile, today: Day): BatchSummary {
  const { name, startDate, goal } = file;
  const doneOn = file.stations.at(-1)?.log.doneOn ?? null;
  const none = { name, startDate, goal, doneOn, heatShu: { dry: 0, fresh: 0 }, massG: 0, bottles: 0, stations: [], next: null };
  try {
    const heatIn = (school: HeatSchool) => reportTypical({ ...file, lots: file.lots.map((l) => inSchool(l, school)) }, today);
    const reports = Object.fromEntries(HEAT_SCHOOLS.map((s) => [s, heatIn(s)])) as Record<HeatSchool, ReturnType<typeof heatIn>>;
    const { stations, bottles, finished, duties } = reports.dry;
    const at = stations.find((s) => s.active)?.id;
    const open = duties.filter((d) => !d.done && d.stationId === at).sort((a, b) => a.due.localeCompare(b.due))[0];
    return {
      ...none,
      heatShu: { dry: finished.heatShu, fresh: reports.fresh.finished.heatShu },
      massG: finished.massG,
      bottles: bottles.filled,
      stations: stations.map(stationSummary),
      next: open ? { text: open.text, due: open.due } : null,
      trouble: '',
    };
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
    return { ...none, trouble: error.message };
  }
}

/** What a batch on its way is still to take out of the stores: the needs of its stations that are not done. */
export function openNeeds(file: BatchFile): Need[] {
  return file.stations.filter((s) => s.log.doneOn === undefined).flatMap((s) => stationKind(s.kind).needs?.(s.params) ?? []);
}
