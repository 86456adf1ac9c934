import type { KindName } from '../stations';
import type { ReadClause } from './mentions';
import type { Put } from './recipe';
import type { Supply } from './supply';
import { FRIDGE, isKeptOut, JARS, VATS } from './vessels';

/** Stations that take what waits; before the others it goes back to where it was said. */
export const GATHERS = new Set<KindName>([
  'char',
  'toast',
  'soak',
  'press',
  'steep',
  'salt',
  'fry',
  'simmer',
  'blend',
  'thicken',
  'temper',
  'trim',
]);
/** Stations that may begin a strand of their own. */
export const BEGINS = new Set<KindName>(['char', 'toast', 'soak', 'press', 'steep', 'fry', 'simmer']);
export const HEATS = new Set<KindName>(['char', 'toast', 'fry', 'simmer', 'thicken']);

/** From here on a jar that stands ferments, min. */
export const TWO_DAYS = 2 * 1440;
/** A ferment follows: said so, or days in a jar with nothing cooked and no vinegar put in before. */
export function fermentFollows(clauses: readonly ReadClause[], supply: Supply): boolean {
  if (clauses.some((x) => x.act === 'ferment')) return true;
  for (const x of clauses) {
    if ((x.measures.after ?? 0) >= TWO_DAYS) return true;
    const packed = x.act === 'salt' || (x.act === 'fill' && (JARS.test(x.text) || VATS.test(x.text)) && !FRIDGE.test(x.text));
    if (packed && (x.measures.minutes ?? 0) >= TWO_DAYS) return true;
    const stands = (x.act === 'leave' || x.stem === 'keep') && x.stem !== 'refrigerate' && isKeptOut(x);
    if (stands && (x.measures.minutes ?? 0) >= TWO_DAYS) return true;
    const sour = supply.meant(x).some((i) => supply.things[i]!.family === 'vinegar') && x.stem !== 'have' && x.act !== 'have';
    if (sour || HEATS.has(x.act as KindName)) return false;
  }
  return false;
}

export const isPronoun = (w: string | null): boolean => /^(?:it|them|these|those|this|that)$/.test(w ?? '');
/** Nothing is named that it is done to: "cover with the vinegar", "blend". */
export const implicit = (c: ReadClause, puts: readonly Put[]): boolean =>
  !c.passive && ((puts.length === 0 && c.mentions.every((m) => m.weak)) || /^(?:with|in|into|to|together)$/.test(c.next ?? ''));

const EACH = /\b(?:each|both)\b/i;
/** "Simmer each", "blend and bottle both": every part of what was divided; `next`: the clause behind it. */
export const toAll = (c: ReadClause, next: ReadClause | undefined): boolean =>
  EACH.test(c.text) || (!c.branch && c.mentions.length === 0 && next !== undefined && !next.branch && EACH.test(next.text));

/** A blend of what is named alone waits with the rest, as long as another jug or pot follows. */
export function takesAll(c: ReadClause, later: readonly ReadClause[], puts: readonly Put[]): boolean {
  const follows = later.some((x) => x.act === 'blend' || x.act === 'simmer');
  return !follows || c.pronoun || implicit(c, puts) || isPronoun(c.next) || c.mentions.length === 0;
}
