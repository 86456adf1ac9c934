import { addDays, daysBetween, type Day } from './date';

/** What a batch takes of the kitchen that others cannot have then. */
export interface Occupies {
  /** Jars, from the day they are packed to the day they are emptied. */
  jars: { from: Day; to: Day; ml: number; count: number }[];
  /** Pots and the like by their id, on a day. */
  pots: { toolId: string; name: string; on: Day }[];
  /** Minutes by hand, on a day. */
  work: { on: Day; minutes: number }[];
}
/** A batch among others: what it takes, and whether it can still begin on another day. */
export interface Occupant {
  id: string;
  name: string;
  startDate: Day;
  begun: boolean;
  occupies: Occupies;
}
/** What a kitchen has of jars, by what one holds. */
export interface JarStock {
  ml: number;
  count: number;
}
export interface KitchenClash {
  kind: 'jars' | 'pot' | 'day';
  from: Day;
  to: Day;
  batchIds: string[];
  says: string;
}

/** More by hand than this is no day (our judgement: four hours on one's feet). */
export const FULL_DAY_MIN = 240;
/** A jar up to this much too large still works; more is too much air over the brine (our judgement). */
const TOO_LARGE = 2;
/** As far as a free day is looked for, days. */
const FAR = 180;

/** First and last day on which something is taken; null where nothing is. */
function spanOf({ jars, pots, work }: Occupies): { from: Day; to: Day } | null {
  const days = [...jars.flatMap((j) => [j.from, j.to]), ...pots.map((p) => p.on), ...work.map((w) => w.on)].sort();
  return days.length > 0 ? { from: days[0]!, to: days.at(-1)! } : null;
}

/** The same, some days later. */
const moved = (o: Occupies, days: number): Occupies => ({
  jars: o.jars.map((j) => ({ ...j, from: addDays(j.from, days), to: addDays(j.to, days) })),
  pots: o.pots.map((p) => ({ ...p, on: addDays(p.on, days) })),
  work: o.work.map((w) => ({ ...w, on: addDays(w.on, days) })),
});

/** A jar of `has` ml does for what wants `ml`. */
const does = (has: number, ml: number) => has >= ml && has <= TOO_LARGE * ml;

/**
 * How many of the jars wanted (ml each) cannot be had, at best: smallest first, each takes the smallest jar that does, so
 * that none takes another's only one.
 */
export function jarsShort(wanted: readonly number[], stock: readonly JarStock[]): number {
  const left = stock.map((s) => ({ ...s })).sort((a, b) => a.ml - b.ml);
  let short = 0;
  for (const ml of [...wanted].sort((a, b) => a - b)) {
    const jar = left.find((s) => s.count > 0 && does(s.ml, ml));
    if (jar) jar.count--;
    else short++;
  }
  return short;
}

