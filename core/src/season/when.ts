import { addDays, daysBetween, isDay, type Day } from '../plan';
import type { Range } from './season';

const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];
const NUMBERS: Readonly<Record<string, number>> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, eight: 8, ten: 10 };
/** Parts of a month, as days of it; 31 is its last. */
const PARTS: readonly [RegExp, readonly [number, number]][] = [
  [/^(?:early|beginning of|start of|the (?:beginning|start) of)$/, [1, 10]],
  [/^(?:mid|middle of|the middle of)$/, [11, 20]],
  [/^(?:late|end of|the end of)$/, [21, 31]],
];
const MONTH = `(${MONTHS.map((m) => `${m.slice(0, 3)}(?:${m.slice(3)}|${m === 'september' ? 't|' : ''})`).join('|')})\\.?`;
const PART = '((?:the )?(?:beginning|start|middle|end) of|early|mid|late)[ -]*';
const NTH = '(\\d{1,2})(?:st|nd|rd|th)?';
const PHRASES: readonly { re: RegExp; read(m: RegExpExecArray, today: Day): Range<Day> | null }[] = [
  { re: /\d{4}-\d{2}-\d{2}/, read: ([day]) => (isDay(day) ? about(day, 0) : null) },
  { re: new RegExp(`${PART}${MONTH}`), read: (m, today) => monthPart(m[1]!, m[2]!, today) },
  { re: new RegExp(`${NTH} (?:of )?${MONTH}`), read: (m, today) => dayOf(m[2]!, Number(m[1]), today) },
  { re: new RegExp(`${MONTH} ${NTH}\\b`), read: (m, today) => dayOf(m[1]!, Number(m[2]), today) },
  { re: new RegExp(`\\b${MONTH}\\b`), read: (m, today) => span(m[1]!, 1, 31, today) },
  { re: /\bchristmas\b/, read: (_, today) => dayOf('december', 24, today) },
  { re: /\bnext week\b/, read: (_, today) => about(addDays(today, 7), 3) },
  {
    re: /\bin (?:about )?(\d{1,3}|[a-z]+) (day|week|month)s?\b/,
    read: (m, today) => {
      const n = NUMBERS[m[1]!] ?? Number(m[1]);
      if (!(n > 0)) return null;
      const days = n * { day: 1, week: 7, month: 30 }[m[2] as 'day'];
      return about(addDays(today, days), Math.ceil(days / 7));
    },
  },
  { re: /\b(?:today|now|are here|is here)\b/, read: (_, today) => about(today, 0) },
];

const about = (day: Day, by: number): Range<Day> => ({ low: addDays(day, -by), typical: day, high: addDays(day, by) });
const monthOf = (word: string) => MONTHS.findIndex((m) => m.startsWith(word.slice(0, 3)));
const iso = (year: number, month: number, day: number): Day => new Date(Date.UTC(year, month, day)).toISOString().slice(0, 10);
const lastOf = (year: number, month: number) => new Date(Date.UTC(year, month + 1, 0)).getUTCDate();
/** A month that is over for as long is the next one of its name, days. */
const PAST_DAYS = 15;

/** Days `from` to `to` of the next month of that name. */
function span(word: string, from: number, to: number, today: Day): Range<Day> {
  const month = monthOf(word);
  const at = (year: number): Range<Day> => {
    const last = Math.min(to, lastOf(year, month));
    return { low: iso(year, month, from), typical: iso(year, month, Math.round((from + last) / 2)), high: iso(year, month, last) };
  };
  const year = Number(today.slice(0, 4));
  return daysBetween(at(year).high, today) > PAST_DAYS ? at(year + 1) : at(year);
}
function monthPart(part: string, word: string, today: Day): Range<Day> | null {
  const found = PARTS.find(([re]) => re.test(part.trim()));
  return found ? span(word, ...found[1], today) : null;
}
function dayOf(word: string, day: number, today: Day): Range<Day> | null {
  const { typical } = span(word, day, day, today);
  // 31 June is no day.
  return day >= 1 && Number(typical.slice(8)) === day ? about(typical, 0) : null;
}

/** A day, or a time, as one says it: what was read, and the text without it; null where nothing was said of a time, or no such day is. */
export function whenIn(text: string, today: Day): { when: Range<Day>; rest: string } | null {
  const plain = text.toLowerCase();
  for (const { re, read } of PHRASES) {
    const m = re.exec(plain);
    if (!m) continue;
    const when = read(m, today);
    // 31 February is no day, and no other is meant.
    if (!when) return null;
    const before = text.slice(0, m.index).replace(/\b(?:from|by|until|till|before|at|on|in|around|about|for|ripe|ready|the|to)\s*$/i, '');
    const rest =
      before.replace(/\b(?:from|by|until|till|before|at|on|in|around|about|ripe|ready)\s*$/i, '') + text.slice(m.index + m[0].length);
    return { when, rest };
  }
  return null;
}
