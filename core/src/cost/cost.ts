import type { BatchFile } from '../file';
import { stationsOf } from '../file';
import { graphOf, handOut, strandEnd, takerKey } from '../line/graph';
import { stationOf, type TypicalReport } from '../line/typical';
import { kwhOf, type Hob } from '../cook/energy';
import { isTapWater } from '../matter/kind';

/** What a thing of a store costs: money a gram, and a package of it. */
export interface Price {
  perG: number;
  packG: number | null;
}
export interface Prices {
  /** By lot id, and by key of the larder row; null when no price is known. */
  pods(id: string): Price | null;
  larder(key: string): Price | null;
  /** Money for a kWh; null when it is not known. */
  tariff: number | null;
  hob: Hob;
  /** Money for one bottle at the end of a strand. */
  bottle(strandId: string): number | null;
  /** Count whole packages, as for one who had nothing in the house. */
  wholePacks: boolean;
}

export interface CostLine {
  kind: 'stuff' | 'energy' | 'bottles';
  name: string;
  /** g, kWh or bottles. */
  amount: number;
  /** Null when no price is known. */
  money: number | null;
  /** Where its price stands; of stuff that came out of a store only. */
  from?: { store: 'pods' | 'larder'; id: string };
}
/** What the bottles of one end came to. */
export interface EndCost {
  strandId: string;
  name: string;
  lines: CostLine[];
  /** Things of which no price is known: the sums leave them out. */
  unpriced: string[];
  stuff: number;
  energy: number;
  bottles: number;
  total: number;
  ml: number;
  count: number;
  /** For 100 ml, with and without its bottles; null when nothing is filled. */
  per100: number | null;
  per100Stuff: number | null;
  perBottle: number | null;
  /** Minutes of work by hand and by the clock, for this end. */
  minutes: { hands: number; clock: number };
}

/** Of what is worked on in each strand, the share that goes to each end; what nobody takes is carried by those who take. */
function destinies(file: BatchFile, report: TypicalReport): Map<string, Map<string, number>> {
  const graph = graphOf(file);
  const known = new Map<string, Map<string, number>>();
  const of = (strandId: string): Map<string, number> => {
    const had = known.get(strandId);
    if (had) return had;
    const strand = file.strands.find((s) => s.id === strandId)!;
    const out = new Map<string, number>();
    known.set(strandId, out);
    if (strand.goal) {
      out.set(strandId, 1);
      return out;
    }
    const takers = graph.takers.get(strandEnd(strandId)) ?? [];
    const { shares } = handOut(takers, stationOf(report, strand.stations.at(-1)!.id).now.massG);
    const all = [...shares.values()].reduce((s, x) => s + x, 0);
    if (!(all > 0)) return out;
    for (const t of takers) {
      const share = shares.get(takerKey(t.stationId, t.intake.id))! / all;
      for (const [end, part] of of(graph.nodes.get(t.stationId)!.strand.id)) out.set(end, (out.get(end) ?? 0) + share * part);
    }
    return out;
  };
  for (const s of file.strands) of(s.id);
  return known;
}

/**
 * Money and minutes of every end of a batch (handbook chapter 5, section 18.3): what left the larder, losses included, by
 * package prices; energy; bottles. Time is never priced. A branch carries the cost by its share of the mass; by-products
 * carry none. Never throws for a missing price: what has none is named.
 */
