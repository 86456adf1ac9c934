import dayjs from 'dayjs';
import customParseFormat from 'dayjs/plugin/customParseFormat';
import type { Settings } from '@roskel/contract';
import { manner } from './manner';

dayjs.extend(customParseFormat);

type Order = Exclude<Settings['dates'], 'browser'>;
const ISO = 'YYYY-MM-DD';

/** The order in which this browser writes a date. */
function browserOrder(): Order {
  const parts = new Intl.DateTimeFormat().formatToParts(new Date(2026, 10, 25)).map((p) => p.type);
  if (parts.indexOf('year') < parts.indexOf('month')) return 'year-month-day';
  return parts.indexOf('month') < parts.indexOf('day') ? 'month-day-year' : 'day-month-year';
}
export const dateOrder = (): Order => (manner.dates === 'browser' ? browserOrder() : manner.dates);

const SHORT: Record<Order, string> = { 'day-month-year': 'D MMM', 'month-day-year': 'MMM D', 'year-month-day': 'MM-DD' };
const LONG: Record<Order, string> = { 'day-month-year': 'D MMM YYYY', 'month-day-year': 'MMM D, YYYY', 'year-month-day': ISO };

/** A day as people say it: "12 Nov", with the year when it is another one. */
export function day(iso: string): string {
  const d = dayjs(iso);
  return d.format((d.year() === dayjs().year() ? SHORT : LONG)[dateOrder()]);
}
/** A day with its year, as a field shows it. */
export const fullDay = (iso: string): string => dayjs(iso).format(LONG[dateOrder()]);
/** A day with its weekday: "Sat 28 Nov". */
export const weekday = (iso: string): string => `${dayjs(iso).format('ddd')} ${dayjs(iso).format(SHORT[dateOrder()])}`;
/** A time of day of an instant, on this clock. */
export const clock = (iso: string): string => dayjs(iso).format('HH:mm');

export const today = (): string => dayjs().format(ISO);

/** Figures with separators, by order of day and month. */
const FIGURES: Record<Order, string[]> = {
  'day-month-year': ['D/M/YYYY', 'D/M/YY', 'D/M'],
  'month-day-year': ['M/D/YYYY', 'M/D/YY', 'M/D'],
  'year-month-day': ['YYYY/M/D', 'M/D'],
};
const WORDS = ['D MMM YYYY', 'D MMMM YYYY', 'D MMM', 'D MMMM', 'MMM D YYYY', 'MMMM D YYYY', 'MMM D', 'MMMM D'];
const NEAR: Record<string, number> = { today: 0, now: 0, yesterday: -1, tomorrow: 1 };

/** A day and month without a year, in the year in which it is nearest: "28 Dec" said in January was a week ago. */
function nearestYear(parsed: dayjs.Dayjs): string {
  const now = dayjs();
  const far = (d: dayjs.Dayjs) => Math.abs(d.diff(now, 'day'));
  return [-1, 0, 1]
    .map((y) => parsed.year(now.year() + y))
    .filter((d) => d.date() === parsed.date() && d.month() === parsed.month())
    .reduce((best, d) => (far(d) < far(best) ? d : best), parsed)
    .format(ISO);
}
const read = (text: string, form: string): string | null => {
  const found = dayjs(text, form, true);
  return !found.isValid() ? null : form.includes('Y') ? found.format(ISO) : nearestYear(found);
};

/** Reads a day as people type it ("25 Nov", "25/11", "yesterday", "2026-11-25"); null when it is none. */
export function readDay(text: string): string | null {
  const t = text.trim().toLowerCase().replace(/[,]/g, ' ').replace(/\s+/g, ' ');
  if (t in NEAR) return dayjs().add(NEAR[t]!, 'day').format(ISO);
  if (/^\d{4}-\d{1,2}-\d{1,2}$/.test(t)) {
    const [y, m, d] = t.split('-') as [string, string, string];
    const found = dayjs(`${y}-${m.padStart(2, '0')}-${d.padStart(2, '0')}`, ISO, true);
    return found.isValid() ? found.format(ISO) : null;
  }
  const figures = t.replace(/[.\-\s]+/g, '/').replace(/\/$/, '');
  if (/^[\d/]+$/.test(figures)) {
    for (const f of FIGURES[dateOrder()]) {
      const found = read(figures, f);
      if (found) return found;
    }
    return null;
  }
  // "november" and "Nov" alike; the parser wants its own capitals.
  const words = t
    .replace(/(\d)(st|nd|rd|th)\b/, '$1')
    .replace(/\.(?=\s|$)/g, '')
    .replace(/\b[a-z]/g, (c) => c.toUpperCase());
  for (const f of WORDS) {
    const found = read(words, f);
    if (found) return found;
  }
  return null;
}

/** Reads a time of day ("18:05", "6pm", "1805"); null when it is none. */
export function readClock(text: string): string | null {
  const m = /^(\d{1,2})(?:[:.h]?(\d{2}))?\s*(am|pm)?$/i.exec(text.trim());
  if (!m) return null;
  const half = m[3]?.toLowerCase();
  const hour = (Number(m[1]) % (half ? 12 : 100)) + (half === 'pm' ? 12 : 0);
  const minute = Number(m[2] ?? 0);
  return hour < 24 && minute < 60 ? `${String(hour).padStart(2, '0')}:${String(minute).padStart(2, '0')}` : null;
}

/** The first day of the week for a calendar, 0 for Monday. */
export function firstWeekday(): 0 | 5 | 6 {
  const start = manner.weekStart === 'browser' ? browserWeekStart() : manner.weekStart;
  return start === 'monday' ? 0 : start === 'saturday' ? 5 : 6;
}
function browserWeekStart(): 'monday' | 'saturday' | 'sunday' {
  const locale = new Intl.Locale(navigator.language) as Intl.Locale & {
    weekInfo?: { firstDay: number };
    getWeekInfo?(): { firstDay: number };
  };
  const first = (locale.getWeekInfo?.() ?? locale.weekInfo)?.firstDay ?? 1;
  return first === 7 ? 'sunday' : first === 6 ? 'saturday' : 'monday';
}
