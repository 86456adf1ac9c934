import { addDays, daysBetween, type Day } from '../plan';
import { drawEnsemble } from '../stat/draw';
import type { Range, Season, SeasonAsk } from './season';

/** 10 and 90 % of a standard normal. */
const Z90 = 1.2816;
/** A number between its 10 and 90 %, by a standard normal: below and above its middle each by its own spread. */
const within = ({ low, typical, high }: Range<number>, z: number): number =>
  Math.max(0, typical + (z / Z90) * (z < 0 ? typical - low : high - typical));
const dayWithin = (days: Range<Day>, z: number): Day => {
  const off = (d: Day) => daysBetween(days.typical, d);
  return addDays(days.typical, Math.round(within({ low: off(days.low) + 1e3, typical: 1e3, high: off(days.high) + 1e3 }, z) - 1e3));
};

/**
 * Of how many seasons like this a wish gets all its bottles by its day when the plan is kept: harvests come as they come, a
 * batch waits for its pods until there is time, and makes as much less as there are less of them. The heat of a batch is told
 * when it is begun. By the id of the wish, 0 to 1.
 */
export function luckOf(ask: SeasonAsk, season: Season, seed: number, seasons = 400): Map<string, number> {
  const full = new Map<string, number>();
  const wishes = [...new Set(season.parts.flatMap((p) => p.wishId ?? []))];
  const used = new Map<string, number>();
  for (const b of season.batches) for (const p of b.pods) used.set(p.harvestId, (used.get(p.harvestId) ?? 0) + p.g);
  for (const draw of drawEnsemble(seed, seasons)) {
    const came = new Map(
      ask.harvests.map((h) => {
        const g = within(h.g, draw.z(`${h.id} g`));
        return [
          h.id,
          { day: dayWithin(h.from, draw.z(`${h.id} day`)), share: Math.min(1, g / Math.max(1e-9, used.get(h.id) ?? 0)) },
        ] as const;
      }),
    );
    const got = new Map<string, number>();
    const add = (part: string, n: number) => got.set(part, (got.get(part) ?? 0) + n);
    for (const s of season.fromShelf) add(s.part, s.bottles);
    for (const b of season.batches) {
      const mass = b.pods.reduce((s, p) => s + p.g, b.boughtG);
      const share = mass > 0 ? (b.boughtG + b.pods.reduce((s, p) => s + p.g * came.get(p.harvestId)!.share, 0)) / mass : 0;
      const last = b.pods.reduce((day, p) => (came.get(p.harvestId)!.day > day ? came.get(p.harvestId)!.day : day), b.start);
      const start = ask.days.find((d) => d >= last);
      const end = start && ask.days.find((d) => d >= addDays(start, daysBetween(b.start, b.end)));
      if (!end) continue;
      const ready = addDays(end, daysBetween(b.end, b.ready));
      let left = Math.floor(b.fills * share + 1e-9);
      for (const t of [...b.to].sort((x, y) => byOf(season, x.part).localeCompare(byOf(season, y.part)))) {
        if (ready > byOf(season, t.part)) continue;
        const n = Math.min(left, t.bottles);
        left -= n;
        add(t.part, n);
      }
    }
    for (const w of wishes)
      if (season.parts.every((p) => p.wishId !== w || (got.get(p.id) ?? 0) >= p.bottles - 1e-6)) full.set(w, (full.get(w) ?? 0) + 1);
  }
  return new Map(wishes.map((w) => [w, (full.get(w) ?? 0) / seasons]));
}
const byOf = (season: Season, part: string): Day => season.parts.find((p) => p.id === part)!.by;
