import { oddsWithin, type Blur } from '../heat';
import { carry, podUses, resize, wantedMassG, withPodUses, type BatchFile } from '../line';
import { runLine } from '../line/run';
import { massOf } from '../matter/stream';
import { ingredient } from '../matter/ingredient';
import { preparedPerGram } from '../pantry';
import { TYPICAL } from '../stat/draw';
import { answerInWords, NO_WISH, podMaterial, solveBlend, type BlendMix, type BlendProblem, type BlendWish, type PodChoice } from './blend';
import { blurOfMix, lineGain, type LineGain } from './gain';
import { leadOf, tellApart } from './label';
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
  /** Money per kg of pods; null when no price is known. */
  perKg: number | null;
  /** False when the search was cut short: good, not proven the best. */
  proven: boolean;
}

export type PodAnswer =
  | { status: 'found'; mixes: Mix[]; gain: LineGain }
  | { status: 'short'; message: string; help: string[]; nearest: Mix | null; nearestShu: number | null; gain: LineGain };

/** What is wanted of the pods beyond the heat and the bottles. */
export type PodWish = Pick<BlendWish, 'varieties' | 'wholePods' | 'colour' | 'flavours' | 'perKg' | 'body'>;
/** More lots than this in one mix are a nuisance at the board (our judgement). */
export const DEFAULT_POD_WISH: PodWish = { varieties: 4, wholePods: false, colour: null, flavours: [], perKg: null, body: null };

/** A little more than the bottles hold, for what stays on spoons (our judgement). */
const SPARE = 1.02;
/** The pods that the default amounts of a new batch's blend are written for, g. */
const PODS_OF_DEFAULTS = 640;
/** Room above the mass when only whole pods go in. */
const WHOLE_SPARE = 0.05;
/** Distinct ways that are offered. */
const WAYS = 3;

interface Question {
  problem: BlendProblem;
  choices: readonly PodChoice[];
  gain: LineGain;
  bracket: { lowShu: number; highShu: number };
}

function question(file: BatchFile, choices: readonly PodChoice[], gain: LineGain, wish: PodWish): Question {
  const { lowShu, highShu } = file.goal;
  const massG = (wantedMassG(file) * SPARE) / gain.massPerPod;
  const problem: BlendProblem = {
    materials: choices.map((c) => podMaterial(c, ingredient(c.lot.like), gain)),
    wish: { ...NO_WISH, ...wish, massG, massSpare: wish.wholePods ? WHOLE_SPARE : 0, heat: { lowShu, highShu } },
  };
  return { problem, choices, gain, bracket: { lowShu, highShu } };
}

function cutPerGram(c: PodChoice): number {
  return preparedPerGram(c.lot, c.prep, c.fire).massG;
}

function mixOf(q: Question, blend: BlendMix): Mix {
  const gramsByLot: Record<string, number> = {};
  for (const c of q.choices) {
    const g = blend.grams.get(c.lot.id) ?? 0;
    if (g > 0) gramsByLot[c.lot.id] = g / cutPerGram(c);
  }
  const { blur, finishedG } = blurOfMix(q.choices, gramsByLot, q.gain, q.bracket);
  const priced = q.choices.some((c) => gramsByLot[c.lot.id] && c.perKg != null);
  return {
    gramsByLot,
    finishedG,
    blur,
    odds: blur ? oddsWithin(blur, q.bracket.lowShu, q.bracket.highShu) : 0,
    label: leadOf(gramsByLot, q.choices),
    reasons: [],
    perKg: priced ? blend.perKg : null,
    proven: blend.proven,
  };
}

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
  if (!mix.proven) reasons.push('best found in time, not proven');
  if (reasons.length === 0) reasons.push(inIt.length <= 2 ? 'few lots to handle' : `${inIt.length} lots share the heat`);
  return reasons;
}

/**
 * Chooses grams of each lot so that the finished sauce of this line hits its bracket and fills its bottles (chapter 2,
 * section 7). Up to three distinct mixes, best first; or, when the stock cannot do it, what it can and what would help.
 * Deterministic. Throws RangeError when there is nothing to choose from.
 */
export function choosePods(
  solver: LinearSolver,
  batch: BatchFile,
  choices: readonly PodChoice[],
  wish: PodWish = DEFAULT_POD_WISH,
): PodAnswer {
  const file = withSomePods(batch, choices);
  const gain = settledGain(solver, file, choices, wish);
  const q = question(file, choices, gain, wish);
  const answer = solveBlend(solver, q.problem, { alternatives: WAYS });
  if (answer.status === 'found') {
    const mixes = answer.mixes.map((m) => mixOf(q, m));
    return {
      status: 'found',
      mixes: mixes.map((m) => ({ ...m, label: tellApart(m, mixes, q.choices), reasons: reasonsFor(q, m, mixes) })),
      gain,
    };
  }
  return shortAnswer(solver, file, q, answer);
}

/**
 * What the line makes of the pods depends a little on which pods they are (their water), so a first mix is put in and
 * the gain read again until it settles. At most-k and whole pods matter little to it and are left out here.
 */
function settledGain(solver: LinearSolver, file: BatchFile, choices: readonly PodChoice[], wish: PodWish): LineGain {
  let gain = lineGain(file);
  for (let pass = 0; pass < 2; pass++) {
    const q = question(file, choices, gain, { ...wish, varieties: null, wholePods: false });
    const answer = solveBlend(solver, q.problem);
    if (answer.status !== 'found') break;
    const used = lineGain(useMix(file, choices, mixOf(q, answer.mixes[0]!).gramsByLot));
    const settled = Math.abs(used.massPerPod / gain.massPerPod - 1) < 0.003;
    gain = used;
    if (settled) break;
  }
  return gain;
}

