import { doubtsOf, heatBand, PROCESS_SD, seedShare, type Doubt, type DoubtPart, type HeatBand, type Remedy } from '../heat';
import { unmeasuredBowl, type Caution } from '../caution';
import type { BatchFile } from '../file';
import { withExtras } from '../line';
import { ingredient, type Ingredient } from '../matter/ingredient';
import { foodsOf } from '../matter/rowFoods';
import { lotOil, parcel, propsOf, type Props } from '../parcel';
import { heatOfRow, lotShu, podsIn, preparedPerGram, prepSd } from '../pantry';
import {
  answerInWords,
  bowl,
  chemistryOf,
  grainsOf,
  larderMaterial,
  podMaterial,
  solveBlend,
  type BlendMix,
  type BlendProblem,
  type BlendWish,
  type LarderChoice,
  type PodChoice,
} from './blend';
import type { LinearSolver } from './linear';
import { leadOf, tellApart } from './label';
import { useMix } from './putMix';

/** What stands on the bench to mix from. */
export interface BenchStuff {
  pods: readonly PodChoice[];
  larder: readonly LarderChoice[];
}

/** A mix in a bowl: grams of each (pods as weighed from stock), what it comes to, and how sure that is. */
export interface BenchMix {
  /** Lots as weighed, larder rows as they go in, by id. */
  grams: Record<string, number>;
  pods: Record<string, number>;
  props: Props;
  band: HeatBand | null;
  doubts: Doubt[];
  remedies: Remedy[];
  perKg: number | null;
  cautions: Caution[];
}

export interface BenchWay extends BenchMix {
  label: string;
  reasons: string[];
  proven: boolean;
}

export type BenchAnswer =
  | { status: 'found'; ways: BenchWay[] }
  | { status: 'short'; gist: string; lines: string[]; nearest: BenchMix | null; reach: { hottestShu: number; mildestShu: number } | null };

/** A row of which this share (%) or more is salt is salt. */
const MOSTLY = 50;

/** Rows of acids that a lot is like, from its choices' own rows first. */
const rowOf =
  (stuff: BenchStuff) =>
  (key: string): Ingredient =>
    stuff.larder.find((l) => l.row.key === key)?.row ?? ingredient(key);

const perGram = (c: PodChoice) => preparedPerGram(c.lot, c.prep);

/** Grams in the bowl (prepared) from grams as weighed. */
function prepared(stuff: BenchStuff, grams: Readonly<Record<string, number>>): Map<string, number> {
  const out = new Map<string, number>();
  for (const c of stuff.pods) if ((grams[c.lot.id] ?? 0) > 0) out.set(c.lot.id, grams[c.lot.id]! * perGram(c).massG);
  for (const l of stuff.larder) if ((grams[l.row.key] ?? 0) > 0) out.set(l.row.key, grams[l.row.key]!);
  return out;
}

/** What a mix of these grams comes to. Quick enough to follow a finger. */
export function weighBench(
  stuff: BenchStuff,
  grams: Readonly<Record<string, number>>,
  bracket: { lowShu: number; highShu: number },
): BenchMix {
  const stream = bowl(grainsOf(stuff.pods, stuff.larder, rowOf(stuff)), prepared(stuff, grams));
  // As it pours once it is ground smooth: what stands in pieces has no body.
  const props = propsOf(parcel(stream, { texture: 'smooth' }));
  const parts: DoubtPart[] = [];
  let seeds = 0;
  let podsG = 0;
  for (const c of stuff.pods) {
    const g = grams[c.lot.id] ?? 0;
    if (!(g > 0)) continue;
    const cut = g * perGram(c).massG;
    podsG += cut;
    seeds += cut * seedShare(c.prep, c.lot.capsaicinoidClass, c.lot.anatomy);
    parts.push({
      id: c.lot.id,
      name: c.lot.name,
      medianShu: props.massG > 0 ? (g * perGram(c).heatShuG) / props.massG : 0,
      sigma: c.lot.heat?.sigma ?? 0,
      pods: podsIn(c.lot, g),
      prepSd: prepSd(c.lot, c.prep),
    });
  }
  for (const { row } of stuff.larder) {
    const hot = heatOfRow(row);
    const g = grams[row.key] ?? 0;
    if (!hot || !(g > 0)) continue;
    parts.push({ id: row.key, name: row.name, medianShu: (g * hot.shu) / props.massG, sigma: hot.sigma, pods: Infinity, larder: true });
  }
  let money = 0;
  let priced = false;
  for (const c of [
    ...stuff.pods.map((p) => ({ id: p.lot.id, perKg: p.perKg })),
    ...stuff.larder.map((l) => ({ id: l.row.key, perKg: l.perKg })),
  ]) {
    if (c.perKg == null || !(grams[c.id]! > 0)) continue;
    money += (grams[c.id]! / 1000) * c.perKg;
    priced = true;
  }
  const sd = PROCESS_SD.plain;
  const hottestShu = Math.max(
    0,
    ...stuff.pods.filter((c) => grams[c.lot.id]! > 0).map((c) => lotShu(c.lot)),
    ...stuff.larder.filter((l) => grams[l.row.key]! > 0).map((l) => heatOfRow(l.row)?.shu ?? 0),
  );
  const underOil =
    stuff.larder.some((l) => foodsOf(l.row).has('oil') && (grams[l.row.key] ?? 0) > 0) ||
    stuff.pods.some((c) => lotOil(c.lot) > 0 && (grams[c.lot.id] ?? 0) > 0);
  return {
    grams: { ...grams },
    pods: {},
    props,
    band: heatBand(parts, sd, bracket.lowShu, bracket.highShu),
    ...doubtsOf(parts, sd, bracket.lowShu, bracket.highShu),
    perKg: priced && props.massG > 0 ? (1000 * money) / props.massG : null,
    cautions: unmeasuredBowl({
      pH: props.pH,
      hottestShu,
      seedShare: podsG > 0 ? seeds / podsG : 0,
      underOil,
    }),
  };
}

