import { HOUSE_PH } from '../../ferment';
import { ModelBuilder } from '../linear';
import type { BodyRow } from './thick';
import { WEIGHTS, type BlendProblem, type Material } from './material';

/** The wishes that may give way, each with how much of it hurts as much as the others (chapter 2, section 7.4). */
export type WishId = 'heat' | 'saltPct' | 'sugarPct' | 'body' | 'acidity' | 'colour' | 'perKg' | `flavour:${string}`;

/** A wish as a row: `unit` is how much the row moves for one natural unit (SHU, %, mmol/kg, share). */
export interface WishRow {
  wish: WishId;
  terms: (readonly [number, number])[];
  lower: number;
  upper: number;
  unit: number;
  /** Natural units that weigh the same as those of the other wishes. */
  tolerance: number;
}

export type Aim = 'best' | 'slack' | 'hottest' | 'mildest';

export interface ModelOptions {
  aim: Aim;
  ionicStrength: number;
  /** pH at which the acidity row stands. */
  pHRow: number | null;
  /** The wish for body around a mix; null when there is none. */
  bodyRow: BodyRow | null;
  /** Wishes that may give way; with the slack they are held to, when fixed. */
  soft?: ReadonlySet<WishId>;
  held?: ReadonlyMap<WishId, { below: number; above: number }>;
  /** Leave the heat row out, to see how far it reaches. */
  withoutHeat?: boolean;
  /** Sets of choices that may not come again, nor with others added. */
  cuts?: readonly ReadonlySet<string>[];
  /** Choices need a yes or no of their own. */
  switches: boolean;
}

export interface BuiltModel {
  model: ModelBuilder;
  /** Percent of the batch, by material. */
  u: number[];
  rows: WishRow[];
  /** Slack columns by wish. */
  slack: Map<WishId, { below: number; above: number }>;
}

/** Geometric middle of the bracket: what centring aims at. */
export function targetOf(problem: BlendProblem): number {
  const h = problem.wish.heat;
  return h ? (h.targetShu ?? Math.sqrt(Math.max(1, h.lowShu) * Math.max(1, h.highShu))) : 1000;
}

/** Most of a material that may go in, % of the batch: share, stock; the tight bound that a switch needs. */
export function mostPct(m: Material, massG: number): number {
  return Math.max(0, Math.min(100, m.maxPct, (100 * m.stockG) / massG));
}

/** The wishes as linear rows over percent of the batch (chapter 2, section 7.1). */
export function wishRows(
  problem: BlendProblem,
  u: readonly number[],
  options: Pick<ModelOptions, 'ionicStrength' | 'pHRow' | 'bodyRow' | 'withoutHeat'>,
): WishRow[] {
  const { materials, wish } = problem;
  const T = targetOf(problem);
  const over = (value: (m: Material) => number) => materials.map((m, i) => [u[i]!, value(m)] as const);
  const rows: WishRow[] = [];
  if (wish.heat && !options.withoutHeat) {
    const { lowShu, highShu } = wish.heat;
    rows.push({
      wish: 'heat',
      terms: over((m) => m.shu / T),
      lower: (100 * lowShu) / T,
      upper: (100 * highShu) / T,
      unit: 100 / T,
      tolerance: 0.1 * T,
    });
  }
  if (wish.saltPct) {
    rows.push({
      wish: 'saltPct',
      terms: over((m) => m.saltPct),
      lower: 100 * wish.saltPct.low,
      upper: 100 * wish.saltPct.high,
      unit: 100,
      tolerance: 0.2,
    });
  }
  if (wish.sugarPct) {
    rows.push({
      wish: 'sugarPct',
      terms: over((m) => m.sugarPct),
      lower: 100 * wish.sugarPct.low,
      upper: 100 * wish.sugarPct.high,
      unit: 100,
      tolerance: 0.5,
    });
  }
  const { bodyRow } = options;
  if (bodyRow) {
    const unit = 1 / bodyRow.need;
    rows.push({
      wish: 'body',
      terms: over((m) => bodyRow.over.get(m.id)! * unit),
      lower: 0,
      upper: Infinity,
      unit: 100 * unit,
      tolerance: 0.1 * bodyRow.need,
    });
  }
  if (options.pHRow !== null) {
    const pH = options.pHRow;
    const mmol = (m: Material) => (m.charge ? 1000 * m.charge(pH, options.ionicStrength) : 0);
    rows.push({ wish: 'acidity', terms: over((m) => mmol(m) / 20), lower: -Infinity, upper: 0, unit: 5, tolerance: 2 });
  }
  for (const { flavour, share } of wish.flavours) {
    rows.push({
      wish: `flavour:${flavour}`,
      terms: over((m) => (m.flavours[flavour] ?? 0) / 0.1),
      lower: (100 * share) / 0.1,
      upper: Infinity,
      unit: 1000,
      tolerance: 0.05,
    });
  }
  if (wish.colour) {
    const { family, share } = wish.colour;
    rows.push({
      wish: 'colour',
      terms: over((m) => (m.pigment * ((m.colour === family ? 1 : 0) - (m.colour === null ? 0 : share))) / 0.1),
      lower: 0,
      upper: Infinity,
      unit: 1000,
      tolerance: 0.05,
    });
  }
  if (wish.perKg) {
    rows.push({
      wish: 'perKg',
      terms: over((m) => m.perKg ?? 0),
      lower: -Infinity,
      upper: 100 * wish.perKg.max,
      unit: 100,
      tolerance: 0.1 * Math.max(1, wish.perKg.max),
    });
  }
  return rows;
}

