import { NOTHING, station, type Done, type Where } from './done';
import type { ReadClause } from './mentions';
import type { RecipeThing } from './recipe';
import { MOST_REST_H } from '../stations';
import { TWO_DAYS } from './roles';
import { FRIDGE } from './vessels';

const AN_HOUR = 60;
/** Shorter stands are no rest, min. */
export const LEAST_REST = 10;
/** A jar that stays longer in the fridge is kept there: no station tells that, min. */
const MOST_COLD_JAR = 7 * 1440;
export const isSour = (t: RecipeThing) => t.family === 'vinegar' || t.family === 'citrus';

/** What it comes to that something is left for a while: a ferment, a steep, a rest, or nothing. */
export function leave(c: ReadClause, w: Where): Done {
  const { minutes } = c.measures;
  const last = w.steps.at(-1)?.kind;
  if (last === 'soak' && minutes !== null && minutes < TWO_DAYS && w.named.length === 0) return { is: 'time' };
  // What was stirred in since is no jar any more.
  const jar = last === 'salt' || (last === 'ferment' && w.waiting.length === 0);
  const cold = last === 'ferment' && FRIDGE.test(c.text);
  // "Leave them in 4 % brine for three weeks."
  const here = [...w.named, ...w.waiting, ...w.there];
  const brined = w.steps.every((s) => s.kind === 'prep') && here.some((t) => t.family === 'salt') && !here.some(isSour);
  if (minutes !== null && minutes >= TWO_DAYS && brined && w.fermentAhead) return station('salt');
  // What no station can say stays as words at its step, and is no shorter time.
  if (minutes !== null && (cold || !jar) && minutes > (cold ? MOST_COLD_JAR : 60 * MOST_REST_H)) return NOTHING;
  if (minutes !== null && minutes >= TWO_DAYS && jar) return station(cold ? 'rest' : 'ferment');
  if (last === 'bottle' || last === 'bowl' || (c.stem === 'refrigerate' && (minutes ?? 0) >= TWO_DAYS && !w.workAhead)) return NOTHING;
  // "Let it sit two weeks before using": that is in its bottle.
  if (
    minutes !== null &&
    minutes >= TWO_DAYS &&
    last !== undefined &&
    !w.workAhead &&
    /\b(?:before|ready|flavou?rs?|mellow|mature|age)\b/i.test(c.text)
  )
    return NOTHING;
  const raw = w.steps.every((s) => s.kind === 'prep' || s.kind === 'blend') && last !== 'blend';
  const sour = [...w.named, ...w.waiting].some(isSour);
  if (minutes !== null && minutes >= AN_HOUR && raw && sour) return station('steep');
  if (minutes !== null && minutes >= LEAST_REST && w.steps.length > 0) return station('rest');
  return NOTHING;
}

/** What is in its jar still, perhaps in the fridge since. */
export function isInJar({ steps }: Pick<Where, 'steps'>): boolean {
  const last = steps.findLast((s) => s.kind !== 'rest');
  return last?.kind === 'ferment';
}
