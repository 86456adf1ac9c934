import { mapStations, pathOf, stationIn, stationsOf, type BatchFile, type StationLog } from '../file';
import type { Day } from '../plan/date';
import { stationKind } from '../stations';
import { graphOf, upstreamOf } from './graph';
import { dateIssues, type FileIssue } from './issues';
import { instrumentOf } from './reading';
import { tieReadings } from './tie';

/** What is noted at a station: null, or nothing, takes it away. */
export type LogChange = { [K in keyof StationLog]?: StationLog[K] | null | '' };

/** A pH and what it was read with: a change of one of these is another reading. */
const OF_READING = ['pH', 'instrument', 'by'] as const;
/** What goes with something, and has no meaning without it. */
const GOES_WITH: Partial<Record<keyof StationLog, readonly (keyof StationLog)[]>> = {
  pH: ['instrument', 'by', 'phOn', 'phSure', 'phBlended'],
  doneOn: ['thrownOn', 'thrownWhy'],
  ownUntil: ['ownWhy'],
};
/** Days in a log on which something happened: none of them lies ahead. */
const HAPPENED = ['doneOn', 'frozenOn', 'thrownOn'] as const;

const AHEAD = 'That day has not come yet. Log what was done, not what is planned.';

/**
 * A batch with something noted at a station. Another reading belongs to what is there now, and nobody has vouched for it;
 * what goes with something that is taken away goes as well; a jar that was thrown away was done with on that day.
 */
export function withLogged(file: BatchFile, stationId: string, change: LogChange): BatchFile {
  const log = stationIn(file, stationId)?.log;
  if (!log) return file;
  const next: Record<string, unknown> = { ...log, ...change };
  if (OF_READING.some((k) => k in change)) {
    delete next.phOn;
    if (!('phSure' in change)) delete next.phSure;
  }
  if (next.thrownOn != null && change.doneOn) next.thrownOn = change.doneOn;
  const gone = (v: unknown) => v === null || v === undefined || v === '' || v === false || (Array.isArray(v) && v.length === 0);
  const orphans = new Set<string>(Object.entries(GOES_WITH).flatMap(([key, rest]) => (gone(next[key]) ? rest : [])));
  if (!gone(next.pH)) next.instrument = instrumentOf(next.instrument as StationLog['instrument']);
  const kept = Object.fromEntries(Object.entries(next).filter(([key, v]) => !gone(v) && !orphans.has(key))) as StationLog;
  return tieReadings(
    null,
    mapStations(file, (s) => (s.id === stationId ? { ...s, log: kept } : s)),
  );
}

/** Why something cannot be noted at a station, and at which field; null when it can. */
export function logRefusal(
  file: BatchFile,
  stationId: string,
  change: LogChange,
  today: Day,
): { field: keyof StationLog; message: string } | null {
  const ahead = HAPPENED.find((k) => (change[k] ?? '') > today);
  if (ahead) return { field: ahead, message: AHEAD };
  const filledOn = stationIn(file, stationId)?.log.doneOn;
  const early = (['frozenOn', 'ownUntil'] as const).find((k) => change[k] && filledOn !== undefined && change[k] < filledOn);
  if (early) return { field: early, message: `It was filled on ${filledOn}. Give that day or a later one.` };
  if (!('doneOn' in change)) return null;
  const graph = graphOf(file);
  if (!change.doneOn) {
    const later = stationsOf(file).find(({ entry }) => entry.log.doneOn !== undefined && upstreamOf(graph, entry.id).has(stationId));
    const name = later && stationKind(later.entry.kind).name;
    return later ? { field: 'doneOn', message: `${name} is done already and stands on this. Take that back first.` } : null;
  }
  const before = new Set(dateIssues(file, graph).map((i) => i.path));
  const next = withLogged(file, stationId, change);
  const issue = dateIssues(next, graphOf(next)).find((i) => !before.has(i.path));
  return issue ? { field: 'doneOn', message: issue.message } : null;
}

/** Where a batch says that something was done, or read, after a day. */
export function aheadIssues(file: BatchFile, last: Day): FileIssue[] {
  return [
    ...stationsOf(file).flatMap(({ entry }) =>
      HAPPENED.flatMap((field) =>
        (entry.log[field] ?? '') > last ? [{ path: `${pathOf(file, entry.id)}/log/${field}`, message: AHEAD }] : [],
      ),
    ),
    ...stationsOf(file).flatMap(({ entry }) =>
      (entry.log.jarsThrown ?? []).some((j) => j.on > last) ? [{ path: `${pathOf(file, entry.id)}/log/jarsThrown`, message: AHEAD }] : [],
    ),
    ...file.readings.flatMap((r, i) => (r.at.slice(0, 10) > last ? [{ path: `readings/${i}/at`, message: AHEAD }] : [])),
  ];
}
