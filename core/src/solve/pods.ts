import type { BatchFile } from '../file';
import { mainEnd, podUses } from '../line';
import { solveBlend, type PodChoice } from './blend';
import { budgeted } from './budget';
import { lineGain, massesOf } from './gain';
import { tellApart } from './label';
import { madeOf } from './made';
import { oddsOf } from './margin';
import { cutPerGram, useMix, withSomePods } from './putMix';
import type { LinearSolver } from './linear';
import { DEFAULT_POD_WISH, kept, question, weighed, type LotGains, type Mix, type PodWish, type Question } from './podsAsk';
import { shortAnswer, unkept, type PodAnswer } from './podsShort';
import { PODS_OF_STYLE } from '../styles';

/** Distinct ways that are offered. */
const WAYS = 3;
/** How often a mix that falls short is asked again with what the line makes of it. */
const NEARER = 2;
/** Nodes for everything that is solved for one question: about two seconds of searching (measured). */
const PATIENCE = 1800;

/** What speaks for a mix among the others. */
function reasonsFor(q: Question, mix: Mix, all: readonly Mix[]): string[] {
  const reasons: string[] = [];
  const inIt = q.choices.filter((c) => mix.gramsByLot[c.lot.id]);
  const used = inIt.filter((c) => mix.gramsByLot[c.lot.id]! > 0.97 * c.stockG);
  const others = all.filter((m) => m !== mix);
  if (used.length > 0) reasons.push(`uses up ${used.map((c) => c.lot.name).join(' and ')}`);
  const first = inIt.filter((c) => c.useFirst && !used.includes(c));
  if (first.length > 0) reasons.push(`takes from ${first.map((c) => c.lot.name).join(' and ')}, wanted first`);
  if (others.length > 0 && others.every((m) => mix.odds > m.odds + 0.005)) reasons.push('surest');
  if (mix.perKg !== null && others.length > 0 && others.every((m) => m.perKg === null || mix.perKg! < m.perKg - 0.05))
    reasons.push('cheapest');
  if (others.length > 0 && others.every((m) => inIt.length < Object.keys(m.gramsByLot).length)) reasons.push('fewest lots');
  if (inIt.some((c) => c.lot.form === 'dried' || c.lot.form === 'flakes')) reasons.push('darker, dried taste');
  if (!mix.proven) reasons.push('the best that was found, not proven');
  if (reasons.length === 0) reasons.push(inIt.length <= 2 ? 'few lots to handle' : `${inIt.length} lots share the heat`);
  return reasons;
}

/**
 * Chooses grams of each lot so that the finished sauce of this line hits its bracket and fills its bottles (chapter 2,
 * section 7). Up to three distinct mixes, best first, each run through the line before it is offered; or, when the stock
 * cannot do it, what it can and what would help. The same question has the same answer. Throws RangeError when there is
 * nothing to choose from, LineProblem when the line cannot run. Without `advice` a short
 * answer says no more than that, and odds are those of the blur alone: for who only wants the grams.
 */
