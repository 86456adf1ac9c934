import type { ReadClause } from './mentions';

export const JARS = /\b(?:jars?|jarred|crock)\b/i;
/** What may stand for days with something in it. */
export const VATS = /\b(?:jug|bucket|tub|container|bag|vessel|bowl|pail|barrel|fermenter)\b/i;
export const FRIDGE = /\b(?:fridge|refrigerat\w*|chill\w*|cold)\b/i;

/** Something is kept at the warmth of a room for a time; no fridge, and not how long a finished sauce keeps. */
export const isKeptOut = (c: Pick<ReadClause, 'text'>): boolean =>
  !FRIDGE.test(c.text) && !/\b(?:up to|keeps|at least a|will)\b/i.test(c.text);
