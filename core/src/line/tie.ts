import { mapStations, stationIn, stationsOf, type BatchFile } from '../file';
import { TYPICAL } from '../stat/draw';
import { phOn } from './reading';
import { runLine, runOf, type StationRun } from './run';

/**
 * The file with each measured pH tied to what it was measured on. A new reading is tied to the amounts of now; one that
 * stands in `before` with the same value keeps what it was tied to. A line that cannot run ties nothing.
 */
export function tieReadings(before: BatchFile | null, after: BatchFile): BatchFile {
  if (!stationsOf(after).some(({ entry: s }) => s.log.pH !== undefined && !s.log.phOn)) return after;
  let runs: StationRun[] | null = null;
  try {
    runs = runLine(after, TYPICAL);
  } catch {
    return after;
  }
  return mapStations(after, (s) => {
    if (s.log.pH === undefined || s.log.phOn) return s;
    const had = before ? stationIn(before, s.id) : undefined;
    const same = had?.log.phOn && had.log.pH === s.log.pH ? had.log.phOn : null;
    return { ...s, log: { ...s.log, phOn: same ?? phOn(runOf(runs, s.id).out, s) } };
  });
}