const litres = (ml: number) => (ml < 1000 ? `${ml} ml` : `${ml / 1000} l`);
/** Of many names the first are said. */
const FEW_NAMES = 3;
function listed(names: readonly string[]): string {
  if (names.length > FEW_NAMES + 1) return `${names.slice(0, FEW_NAMES).join(', ')} and ${names.length - FEW_NAMES} more`;
  return names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

/** Days on which `who` gives the same answer, taken together; days without one part them. */
function spans(
  days: readonly Day[],
  who: (day: Day) => { ids: string[]; says: string } | null,
): { from: Day; to: Day; ids: string[]; says: string }[] {
  const out: { from: Day; to: Day; ids: string[]; says: string }[] = [];
  for (const day of days) {
    const found = who(day);
    if (!found) continue;
    const last = out.at(-1);
    if (last && last.says === found.says && daysBetween(last.to, day) === 1) last.to = day;
    else out.push({ from: day, to: day, ...found });
  }
  return out;
}

/**
 * What several batches want at once and the kitchen has not: jars (only where it says which it has), the same pot on one
 * day, and days of more work than a day holds. Days before `today` are over, those after `until` are not looked at. A jar that is emptied on a day is free on it.
 */
export function clashesOf(batches: readonly Occupant[], stock: readonly JarStock[], today: Day, until?: Day): KitchenClash[] {
  const ends = batches.map((b) => spanOf(b.occupies)?.to ?? today).reduce((a, d) => (d > a ? d : a), today);
  const last = until !== undefined && until < ends ? until : ends;
  if (last < today) return [];
  const days = Array.from({ length: Math.min(400, daysBetween(today, last)) + 1 }, (_, i) => addDays(today, i));
  const named = (ids: ReadonlySet<string>) => batches.filter((b) => ids.has(b.id));
  const jars =
    stock.length === 0
      ? []
      : spans(days, (day) => {
          const stand = batches.flatMap((b) =>
            b.occupies.jars
              .filter((j) => j.from <= day && day < j.to)
              .flatMap((j) => Array.from({ length: j.count }, () => ({ id: b.id, ml: j.ml }))),
          );
          const without = (id: string | null) => stand.flatMap((j) => (j.id === id ? [] : [j.ml]));
          const short = jarsShort(without(null), stock);
          if (short === 0) return null;
          // Whoever takes none of what is short has no part in it.
          const part = [...new Set(stand.map((j) => j.id))].filter((id) => jarsShort(without(id), stock) < short);
          const ids = new Set(part);
          // What stands already has its jars, whatever is written down of them.
          if (named(ids).every((b) => b.begun)) return null;
          const wanted = stand.flatMap((j) => (ids.has(j.id) ? [j.ml] : []));
          const sizes = [...new Set(wanted)].sort((a, b) => b - a).map((ml) => `${wanted.filter((w) => w === ml).length} of ${litres(ml)}`);
          const fit = stock.filter((s) => wanted.some((ml) => does(s.ml, ml))).sort((a, b) => b.ml - a.ml);
          const has =
            fit.length > 0
              ? `There ${fit[0]!.count === 1 && fit.length === 1 ? 'is' : 'are'} ${listed(fit.map((s) => `${s.count} of ${litres(s.ml)}`))}`
              : 'There are none of that size';
          const names = named(ids).map((b) => b.name);
          return {
            ids: part,
            says: `${listed(names)} ${names.length === 1 ? 'wants' : 'want'} jars${names.length === 1 ? '' : ' at once'}: ${listed(sizes)}. ${has}.`,
          };
        }).map((s) => ({ kind: 'jars' as const, ...s }));
  const pots = spans(days, (day) => {
    const uses = batches.flatMap((b) => b.occupies.pots.filter((p) => p.on === day).map((p) => ({ ...p, id: b.id })));
    const twice = uses.find((u) => uses.some((o) => o.toolId === u.toolId && o.id !== u.id));
    if (!twice) return null;
    const ids = new Set(uses.filter((u) => u.toolId === twice.toolId).map((u) => u.id));
    return {
      ids: [...ids],
      says: `${listed(named(ids).map((b) => b.name))} want the ${twice.name.toLowerCase()} on one day: one after the other.`,
    };
  }).map((s) => ({ kind: 'pot' as const, ...s }));
  const full = spans(days, (day) => {
    const work = batches.flatMap((b) => b.occupies.work.filter((w) => w.on === day).map((w) => ({ ...w, id: b.id })));
    const ids = new Set(work.map((w) => w.id));
    const minutes = work.reduce((a, w) => a + w.minutes, 0);
    if (ids.size < 2 || minutes <= FULL_DAY_MIN) return null;
    return {
      ids: [...ids],
      says: `${listed(named(ids).map((b) => b.name))} are ${(minutes / 60).toFixed(1)} hours of work by hand on one day.`,
    };
  }).map((s) => ({ kind: 'day' as const, ...s }));
  return [...jars, ...pots, ...full].map(({ ids, ...c }) => ({ ...c, batchIds: ids })).sort((a, b) => a.from.localeCompare(b.from));
}

/**
 * The first day, from `from` on, on which a batch can begin without a clash with the others (what they clash in among
 * themselves is theirs); null where there is none within half a year.
 */
export function freeStart(batch: Occupant, others: readonly Occupant[], stock: readonly JarStock[], from: Day, today: Day): Day | null {
  const rest = others.filter((o) => o.id !== batch.id).map((o) => ({ o, at: spanOf(o.occupies) }));
  for (let i = 0; i <= FAR; i++) {
    const start = addDays(from, i);
    const there = { ...batch, startDate: start, occupies: moved(batch.occupies, daysBetween(batch.startDate, start)) };
    const span = spanOf(there.occupies);
    if (!span) return start;
    const since = span.from > today ? span.from : today;
    const near = rest.flatMap(({ o, at }) => (at && at.from <= span.to && at.to >= since ? [o] : []));
    if (!clashesOf([...near, there], stock, since, span.to).some((c) => c.batchIds.includes(batch.id))) return start;
  }
  return null;
}
