import {
  countedIn,
  endOf,
  endStrands,
  HEAT_SCHOOLS,
  LineProblem,
  openNeeds,
  predictionsAfterwards,
  predictionsOf,
  reportLine,
  reportTypical,
  runLine,
  standingOf,
  stationIn,
  stationOf,
  summaryOf,
  todayOf,
  usesOf,
  TYPICAL,
  type BatchFile,
  type HeatSchool,
  type Prediction,
  type TypicalEnd,
  type TypicalReport,
} from '@roskel/core';

/** What is worked out from a batch, without a database: in a worker of the server, or where one stands. */

/** What stops a line, and where. */
export type Trouble = Pick<LineProblem, 'stationId' | 'field' | 'message'>;

/** Why the line of a file does not run; null where it does, by what was measured and without. */
function troubleOf(file: BatchFile): Trouble | null {
  for (const measured of [true, false]) {
    try {
      runLine(file, TYPICAL, measured);
    } catch (error) {
      if (!(error instanceof LineProblem)) throw error;
      return { stationId: error.stationId, field: error.field, message: error.message };
    }
  }
  return null;
}

/** What the shelf says of the bottles of an end, but for their heat. */
function bottlesOf(file: BatchFile, report: TypicalReport, end: TypicalEnd) {
  const { finished, bottles, stationId } = end;
  const { doneOn, ownUntil, frozenOn } = stationIn(file, stationId)!.log;
  const bottledOn = doneOn!;
  const stands = standingOf(end.keeping!, bottledOn, ownUntil, frozenOn);
  return {
    strandId: end.strandId,
    values: {
      name: report.ends.length > 1 ? `${file.name}, ${end.name}` : file.name,
      bottledOn,
      bottles: bottles.filled,
      bottleMl: bottles.bottleMl,
      pH: finished.pH,
      phMeasured: stationOf(report, stationId).phMeasured,
      hex: finished.hex,
      keeping: stands.text,
      place: stands.place,
      useBy: stands.useBy,
      state: end.state,
      eaten: end.eaten,
      archived: false,
    },
  };
}

/** The bottles of each end whose last station is done, and that have something in them. Throws LineProblem. */
function shelfOf(file: BatchFile, today: string) {
  const full = endStrands(file).filter((s) => endOf(s).log.doneOn !== undefined);
  if (full.length === 0) return [];
  const report = reportTypical(file, today);
  return full
    .map((strand) => report.ends.find((e) => e.strandId === strand.id)!)
    .filter((end) => end.keeping)
    .map((end) => bottlesOf(file, report, end));
}

/** What lists show of a batch, what it asks for, what it takes and has taken, and its bottles; these are null where the line has trouble. */
export function workedOut(file: BatchFile, today: string) {
  const trouble = troubleOf(file);
  return {
    trouble,
    uses: usesOf(file),
    derived: { summary: summaryOf(file, today), needs: openNeeds(file), today: todayOf(file, today) },
    bottles: trouble ? null : shelfOf(file, today),
  };
}
export type Worked = ReturnType<typeof workedOut>;

export type BottleHeat = Record<HeatSchool, { p10: number; p50: number; p90: number }>;
/** The heat of the bottles of every end, in both ways of counting it. Throws LineProblem. */
export function heatsOf(file: BatchFile, today: string): Record<string, BottleHeat> {
  // In as many worlds as the batch's own page shows: the shelf says no other number.
  const reports = HEAT_SCHOOLS.map((school) => [school, reportLine(countedIn(file, school), { today, forecast: false })] as const);
  const of = (strandId: string) =>
    Object.fromEntries(reports.map(([school, r]) => [school, r.ends.find((e) => e.strandId === strandId)!.heat])) as BottleHeat;
  return Object.fromEntries(endStrands(file).map((s) => [s.id, of(s.id)]));
}

/** What was foretold of what a file says was measured and the one before it does not; of one that came with it, afterwards. */
export const predicted = (before: BatchFile | null, file: BatchFile, today: string): Prediction[] =>
  before ? predictionsOf(before, file, today) : predictionsAfterwards(file);
