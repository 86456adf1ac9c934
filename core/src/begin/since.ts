import { addDays, daysBetween, isDay, type Day } from '../plan';
import { countAt, FigureError, markAt, plainSigns, tokensOf, wordAt, type Token } from '../reading';

/** What was done before today, out of a maker's words: when a jar was packed, and what it read since. */
export interface Stood {
  /** The day on which it was packed or begun. */
  since: Day;
  /** The words that said so. */
  says: string;
  readings: { day: Day; pH: number }[];
  /** What they were read with, as the maker says; strips where nobody does. */
  instrument?: 'meter' | 'strip';
}

const MONTHS = ['january', 'february', 'march', 'april', 'may', 'june', 'july', 'august', 'september', 'october', 'november', 'december'];
const monthOf = (w: string | null): number => (w === null || w.length < 3 ? -1 : MONTHS.findIndex((m) => m.startsWith(w)));
const DAYS: Readonly<Record<string, number>> = { day: 1, week: 7, month: 30 };
const BEGUN = /^(?:packed|started|begun|began|since|made|fermenting|fermented|standing|salted|brined|going)$/;
/** Longer ago than this no jar was packed, days. */
const MOST_DAYS = 400;

/** The latest such day of the month that is not after today. */
function dayOfMonth(n: number, month: number, today: Day): Day | null {
  const [y, m] = today.split('-').map(Number);
  for (let back = 0; back < 24; back++) {
    const at = (m! - 1 - back + 240) % 12;
    const year = y! + Math.floor((m! - 1 - back) / 12);
    if (month >= 0 && at !== month) continue;
    const day = `${year}-${String(at + 1).padStart(2, '0')}-${String(n).padStart(2, '0')}`;
    if (isDay(day) && day <= today) return day;
  }
  return null;
}

/** A day that is named from a token on: "two weeks ago", "the 12th", "3 November", "yesterday", "2026-11-12". */
function dayAt(t: readonly Token[], i: number, text: string, today: Day): { day: Day; to: number } | null {
  const iso = t[i] ? /^\d{4}-\d{2}-\d{2}/.exec(text.slice(t[i].from)) : null;
  if (iso && isDay(iso[0])) {
    let to = i;
    while (t[to] && t[to]!.from < t[i]!.from + iso[0].length) to++;
    return { day: iso[0], to };
  }
  const w = wordAt(t, i);
  if (w === 'today') return { day: today, to: i + 1 };
  if (w === 'yesterday') return { day: addDays(today, -1), to: i + 1 };
  const last = DAYS[wordAt(t, i + 1) ?? ''];
  if (w === 'last' && last !== undefined) return { day: addDays(today, -last), to: i + 2 };
  const at = w === 'on' || w === 'the' ? (wordAt(t, i + 1) === 'the' ? i + 2 : i + 1) : i;
  const c = countAt(t, at);
  if (!c || !Number.isInteger(c.low)) return null;
  let next = c.next;
  const unit = DAYS[wordAt(t, next) ?? ''];
  if (unit !== undefined && (wordAt(t, next + 1) === 'ago' || wordAt(t, i - 1) === 'for'))
    return { day: addDays(today, -Math.round(c.low * unit)), to: next + 2 };
  const ordinal = /^(?:st|nd|rd|th)$/.test(wordAt(t, next) ?? '');
  if (ordinal) next++;
  if (wordAt(t, next) === 'of') next++;
  const month = monthOf(wordAt(t, next));
  if (c.low < 1 || c.low > 31 || (!ordinal && month < 0)) return null;
  const day = dayOfMonth(c.low, month, today);
  return day ? { day, to: month >= 0 ? next + 1 : next } : null;
}

/** "pH 4.2 on day 6", "pH 3.9 yesterday": readings, by the day the jar was packed. */
function readingsIn(t: readonly Token[], text: string, since: Day, today: Day): Stood['readings'] {
  return t.flatMap((token, i): Stood['readings'] => {
    if (token.is !== 'word' || token.text.toLowerCase() !== 'ph') return [];
    let at = i + 1;
    while (/^(?:of|was|is|at|about|now|reading)$/.test(wordAt(t, at) ?? '') || markAt(t, at) === ':') at++;
    const figure = t[at];
    if (figure?.is !== 'figure' || figure.value < 1.5 || figure.value > 9) return [];
    for (let k = at + 1; k < Math.min(t.length, at + 6); k++) {
      if (/^(?:ph)$/.test(wordAt(t, k) ?? '')) break;
      if (wordAt(t, k) === 'day') {
        const n = countAt(t, k + 1);
        if (n) return inTime({ day: addDays(since, Math.round(n.low)), pH: figure.value }, since, today);
      }
      const after = wordAt(t, k) === 'after' ? countAt(t, k + 1) : null;
      const unit = after ? DAYS[wordAt(t, after.next) ?? ''] : undefined;
      if (after && unit) return inTime({ day: addDays(since, Math.round(after.low * unit)), pH: figure.value }, since, today);
      const day = dayAt(t, k, text, today);
      if (day) return inTime({ day: day.day, pH: figure.value }, since, today);
    }
    return inTime({ day: today, pH: figure.value }, since, today);
  });
}
const inTime = (r: Stood['readings'][number], since: Day, today: Day): Stood['readings'] => (r.day >= since && r.day <= today ? [r] : []);

/** When what the text speaks of was begun, and what it read since; null where it says nothing of that. Never throws. */
export function stoodIn(text: string, today: Day): Stood | null {
  const plain = plainSigns(text);
  let t: Token[];
  try {
    t = tokensOf(plain);
  } catch (e) {
    if (e instanceof FigureError) return null;
    throw e;
  }
  for (let i = 0; i < t.length; i++) {
    const word = t[i]!;
    if (word.is !== 'word' || !BEGUN.test(word.text.toLowerCase())) continue;
    for (let k = i + 1; k < Math.min(t.length, i + 4); k++) {
      const found = dayAt(t, k, plain, today);
      if (!found || daysBetween(found.day, today) > MOST_DAYS || found.day > today) continue;
      const says = plain.slice(word.from, t[Math.min(found.to, t.length) - 1]!.to);
      return { since: found.day, says, readings: readingsIn(t, plain, found.day, today) };
    }
  }
  return null;
}
