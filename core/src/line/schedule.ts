import { addDays, daysBetween, isDay, type Day } from '../plan';
import { stationKind } from '../stations';
import type { BatchFile } from '../file';

export interface StationDates {
  /** First and last day by plan alone. */
  plannedFrom: Day;
  plannedTo: Day;
  /** First and last day, with what was logged. */
  from: Day;
  to: Day;
  done: boolean;
  /** The next thing to do in this batch. */
  active: boolean;
}

/** Dates of every station: from the start by each station's days, shifted by the days on which work was done. */
export function schedule(file: BatchFile): StationDates[] {
  let planned = file.startDate;
  let now = file.startDate;
  let activeSeen = false;
  return file.stations.map((s) => {
    const days = stationKind(s.kind).days(s.params);
    const plannedFrom = planned;
    planned = addDays(planned, days);
    const from = now;
    const done = s.log.doneOn !== undefined;
    now = s.log.doneOn ?? addDays(now, days);
    const active = !done && !activeSeen;
    if (active) activeSeen = true;
    return { plannedFrom, plannedTo: planned, from, to: now, done, active };
  });
}

/** Something in a file that cannot be right, with the path of the field. */
export interface FileIssue {
  path: string;
  message: string;
}

/** Checks of meaning that no schema can make: dates in order, stations done in order, ids that exist once. */
export function fileIssues(file: BatchFile): FileIssue[] {
  const issues: FileIssue[] = [];
  if (!isDay(file.startDate)) issues.push({ path: 'startDate', message: 'The start date is not a day in the calendar.' });
  if (file.goal.highShu <= file.goal.lowShu) {
    issues.push({ path: 'goal/highShu', message: 'The high end of the heat must be above the low end.' });
  }
  let last = file.startDate;
  let open: string | null = null;
  const seen = new Set<string>();
  file.stations.forEach((s, i) => {
    const name = stationKind(s.kind).name;
    if (seen.has(s.id)) issues.push({ path: `stations/${i}/id`, message: `Two stations are called "${s.id}".` });
    seen.add(s.id);
    const day = s.log.doneOn;
    if (day === undefined) {
      open ??= name;
      return;
    }
    const path = `stations/${i}/log/doneOn`;
    if (!isDay(day)) issues.push({ path, message: 'This is not a day in the calendar.' });
    else if (open) issues.push({ path, message: `${open} comes before this and is not done yet.` });
    else if (daysBetween(last, day) < 0) {
      const before = i === 0 ? 'the batch was started' : 'the step before it was done';
      issues.push({ path, message: `${name} cannot be done on ${day}: ${before} on ${last}.` });
    } else last = day;
  });
  file.readings.forEach((r, i) => {
    if (!seen.has(r.stationId)) issues.push({ path: `readings/${i}/stationId`, message: 'This reading belongs to no station.' });
    if (Number.isNaN(Date.parse(r.at))) issues.push({ path: `readings/${i}/at`, message: 'This is not a time.' });
    // An instant is in UTC, the start a day in the maker's zone: a day of grace between them.
    else if (r.at.slice(0, 10) < addDays(file.startDate, -1)) {
      issues.push({ path: `readings/${i}/at`, message: `A reading cannot be older than the batch, which starts on ${file.startDate}.` });
    }
    if (r.pH === undefined && r.tempC === undefined) {
      issues.push({ path: `readings/${i}/pH`, message: 'A reading needs a pH or a temperature.' });
    }
  });
  return issues;
}
