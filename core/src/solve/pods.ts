import type { BatchFile, Goal } from '../file';
import { oddsWithin, type Blur } from '../heat';
import { goalOf, mainEnd, podUses, wantedMassG, withGoal } from '../line';
import { ingredient } from '../matter/ingredient';
import {
  answerInWords,
  askAgain,
  NO_WISH,
  podMaterial,
  solveBlend,
  type BlendAnswer,
  type BlendMix,
  type BlendProblem,
  type BlendWish,
  type PodChoice,
} from './blend';
import { budgeted } from './budget';
import { fillUps } from './fill';
import { blurOfMix, lineGain, massesOf, type LineGain } from './gain';
import { leadOf, tellApart } from './label';
import { madeOf, type Made } from './made';
import { cutPerGram, gainOfMix, useMix, withSomePods } from './putMix';
import type { LinearSolver } from './linear';
import { PODS_OF_STYLE } from '../styles';

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
  /** What the line makes of just these pods. */
  gain: LineGain;
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
/** Room above the mass when only whole pods go in. */
const WHOLE_SPARE = 0.05;
/** Distinct ways that are offered. */
const WAYS = 3;
/** Seconds for everything that is solved for one question. */
const PATIENCE_S = 1.8;

/** A question in grams of finished sauce: each lot counts with what it becomes in this line. */
interface Question {
  problem: BlendProblem;
  choices: readonly PodChoice[];
  gains: LotGains;
  goal: Goal;
  /** The strand whose goal it is. */
  strandId: string;
}

/** What the line makes of one more gram of each lot. */
type LotGains = ReadonlyMap<string, LineGain>;

