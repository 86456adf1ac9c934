import { gramsOf, MOST_G, type BatchFile, type Goal } from '../file';
import {
  carry,
  countedIn,
  endStrands,
  fitVessels,
  goalOf,
  intakesOf,
  LineProblem,
  mainEnd,
  podUses,
  reportTypical,
  resize,
  wantedMassG,
  withGoal,
  withPodUses,
} from '../line';
import { twoFigures } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { inSchool, type HeatSchool, type PodLot } from '../pantry';
import type { StoredStuff } from '../parcel';
import type { Day } from '../plan';
import { seedOf } from '../stat/draw';
import { DEFAULT_POD_WISH, SPARE } from '../solve/podsAsk';
import { choosePods } from '../solve/pods';
import { useMix } from '../solve/putMix';
import type { PodChoice } from '../solve/blend';
import type { LinearSolver } from '../solve/linear';
import { lessonsOf, unmade, type Lesson } from './lessons';

/** A lot as it is today, with what nobody else is promised of it, g. */
export interface TodaysLot {
  lot: PodLot;
  freeG: number;
}
export interface AgainWish {
  name: string;
  startDate: Day;
  /** Of the main end: how many bottles of which size, and the heat. */
  goal: Goal;
  /** Lessons that are left out, by id. */
  without: readonly string[];
}
/** The same batch in figures, before and after. */
export interface AgainFigures {
  sauceG: number;
  shu: number;
  bottles: number;
  podsG: number;
}
export interface Again {
  file: BatchFile;
  lessons: Omit<Lesson, 'apply'>[];
  /** What the made batch was planned as, what it came to, and what the new plan says. */
  planned: AgainFigures;
  made: AgainFigures;
  next: AgainFigures;
  /** What was done about the pods and the size, and why. */
  reasons: string[];
  /** Lots that are not there in the amount that is wanted, g short. */
  short: { name: string; g: number }[];
}

/** The middle heat may move by this before the pods are chosen anew; a tenth is under what anybody tastes. */
const HEAT_MOVES = 1.1;
/** Yields that differ by less need no word. */
const WORTH_SAYING = 0.02;
/** Heat that is known otherwise by less is no news. */
const HEAT_KNOWN = 0.03;
/** Pods that are chosen anew come within this of the heat that was meant. */
const NEAR = 1.25;
/** Sauce beyond what the bottles hold, as a share, that is worth a word. */
const SPILLS = 0.95;
const NOTHING: ReadonlySet<string> = new Set();

const podsG = (file: BatchFile): number => podUses(file).reduce((s, u) => s + u.massG, 0);
function figures(file: BatchFile, today: Day, school: HeatSchool): AgainFigures {
  const report = reportTypical(countedIn(file, school), today);
  const end = report.ends.find((e) => e.strandId === mainEnd(file).id)!;
  const s = report.stations.find((x) => x.id === end.stationId)!;
  // What is made, also of it what fills no bottle.
  return { sauceG: s.bowlG, shu: s.now.heatShu, bottles: end.bottles.filled, podsG: podsG(file) };
}

/** Everything resized so that the main end makes what its bottles hold, with a little to spare. */
function filling(file: BatchFile): BatchFile {
  let next = fitVessels(file);
  // What stays in a vessel does not grow with the batch: asked again until it fits.
  for (let i = 0; i < 4; i++) {
    const end = mainEnd(next).stations.at(-1)!.id;
    const { bowlG } = reportTypical(next, next.startDate).stations.find((x) => x.id === end)!;
    const wanted = wantedMassG(next) * SPARE;
    if (!(bowlG > 0) || !(wanted > 0) || Math.abs(wanted / bowlG - 1) < 0.005) break;
    next = fitVessels(resize(next, wanted / bowlG));
  }
  return fitVessels(roundPods(next));
}
/** Pods in grams that a kitchen scale shows. */
function roundPods(file: BatchFile): BatchFile {
  const uses = podUses(file);
  const round = (g: number) => (g < 20 ? Math.round(g * 10) / 10 : Math.round(g));
  const rounded = uses.map((u) => ({ ...u, massG: round(u.massG) }));
  return uses.length > 0 ? withPodUses(file, rounded) : file;
}

