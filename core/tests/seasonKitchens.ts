import {
  addDays,
  daysBetween,
  lotOfVariety,
  preparedPerGram,
  variety,
  type Day,
  type Harvest,
  type SeasonAsk,
  type SeasonWish,
  type StyleKit,
} from '../src';
import type { Dice } from './random';

export const TODAY = '2026-06-01';
/** Saturdays. */
export const saturdays = (n: number, from = '2026-06-06'): Day[] => Array.from({ length: n }, (_, i) => addDays(from, 7 * i));
export function harvest(id: string, of: string, g: number, from: Day, over: Partial<Harvest> = {}): Harvest {
  const lot = lotOfVariety(variety(of), { id });
  return {
    ...{ id, name: lot.name, lot, g: { low: 0.6 * g, typical: g, high: 1.4 * g } },
    from: { low: addDays(from, -5), typical: from, high: addDays(from, 5) },
    goodDays: lot.form === 'fresh' ? 14 : 365,
    ...over,
  };
}
export const wish = (id: string, bottles: number, by: Day, kinds: SeasonWish['kinds'] = [null]): SeasonWish => ({
  id,
  says: id,
  bottles,
  by,
  kinds,
});
export const ask = (over: Partial<SeasonAsk>): SeasonAsk => ({
  ...{ today: TODAY, days: saturdays(26), bottleMl: 100, perMonth: 0, freezerG: 0, jars: [{ ml: 1000, count: 1 }], taken: [] },
  ...{ harvests: [], shelf: [], wishes: [], kits: [], pins: [], before: [] },
  ...over,
});
/** A kitchen small enough to try everything: one harvest, hot enough as it is, no sweet pods (its kinds take dried ones). */
export function smallKitchen(d: Dice): SeasonAsk {
  const days = saturdays(d.whole(2, 3));
  const lot = lotOfVariety(variety('cayenne-red'), { id: 'h', form: 'dried' });
  const g = d.whole(150, 900);
  const from = d.pick([TODAY, days[1]!]);
  const some = (style: string, jar: boolean): StyleKit => ({
    ...{ style, eaten: 'drop', dried: true, massPerPod: d.between(1, 3), heatKept: 1, rests: d.pick([0, 3]), keepsDays: d.pick([30, 180]) },
    mlPerPod: d.between(0.8, 2.5),
    jarMlPerPod: jar ? d.between(1.5, 2.5) : 0,
    stands: jar ? d.pick([7, 14]) : 0,
    minutes: { begin: d.whole(60, 150), end: jar ? 40 : 0 },
  });
  return ask({
    days,
    harvests: [harvest('h', 'cayenne-red', g, from, { lot, g: { low: g, typical: g, high: g }, goodDays: 14 })],
    freezerG: d.pick([0, 300, 2000]),
    wishes: Array.from({ length: d.whole(1, 2) }, (_, i) => wish(`w${i}`, d.whole(1, 4), addDays(TODAY, d.whole(8, 40)))),
    kits: [some('simmered-vinegar', false), ...(d.chance(0.5) ? [some('brine-ferment', true)] : [])],
    bottleMl: d.pick([100, 150]),
  });
}

/** All numbers of bottles from 0 to each limit. */
function* counts(limits: readonly number[]): Generator<number[]> {
  if (limits.length === 0) return yield [];
  for (let n = 0; n <= limits[0]!; n++) for (const rest of counts(limits.slice(1))) yield [n, ...rest];
}
const PRICE = { short: 100, spoiledG: 0.02, frozenG: 0.001, cookedG: 0.0015, workday: 6, batch: 3 };

