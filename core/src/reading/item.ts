import type { Preparation } from '../heat';
import { kindOf, type Family } from '../matter/kind';

/** An answer to a question: what it is, and g of it. */
export interface Answer {
  say: string;
  store: 'larder' | 'pods';
  id: string;
  massG: number;
}

/** ReaderAnswers of the maker by the question's key; "out" leaves the thing out. */
export type ReaderAnswers = Readonly<Record<string, Answer | 'out'>>;
/** What a question is known by: its line and its name. */
export const questionKey = (i: Pick<ReadItem, 'text' | 'name'>): string => `${i.text}|${i.name}`;

/** A read item with the maker's answer; null where it is left out. */
export function answered(item: ReadItem, answers: ReaderAnswers): ReadItem | null {
  const answer = answers[questionKey(item)];
  if (answer === undefined) return item;
  if (answer === 'out') return null;
  const { store, id, massG, say } = answer;
  const { sauceG: _, ...what } = item;
  return { ...what, store, id, name: say.split(',')[0]!, massG, assumed: ['as you said'], ask: null, measured: true };
}

/** Families that a cook adds by feel: a usual amount stands for them until the maker says. */
const BY_FEEL: ReadonlySet<Family> = new Set<Family>(['salt', 'pepper', 'spice']);

/** A seasoning without an amount, with a usual one; every other item as it is. */
export function withUsual(item: ReadItem): ReadItem {
  const [answer, ...more] = item.ask?.answers ?? [];
  // "water, as needed" is what one pours while it is made.
  if (item.ask && item.id === 'water' && !item.measured)
    return { ...item, massG: 0, assumed: ['as much as it needs: none is counted'], ask: null, usual: item.ask };
  if (!item.ask || !answer || more.length > 0 || item.measured || item.id === null || !BY_FEEL.has(kindOf({ key: item.id }).family))
    return item;
  return { ...item, massG: answer.massG, assumed: ['how much? a usual amount'], ask: null, usual: item.ask };
}

/** What was done to a thing before, or when it goes in. */
export const STATES = ['roasted', 'toasted', 'soaked', 'frozen', 'drained', 'ground', 'late'] as const;
export type State = (typeof STATES)[number];

/** One thing read from a line of a recipe. */
export interface ReadItem {
  /** The line as typed. */
  text: string;
  store: 'larder' | 'pods' | null;
  /** Ingredient key or variety id; null while it is asked. */
  id: string | null;
  name: string;
  massG: number | null;
  /** What was taken for granted, to be shown. */
  assumed: string[];
  /** What only the maker can say, with answers that keep the amount; none where only they can name one. */
  ask: { ask: string; answers: Answer[] } | null;
  /** Asked, and answered with a usual amount meanwhile: it stands in the way of nothing. */
  usual?: { ask: string; answers: Answer[] };
  /** g that were said of a thing that is asked about; null where no weight was said. */
  saidG?: number | null;
  /** What was done to its pods with the knife; absent where nothing was said. */
  prep?: Preparation;
  states?: State[];
  /** "3 % salt": a share of what it goes into, told where that is known. */
  sharePct?: number;
  /** It names some finished sauce: g of it, for a style that takes one from the shelf. */
  sauceG?: number;
  /** The words of its name, plain; and whether an amount was said. */
  said?: string[];
  measured?: true;
  /** A word for the heat of pods of no known kind. */
  hot?: true;
}

export const asked = (text: string, name: string, ask: string, answers: Answer[] = [], saidG: number | null = null): ReadItem => ({
  ...{ text, store: null, id: null, name, massG: null, assumed: [] },
  ...{ ask: { ask, answers }, saidG },
});
