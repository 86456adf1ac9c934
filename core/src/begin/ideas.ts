import { LineProblem, podUses } from '../line';
import { isSpoilt, lotShu } from '../pantry';
import { daysBetween, type Day } from '../plan';
import type { LinearSolver } from '../solve';
import { oddsText } from '../stat';
import { STYLES, styleOf } from '../styles';
import { notesFor } from './notes';
import { planBatch, type Plan, type Wish } from './planBatch';

/** What somebody wishes of a sauce of any kind; heat and vessels are asked of each style in its own way. */
export type IdeaWish = Omit<Wish, 'style' | 'swaps'>;

/** A kind of sauce that can be made of what is there, planned through. */
export interface Idea {
  style: string;
  plan: Plan;
  /** Days until it is ready; 0 today. */
  inDays: number;
  /** Names of lots to be used first of which it takes a good part. */
  usesFirst: string[];
}
/** A kind that cannot be had, and why, in a sentence. */
export interface NoIdea {
  style: string;
  why: string;
}

/** Lots that one plan looks at: more make it slow, and no better. */
const MOST_LOTS = 24;
/** Less often in the wished heat than this, and it is no idea (our judgement). */
const LEAST_ODDS = 0.25;
/** A part of a lot that is taken is a use of it from here up: less leaves it to spoil (our judgement). */
const A_USE = 0.2;

/** So many lots at most: those to be used first, and of the others an even choice from the mildest to the hottest. */
export function fewLots(pods: IdeaWish['pods'], most = MOST_LOTS): IdeaWish['pods'] {
  const there = pods.filter((p) => p.stockG > 0 && !isSpoilt(p.lot));
  if (there.length <= most) return there;
  const first = there.filter((p) => p.useFirst).slice(0, most - 2);
  const rest = there.filter((p) => !first.includes(p)).sort((a, b) => lotShu(a.lot) - lotShu(b.lot) || b.stockG - a.stockG);
  const room = most - first.length;
  return [...first, ...Array.from({ length: room }, (_, i) => rest[Math.round((i * (rest.length - 1)) / (room - 1))]!)];
}

/** The styles in the order in which they are planned: what has few stations is answered first. */
export const IDEA_STYLES: readonly string[] = [...STYLES]
  .map((s) => ({
    id: s.id,
    n: s.strands({ lowShu: 500, highShu: 2000, bottles: 1, bottleMl: 100 }).reduce((n, x) => n + x.stations.length, 0),
  }))
  .sort((a, b) => a.n - b.n)
  .map((s) => s.id);

/** A kind of sauce of what is there, planned through like any batch; or why it cannot be had. */
export function ideaOf(solver: LinearSolver, style: string, wish: IdeaWish, today: Day): Idea | NoIdea {
  const kind = styleOf(style);
  const none = (why: string): NoIdea => ({ style, why });
  if (kind.takesSauce && !wish.bottled) return none('It begins with a bottled or kept sauce, and none that stands here was said.');
  const fit = kind.pods === 'dried' ? wish.pods.filter((p) => p.lot.form === 'dried') : wish.pods;
  if (fit.length === 0) return none(kind.pods === 'dried' ? 'It is made of dried pods, and none are there.' : 'No pods are there.');
  let plan: Plan;
  try {
    plan = planBatch(solver, { ...wish, style, pods: fewLots(fit) }, today);
  } catch (error) {
    if (error instanceof LineProblem || error instanceof RangeError) return none(error.message);
    throw error;
  }
  if (plan.odds < LEAST_ODDS || plan.bottles < wish.goal.bottles)
    return none(
      notesFor(plan.heat.p50, plan.bottles, null, wish.goal)[0] ?? `Only ${oddsText(plan.odds)} of such batches come to the wished heat.`,
    );
  const taken = podUses(plan.file).reduce((sum, u) => sum.set(u.lotId, (sum.get(u.lotId) ?? 0) + u.massG), new Map<string, number>());
  return {
    style,
    plan,
    inDays: Math.max(0, daysBetween(today, plan.sauce.readyOn)),
    usesFirst: fit.filter((p) => p.useFirst && (taken.get(p.lot.id) ?? 0) >= A_USE * p.stockG).map((p) => p.lot.name),
  };
}

/** What is wished of an order: its name, and which of two ideas comes first. */
interface Order {
  name: string;
  by(a: Idea, b: Idea, onShelf: ReadonlyMap<string, number>): number;
}
const soon = (a: Idea, b: Idea) => a.inDays - b.inDays || a.plan.sauce.clockMin - b.plan.sauce.clockMin;
export const IDEA_ORDERS = {
  soon: { name: 'ready soonest', by: soon },
  sure: { name: 'surest heat', by: (a, b) => b.plan.odds - a.plan.odds },
  there: { name: 'nothing to buy', by: (a, b) => a.plan.toBuy.length - b.plan.toBuy.length },
  spoils: { name: 'uses what spoils first', by: (a, b) => b.usesFirst.length - a.usesFirst.length },
  keeps: { name: 'keeps longest, once measured', by: (a, b) => b.plan.sauce.keepsDays - a.plan.sauce.keepsDays },
  other: { name: 'unlike the shelf', by: (a, b, onShelf) => (onShelf.get(a.style) ?? 0) - (onShelf.get(b.style) ?? 0) },
} as const satisfies Record<string, Order>;
export type IdeaOrder = keyof typeof IDEA_ORDERS;

/** Ideas as they are wished, the soonest first among equals. `onShelf`: bottles that stand there, by style. */
export const inIdeaOrder = (ideas: readonly Idea[], order: IdeaOrder, onShelf: ReadonlyMap<string, number> = new Map()): Idea[] => {
  const { by }: Order = IDEA_ORDERS[order];
  return [...ideas].sort((a, b) => by(a, b, onShelf) || soon(a, b));
};
