import Papa from 'papaparse';
import type { HeatPoint } from './lethality';

/** A line of a log that could not be read, and why. */
export interface BadRow {
  row: number;
  text: string;
  why: string;
}
/** What a bare time of a log counts. */
export const TIME_UNITS = ['min', 's', 'h', 'mm:ss', 'hh:mm'] as const;
export type TimeUnit = (typeof TIME_UNITS)[number];

export interface TempLog {
  points: HeatPoint[];
  bad: BadRow[];
  /** Where the times have dates: minutes of the first since 1970 by the clock on the wall, without a zone; else null. */
  startMin: number | null;
  /** What it was read in; null where the log does not say, and nobody did: then it has no points. */
  unit: 'C' | 'F' | null;
  time: TimeUnit | 'date' | null;
  /** What must be said before anything is judged. */
  asks: ('unit' | 'time')[];
}

const HEAD_F = /(°\s*F\b|\bdeg\w*\s*F\b|\bfahrenheit\b|\(F\)|\btemp\w*[ _]?F\b)/i;
const HEAD_C = /(°\s*C\b|\bdeg\w*\s*C\b|\bcelsius\b|\(C\)|\btemp\w*[ _]?C\b)/i;
const TEMPERATURE = /temp|°|celsius|fahrenheit|core|probe|channel/i;
const COUNTER = /^(no\.?|nr\.?|#|index|id|row|record|sample|reading|count)$/i;
const TIME = /time|date|elapsed|clock|\b(min|minutes?|sec|seconds?|s|h|hours?)\b/i;
/** No kitchen is colder or hotter, °C. */
const RANGE_C = { low: -30, high: 260 } as const;
const DAY_MIN = 24 * 60;
/** A clock that goes back by so much went past midnight, min. */
const MIDNIGHT_MIN = 12 * 60;

const figure = (text: string): number => {
  const plain = text
    .replace(/\s*°?\s*[CF]$/i, '')
    .replace(',', '.')
    .trim();
  return /^[-+]?\d+(\.\d+)?$/.test(plain) ? Number(plain) : Number.NaN;
};

/** What a heading says a bare time counts; null when it does not say. */
function timeIn(heading: string): TimeUnit | null {
  if (/mm:ss/i.test(heading)) return 'mm:ss';
  if (/hh:mm(?!:)/i.test(heading)) return 'hh:mm';
  if (/\b(sec|secs|seconds?|s)\b/i.test(heading)) return 's';
  if (/\b(min|mins|minutes?)\b/i.test(heading)) return 'min';
  if (/\b(h|hrs?|hours?)\b/i.test(heading)) return 'h';
  return null;
}

/** Year, month and day by their places in a date, as all of the log's dates bear it: day first unless one shows otherwise. */
function dayOf(parts: readonly number[], dayFirst: boolean): [number, number, number] {
  const [a, b, c] = parts as [number, number, number];
  if (a > 31) return [a, b, c];
  const year = c < 100 ? 2000 + c : c;
  return dayFirst ? [year, b, a] : [year, a, b];
}
const STAMP = /^(\d{1,4})[-./](\d{1,2})[-./](\d{1,4})[ T]+(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?/i;
const CLOCK = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?\s*(am|pm)?$/i;
const seconds = (text: string | undefined): number => Number((text ?? '0').replace(',', '.'));
const hour = (h: number, half: string | undefined): number => (half ? (h % 12) + (/pm/i.test(half) ? 12 : 0) : h);

/** Minutes of a time, and whether it is a date, a clock of three parts, of two, or a bare figure; null for none. */
type Read = { min: number; kind: 'date' | 'clock3' | 'clock2' | 'bare' } | null;
function timeOf(text: string, unit: TimeUnit | null, dayFirst: boolean): Read {
  const stamp = STAMP.exec(text);
  if (stamp) {
    const [year, month, day] = dayOf([Number(stamp[1]), Number(stamp[2]), Number(stamp[3])], dayFirst);
    if (month < 1 || month > 12 || day < 1 || day > 31) return null;
    const min = Date.UTC(year, month - 1, day, hour(Number(stamp[4]), stamp[7]), Number(stamp[5])) / 60_000 + seconds(stamp[6]) / 60;
    return { min, kind: 'date' };
  }
  const clock = CLOCK.exec(text);
  if (clock) {
    const [a, b] = [Number(clock[1]), Number(clock[2])];
    if (clock[3] !== undefined) return { min: hour(a, clock[4]) * 60 + b + seconds(clock[3]) / 60, kind: 'clock3' };
    return { min: unit === 'mm:ss' ? a + b / 60 : hour(a, clock[4]) * 60 + b, kind: clock[4] ? 'clock3' : 'clock2' };
  }
  const bare = figure(text);
  return Number.isNaN(bare) ? null : { min: bare * (unit === 's' ? 1 / 60 : unit === 'h' ? 60 : 1), kind: 'bare' };
}

interface Columns {
  time: number;
  temp: number;
}
/** The columns of time and temperature: as the heading names them, else a time that looks like one and the next figure. */
function columnsOf(heading: readonly string[] | null, first: readonly string[]): Columns {
  const named = (of: RegExp) => heading?.findIndex((h) => of.test(h) && !COUNTER.test(h)) ?? -1;
  const temp = named(TEMPERATURE);
  // A date in a column of its own is no time; the clock beside it is.
  const asTime =
    heading?.findIndex((h, i) => i !== temp && TIME.test(h) && !COUNTER.test(h) && timeOf(first[i] ?? '', null, true) !== null) ?? -1;
  const looks = first.findIndex((f) => STAMP.test(f) || CLOCK.test(f));
  const time = asTime >= 0 ? asTime : looks >= 0 ? looks : temp === 0 ? 1 : 0;
  return { time, temp: temp >= 0 && temp !== time ? temp : first.findIndex((f, i) => i > time && !Number.isNaN(figure(f))) };
}

/**
 * Reads a temperature log: two or more columns, a heading or none; times as figures, by the clock, over midnight, or with
 * dates; °C or °F. What the log does not say (which degrees, minutes or seconds) is asked and never guessed: a guess could
 * call a sauce hot that was not. What cannot be read is told line by line and left out. `said` answers what was asked.
 */
export function readTempLog(text: string, said: { unit?: 'C' | 'F'; time?: TimeUnit } = {}): TempLog {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, delimitersToGuess: ['\t', ';', ',', '|'] });
  const lines = data
    .map((cells, i) => ({ row: i + 1, fields: cells.map((f) => f.trim()) }))
    .filter(({ fields }) => fields.some((f) => f !== '') && !fields[0]!.startsWith('#'));
  const isHeading = (fields: readonly string[]) => fields.every((f) => timeOf(f, null, true) === null);
  const at = lines.findIndex((l) => !isHeading(l.fields));
  // The last line of words before the figures names the columns.
  const heading = at > 0 ? lines[at - 1]!.fields : null;
  const rows = at < 0 ? [] : lines.slice(at);
  const columns = columnsOf(heading, rows[0]?.fields ?? []);
  const words = lines.slice(0, Math.max(0, at)).flatMap((l) => l.fields);
  const tempWords = heading?.[columns.temp] ?? words.join(' ');
  const inFields = rows.some((r) => /°?\s*F$/i.test(r.fields[columns.temp] ?? ''))
    ? 'F'
    : rows.some((r) => /°?\s*C$/i.test(r.fields[columns.temp] ?? ''))
      ? 'C'
      : null;
  const unit = said.unit ?? (HEAD_F.test(tempWords) ? 'F' : HEAD_C.test(tempWords) ? 'C' : inFields);
  const unitOfTime = said.time ?? timeIn(heading?.[columns.time] ?? '');
  // One date with a day above 12 in its second place tells that months stand first.
  const dayFirst = !rows.some((r) => {
    const stamp = STAMP.exec(r.fields[columns.time] ?? '');
    return stamp !== null && Number(stamp[1]) <= 12 && Number(stamp[2]) > 12;
  });
  const bad: BadRow[] = [];
  const read: { row: number; text: string; min: number; degrees: number; kind: NonNullable<Read>['kind'] }[] = [];
  for (const { row, fields } of rows) {
    const whole = fields.join(', ').slice(0, 60);
    const time = timeOf(fields[columns.time] ?? '', unitOfTime, dayFirst);
    const degrees = figure(fields[columns.temp] ?? '');
    if (time === null) bad.push({ row, text: whole, why: 'No time is in this line.' });
    else if (Number.isNaN(degrees)) bad.push({ row, text: whole, why: 'No temperature is in this line.' });
    else read.push({ row, text: whole, degrees, ...time });
  }
  const guessed = (kind: NonNullable<Read>['kind']) =>
    (kind === 'bare' && !['min', 's', 'h'].includes(unitOfTime ?? '')) ||
    (kind === 'clock2' && !['mm:ss', 'hh:mm'].includes(unitOfTime ?? ''));
  const asks: TempLog['asks'] = [];
  if (read.length > 0 && unit === null) asks.push('unit');
  if (read.some((r) => guessed(r.kind))) asks.push('time');
  const kinds = new Set(read.map((r) => r.kind));
  const time = asks.includes('time') ? null : kinds.has('date') ? ('date' as const) : (unitOfTime ?? 'hh:mm');
  if (asks.length > 0) return { points: [], bad, startMin: null, unit, time, asks };
  const points: HeatPoint[] = [];
  let days = 0;
  let before = read[0]?.min ?? 0;
  const start = before;
  for (const r of read) {
    // A clock without a date that falls back by half a day went past midnight.
    if (r.kind !== 'date' && r.kind !== 'bare' && r.min + days * DAY_MIN < before - MIDNIGHT_MIN) days++;
    const now = r.min + (r.kind === 'date' || r.kind === 'bare' ? 0 : days * DAY_MIN);
    const c = unit === 'F' ? ((r.degrees - 32) * 5) / 9 : r.degrees;
    const say = (why: string) => bad.push({ row: r.row, text: r.text, why });
    if (c < RANGE_C.low || c > RANGE_C.high) say(`${Math.round(c)} °C cannot be in a kitchen.`);
    else if (points.length > 0 && now < before) say('This time lies before the one above it.');
    else if (points.length > 0 && now === before) say('Twice the same time.');
    else {
      points.push({ min: now - start, c });
      before = now;
    }
  }
  return { points, bad: bad.sort((a, b) => a.row - b.row), startMin: time === 'date' ? start : null, unit, time, asks };
}
