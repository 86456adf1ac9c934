import ical, { ICalCalendarMethod } from 'ical-generator';
import { dutyDay } from '@roskel/core';
import type { TodayRow } from '@roskel/contract';

/** Hours after which a calendar that is subscribed to it should ask again. */
const AGAIN_S = 3 * 3600;

/**
 * Duties of all batches as a calendar (RFC 5545): each a whole day, so that it falls on that day in every time zone. A duty
 * keeps its id as long as it is open, and carries the revision of its batch, so that a second reading updates it in place.
 * What is overdue stands on `today`. `home` is the address of the house, for links.
 */
export function calendarOf(rows: readonly TodayRow[], today: string, home: string): string {
  const calendar = ical({ name: 'Roskel', prodId: '//Roskel//Kitchen//EN', method: ICalCalendarMethod.PUBLISH, ttl: AGAIN_S });
  for (const row of rows)
    for (const d of row.duties) {
      const on = dutyDay(d, today);
      const [year, month, day] = on.split('-').map(Number) as [number, number, number];
      calendar.createEvent({
        id: `${row.id}/${d.id}@roskel`,
        sequence: row.revision,
        // A date without a time is written as it stands in UTC.
        start: new Date(Date.UTC(year, month - 1, day)),
        end: new Date(Date.UTC(year, month - 1, day + 1)),
        allDay: true,
        summary: `${row.name}: ${d.text}`,
        description: `${d.why} About ${d.minutes} min.`,
        url: `${home}/batches/${encodeURIComponent(row.id)}?at=${encodeURIComponent(d.stationId)}`,
        categories: [{ name: d.station }],
      });
    }
  return calendar.toString();
}