function question(
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
    const m = podMaterial(c, ingredient(c.lot.like), gain);
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
function weighed(q: Question, blend: BlendMix): Record<string, number> {
  const grams: Record<string, number> = {};
  for (const c of q.choices) {
    const g = blend.grams.get(c.lot.id) ?? 0;
    if (g > 0) grams[c.lot.id] = Math.min(c.stockG, g / q.gains.get(c.lot.id)!.massPerPod / cutPerGram(c));
  }
  return grams;
}

function mixOf(q: Question, gramsByLot: Record<string, number>, blend: BlendMix, gain: LineGain): Mix {
  const { blur, finishedG } = blurOfMix(q.choices, gramsByLot, gain, q.goal);
  const priced = q.choices.some((c) => gramsByLot[c.lot.id] && c.perKg != null);
  return {
    gramsByLot,
    finishedG,
    blur,
    odds: blur ? oddsWithin(blur, q.goal.lowShu, q.goal.highShu) : 0,
    label: leadOf(gramsByLot, q.choices),
    reasons: [],
    perKg: priced ? blend.perKg : null,
    proven: blend.proven,
    gain,
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
function kept(solver: LinearSolver, file: BatchFile, q: Question, wish: PodWish, first: BlendMix): { mix: Mix | null; gains: LotGains } {
  let asked = q;
  let blend = first;
  let good: Mix | null = null;
  for (let pass = 0; pass < PASSES; pass++) {
    const grams = weighed(asked, blend);
    const made = useMix(file, q.choices, grams, q.strandId);
    const { shu, possible, massG } = madeOf(made, q.strandId);
    const wantedG = wantedMassG(made, q.strandId);
    if (possible >= q.goal.bottles && shu >= q.goal.lowShu && shu <= q.goal.highShu) {
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
    asked = question(file, q.strandId, only, gains, { ...wish, varieties: null }, wantedG * (1 + 0.004 * pass));
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
    const { shu, possible, massG } = madeOf(made, q.strandId);
    if (shu < q.goal.lowShu || shu > q.goal.highShu || !(massG > 0)) return null;
    if (possible >= q.goal.bottles) return mixOf(q, grams, { ...blend, proven: false }, lineGain(made, q.strandId));
    const more = (wantedMassG(made, q.strandId) * SPARE) / massG;
    grams = Object.fromEntries(q.choices.flatMap((c) => (grams[c.lot.id] ? [[c.lot.id, grams[c.lot.id]! * more] as const] : [])));
    if (q.choices.some((c) => (grams[c.lot.id] ?? 0) > c.stockG || q.problem.wish.wholePods)) return null;
  }
  return null;
}

/**
 * Chooses grams of each lot so that the finished sauce of this line hits its bracket and fills its bottles (chapter 2,
 * section 7). Up to three distinct mixes, best first, each run through the line before it is offered; or, when the stock
 * cannot do it, what it can and what would help. Deterministic unless time runs out. Throws RangeError when there is
 * nothing to choose from, LineProblem when the line cannot run.
 */
export function choosePods(
  given: LinearSolver,
  batch: BatchFile,
  choices: readonly PodChoice[],
  wish: PodWish = DEFAULT_POD_WISH,
  strandId: string = mainEnd(batch).id,
): PodAnswer {
  const solver = budgeted(given, PATIENCE_S);
  const file = withSomePods(batch, choices, strandId);
  let gains = gainsAt(file, strandId, choices, planned(file, strandId, choices));
  let q = question(file, strandId, choices, gains, wish);
  // The gains at what is offered, not at what happened to be in the line.
  const rough = solveBlend(solver, { ...q.problem, wish: { ...q.problem.wish, varieties: null, wholePods: false } });
  if (rough.status === 'found') {
    gains = gainsAt(file, strandId, choices, weighed(q, rough.mixes[0]!));
    q = question(file, strandId, choices, gains, wish);
  }
  const answer = solveBlend(solver, q.problem, { alternatives: WAYS, timeLimitS: PATIENCE_S / 2 });
  if (answer.status === 'short') return shortAnswer(solver, file, q, wish, answer);
  let tried = answer.mixes.map((m) => kept(solver, file, q, wish, m));
  if (tried.every((t) => t.mix === null)) {
    // Asked once more with what the line made of the best of them.
    q = question(file, strandId, choices, tried[0]!.gains, wish);
    const again = solveBlend(solver, q.problem, { alternatives: WAYS, timeLimitS: PATIENCE_S / 2 });
    if (again.status === 'short') return shortAnswer(solver, file, q, wish, again);
    tried = again.mixes.map((m) => kept(solver, file, q, wish, m));
    if (tried.every((t) => t.mix === null)) return unkept(file, q, again.mixes[0]!);
  }
  const mixes = tried.flatMap((t) => t.mix ?? []);
  return {
    status: 'found',
    mixes: mixes
      .map((m) => ({ ...m, label: tellApart(m, mixes, q.choices), reasons: reasonsFor(q, m, mixes) }))
      .sort((a, b) => b.odds - a.odds),
    gain: mixes[0]!.gain,
  };
}

/** A mix that looked right and did not hold in the line: said as it is. */
function unkept(file: BatchFile, q: Question, blend: BlendMix): PodAnswer {
  const grams = weighed(q, blend);
  const made = useMix(file, q.choices, grams, q.strandId);
  const { shu, possible } = madeOf(made, q.strandId);
  const mix = mixOf(q, grams, blend, lineGain(made, q.strandId));
  return {
    status: 'short',
    message:
      possible === 0
        ? 'The nearest mix does not fill one bottle.'
        : `The nearest mix fills ${possible} of ${q.goal.bottles === 1 ? '1 bottle' : `${q.goal.bottles} bottles`} at about ${Math.round(shu).toLocaleString('en')} SHU.`,
    help: ['Ask for a wider range of heat or one bottle less, or add another lot.'],
    nearest: mix,
    nearestShu: shu,
    gain: mix.gain,
  };
}

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

type Short = Extract<BlendAnswer, { status: 'short' }>;

function shortAnswer(solver: LinearSolver, file: BatchFile, q: Question, wish: PodWish, answer: Short): PodAnswer {
  if (answer.contradictions.length === 0) {
    const all = Object.fromEntries(q.choices.filter((c) => c.stockG > 0).map((c) => [c.lot.id, c.stockG]));
    const whole = useMix(file, q.choices, all, q.strandId);
    const made = madeOf(whole, q.strandId);
    if (made.possible < q.goal.bottles) return tooFew(solver, file, q, wish, { all, whole, made });
  }
  const said = answerInWords(answer, q.problem);
  const grams = answer.nearest && weighed(q, answer.nearest);
  const gain = grams ? gainOfMix(file, q.choices, grams, q.strandId) : lineGain(file, q.strandId);
  const mix = grams && mixOf(q, grams, answer.nearest!, gain);
  return {
    status: 'short',
    message: said.gist,
    help: [...said.lines, ...heatHelp(solver, q, answer)],
    nearest: mix,
    nearestShu: mix?.blur ? Math.exp(mix.blur.mu) : mix ? 0 : null,
    gain,
  };
}

/** Too few pods for the bottles: what fills them up, how many these fill, and how many of those inside the bracket. */
function tooFew(
  solver: LinearSolver,
  file: BatchFile,
  q: Question,
  wish: PodWish,
  { all, whole, made }: { all: Record<string, number>; whole: BatchFile; made: Made },
): PodAnswer {
  const { goal } = q;
  const stock = q.choices.reduce((s, c) => s + c.stockG, 0);
  // g of pods as weighed for 1 g of sauce, as these pods go.
  const rate = made.massG > 0 ? stock / made.massG : 1;
  const wantG = wantedMassG(whole, q.strandId) * SPARE;
  const help = fillUps(whole, q.strandId, goal, (extra, grams) => useMix(file, [...q.choices, ...extra], { ...all, ...grams }, q.strandId));
  const bottles = (n: number) => (n === 1 ? '1 bottle' : `${n} bottles`);
  if (made.possible > 0) {
    const at = `about ${Math.round(made.shu).toLocaleString('en')} SHU`;
    help.push(`Or make ${bottles(made.possible)}: that is what these pods fill, at ${at}.`);
    const good = most(solver, file, q, wish, Math.min(goal.bottles - 1, made.possible));
    if (good > 0 && (made.shu < goal.lowShu || made.shu > goal.highShu)) help.push(`${bottles(good)} can be made at the heat you wish.`);
  } else help.push('On their own these pods do not fill one bottle.');
  help.push(`Or add about ${Math.max(10, Math.ceil(((wantG - made.massG) * rate) / 10) * 10)} g of pods to the store.`);
  const blend: BlendMix = { ...NO_BLEND, grams: new Map(q.choices.map((c) => [c.lot.id, c.stockG * cutPerGram(c)])) };
  const nearest = mixOf(q, all, blend, lineGain(whole, q.strandId));
  const needG = Math.ceil((wantG * rate) / 10) * 10;
  const message = `${bottles(goal.bottles)} ${goal.bottles === 1 ? 'needs' : 'need'} about ${needG} g of pods; ${Math.round(stock)} g are there.`;
  return { status: 'short', message, help, nearest, nearestShu: made.shu, gain: nearest.gain };
}

const NO_BLEND: BlendMix = {
  grams: new Map(),
  pods: new Map(),
  shu: 0,
  saltPct: 0,
  sugarPct: 0,
  body: 0,
  perKg: 0,
  pH: null,
  objective: 0,
  proven: true,
};

/** The most bottles, up to `top`, for which a mix inside the bracket holds in the line; 0 when there is none. */
function most(solver: LinearSolver, file: BatchFile, q: Question, wish: PodWish, top: number): number {
  for (let n = top; n > 0; n = n > 4 ? Math.floor(n * 0.8) : n - 1) {
    const fewer = withGoal(file, q.strandId, { ...q.goal, bottles: n });
    const asked = question(fewer, q.strandId, q.choices, q.gains, wish);
    const answer = solveBlend(solver, asked.problem);
    if (answer.status === 'found' && kept(solver, fewer, asked, wish, answer.mixes[0]!).mix) return n;
  }
  return 0;
}

/** What a maker can do about heat that is out of reach. Grams are only named when they were tried. */
function heatHelp(solver: LinearSolver, q: Question, answer: Short): string[] {
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
  if (strongest.shu > q.goal.lowShu && answer.reach) {
    // Each gram swapped for the strongest brings its own heat in place of the mix's.
    const short = (heat.by / (strongest.shu - answer.reach.hottestShu + heat.by)) * q.problem.wish.massG;
    const choice = q.choices.find((c) => c.lot.id === strongest.id)!;
    for (const share of [1, 1.1, 1.3, 1.6]) {
      const perG = cutPerGram(choice) * q.gains.get(choice.lot.id)!.massPerPod;
      const more = Math.max(5, Math.ceil((short * share) / perG / 5) * 5);
      const stockG = strongest.stockG + more * perG;
      const materials = q.problem.materials.map((m) => (m === strongest ? { ...m, stockG } : m));
      if (!askAgain(solver, { ...q.problem, materials })) continue;
      help.push(`About ${more} g more of ${strongest.name} would get there.`);
      break;
    }
  } else if (strongest.shu <= q.goal.lowShu) help.push('None of these pods is hot enough even on its own. Add a hotter lot.');
  const cored = q.choices.find((c) => c.lot.id === strongest.id && c.prep !== 'whole');
  if (cored) help.push(`Leave the ribs in ${cored.lot.name}.`);
  help.push('Less vinegar, no straining, or fewer bottles leave more heat in each.');
  return help;
}
