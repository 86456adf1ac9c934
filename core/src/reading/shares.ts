import { ingredient, type Ingredient } from '../matter/ingredient';
import { kindOf, type Family } from '../matter/kind';
import type { Answer } from './item';
import type { Line, Part } from './line';
import type { Thing } from './things';

/** The share that is said of a part, %, and its grams where it was said of a kilogram or a litre; null where none is. */
export function shareAmong({ spans }: Line, p: Part): { pct: number; per?: number } | null {
  const found = spans.slice(p.first, p.last + 1).find((s) => s.is === 'share');
  return found?.is === 'share' ? found : null;
}
/** Of a share that was said of so much of it: as long as nothing more is known. */
export const FOR_ONE = 'as much as is said for that weight';

/** What is dosed by its share of the rest; in "70 % dark chocolate" or "cream, 36 %" the share is the thing's own. */
const DOSED: ReadonlySet<Family> = new Set<Family>(['salt', 'sweet', 'acid', 'gum', 'starch']);
/** More than this is no dose, % (our judgement). */
export const MOST_DOSE_PCT = 40;
export const isDose = (thing: Thing): boolean => thing.store === 'larder' && DOSED.has(kindOf({ key: thing.key }).family);

/** A strength that is said may be off the table's by so much before it counts, % of acid. */
const NEAR_PCT = 0.6;
const told = (g: number) => (g < 20 ? Math.round(g * 10) / 10 : Math.round(g));

/** A vinegar of another strength than the table's: asked, with as much acid as an answer. Null where it is the same, or no vinegar. */
export function strengthOf(
  thing: Thing,
  pct: number,
  massG: number,
  own: readonly Ingredient[],
): { ask: string; answers: Answer[] } | null {
  if (kindOf({ key: thing.key }).family !== 'vinegar') return null;
  const row = own.find((r) => r.key === thing.key) ?? ingredient(thing.key);
  const acid = row.acids.acetic ?? 0;
  if (!(pct > 0) || !(acid > 0) || Math.abs(pct - acid) <= NEAR_PCT) return null;
  const name = row.name.split(',')[0]!.toLowerCase();
  const answer = (say: string, g: number): Answer => ({ say: `${say}, ${told(g)} g`, store: thing.store, id: thing.id, massG: g });
  return {
    ask: `${pct} % of acid is said, and the table's ${name} has ${told(acid)} %. Take as much of that as has the same acid?`,
    // A weaker one by its weight would count for sourer than it is.
    answers: [answer('the same acid', (massG * pct) / acid), ...(pct > acid ? [answer('the same weight', massG)] : [])],
  };
}