/** Lots of which more or less heat is known today than when the batch was planned, in words. */
function knownOtherwise(made: BatchFile, lots: readonly TodaysLot[]): string[] {
  return made.lots.flatMap((had) => {
    const now = lots.find((t) => t.lot.id === had.id)?.lot;
    if (!now?.heat || !had.heat) return [];
    const by = now.heat.dryShu / had.heat.dryShu;
    if (Math.abs(by - 1) < HEAT_KNOWN) return [];
    return [`${had.name} is known as ${Math.round(100 * Math.abs(by - 1))} % ${by > 1 ? 'hotter' : 'milder'} than when it was planned`];
  });
}

/** What a question of the solver answers; null where the line cannot run with what it tried. */
function tried<A>(ask: () => A): A | null {
  try {
    return ask();
  } catch (error) {
    if (error instanceof LineProblem || error instanceof RangeError) return null;
    throw error;
  }
}

interface Chosen {
  file: BatchFile;
  reason: string;
}
/** The pods of the main end chosen anew so that it is about as hot as `aim`, of the same lots if they do, else of all. */
function chooseAnew(solver: LinearSolver, file: BatchFile, q: Asked, lacking: boolean, aim: number, why: string): Chosen {
  const end = mainEnd(file).id;
  const uses = podUses(file);
  const freeOf = (id: string) => q.lots.find((t) => t.lot.id === id)?.freeG ?? 0;
  const choice = (lot: PodLot, stockG: number, prep: PodChoice['prep']): PodChoice => ({ lot, stockG, prep, useFirst: false });
  const same = uses
    .map((u) =>
      choice(
        file.lots.find((l) => l.id === u.lotId)!,
        freeOf(u.lotId),
        u.prep,
      ),
    )
    .filter((c) => c.stockG > 0);
  const others = q.lots.filter((t) => t.freeG > 0 && !same.some((c) => c.lot.id === t.lot.id));
  const all = [...same, ...others.map((t) => choice(t.lot, t.freeG, uses[0]!.prep))];
  const goal = goalOf(file, end);
  // As hot as the first was meant to be, not anywhere in a wide bracket.
  const near = { ...goal, lowShu: Math.max(goal.lowShu, aim / NEAR), highShu: Math.min(goal.highShu, aim * NEAR) };
  for (const choices of lacking ? [all] : [same, all]) {
    if (choices.length === 0) continue;
    const counted = choices.map((c) => ({ ...c, lot: inSchool(c.lot, q.school) }));
    const answer = tried(() => choosePods(solver, countedIn(withGoal(file, end, near), q.school), counted, DEFAULT_POD_WISH, end));
    // What is stored is the lots as they are, whichever way their heat was counted.
    if (answer?.status === 'found')
      return { file: carry(useMix(file, choices, answer.mixes[0]!.gramsByLot, end), [], []), reason: `The pods were chosen anew: ${why}.` };
  }
  const reason = `The pods could not be chosen anew from what is there (${why}): see what is short, or choose them on the batch\u2019s page.`;
  return { file, reason };
}

/** More than goes in at one station anywhere is no kitchen's. Throws RangeError. */
function refuseTons(file: BatchFile): void {
  const most = Math.max(0, ...intakesOf(file).map(({ intake }) => gramsOf(intake.amount) ?? 0));
  if (most > MOST_G)
    throw new RangeError(
      `That takes ${Math.round(most / 1000)} kg of one thing; at most ${MOST_G / 1000} kg go in. Make fewer bottles, or smaller ones.`,
    );
}

/** What a batch is made again with. */
export interface Asked {
  lots: readonly TodaysLot[];
  /** Rows of the larder as they are known today, and things kept. */
  rows: readonly Ingredient[];
  stored: readonly StoredStuff[];
  school: HeatSchool;
  today: Day;
}

/**
 * A batch made again: with what was learnt from the first, for another amount, of today's pods (the same lots as long as
 * there is enough of them and the heat stays where it was; else chosen anew). Throws LineProblem when the line cannot run,
 * RangeError for a batch without pods where pods are to be chosen.
 */
