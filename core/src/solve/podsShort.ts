import { bodyWord } from '../cook';
import type { BatchFile } from '../file';
import { wantedMassG, withGoal } from '../line';
import { answerInWords, askAgain, type BlendAnswer, type BlendMix } from './blend';
import { fillUps } from './fill';
import { lineGain, type LineGain } from './gain';
import { madeOf, type Made } from './made';
import { cutPerGram, gainOfMix, useMix } from './putMix';
import type { LinearSolver } from './linear';
import { mixOf, SPARE, weighed, type Mix, type PodWish, type Question } from './podsAsk';

export type PodAnswer =
  | { status: 'found'; mixes: Mix[]; gain: LineGain }
  | { status: 'short'; message: string; help: string[]; nearest: Mix | null; nearestShu: number | null; gain: LineGain };

/** A mix that looked right and did not hold in the line: said as it is. */
export function unkept(file: BatchFile, q: Question, blend: BlendMix): PodAnswer {
  const grams = weighed(q, blend);
  const made = useMix(file, q.choices, grams, q.strandId);
  const { shu, possible, body } = madeOf(made, q.strandId);
  const mix = mixOf(q, grams, blend, lineGain(made, q.strandId));
  const low = q.problem.wish.body?.low ?? 0;
  if (possible >= q.goal.bottles && body !== null && body < low)
    return {
      status: 'short',
      message: `The nearest mix is thinner than you wish: ${bodyWord(body)} instead of ${bodyWord(low)}.`,
      help: [THICKER],
      nearest: mix,
      nearestShu: shu,
      gain: mix.gain,
    };
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

/** Pods alone hardly make a line thicker (chapter 5, section 9). */
const THICKER = 'Less vinegar or water, a finer blend or a coarser sieve makes it thicker; so do starch or gum at a station of their own.';

type Short = Extract<BlendAnswer, { status: 'short' }>;

/** What cannot be had, and what would help; `holds` tells whether a mix is found for a batch of fewer bottles. */
export function shortAnswer(
  solver: LinearSolver,
  file: BatchFile,
  q: Question,
  wish: PodWish,
  answer: Short,
  holds: (fewer: BatchFile) => boolean,
): PodAnswer {
  if (answer.contradictions.length === 0) {
    const all = Object.fromEntries(q.choices.filter((c) => c.stockG > 0).map((c) => [c.lot.id, c.stockG]));
    const whole = useMix(file, q.choices, all, q.strandId);
    const made = madeOf(whole, q.strandId);
    if (made.possible < q.goal.bottles) return tooFew(file, q, { all, whole, made }, holds);
  }
  const said = answerInWords(answer, q.problem);
  const grams = answer.nearest && weighed(q, answer.nearest);
  const gain = grams ? gainOfMix(file, q.choices, grams, q.strandId) : lineGain(file, q.strandId);
  const mix = grams && mixOf(q, grams, answer.nearest!, gain);
  const thin = answer.misses.some((m) => m.wish === 'body');
  return {
    status: 'short',
    message: said.gist,
    help: [...said.lines, ...heatHelp(solver, q, answer), ...(thin ? [THICKER] : [])],
    nearest: mix,
    nearestShu: mix?.blur ? Math.exp(mix.blur.mu) : mix ? 0 : null,
    gain,
  };
}

/** Too few pods for the bottles: what fills them up, how many these fill, and how many of those inside the bracket. */
function tooFew(
  file: BatchFile,
  q: Question,
  { all, whole, made }: { all: Record<string, number>; whole: BatchFile; made: Made },
  holds: (fewer: BatchFile) => boolean,
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
    const good = most(file, q, Math.min(goal.bottles - 1, made.possible), holds);
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
  body: null,
  perKg: 0,
  pH: null,
  objective: 0,
  proven: true,
};

/** The most bottles, up to `top`, for which a mix inside the bracket is found; 0 when there is none. */
function most(file: BatchFile, q: Question, top: number, holds: (fewer: BatchFile) => boolean): number {
  for (let n = top; n > 0; n = n > 4 ? Math.floor(n * 0.8) : n - 1)
    if (holds(withGoal(file, q.strandId, { ...q.goal, bottles: n }))) return n;
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
