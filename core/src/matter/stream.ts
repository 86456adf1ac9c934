import { addGrams, lessGrams, noGrams, scaleGrams, sharesOf, sumGrams, type Component, type Grams } from './component';

/** One thing that went into a stream: the same for every portion of it. */
export interface Thing {
  id: string;
  name: string;
  /** g of insolubles in 1 g of it as it went in, and how strongly they thicken (chapter 5, section 9). */
  pulp: number;
  strength: number;
  hex: string;
  /** How strongly it colours a mix: fresh produce 1, dry powders several, water 0. */
  tint: number;
  /** Allergen tags of the row it is of; a kept thing brings those of all that went into it. */
  allergens?: readonly string[];
  /** The most it stands in hot sauce, °C, and what happens above; left out for what stands the pot. */
  stands?: { mostC: number; why: string };
}

/** How much of a thing is still there, and the heat load that came of it. */
export interface LedgerEntry {
  of: Thing;
  massG: number;
  /** SHU g; the entries of a stream add up to its heat load. */
  heatShuG: number;
}

/**
 * Stuff flowing through a line: grams of each component, and three quantities that ride along.
 * `heatShuG` is the heat load, SHU times grams (chapter 2, rule zero: loads add, SHU values do not).
 * `sidEq` is the strong ion difference in equivalents (chapter 3, section 1).
 */
export interface Stream {
  readonly grams: Readonly<Grams>;
  readonly heatShuG: number;
  readonly sidEq: number;
  readonly ledger: readonly LedgerEntry[];
}

export const EMPTY: Stream = { grams: noGrams(), heatShuG: 0, sidEq: 0, ledger: [] };

/** Allergen tags of everything that ever went into a stream, in a fixed order. */
export const allergensIn = (stream: Stream): string[] => [...new Set(stream.ledger.flatMap((e) => e.of.allergens ?? []))].sort();

/** Total mass of a stream in g. */
export function massOf(stream: Stream): number {
  return sumGrams(stream.grams);
}

/** Heat as it is, SHU; 0 for nothing. */
export function streamShu(stream: Stream): number {
  const massG = massOf(stream);
  return massG > 0 ? stream.heatShuG * (1 / massG) : 0;
}

/** Every component of `stream` times `factor` (0 or more): a portion, or the same stuff in another amount. */
export function scale(stream: Stream, factor: number): Stream {
  return {
    grams: scaleGrams(stream.grams, factor),
    heatShuG: stream.heatShuG * factor,
    sidEq: stream.sidEq * factor,
    ledger: stream.ledger.map((e) => ({ of: e.of, massG: e.massG * factor, heatShuG: e.heatShuG * factor })),
  };
}

/** Puts streams together. Order does not matter; loads, ions and grams add. */
export function mix(...streams: readonly Stream[]): Stream {
  const grams = noGrams();
  let heatShuG = 0;
  let sidEq = 0;
  const ledger: LedgerEntry[] = [];
  for (const s of streams) {
    addGrams(grams, s.grams);
    heatShuG += s.heatShuG;
    sidEq += s.sidEq;
    for (const e of s.ledger) {
      const at = ledger.findIndex((had) => had.of.id === e.of.id);
      if (at < 0) ledger.push(e);
      else ledger[at] = { of: ledger[at]!.of, massG: ledger[at]!.massG + e.massG, heatShuG: ledger[at]!.heatShuG + e.heatShuG };
    }
  }
  return { grams, heatShuG, sidEq, ledger };
}

/** What share of each component, of the heat load and of the ions leaves in a separation. All 0 to 1. */
export interface Parting {
  share: (component: Component) => number;
  heat: number;
  sidEq: number;
  ledger: number;
}

/** Parts a stream in two: `taken` holds the shares given by `parting`, `left` the rest; together they are the input. */
export function part(stream: Stream, parting: Parting): { taken: Stream; left: Stream } {
  const taken = sharesOf(stream.grams, parting.share);
  const left = lessGrams(stream.grams, taken);
  const book = (mass: number, heat: number) => stream.ledger.map((e) => ({ of: e.of, massG: e.massG * mass, heatShuG: e.heatShuG * heat }));
  const heatT = stream.heatShuG * parting.heat;
  return {
    taken: { grams: taken, heatShuG: heatT, sidEq: parting.sidEq, ledger: book(parting.ledger, parting.heat) },
    left: {
      grams: left,
      heatShuG: stream.heatShuG - heatT,
      sidEq: stream.sidEq - parting.sidEq,
      ledger: book(1 - parting.ledger, 1 - parting.heat),
    },
  };
}

/** Takes the share `share` (0 to 1) of everything alike. */
export function split(stream: Stream, share: number): { taken: Stream; left: Stream } {
  return { taken: scale(stream, share), left: scale(stream, 1 - share) };
}

/** The same stuff with `factor` times the heat load: what fire or time leaves of it. */
export function withHeat(stream: Stream, factor: number): Stream {
  return {
    ...stream,
    heatShuG: stream.heatShuG * factor,
    ledger: stream.ledger.map((e) => ({ of: e.of, massG: e.massG, heatShuG: e.heatShuG * factor })),
  };
}

/** Turns some components into others; the changes must sum to zero grams. Throws RangeError when one would go below zero. */
export function convert(stream: Stream, change: Partial<Grams>): Stream {
  const grams = { ...stream.grams };
  for (const [c, d] of Object.entries(change) as [Component, number][]) {
    grams[c] += d;
    if (grams[c] < -1e-9) throw new RangeError(`There is not enough ${c} to convert`);
    if (grams[c] < 0) grams[c] = 0;
  }
  return { ...stream, grams };
}

/** Heat of a stream as it is, in SHU (heat load over mass); 0 for an empty stream. */
export function heatShu(stream: Stream): number {
  const m = massOf(stream);
  return m > 0 ? stream.heatShuG / m : 0;
}

/** Mass percent of one component, 0 to 100. */
export function percent(stream: Stream, component: Component): number {
  const m = massOf(stream);
  return m > 0 ? (100 * stream.grams[component]) / m : 0;
}

/** Salt in the water phase in percent w/w, 100 s/(s + W): what microbes feel (chapter 4, section 1.1). */
export function waterPhaseSaltPct(stream: Stream): number {
  const { salt, water } = stream.grams;
  return salt + water > 0 ? (100 * salt) / (salt + water) : 0;
}
