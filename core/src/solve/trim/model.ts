import { bodyRowAt, type Thickening } from '../blend/thick';
import { ModelBuilder } from '../linear';
import type { Search, SearchRow } from './search';
import { RAILS, type Rail, type RailValues, type TrimWish } from './rails';

/** What goes in or is there, by the gram. */
export interface TrimPart {
  shu: number;
  saltPct: number;
  sugarPct: number;
  /** All acids, %. */
  acidPct: number;
  thick: Thickening;
  /** Net charge at a pH and ionic strength, eq per kg; null without acid or base of its own. */
  charge: ((pH: number, ionicStrength: number) => number) | null;
}

/** Something that may be stirred in, by kitchen steps. */
export interface TrimThing extends TrimPart {
  id: string;
  name: string;
  /** g of one step, and what it is called: "tbsp". */
  stepG: number;
  step: string;
  /** Steps there are of it. */
  most: number;
  /** Money per kg; null when no price is known. */
  perKg: number | null;
  /** What taking it costs besides, in % of the batch: raw things shorten its life. */
  penalty: number;
}

/** A sauce to be put right. */
export interface TrimProblem {
  massG: number;
  base: TrimPart;
  things: readonly TrimThing[];
  now: RailValues;
  wish: TrimWish;
  /** Steps that the sauce pours thicker than the model alone says. */
  bodyShift: number;
  /** What the sauce is with so many grams of each thing in it, by the full models. */
  full(grams: ReadonlyMap<string, number>): RailValues;
  ionicStrength(grams: ReadonlyMap<string, number>, pH: number): number;
}

export interface TrimOptions {
  /** Rails that may miss their window, at a price; others must keep it. */
  soft: ReadonlySet<Rail>;
  /** Rails that are not asked for at all. */
  free?: ReadonlySet<Rail>;
  /** Sets of things that may not come again, nor with others added. */
  cuts: readonly ReadonlySet<string>[];
  /** Where the bent rows stand. */
  grams: ReadonlyMap<string, number>;
  ionicStrength: { low: number; high: number };
  /** pH and body edges as they are aimed at, which the full models may have moved. */
  edges: { sour: { low: number; high: number } | null; body: { low: number; high: number } | null };
}

/** At most so many things (chapter 2, section 8). */
export const MOST_THINGS = 3;
/** Objective in % of the batch: each kind of thing, and money per kg of what is added (our judgement: with chapter 2's 0.2 a teaspoon of something else is put in to save a spoon). */
const PRICE = { kind: 2, perKg: 0.02 } as const;
/** Missing a window by this much weighs one, in the units of its rail (heat as a share). */
const MISS = { heat: 0.1, sour: 0.05, salt: 0.2, sweet: 1, body: 0.3, acid: 0.1 } as const;
/** Weight of a miss against % of the batch. */
const MISS_COST = 100;
/** mmol of charge a kg for one pH, roughly: what a miss of the acid row is counted in (chapter 4: buffer 16 to 25). */
const CHARGE_A_PH = 22;

/** A rail's edge: what a step of each thing does to it, and what is left to do, per g of the sauce as it is. */
interface Edge extends SearchRow {
  rail: Rail | 'acid';
}

/** Every edge as a linear row over the steps: the sum of what is over or under it, per gram of the whole. */
function edgesOf(p: TrimProblem, o: TrimOptions): Edge[] {
  const { massG: M, base, things, wish } = p;
  const out: Edge[] = [];
  const edge = (rail: Edge['rail'], of: (part: TrimPart, thing: TrimThing | null) => number, low: number, high: number) => {
    if (o.free?.has(ruler(rail))) return;
    const here = of(base, null);
    out.push({ rail, by: things.map((t) => (t.stepG / M) * of(t, t)), low: low - here, high: high - here });
  };
  const byMass = (rail: Edge['rail'], value: (part: TrimPart) => number, scale: number) => {
    const w = wish[rail];
    if (!w) return;
    edge(rail, (x) => (value(x) - w.low) / scale, 0, Infinity);
    edge(rail, (x) => (value(x) - w.high) / scale, -Infinity, 0);
  };
  byMass('heat', (x) => x.shu, Math.max(100, p.now.heat ?? 0));
  byMass('salt', (x) => x.saltPct, 1);
  byMass('sweet', (x) => x.sugarPct, 1);
  byMass('acid', (x) => x.acidPct, 1);
  const { sour, body } = o.edges;
  if (sour) {
    // pH is at most an edge exactly when the charge at it is not above zero (chapter 3, equation 8).
    const charge = (pH: number, I: number) => (x: TrimPart) => (x.charge ? (1000 * x.charge(pH, I)) / CHARGE_A_PH : 0);
    edge('sour', charge(sour.high, o.ionicStrength.high), -Infinity, 0);
    edge('sour', charge(sour.low, o.ionicStrength.low), 0, Infinity);
  }
  if (body) {
    const parts = [
      { id: '', thick: base.thick, stockG: M },
      ...things.map((t) => ({ id: t.id, thick: t.thick, stockG: t.most * t.stepG })),
    ];
    const grams = new Map([['', M], ...o.grams]);
    for (const end of ['low', 'high'] as const) {
      const row = bodyRowAt(parts, grams, body[end] - p.bodyShift);
      // What a step of body is worth, roughly: log(4)/1.6 of the insolubles that are needed.
      const value = (_: TrimPart, thing: TrimThing | null) => row!.over.get(thing?.id ?? '')! / (0.87 * row!.need);
      if (row) edge('body', value, end === 'low' ? 0 : -Infinity, end === 'low' ? Infinity : 0);
    }
  }
  return out;
}
/** The rail whose wish an edge belongs to. */
const ruler = (r: Rail | 'acid'): Rail => (r === 'acid' ? 'sour' : r);

