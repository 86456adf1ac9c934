import { addDays, type Day } from '../plan';
import type { SeasonPart, SeasonAsk, SeasonWish } from './season';

/** A wish of several kinds is so many sauces, each of them its share of the bottles. */
function partsOfWish({ id, says, bottles, by, kinds }: SeasonWish): SeasonPart[] {
  const n = Math.max(1, kinds.length);
  return Array.from({ length: n }, (_, i): SeasonPart => ({
    id: `${id}/${i}`,
    wishId: id,
    says,
    heat: kinds[i] ?? null,
    bottles: Math.floor(bottles / n) + (i < bottles % n ? 1 : 0),
    by,
  })).filter((p) => p.bottles > 0);
}

/** The last days of the months from `from` until `to`. */
function monthEnds(from: Day, to: Day): Day[] {
  const out: Day[] = [];
  for (let first = `${from.slice(0, 7)}-01`; ;) {
    const next = `${addDays(first, 32).slice(0, 7)}-01`;
    const last = addDays(next, -1);
    if (last > to) return out;
    out.push(last);
    first = next;
  }
}

/** What is asked of a season, sauce by sauce. */
export function seasonParts({ wishes, perMonth, today, days }: Pick<SeasonAsk, 'wishes' | 'perMonth' | 'today' | 'days'>): SeasonPart[] {
  const months = perMonth > 0 ? monthEnds(today, days.at(-1) ?? today) : [];
  return [
    ...wishes.flatMap(partsOfWish),
    ...months.map((by): SeasonPart => ({ id: `month/${by}`, wishId: null, says: 'used up', heat: null, bottles: perMonth, by })),
  ];
}