function mixOf(stuff: BenchStuff, blend: BlendMix, wish: BlendWish): BenchMix {
  const grams: Record<string, number> = {};
  for (const c of stuff.pods) if (blend.grams.get(c.lot.id)) grams[c.lot.id] = blend.grams.get(c.lot.id)! / perGram(c).massG;
  for (const l of stuff.larder) if (blend.grams.get(l.row.key)) grams[l.row.key] = blend.grams.get(l.row.key)!;
  return { ...weighBench(stuff, grams, wish.heat ?? { lowShu: 0, highShu: Infinity }), pods: Object.fromEntries(blend.pods) };
}

function labelled(stuff: BenchStuff, mix: BenchMix, all: readonly BenchMix[], proven: boolean): BenchWay {
  const named = all.map((m) => ({ gramsByLot: m.grams, label: leadOf(m.grams, stuff.pods) }));
  const others = all.filter((m) => m !== mix);
  const reasons: string[] = [];
  const used = stuff.pods.filter((c) => (mix.grams[c.lot.id] ?? 0) > 0.97 * c.stockG);
  if (used.length > 0) reasons.push(`uses up ${used.map((c) => c.lot.name).join(' and ')}`);
  if (others.length > 0 && others.every((m) => (mix.band?.odds ?? 0) > (m.band?.odds ?? 0) + 0.005)) reasons.push('surest');
  if (mix.perKg !== null && others.length > 0 && others.every((m) => m.perKg === null || mix.perKg! < m.perKg - 0.02))
    reasons.push('cheapest');
  const count = Object.keys(mix.grams).length;
  if (others.length > 0 && others.every((m) => count < Object.keys(m.grams).length)) reasons.push('fewest things');
  if (!proven) reasons.push('the best that was found, not proven');
  return { ...mix, label: tellApart(named[all.indexOf(mix)]!, named, stuff.pods), reasons, proven };
}

/** The blend problem of a bench. */
export function benchProblem(stuff: BenchStuff, wish: BlendWish): BlendProblem {
  const row = rowOf(stuff);
  return {
    materials: [...stuff.pods.map((c) => podMaterial(c, row(c.lot.like))), ...stuff.larder.map(larderMaterial)],
    wish,
    chemistry: chemistryOf(grainsOf(stuff.pods, stuff.larder, row)),
    sourer: (acid) => {
      const larder = stuff.larder.filter((l) => l.row.key !== acid.key);
      const endless = { row: acid, stockG: 100 * wish.massG, useFirst: false };
      return { id: acid.key, problem: benchProblem({ ...stuff, larder: [...larder, endless] }, wish) };
    },
  };
}

/**
 * Mixes of what stands on the bench that meet a wish, best first and distinct; or what gives way, in words. Throws
 * RangeError when nothing stands there.
 */
export function solveBench(solver: LinearSolver, stuff: BenchStuff, wish: BlendWish, alternatives = 3): BenchAnswer {
  const problem = benchProblem(stuff, wish);
  const answer = solveBlend(solver, problem, { alternatives });
  if (answer.status === 'found') {
    const mixes = answer.mixes.map((m) => mixOf(stuff, m, wish));
    const ways = mixes.map((m, i) => labelled(stuff, m, mixes, answer.mixes[i]!.proven));
    // The surest first, as for a batch.
    return { status: 'found', ways: ways.sort((a, b) => (b.band?.odds ?? 0) - (a.band?.odds ?? 0)) };
  }
  const { gist, lines } = answerInWords(answer, problem);
  return { status: 'short', gist, lines, nearest: answer.nearest && mixOf(stuff, answer.nearest, wish), reach: answer.reach };
}

/**
 * A batch made of a mix: its pods at the board, everything else but salt and water in the jug, for the jar brings those
 * itself. The line's own amounts give way; the maker then sees what the line makes of it.
 */
export function batchOfMix(file: BatchFile, stuff: BenchStuff, grams: Readonly<Record<string, number>>): BatchFile {
  const withPods = useMix(file, stuff.pods, grams);
  const rows = stuff.larder.filter((l) => (grams[l.row.key] ?? 0) > 0 && l.row.salt < MOSTLY && l.row.water < 99.5);
  return withExtras(
    withPods,
    rows.map((l) => ({ id: l.row.key, massG: Math.round(grams[l.row.key]! * 10) / 10 })),
    rows.map((l) => l.row),
  );
}
