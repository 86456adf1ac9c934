import type { BatchFile, Goal } from '../file';
import { oddsWithin, type Blur } from '../heat';
import { goalOf, wantedMassG } from '../line';
import { ingredient } from '../matter/ingredient';
import { NO_WISH, podMaterial, solveBlend, type BlendMix, type BlendProblem, type BlendWish, type PodChoice } from './blend';
import { blurOfMix, lineGain, thickInLine, type LineGain } from './gain';
import { leadOf } from './label';
import { madeOf } from './made';
import { cutPerGram, useMix } from './putMix';
import type { LinearSolver } from './linear';

export interface Mix {
  /** Grams as weighed from stock (stems on), in the order of the choices. */
  gramsByLot: Record<string, number>;
  /** Grams of finished sauce it makes. */
  finishedG: number;
  blur: Blur | null;
  odds: number;
  /** What speaks for it, in a few words. */
  label: string;
  reasons: string[];
  /** Money per kg of pods as weighed, of those whose price is known; null when none is. The others by name. */
  perKg: number | null;
  unpriced: string[];
  /** False when the search was cut short: good, not proven the best. */
  proven: boolean;
  /** What the line makes of just these pods. */
  gain: LineGain;
}

/** What is wanted of the pods beyond the heat and the bottles. */
export type PodWish = Pick<BlendWish, 'varieties' | 'wholePods' | 'colour' | 'flavours' | 'perKg' | 'body'>;
/** More lots than this in one mix are a nuisance at the board (our judgement). */
export const DEFAULT_POD_WISH: PodWish = { varieties: 4, wholePods: false, colour: null, flavours: [], perKg: null, body: null };

/** A little more than the bottles hold, for what stays on spoons (our judgement). */
export const SPARE = 1.02;
/** Room above the mass when only whole pods go in. */
const WHOLE_SPARE = 0.05;
/** A question in grams of finished sauce: each lot counts with what it becomes in this line. */
export interface Question {
  problem: BlendProblem;
  choices: readonly PodChoice[];
  gains: LotGains;
  goal: Goal;
  /** The strand whose goal it is. */
  strandId: string;
}

/** What the line makes of one more gram of each lot. */
export type LotGains = ReadonlyMap<string, LineGain>;

export function question(
  file: BatchFile,
  strandId: string,
  choices: readonly PodChoice[],
  gains: LotGains,
  wish: PodWish,
  wantedG = wantedMassG(file, strandId),
): Question {
  const goal = goalOf(file, strandId);
  const { lowShu, highShu } = goal;
  const materials = choices.map((c) => {
    const gain = gains.get(c.lot.id)!;
    const m = podMaterial(c, ingredient(c.lot.like), { ...gain, thick: (gram) => thickInLine(gain, gram) });
    return { ...m, stockG: m.stockG * gain.massPerPod, podG: m.podG === null ? null : m.podG * gain.massPerPod };
  });
  const massSpare = wish.wholePods ? WHOLE_SPARE : 0;
  const problem: BlendProblem = {
    materials,
    wish: { ...NO_WISH, ...wish, massG: wantedG * SPARE, massSpare, heat: { lowShu, highShu } },
  };
  return { problem, choices, gains, goal, strandId };
}

/** Grams as weighed from stock, of a blend in grams of sauce. */
export function weighed(q: Question, blend: BlendMix): Record<string, number> {
  const grams: Record<string, number> = {};
  for (const c of q.choices) {
    const g = blend.grams.get(c.lot.id) ?? 0;
    if (g > 0) grams[c.lot.id] = Math.min(c.stockG, g / q.gains.get(c.lot.id)!.massPerPod / cutPerGram(c));
  }
  return grams;
}

export function mixOf(q: Question, gramsByLot: Record<string, number>, blend: BlendMix, gain: LineGain): Mix {
  const { blur, finishedG } = blurOfMix(q.choices, gramsByLot, gain, q.goal);
  const inIt = q.choices.filter((c) => (gramsByLot[c.lot.id] ?? 0) > 0);
  const priced = inIt.filter((c) => c.perKg != null);
  const sum = (of: (c: PodChoice) => number) => priced.reduce((s, c) => s + of(c) * gramsByLot[c.lot.id]!, 0);
  return {
    gramsByLot,
    finishedG,
    blur,
    odds: blur ? oddsWithin(blur, q.goal.lowShu, q.goal.highShu) : 0,
    label: leadOf(gramsByLot, q.choices),
    reasons: [],
    perKg: priced.length > 0 ? sum((c) => c.perKg!) / sum(() => 1) : null,
    unpriced: inIt.filter((c) => c.perKg == null).map((c) => c.lot.name),
    proven: blend.proven,
    gain,
  };
}