export function makeAgain(solver: LinearSolver, made: BatchFile, batchId: string, wish: AgainWish, asked: Asked): Again {
  const { lots, today, school } = asked;
  const without = new Set(wish.without);
  const lessons = lessonsOf(made, batchId);
  const reasons: string[] = [];
  // Heat and natural pH as they are known today; lots that are gone stay as they were.
  const bare: BatchFile = {
    ...unmade(made, without),
    name: wish.name,
    startDate: wish.startDate,
    seed: seedOf(wish.name + wish.startDate),
    lots: made.lots.map((l) => lots.find((t) => t.lot.id === l.id)?.lot ?? l),
    ingredients: made.ingredients.map((i) => asked.rows.find((r) => r.key === i.key) ?? i),
    stored: made.stored.map((s) => asked.stored.find((x) => x.id === s.id) ?? s),
  };
  const taught = lessons.reduce((f, l) => (without.has(l.id) ? f : l.apply(f)), bare);
  const end = mainEnd(made).id;
  const begun = withGoal(carry(taught, [], []), end, wish.goal);
  // Where its own vessels do not follow, it begins as large as it was, to be put right on its page.
  const sized = tried(() => filling(begun));
  let file = sized ?? begun;
  if (!sized) reasons.push('Its size could not follow the bottles: a vessel or an amount in it does not. Resize it on its page.');
  refuseTons(file);
  const [planned, now] = [figures(unmade(made, NOTHING), today, school), figures(file, today, school)];
  const applied = lessons.some((l) => !without.has(l.id));
  if (planned.bottles < goalOf(made, end).bottles && now.bottles > planned.bottles)
    reasons.push(
      `As it was planned it filled ${planned.bottles} of its ${goalOf(made, end).bottles} bottles; now it fills ${now.bottles}.`,
    );
  const sameSize = goalOf(made, end).bottles * goalOf(made, end).bottleMl === wish.goal.bottles * wish.goal.bottleMl;
  if (sameSize && now.sauceG < SPILLS * planned.sauceG && now.bottles >= planned.bottles)
    reasons.push(`It is made ${Math.round(100 * (1 - now.sauceG / planned.sauceG))} % smaller: some of the first filled no bottle.`);
  const more = (planned.sauceG / planned.podsG) * (now.podsG / now.sauceG) - 1;
  if (applied && Math.abs(more) > WORTH_SAYING && Number.isFinite(more))
    reasons.push(
      `${Math.round(100 * Math.abs(more))} % ${more > 0 ? 'more' : 'less'} goes in for as much sauce, by what the first one yielded.`,
    );
  // Its pods: the same lots where they last and the heat stays; else chosen anew.
  const freeOf = (id: string) => lots.find((t) => t.lot.id === id)?.freeG ?? 0;
  const nameOf = (id: string) => file.lots.find((l) => l.id === id)!.name;
  const lacking = podUses(file).filter((u) => freeOf(u.lotId) + 0.5 < u.massG);
  const otherwise = knownOtherwise(made, lots);
  const { lowShu, highShu } = wish.goal;
  const aim = planned.shu >= lowShu && planned.shu <= highShu ? planned.shu : Math.sqrt(Math.max(1, lowShu) * highShu);
  const off = Math.max(now.shu / aim, aim / Math.max(1e-9, now.shu));
  if (endStrands(file).length === 1 && podUses(file).length > 0 && (lacking.length > 0 || off > HEAT_MOVES)) {
    const would = `as it stands it would be about ${twoFigures(now.shu)} SHU, and about ${twoFigures(aim)} was meant`;
    const few = `there is too little of ${lacking.map((u) => nameOf(u.lotId)).join(', ')}`;
    const why = lacking.length > 0 ? few : otherwise.length > 0 ? otherwise.join('; ') : would;
    const chosen = chooseAnew(solver, file, asked, lacking.length > 0, aim, why);
    file = chosen.file;
    reasons.push(chosen.reason);
  } else if (otherwise.length > 0) reasons.push(`${otherwise.join('; ')}.`);
  const short = podUses(file).flatMap((u) => {
    const lack = u.massG - freeOf(u.lotId);
    return lack > 0.5 ? [{ name: file.lots.find((l) => l.id === u.lotId)!.name, g: lack }] : [];
  });
  return {
    ...{ file, reasons, short, planned },
    lessons: lessons.map(({ apply: _, ...l }) => l),
    made: figures(made, today, school),
    next: figures(file, today, school),
  };
}
