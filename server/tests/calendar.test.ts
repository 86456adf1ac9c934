import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import type { TodayRow } from '@roskel/contract';
import { calendarOf } from '../src/calendar';

/** Read back by another library than the one that writes it (ical.js). */
const row = (revision: number, due: string, key = 'ferment/read-2'): TodayRow => ({
  ...{
    id: 'slipway-red-3',
    revision,
    name: 'Slipway Red, no. 3; "hot"',
    startDate: '2026-11-01',
    needs: [],
    jars: [],
    begun: true,
    occupies: { jars: [], pots: [], work: [] },
  },
  duties: [
    { id: key, stationId: 'ferment', station: 'Ferment', text: 'Read pH again', why: 'It falls, still.', due, minutes: 5, does: 'read' },
  ],
});
const read = (text: string) =>
  new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent').map((c) => new ICAL.Event(c));

describe('the calendar of duties', () => {
  it('whole days on the day that is due, whatever the time zone; words and commas whole; a link to the station', () => {
    for (const zone of ['UTC', 'America/Los_Angeles', 'Pacific/Auckland', 'Europe/Berlin']) {
      const was = process.env.TZ;
      process.env.TZ = zone;
      const [e] = read(calendarOf([row(3, '2026-03-29')], '2026-03-20', 'http://localhost:4000'));
      process.env.TZ = was;
      expect(e!.startDate.toString(), zone).toBe('2026-03-29');
      expect(e!.startDate.isDate).toBe(true);
      expect(e!.endDate.toString()).toBe('2026-03-30');
      expect(e!.summary).toBe('Slipway Red, no. 3; "hot": Read pH again');
      expect(e!.component.getFirstPropertyValue('url')).toBe('http://localhost:4000/batches/slipway-red-3?at=ferment');
    }
  });
  it('a second import updates: the same id, a higher sequence, the new day; what is overdue stands on today', () => {
    const [first] = read(calendarOf([row(3, '2026-12-01')], '2026-11-26', 'http://h'));
    const [second] = read(calendarOf([row(4, '2026-12-04')], '2026-11-27', 'http://h'));
    expect(second!.uid).toBe(first!.uid);
    expect(second!.sequence).toBeGreaterThan(first!.sequence);
    expect(second!.startDate.toString()).toBe('2026-12-04');
    const [late] = read(calendarOf([row(5, '2026-12-04')], '2026-12-09', 'http://h'));
    expect(late!.startDate.toString()).toBe('2026-12-09');
    // As a calendar program holds them: by id, the newer one counts.
    const held = new Map([first!, second!, late!].map((e) => [e.uid, e]));
    expect(held.size).toBe(1);
    expect(read(calendarOf([], '2026-11-26', 'http://h'))).toEqual([]);
  });
});