/** The linear (or whole-number) program of a blend for one aim. */
export function buildModel(problem: BlendProblem, options: ModelOptions): BuiltModel {
  const { materials, wish } = problem;
  const weights = { ...WEIGHTS, ...problem.weights };
  const dear = problem.costReference ?? 5;
  const T = targetOf(problem);
  const model = new ModelBuilder();
  const best = options.aim === 'best';
  const u = materials.map((m) => {
    const cost = best ? ((weights.cost * (m.perKg ?? 0)) / dear - weights.useUp * m.useUp) / 100 : 0;
    const reach = options.aim === 'hottest' ? -m.shu / T : options.aim === 'mildest' ? m.shu / T : 0;
    return model.column(cost + reach, Math.max(0, m.minPct), mostPct(m, wish.massG));
  });
  model.row(
    u.map((x) => [x, 1] as const),
    100,
    100 * (1 + (wish.massSpare ?? 0)),
  );
  const rows = wishRows(problem, u, options);
  if (options.soft?.has('acidity')) {
    // Acidity may give way up to the house line and no further, whatever else has to.
    const wish = wishRows(problem, u, { ...options, pHRow: HOUSE_PH - (problem.wish.pH?.margin ?? 0) }).find((r) => r.wish === 'acidity');
    if (wish) model.row(wish.terms, -Infinity, 0);
  }
  const slack = new Map<WishId, { below: number; above: number }>();
  for (const r of rows) {
    let low: readonly (readonly [number, number])[] = [];
    let high: readonly (readonly [number, number])[] = [];
    if (options.soft?.has(r.wish)) {
      const price = options.aim === 'slack' ? 1 / r.tolerance : 0;
      const held = options.held?.get(r.wish);
      const below = model.column(price, 0, r.lower === -Infinity ? 0 : (held?.below ?? Infinity));
      const above = model.column(price, 0, r.upper === Infinity ? 0 : (held?.above ?? Infinity));
      low = [[below, r.unit]];
      high = [[above, -r.unit]];
      slack.set(r.wish, { below, above });
    }
    // A share of what there is, not of what was asked for: a batch may come out a little larger.
    const over = (bound: number) => r.terms.map(([c, v]) => [c, v - bound / 100] as const);
    if (r.lower !== -Infinity) model.row([...over(r.lower), ...low], 0, Infinity);
    if (r.upper !== Infinity) model.row([...over(r.upper), ...high], -Infinity, 0);
  }
  if (best && wish.heat && !options.withoutHeat) centre(problem, model, u, T, weights);
  choices(problem, options, model, u, weights.switch);
  return { model, u, rows, slack };
}

/** Pulls the heat to the middle, and the heat of one uncertain lot down. */
function centre(problem: BlendProblem, model: ModelBuilder, u: readonly number[], T: number, w: { centre: number; robust: number }): void {
  const load = problem.materials.map((m, i) => [u[i]!, m.shu / T] as const);
  const off = model.column(w.centre / 100);
  model.row([...load, [off, 1]], 100, Infinity);
  model.row([...load, [off, -1]], -Infinity, 100);
  const swing = model.column(w.robust / 100);
  problem.materials.forEach((m, i) => {
    if (m.shu > 0 && m.sigma > 0) {
      model.row(
        [
          [swing, 1],
          [u[i]!, (-m.shu / T) * (m.sigma / 0.4)],
        ],
        0,
        Infinity,
      );
    }
  });
}

/** Yes or no for each choice, whole pods, at most k, and the sets that were offered already (chapter 2, sections 7.3 and 7.5). */
function choices(problem: BlendProblem, options: ModelOptions, model: ModelBuilder, u: readonly number[], price: number): void {
  const { materials, wish } = problem;
  const least = problem.leastPct ?? 0.2;
  const b = new Map<string, number>();
  materials.forEach((m, i) => {
    const most = mostPct(m, wish.massG);
    if (options.switches && m.choice) {
      const possible = most > 0 && most >= Math.max(m.minPct, Math.min(least, most));
      const yes = model.column(options.aim === 'best' ? price : 0, m.minPct > 0 ? 1 : 0, possible ? 1 : 0, true);
      b.set(m.id, yes);
      model.row(
        [
          [u[i]!, 1],
          [yes, -most],
        ],
        -Infinity,
        0,
      );
      model.row(
        [
          [u[i]!, 1],
          [yes, -Math.min(least, most)],
        ],
        0,
        Infinity,
      );
    }
    if (wish.wholePods && m.podG !== null) {
      const n = model.column(0, 0, Math.floor(m.stockG / m.podG + 1e-9), true);
      model.row(
        [
          [u[i]!, 1],
          [n, (-100 * m.podG) / wish.massG],
        ],
        0,
        0,
      );
    }
  });
  if (!options.switches) return;
  if (wish.varieties !== null) {
    model.row(
      [...b.values()].map((y) => [y, 1] as const),
      0,
      wish.varieties,
    );
  }
  for (const cut of options.cuts ?? []) {
    const terms = [...cut].flatMap((id) => (b.has(id) ? [[b.get(id)!, 1] as const] : []));
    if (terms.length > 0) model.row(terms, -Infinity, terms.length - 1);
  }
}