/** Rounds of tightening. */
const ROUNDS = 3;
/**
 * The most steps of each thing that hard edges leave room for, when at most two others are in: bounds as tight as they can
 * be make a small program quick (chapter 2, section 7.3).
 */
function roomFor(p: TrimProblem, o: TrimOptions, edges: readonly Edge[]): number[] {
  const most = p.things.map((t) => t.most);
  for (let round = 0; round < ROUNDS; round++)
    for (const e of edges) {
      if (o.soft.has(ruler(e.rail))) continue;
      for (const [bound, sign] of [
        [e.high, 1],
        [-e.low, -1],
      ] as const) {
        if (bound === Infinity) continue;
        const helps = e.by.map((c, i) => Math.max(0, -sign * c * most[i]!));
        const best = [...helps].sort((a, b) => b - a);
        e.by.forEach((c, i) => {
          if (!(sign * c > 1e-12)) return;
          // The thing itself hinders here: the two best helpers are others.
          const room = (bound + best[0]! + (best[1] ?? 0)) / (sign * c);
          most[i] = Math.max(0, Math.min(most[i]!, Math.floor(room + 1e-6)));
        });
      }
    }
  return most;
}

/** A trim as rows over whole steps of at most three things, as little added as can be. */
export function trimSearch(p: TrimProblem, o: TrimOptions): Search & { edges: readonly Edge[] } {
  const { massG: M, things } = p;
  const edges = edgesOf(p, o);
  const at = new Map(things.map((t, i) => [t.id, i]));
  return {
    edges,
    rows: edges,
    most: roomFor(p, o, edges),
    stepCost: things.map((t) => ((100 + PRICE.perKg * 100 * (t.perKg ?? 0)) * t.stepG) / M),
    kindCost: things.map((t) => PRICE.kind + t.penalty),
    mostThings: MOST_THINGS,
    cuts: o.cuts.map((cut) => new Set([...cut].flatMap((id) => at.get(id) ?? []))),
  };
}

/** The same as a whole-number program, where rails may miss their window at a price. */
export function trimProgram(p: TrimProblem, o: TrimOptions): { model: ModelBuilder; n: number[] } {
  const s = trimSearch(p, o);
  const model = new ModelBuilder();
  const n = s.most.map((most, i) => model.column(s.stepCost[i]!, 0, most, true));
  const kinds = s.most.map((most, i) => model.column(s.kindCost[i]!, 0, most > 0 ? 1 : 0, true));
  const row = (pairs: readonly (readonly [number, number])[], low: number, high: number) => model.row(pairs, low, high);
  s.most.forEach((most, i) => row([[n[i]!, 1] as const, [kinds[i]!, -most] as const], -Infinity, 0));
  row(
    kinds.map((k) => [k, 1] as const),
    0,
    MOST_THINGS,
  );
  for (const cut of s.cuts)
    row(
      [...cut].map((i) => [kinds[i]!, 1] as const),
      0,
      cut.size - 1,
    );
  for (const e of s.edges) {
    const sign = e.low === -Infinity ? -1 : 1;
    const slack = o.soft.has(ruler(e.rail)) ? [[model.column(MISS_COST / MISS[e.rail], 0), sign] as const] : [];
    row([...e.by.map((c, i) => [n[i]!, c] as const), ...slack], e.low, e.high);
  }
  return { model, n };
}

/** How far values miss a wish, by rail; empty when all is met. Edges may be missed by a scale's own error. */
export function missesOf(values: RailValues, wish: TrimWish): Partial<Record<Rail, number>> {
  const out: Partial<Record<Rail, number>> = {};
  for (const r of RAILS) {
    const w = wish[r];
    const v = values[r];
    if (!w || v === null) continue;
    const dust = DUST[r] * (r === 'heat' ? Math.max(1, v) : 1);
    if (v < w.low - dust) out[r] = v - w.low;
    else if (v > w.high + dust) out[r] = v - w.high;
  }
  return out;
}
const DUST = { heat: 0.002, sour: 0.006, salt: 0.01, sweet: 0.03, body: 0.03 } as const;