export function costOf(file: BatchFile, report: TypicalReport, prices: Prices): EndCost[] {
  const goesTo = destinies(file, report);
  /** g of each priced thing, over the whole batch and by end. */
  const used = new Map<
    string,
    Required<Pick<CostLine, 'name' | 'from'>> & { price: Price | null; g: number; byEnd: Map<string, number> }
  >();
  const kwh = new Map<string, number>();
  const minutes = new Map<string, { hands: number; clock: number }>();
  const put = (store: 'pods' | 'larder', id: string, name: string, price: Price | null, g: number, strandId: string) => {
    if (!(g > 0)) return;
    const key = `${store} ${id}`;
    const u = used.get(key) ?? { name, from: { store, id }, price, g: 0, byEnd: new Map<string, number>() };
    used.set(key, u);
    u.g += g;
    for (const [end, share] of goesTo.get(strandId) ?? []) u.byEnd.set(end, (u.byEnd.get(end) ?? 0) + share * g);
  };
  for (const { strand, entry } of stationsOf(file)) {
    const s = stationOf(report, entry.id);
    for (const i of entry.intakes) {
      const g = s.enters.grams[i.id] ?? 0;
      const { origin } = i;
      const nameOf = (id: string) => s.additions.find((a) => a.id === i.id || a.id === id)?.name;
      if (origin.from === 'pods') {
        const lot = file.lots.find((l) => l.id === origin.lotId);
        put('pods', origin.lotId, lot?.name ?? origin.lotId, prices.pods(origin.lotId), g, strand.id);
      } else if (origin.from === 'larder' && !isTapWater(origin.key)) {
        const row = file.ingredients.find((r) => r.key === origin.key);
        put('larder', origin.key, row?.name ?? nameOf(origin.key) ?? origin.key, prices.larder(origin.key), g, strand.id);
      }
    }
    for (const { key, name, massG } of s.made)
      if (key !== undefined && !isTapWater(key))
        put('larder', key, file.ingredients.find((r) => r.key === key)?.name ?? name, prices.larder(key), massG, strand.id);
    const takes = s.energy.reduce((sum, e) => sum + kwhOf(e, prices.hob), 0);
    for (const [end, share] of goesTo.get(strand.id) ?? []) {
      kwh.set(end, (kwh.get(end) ?? 0) + share * takes);
      const m = minutes.get(end) ?? { hands: 0, clock: 0 };
      minutes.set(end, { hands: m.hands + share * s.minutes.hands, clock: m.clock + share * s.minutes.clock });
    }
  }
  return report.ends.map((e): EndCost => {
    const lines: CostLine[] = [];
    const unpriced: string[] = [];
    for (const u of used.values()) {
      const g = u.byEnd.get(e.strandId) ?? 0;
      if (!(g > 0)) continue;
      if (!u.price) unpriced.push(u.name);
      // A package that was bought for the batch is carried by its ends as they use of it.
      const paidG = u.price?.packG && prices.wholePacks ? Math.ceil(u.g / u.price.packG - 1e-9) * u.price.packG * (g / u.g) : g;
      lines.push({ kind: 'stuff', name: u.name, amount: g, money: u.price ? paidG * u.price.perG : null, from: u.from });
    }
    lines.sort((a, b) => (b.money ?? -1) - (a.money ?? -1) || b.amount - a.amount);
    const sum = (kind: CostLine['kind']) => lines.reduce((s, l) => s + (l.kind === kind ? (l.money ?? 0) : 0), 0);
    const count = e.bottles.filled;
    const energyKwh = kwh.get(e.strandId) ?? 0;
    if (energyKwh > 0) {
      lines.push({ kind: 'energy', name: 'energy', amount: energyKwh, money: prices.tariff === null ? null : energyKwh * prices.tariff });
      if (prices.tariff === null) unpriced.push('energy');
    }
    const each = prices.bottle(e.strandId);
    if (e.vessel === 'bottle' && count > 0) {
      lines.push({ kind: 'bottles', name: count === 1 ? 'bottle' : 'bottles', amount: count, money: each === null ? null : count * each });
      if (each === null) unpriced.push('bottles');
    }
    const [stuff, energy, bottles] = [sum('stuff'), sum('energy'), sum('bottles')];
    const total = stuff + energy + bottles;
    const ml = e.bottles.filledMl;
    const per = (x: number) => (ml > 0 ? (100 * x) / ml : null);
    return {
      ...{ strandId: e.strandId, name: e.name, lines, unpriced, stuff, energy, bottles, total, ml, count },
      ...{ per100: per(total), per100Stuff: per(stuff + energy), perBottle: count > 0 ? total / count : null },
      minutes: minutes.get(e.strandId) ?? { hands: 0, clock: 0 },
    };
  });
}

/** Of minutes, what may be said: to 5 below an hour, to 15 above, and as a range of a quarter either way (section 15). */
export function minuteRange(minutes: number): [number, number] {
  const step = minutes < 60 ? 5 : 15;
  const to = (x: number) => Math.max(step, Math.round(x / step) * step);
  return [to(minutes * 0.8), to(minutes * 1.25)];
}
