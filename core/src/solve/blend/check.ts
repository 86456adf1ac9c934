import { mostPct, wishRows, type WishId } from './model';
import type { BlendProblem } from './material';
import { stepOfMix } from './thick';

/** One blend: grams by material, and what it comes to, worked out anew outside the solver. */
export interface BlendMix {
  grams: Map<string, number>;
  /** Whole pods by material, when pods were counted. */
  pods: Map<string, number>;
  shu: number;
  saltPct: number;
  sugarPct: number;
  /** Step of body ground smooth, 1 to 7; null without water. */
  body: number | null;
  perKg: number;
  /** pH by the full charge balance; null when it was not asked or has no meaning. */
  pH: number | null;
  objective: number;
  /** False when time ran out: good, not proven the best. */
  proven: boolean;
}

/** Works a blend out again from its grams alone, by plain sums. */
export function evaluate(problem: BlendProblem, grams: ReadonlyMap<string, number>, objective = 0, proven = true): BlendMix {
  let mass = 0;
  const sum = { shu: 0, saltPct: 0, sugarPct: 0, perKg: 0 };
  const pods = new Map<string, number>();
  for (const m of problem.materials) {
    const g = grams.get(m.id) ?? 0;
    if (!(g > 0)) continue;
    mass += g;
    sum.shu += g * m.shu;
    sum.saltPct += g * m.saltPct;
    sum.sugarPct += g * m.sugarPct;
    sum.perKg += g * (m.perKg ?? 0);
    if (problem.wish.wholePods && m.podG !== null) pods.set(m.id, Math.round(g / m.podG));
  }
  const per = (x: number) => (mass > 0 ? x / mass : 0);
  return {
    grams: new Map(grams),
    pods,
    shu: per(sum.shu),
    saltPct: per(sum.saltPct),
    sugarPct: per(sum.sugarPct),
    body: stepOfMix(problem.materials, grams),
    perKg: per(sum.perKg),
    pH: problem.chemistry && mass > 0 ? problem.chemistry.pH(grams) : null,
    objective,
    proven,
  };
}

/** Rows may be missed by this share of their tolerance (see `wishRows`): rounding, not a miss. */
const DUST = 0.02;
const PH_DUST = 0.005;
const BODY_DUST = 0.01;

/** What a mix misses of its question: nothing, for one that may be called found. */
export function missedRows(problem: BlendProblem, mix: BlendMix): { wish: WishId | 'mass' | 'stock' | 'kinds'; by: number }[] {
  const { wish, materials } = problem;
  const out: { wish: WishId | 'mass' | 'stock' | 'kinds'; by: number }[] = [];
  const total = [...mix.grams.values()].reduce((s, g) => s + g, 0);
  const ofWanted = (100 * total) / wish.massG;
  if (ofWanted < 99.9 || ofWanted > 100.1 + 100 * (wish.massSpare ?? 0)) out.push({ wish: 'mass', by: ofWanted - 100 });
  materials.forEach((m) => {
    const pct = (100 * (mix.grams.get(m.id) ?? 0)) / wish.massG;
    if (pct > mostPct(m, wish.massG) + 1e-3) out.push({ wish: 'stock', by: pct - mostPct(m, wish.massG) });
    if (pct < m.minPct - 0.1) out.push({ wish: 'stock', by: m.minPct - pct });
  });
  if (wish.varieties !== null) {
    const kinds = materials.filter((m) => m.choice && (mix.grams.get(m.id) ?? 0) > 0).length;
    if (kinds > wish.varieties) out.push({ wish: 'kinds', by: kinds - wish.varieties });
  }
  if (total > 0) {
    const share = materials.map((m) => (100 * (mix.grams.get(m.id) ?? 0)) / total);
    const index = materials.map((_, i) => i);
    for (const r of wishRows(problem, index, { ionicStrength: 0, pHRow: null, bodyRow: null })) {
      const value = r.terms.reduce((s, [i, c]) => s + c * share[i]!, 0);
      const by = Math.max(r.lower - value, value - r.upper) / r.unit;
      if (by > DUST * r.tolerance) out.push({ wish: r.wish, by });
    }
  }
  if (wish.body && (mix.body ?? 1) < wish.body.low - BODY_DUST) out.push({ wish: 'body', by: wish.body.low - (mix.body ?? 1) });
  if (wish.pH && problem.chemistry && mix.pH !== null && mix.pH > wish.pH.max + PH_DUST)
    out.push({ wish: 'acidity', by: mix.pH - wish.pH.max });
  return out;
}
