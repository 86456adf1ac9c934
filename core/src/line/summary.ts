import type { BatchFile, Goal, Strand } from '../file';
import { streamShu } from '../matter/stream';
import { HEAT_SCHOOLS, type HeatSchool } from '../pantry';
import type { Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';
import { countedIn, endOf, endStrands } from './compose';
import { LineProblem } from './problem';
import { runLine, runOf, type StationRun } from './run';
import type { StrandReport } from './flows';
import { reportTypical, type TypicalStation } from './typical';

/** A station as a small picture of the line shows it. */
export interface StationSummary {
  id: string;
  name: string;
  strandId: string;
  from: Day;
  to: Day;
  done: boolean;
  active: boolean;
  inG: number;
  massG: number;
  hex: string;
}

/** A strand that ends in bottles, in the few figures a list needs. */
export interface EndSummary {
  strandId: string;
  name: string;
  goal: Goal;
  /** Finished heat by each way of counting it, SHU; 0 without pods. */
  heatShu: Record<HeatSchool, number>;
  /** Finished sauce, g; 0 without pods. */
  massG: number;
  /** Bottles it fills, or bowls. */
  bottles: number;
  vessel: 'bottle' | 'bowl';
  /** The day its last station was done, or what leads to it was thrown away. */
  doneOn: Day | null;
  /** The day it was thrown away before it came to bottles. */
  thrownOn: Day | null;
}

/** What a list shows of a batch: typical values, no bands. */
export interface BatchSummary {
  name: string;
  startDate: Day;
  style: string;
  /** The main one first. */
  ends: EndSummary[];
  /** The day all of it was done. */
  doneOn: Day | null;
  stations: StationSummary[];
  strands: Pick<StrandReport, 'id' | 'name' | 'stationIds' | 'into'>[];
  /** What is to be done next at the stations one is at, as of the day it was worked out. */
  next: { text: string; due: Day } | null;
  /** Why nothing can be worked out; empty when it can. */
  trouble: string;
}

/** A station of a report in the few figures that draw its part of the ribbon. */
export const stationSummary = (s: TypicalStation): StationSummary => ({
  id: s.id,
  name: s.name,
  strandId: s.strandId,
  from: s.from,
  to: s.to,
  done: s.done,
  active: s.active,
  inG: s.inG,
  massG: s.now.massG,
  hex: s.now.hex,
});

/** When a strand came to its end. */
function endedOn(strand: Strand): Pick<EndSummary, 'doneOn' | 'thrownOn'> {
  const thrownOn = strand.stations.find((s) => s.log.thrownOn !== undefined)?.log.thrownOn ?? null;
  return { doneOn: endOf(strand).log.doneOn ?? thrownOn, thrownOn };
}

/** A batch in the few figures a list needs. A line that cannot run has its sentence in `trouble`. */
export function summaryOf(file: BatchFile, today: Day): BatchSummary {
  const bare = endStrands(file).map((s): EndSummary => ({
    strandId: s.id,
    name: s.name,
    goal: s.goal,
    heatShu: { dry: 0, fresh: 0 },
    massG: 0,
    bottles: 0,
    vessel: stationKind(endOf(s).kind).vessel ?? 'bottle',
    ...endedOn(s),
  }));
  const days = bare.map((e) => e.doneOn);
  const doneOn = days.length > 0 && days.every((d) => d !== null) ? days.reduce((a, b) => (b! > a! ? b : a), days[0]!) : null;
  const none: BatchSummary = {
    ...{ name: file.name, startDate: file.startDate, style: file.style, ends: bare, doneOn },
    ...{ stations: [], strands: [], next: null, trouble: '' },
  };
  try {
    const { stations, strands, ends, duties } = reportTypical(file, today);
    const runs = Object.fromEntries(HEAT_SCHOOLS.map((s) => [s, runLine(countedIn(file, s), TYPICAL)])) as Record<HeatSchool, StationRun[]>;
    const heatOf = (school: HeatSchool, end: string) => streamShu(runOf(runs[school], end).out.stream);
    const at = new Set(stations.filter((s) => s.active).map((s) => s.id));
    const open = duties.filter((d) => !d.done && at.has(d.stationId)).sort((a, b) => a.due.localeCompare(b.due))[0];
    return {
      ...none,
      ends: bare.map((e, i) => ({
        ...e,
        heatShu: { dry: heatOf('dry', ends[i]!.stationId), fresh: heatOf('fresh', ends[i]!.stationId) },
        massG: ends[i]!.finished.massG,
        bottles: ends[i]!.bottles.filled,
      })),
      stations: stations.map(stationSummary),
      strands: strands.map(({ id, name, stationIds, into }) => ({ id, name, stationIds, into })),
      next: open ? { text: open.text, due: open.due } : null,
    };
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
    return { ...none, trouble: error.message };
  }
}