/** What the best plan of a small kitchen costs, by trying every set of batches and every way to share out bottles. */
export function byTrying(a: SeasonAsk): number {
  const [h] = a.harvests;
  const G = h!.g.typical;
  const cut = preparedPerGram(h!.lot, 'whole').massG;
  const on = (day: Day) => a.days.find((d) => d >= day);
  // Every day of work is tried, not only those that the program looks at.
  const all = a.kits.flatMap((k) =>
    a.days.flatMap((start) => {
      const end = on(addDays(start, k.stands));
      const late = daysBetween(h!.from.typical, start) > h!.goodDays;
      if (!end || start < h!.from.typical || (late && a.freezerG === 0)) return [];
      const ready = addDays(end, k.rests);
      return [{ k, start, end, late, serves: a.wishes.map((w) => ready <= w.by && daysBetween(ready, w.by) <= k.keepsDays) }];
    }),
  );
  let found = a.wishes.reduce((s, w) => s + PRICE.short * w.bottles, 0) + leftover(G, 0);
  /** What becomes of g that nothing needs: the cheapest first. */
  function leftover(g: number, roomG: number): number {
    const freezes = Math.min(g, a.freezerG);
    const cooks = Math.min(g - freezes, roomG);
    return freezes * PRICE.frozenG + cooks * PRICE.cookedG + (g - freezes - cooks) * PRICE.spoiledG;
  }
  for (let mask = 1; mask < 1 << all.length; mask++) {
    const made = all.filter((_, i) => mask & (1 << i));
    const jarred = made.filter((m) => m.k.jarMlPerPod > 0);
    if (jarred.some((x, i) => jarred.some((y, j) => i < j && x.start < y.end && y.start < x.end))) continue;
    const minutes = new Map<Day, number[]>();
    for (const m of made) {
      minutes.set(m.start, [...(minutes.get(m.start) ?? []), m.k.minutes.begin]);
      if (m.k.stands > 0) minutes.set(m.end, [...(minutes.get(m.end) ?? []), m.k.minutes.end]);
    }
    if ([...minutes.values()].some((ms) => ms.reduce((s, x) => s + x, 0) > 240)) continue;
    const fixed = made.length * PRICE.batch + minutes.size * PRICE.workday;
    if (fixed >= found) continue;
    const slots = made.flatMap((m, i) => a.wishes.flatMap((w, j) => (m.serves[j] ? [{ i, j, most: w.bottles }] : [])));
    for (const n of counts(slots.map((s) => s.most))) {
      const short = a.wishes.map((w, j) => w.bottles - slots.reduce((s, x, q) => s + (x.j === j ? n[q]! : 0), 0));
      if (short.some((s) => s < 0)) continue;
      // On the board, as little as fills the bottles.
      const board = made.map((m, i) =>
        Math.max(100, (slots.reduce((s, x, q) => s + (x.i === i ? n[q]! : 0), 0) * a.bottleMl) / m.k.mlPerPod),
      );
      const most = made.map((m) => Math.min(4000, m.k.jarMlPerPod > 0 ? 1000 / m.k.jarMlPerPod : Infinity));
      if (board.some((g, i) => g > most[i]! + 1e-9)) continue;
      const use = board.map((g) => g / cut);
      const fresh = made.reduce((s, m, i) => s + (m.late ? 0 : use[i]!), 0);
      const frozen = made.reduce((s, m, i) => s + (m.late ? use[i]! : 0), 0);
      if (fresh + frozen > G + 1e-9 || frozen > a.freezerG + 1e-9) continue;
      const rest = G - fresh - frozen;
      const room = made.reduce((s, m, i) => s + (m.late ? 0 : most[i]! / cut - use[i]!), 0);
      const freezes = Math.min(rest, a.freezerG - frozen);
      const cooks = Math.min(rest - freezes, room);
      const cost =
        fixed +
        short.reduce((s, x) => s + PRICE.short * x, 0) +
        (fresh + frozen + cooks) * PRICE.cookedG +
        (frozen + freezes) * PRICE.frozenG +
        (rest - freezes - cooks) * PRICE.spoiledG;
      if (cost < found) found = cost;
    }
  }
  return found;
}