export function choosePods(
  given: LinearSolver,
  batch: BatchFile,
  choices: readonly PodChoice[],
  wanted: PodWish = DEFAULT_POD_WISH,
  strandId: string = mainEnd(batch).id,
  advice = true,
): PodAnswer {
  const solver = budgeted(given, PATIENCE);
  const file = withSomePods(batch, choices, strandId);
  // What stays in pieces has no body to ask for.
  const wish = madeOf(file, strandId).body === null ? { ...wanted, body: null } : wanted;
  /** Fewer bottles are promised only where asking for them finds a mix. */
  const holds = (fewer: BatchFile) => choosePods(given, fewer, choices, wanted, strandId, false).status === 'found';
  let gains = gainsAt(file, strandId, choices, planned(file, strandId, choices));
  let q = question(file, strandId, choices, gains, wish);
  // The gains at what is offered, not at what happened to be in the line.
  const rough = solveBlend(solver, { ...q.problem, wish: { ...q.problem.wish, varieties: null, wholePods: false } });
  if (rough.status === 'found') {
    gains = gainsAt(file, strandId, choices, weighed(q, rough.mixes[0]!));
    q = question(file, strandId, choices, gains, wish);
  }
  // Who only wants the grams takes the best; others are looked for where that does not keep its promise.
  const ways = advice ? WAYS : 1;
  let answer = solveBlend(solver, q.problem, { alternatives: ways, nodes: PATIENCE / 2 });
  // What cannot be had by the gains of another mix may be had by those of the nearest one.
  for (let pass = 0; pass < NEARER && answer.status === 'short' && answer.nearest; pass++) {
    q = question(file, strandId, choices, gainsAt(file, strandId, choices, weighed(q, answer.nearest)), wish);
    answer = solveBlend(solver, q.problem, { alternatives: ways, nodes: PATIENCE / 2 });
  }
  if (answer.status === 'short') return advice ? shortAnswer(solver, file, q, wish, answer, holds) : bareShort(file, strandId);
  let tried = answer.mixes.map((m) => kept(solver, file, q, wish, m));
  if (tried.every((t) => t.mix === null)) {
    // Asked once more with what the line made of the best of them.
    q = question(file, strandId, choices, tried[0]!.gains, wish);
    const again = solveBlend(solver, q.problem, { alternatives: WAYS, nodes: PATIENCE / 2 });
    if (again.status === 'short') return advice ? shortAnswer(solver, file, q, wish, again, holds) : bareShort(file, strandId);
    tried = again.mixes.map((m) => kept(solver, file, q, wish, m));
    if (tried.every((t) => t.mix === null)) return unkept(file, q, again.mixes[0]!);
  }
  const found = tried.flatMap((t) => t.mix ?? []);
  // The odds are those that the batch will tell of it: the same worlds, from the same seed.
  const mixes = advice ? found.map((m) => ({ ...m, odds: oddsOf(useMix(file, choices, m.gramsByLot, strandId), strandId) })) : found;
  return {
    status: 'found',
    mixes: mixes
      .map((m) => ({ ...m, label: tellApart(m, mixes, q.choices), reasons: reasonsFor(q, m, mixes) }))
      .sort((a, b) => b.odds - a.odds),
    gain: mixes[0]!.gain,
  };
}

const bareShort = (file: BatchFile, strandId: string): PodAnswer => ({
  ...{ status: 'short', message: '', help: [], nearest: null, nearestShu: null },
  gain: lineGain(file, strandId),
});

/** The grams of these lots that stand in a batch. */
function planned(file: BatchFile, strandId: string, choices: readonly PodChoice[]): Record<string, number> {
  const uses = podUses(file, strandId);
  const had = choices.flatMap((c) => {
    const use = uses.find((u) => u.lotId === c.lot.id);
    return use && use.massG > 0 ? [[c.lot.id, use.massG] as const] : [];
  });
  if (had.length > 0) return Object.fromEntries(had);
  const stock = choices.reduce((s, c) => s + c.stockG, 0);
  return Object.fromEntries(choices.filter((c) => c.stockG > 0).map((c) => [c.lot.id, (c.stockG / stock) * PODS_OF_STYLE]));
}

/** More of a lot that is tried to see what the line makes of it: a share of all pods, but enough to be weighed. */
const STEP = { share: 0.04, leastG: 20 } as const;
/** A step that makes less than this of what the mix makes per gram tells of a vessel that was full, not of the lot. */
const LEAST_GAIN = 0.05;

/** What the line makes of one more gram of each lot, around a mix. Lots that cannot be tried count as the mix does. */
function gainsAt(file: BatchFile, strandId: string, choices: readonly PodChoice[], grams: Record<string, number>): LotGains {
  const base = useMix(file, choices, grams, strandId);
  const whole = lineGain(base, strandId);
  const from = massesOf(base, strandId);
  return new Map(
    choices.map((c) => {
      const step = Math.max(STEP.leastG, STEP.share * from.podsG) / Math.max(0.05, cutPerGram(c));
      const free = choices.map((x) => (x === c ? { ...x, stockG: Infinity } : x));
      const to = massesOf(useMix(file, free, { ...grams, [c.lot.id]: (grams[c.lot.id] ?? 0) + step }, strandId), strandId);
      const massPerPod = (to.endG - from.endG) / (to.podsG - from.podsG);
      // Heat is kept alike: what a sieve holds of it depends on all the seeds, not on those of one lot.
      return [c.lot.id, massPerPod > LEAST_GAIN * whole.massPerPod ? { ...whole, massPerPod } : whole] as const;
    }),
  );
}