/** Passes of putting a mix into the line and asking again with what the line made of it. */
const PASSES = 6;
/** Sauce beyond what the bottles hold that is no matter; whole pods and a last bottle may bring more. */
const TOO_MUCH = 1.08;
/** The line's heat may differ from the solved one by this share; beyond it the mix is not where it was aimed. */
const AS_SOLVED = 0.03;

/**
 * A mix whose promise holds: put into the line, it fills the bottles and lands in the bracket. What the line makes of pods
 * depends on which they are (their water, their seeds, how much dried ones drink), so what it makes of just this mix is
 * read off, the gains are set right by it, and the mix is asked again among its own lots, until both agree. Null when they
 * do not.
 */
export function kept(
  solver: LinearSolver,
  file: BatchFile,
  q: Question,
  wish: PodWish,
  first: BlendMix,
): { mix: Mix | null; gains: LotGains } {
  let asked = q;
  let blend = first;
  let good: Mix | null = null;
  let low = wish.body?.low ?? 0;
  for (let pass = 0; pass < PASSES; pass++) {
    const grams = weighed(asked, blend);
    const made = useMix(file, q.choices, grams, q.strandId);
    const { shu, possible, massG, body } = madeOf(made, q.strandId);
    const wantedG = wantedMassG(made, q.strandId);
    const thin = Math.max(0, (wish.body?.low ?? 0) - (body ?? 0));
    if (possible >= q.goal.bottles && shu >= q.goal.lowShu && shu <= q.goal.highShu && thin === 0) {
      good = mixOf(q, grams, blend, lineGain(made, q.strandId));
      if (massG <= TOO_MUCH * wantedG && Math.abs(shu - blend.shu) <= AS_SOLVED * blend.shu) break;
    }
    const only = q.choices.filter((c) => grams[c.lot.id]);
    const mass = massG / [...blend.grams.values()].reduce((s, g) => s + g, 0);
    const heat = blend.shu > 0 && shu > 0 ? (shu * massG) / (blend.shu * (massG / mass)) : 1;
    const gains: LotGains = new Map(
      [...asked.gains].map(([id, g]) => [id, { ...g, massPerPod: g.massPerPod * mass, heatKept: g.heatKept * heat }]),
    );
    // A mix that only just misses the last bottle is asked for a little more each time.
    // One that comes out thinner than it was solved is asked for that much more body.
    low += thin;
    const again: PodWish = { ...wish, varieties: null, body: wish.body && { low } };
    asked = question(file, q.strandId, only, gains, again, wantedG * (1 + 0.004 * pass));
    const answer = solveBlend(solver, asked.problem);
    if (answer.status !== 'found') return { mix: good ?? stretched(file, q, first), gains };
    blend = { ...answer.mixes[0]!, proven: first.proven && answer.mixes[0]!.proven };
  }
  return { mix: good ?? stretched(file, q, first), gains: asked.gains };
}

/** The mix as it is, only more or less of it, until it fills the bottles; null when that needs more than there is, or misses the bracket. */
function stretched(file: BatchFile, q: Question, blend: BlendMix): Mix | null {
  let grams = weighed(q, blend);
  for (let pass = 0; pass < PASSES; pass++) {
    const made = useMix(file, q.choices, grams, q.strandId);
    const { shu, possible, massG, body } = madeOf(made, q.strandId);
    if (shu < q.goal.lowShu || shu > q.goal.highShu || !(massG > 0)) return null;
    if ((body ?? 0) < (q.problem.wish.body?.low ?? 0)) return null;
    if (possible >= q.goal.bottles) return mixOf(q, grams, { ...blend, proven: false }, lineGain(made, q.strandId));
    const more = (wantedMassG(made, q.strandId) * SPARE) / massG;
    grams = Object.fromEntries(q.choices.flatMap((c) => (grams[c.lot.id] ? [[c.lot.id, grams[c.lot.id]! * more] as const] : [])));
    if (q.choices.some((c) => (grams[c.lot.id] ?? 0) > c.stockG || q.problem.wish.wholePods)) return null;
  }
  return null;
}
