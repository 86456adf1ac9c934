import type { State } from './item';

/** Words of what was done to a thing, and when it goes in (handbook chapter 7, section 7: common practice, no source). */
const SAID: readonly (readonly [State, RegExp])[] = [
  ['roasted', /\b(?:roasted|charred|fire[- ]?roasted|blistered|grilled)\b/i],
  ['toasted', /\btoasted\b/i],
  ['soaked', /\b(?:soaked|rehydrated|softened in (?:hot )?water)\b/i],
  ['frozen', /\b(?:frozen|thawed)\b/i],
  ['drained', /\bdrained\b/i],
  ['ground', /\b(?:ground|powdered)\b/i],
  ['late', /\b(?:to finish|at the (?:very )?end|added? (?:last|late)|for finishing|for the last (?:few )?minutes?)\b/i],
];

/** What a piece of a line says was done to its thing, in the order of the table. */
export const statesSaid = (text: string): State[] => SAID.flatMap(([state, says]) => (says.test(text) ? [state] : []));