function shortAnswer(
  solver: LinearSolver,
  file: BatchFile,
  q: Question,
  answer: Extract<ReturnType<typeof solveBlend>, { status: 'short' }>,
): PodAnswer {
  const { goal } = file;
  const wantG = q.problem.wish.massG;
  const haveG = q.choices.reduce((s, c) => s + c.stockG * cutPerGram(c), 0);
  const perBottle = wantedMassG(file) / goal.bottles;
  const bottlesOf = (podsG: number) => Math.floor((podsG * q.gain.massPerPod) / perBottle);
  const help: string[] = [];
  if (haveG < wantG) {
    const rate = haveG > 0 ? q.choices.reduce((s, c) => s + c.stockG, 0) / haveG : 1;
    const needG = Math.ceil((wantG * rate) / 10) * 10;
    const missing = Math.ceil(((wantG - haveG) * rate) / 10) * 10;
    const fill = bottlesOf(haveG);
    const good = answer.largestG === null ? 0 : bottlesOf(answer.largestG);
    help.push(fill > 0 ? `Make ${fill} bottles: that is what these pods fill.` : 'There is not enough for one bottle.');
    if (good > 0 && good < fill) help.push(`${good} bottles can be made inside your bracket.`);
    help.push(`Or add about ${missing} g of pods to the store.`);
    const less: Question = { ...q, problem: { ...q.problem, wish: { ...q.problem.wish, massG: haveG * 0.9999 } } };
    const all = solveBlend(solver, less.problem);
    const nearest = all.status === 'found' ? all.mixes[0]! : all.nearest;
    const mix = nearest && mixOf(less, nearest);
    const message = `${goal.bottles} bottles need about ${needG} g of pods; ${Math.round(haveG * rate)} g are there.`;
    return { status: 'short', message, help, nearest: mix, nearestShu: mix?.blur ? Math.exp(mix.blur.mu) : null, gain: q.gain };
  }
  const said = answerInWords(answer, q.problem);
  help.push(...said.lines, ...heatHelp(q, answer));
  const mix = answer.nearest && mixOf(q, answer.nearest);
  return {
    status: 'short',
    message: said.gist,
    help,
    nearest: mix,
    nearestShu: mix?.blur ? Math.exp(mix.blur.mu) : mix ? 0 : null,
    gain: q.gain,
  };
}

/** What a maker can do about heat that is out of reach. */
function heatHelp(q: Question, answer: Extract<ReturnType<typeof solveBlend>, { status: 'short' }>): string[] {
  const heat = answer.misses.find((m) => m.wish === 'heat');
  if (!heat) return [];
  if (heat.side === 'over') {
    return [
      'Add a lot without heat, such as a sweet red pepper.',
      'Core the hottest pods: most of the heat sits in the pale ribs.',
      'More vinegar or carrot in the blend thins the heat out.',
    ];
  }
  const help: string[] = [];
  const strongest = q.problem.materials.reduce((a, b) => (b.shu > a.shu ? b : a));
  if (strongest.shu > q.bracket.lowShu && answer.reach) {
    // Each gram swapped for the strongest brings its own heat in place of the mix's.
    const short = (heat.by / (strongest.shu - answer.reach.hottestShu + heat.by)) * q.problem.wish.massG;
    help.push(`About ${Math.max(5, Math.ceil(short / 5) * 5)} g more of ${strongest.name} would get there.`);
  } else help.push('None of these pods is hot enough even on its own. Add a hotter lot.');
  const cored = q.choices.find((c) => c.lot.id === strongest.id && c.prep !== 'whole');
  if (cored) help.push(`Leave the ribs in ${cored.lot.name}.`);
  help.push('Less vinegar, no straining, or fewer bottles leave more heat in each.');
  return help;
}

/** The batch as it is when it has pods; else with a stand-in mix of all choices, so that its line can be run. */
export function withSomePods(file: BatchFile, choices: readonly PodChoice[]): BatchFile {
  const lots = choices.map((c) => c.lot);
  if (podUses(file).some((p) => p.massG > 0)) return carry(file, lots, []);
  const stock = choices.reduce((s, c) => s + c.stockG, 0);
  if (!(stock > 0)) throw new RangeError('There are no pods to choose from. Tick a lot that has stock.');
  const grams = Object.fromEntries(choices.map((c) => [c.lot.id, (c.stockG / stock) * PODS_OF_DEFAULTS]));
  return putMix(file, choices, grams, 1);
}

/**
 * The batch with a mix put into its prep, the rest of the line resized to it. Grams rounded to 1 g (to 0.1 g below 20 g).
 */
export function useMix(batch: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>): BatchFile {
  const file = withSomePods(batch, choices);
  const before = massOf(runLine(file, TYPICAL, false)[0]!.out);
  const after = choices.reduce((s, c) => s + (grams[c.lot.id] ?? 0) * cutPerGram(c), 0);
  return putMix(file, choices, grams, after > 0 ? after / before : 1);
}

/** Puts grams into the prep and multiplies the rest of the line by `factor`. */
function putMix(file: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>, factor: number): BatchFile {
  const round = (g: number) => (g < 20 ? Math.round(g * 10) / 10 : Math.round(g));
  const uses = choices
    .filter((c) => (grams[c.lot.id] ?? 0) > 0)
    .map((c) => ({
      lotId: c.lot.id,
      massG: round(grams[c.lot.id]!),
      prep: c.prep,
      ...(c.fire && c.fire !== 'none' ? { fire: c.fire } : {}),
    }));
  const lots = new Map([...file.lots, ...choices.map((c) => c.lot)].map((l) => [l.id, l]));
  return carry(withPodUses(resize(file, factor), uses), [...lots.values()], []);
}
