import Papa from 'papaparse';
import type { HeatPoint } from './lethality';

/** A line of a log that could not be read, and why. */
export interface BadRow {
  row: number;
  text: string;
  why: string;
}
export interface TempLog {
  points: HeatPoint[];
  bad: BadRow[];
  /** The unit it was read in, and whether the log said so. */
  unit: 'C' | 'F';
  said: boolean;
}

const HEAD_F = /(°\s*F\b|\bdeg\s*F\b|\bfahrenheit\b|\(F\)|\btemp\w*[ _]?F\b)/i;
const HEAD_C = /(°\s*C\b|\bdeg\s*C\b|\bcelsius\b|\(C\)|\btemp\w*[ _]?C\b)/i;
/** No kitchen is colder or hotter, °C. */
const RANGE_C = { low: -30, high: 260 } as const;
/** Without a word of the unit, a log whose hottest is above this is in °F: no sauce is (our judgement). */
const SURELY_F = 125;

const figure = (text: string): number => {
  const plain = text
    .replace(/\s*°?\s*[CF]$/i, '')
    .replace(',', '.')
    .trim();
  return /^[-+]?\d+(\.\d+)?$/.test(plain) ? Number(plain) : Number.NaN;
};

/** Minutes of a time: "12.5" minutes, "1:02:30" and "12:30" by the clock, or a date with a time. */
function minutesOf(text: string): number {
  const bare = figure(text);
  if (!Number.isNaN(bare)) return bare;
  const clock = /^(\d{1,3}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?$/.exec(text);
  if (clock) return Number(clock[1]) * 60 + Number(clock[2]) + Number((clock[3] ?? '0').replace(',', '.')) / 60;
  const stamp = /^\d{1,4}[-./]\d{1,2}[-./]\d{1,4}[ T]+\d{1,2}:\d{2}(:\d{2})?/.test(text)
    ? Date.parse(text.replace(/^(\d{4})[./](\d{2})[./](\d{2})/, '$1-$2-$3'))
    : Number.NaN;
  return Number.isNaN(stamp) ? Number.NaN : stamp / 60_000;
}

/**
 * Reads a temperature log: two or more columns, a heading or none, times as minutes, by the clock or with dates, in °C or °F.
 * What cannot be read is told line by line and left out; times that go back are told too.
 */
export function readTempLog(text: string): TempLog {
  const { data } = Papa.parse<string[]>(text, { skipEmptyLines: false, delimitersToGuess: ['\t', ';', ',', '|'] });
  const rows: { row: number; text: string; min: number; c: number }[] = [];
  const bad: BadRow[] = [];
  let unit: 'C' | 'F' | null = null;
  let column = -1;
  data.forEach((cells, i) => {
    const fields = cells.map((f) => f.trim());
    const line = fields.join(', ');
    if (fields.every((f) => f === '') || line.startsWith('#')) return;
    const heading = rows.length === 0 && fields.every((f) => Number.isNaN(figure(f)) && Number.isNaN(minutesOf(f)));
    if (heading) {
      if (HEAD_F.test(line)) unit = 'F';
      else if (HEAD_C.test(line)) unit = 'C';
      const at = fields.findIndex((f) => /temp|°|celsius|fahrenheit|core|probe/i.test(f));
      if (at > 0) column = at;
      return;
    }
    // A running number before the time is no time.
    const timeAt = fields.findIndex((f) => /[:T]\d/.test(f) && !Number.isNaN(minutesOf(f)));
    const min = minutesOf(fields[Math.max(0, timeAt)] ?? '');
    const own = column > 0 ? fields[column] : fields.slice(Math.max(0, timeAt) + 1).find((f) => !Number.isNaN(figure(f)));
    const c = figure(own ?? '');
    const say = (why: string) => bad.push({ row: i + 1, text: line.slice(0, 60), why });
    if (Number.isNaN(min)) say('No time is in this line.');
    else if (Number.isNaN(c)) say('No temperature is in this line.');
    else rows.push({ row: i + 1, text: line.slice(0, 60), min, c });
    if (unit === null && own && /°?\s*F$/i.test(own)) unit = 'F';
  });
  const said = unit !== null;
  const as: 'C' | 'F' = unit ?? (rows.length > 0 && Math.max(...rows.map((r) => r.c)) > SURELY_F ? 'F' : 'C');
  const points: HeatPoint[] = [];
  const start = rows[0]?.min ?? 0;
  for (const r of rows) {
    const c = as === 'F' ? ((r.c - 32) * 5) / 9 : r.c;
    const min = r.min - start;
    if (c < RANGE_C.low || c > RANGE_C.high) bad.push({ row: r.row, text: r.text, why: `${Math.round(c)} °C cannot be in a kitchen.` });
    else if (points.length > 0 && min < points.at(-1)!.min)
      bad.push({ row: r.row, text: r.text, why: 'This time lies before the one above it.' });
    else if (points.length > 0 && min === points.at(-1)!.min) bad.push({ row: r.row, text: r.text, why: 'Twice the same time.' });
    else points.push({ min, c });
  }
  return { points, bad: bad.sort((a, b) => a.row - b.row), unit: as, said };
}
