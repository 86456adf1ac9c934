import type { ReadClause } from './mentions';

export const JARS = /\b(?:jars?|jarred|crock)\b/i;
/** What may stand for days with something in it. */
export const VATS = /\b(?:jug|bucket|tub|container|bag|vessel|bowl|pail|barrel|fermenter)\b/i;
/** Said to be in the fridge: chilled, and no chillies. */
export const CHILLED = /\b(?:fridge|refrigerat\w*|chill(?:s|ed|er|ing)?)\b/i;
/** In the fridge, or somewhere cold: cold brine makes no place cold. */
export const FRIDGE = new RegExp(`${CHILLED.source}|\\bcold\\b(?! (?:brine|water|vinegar|liquid|milk|butter|pressed|smoked|oil))`, 'i');

/** Something is kept at the warmth of a room for a time; no fridge, and not how long a finished sauce keeps. */
export const isKeptOut = (c: Pick<ReadClause, 'text'>): boolean =>
  !FRIDGE.test(c.text) && !/\b(?:up to|keeps|at least a|will)\b/i.test(c.text);
