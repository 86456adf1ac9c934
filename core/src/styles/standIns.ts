import { ACIDS } from '../matter/component';
import type { Ingredient } from '../matter/ingredient';
import { kindOf, type StandIn } from '../matter/kind';

/** A thing in the place of another: how much of it, and what that changes. */
export interface Swap {
  key: string;
  name: string;
  massG: number;
  says: string;
  /** g more (or less) of each. */
  saltG: number;
  acidG: number;
  sugarsG: number;
  /** Allergens that come in, and those that go. */
  brings: string[];
  spares: string[];
}

const acidOf = (r: Ingredient) => ACIDS.reduce((s, a) => s + (a === 'uronic' ? 0 : (r.acids[a] ?? 0)), 0);
/** What can take the place of a thing, the nearest first. */
export const standInsOf = (row: Pick<Ingredient, 'key' | 'like'>): readonly StandIn[] => kindOf(row).standIns ?? [];

const figure = (r: Ingredient, by: Exclude<StandIn['by'], object>) => (by === 'acid' ? acidOf(r) : (r[by] ?? 0));

/** `massG` of one thing replaced by another of `standIn`; null where they cannot be matched. */
export function swapped(row: Ingredient, massG: number, standIn: StandIn, other: Ingredient): Swap | null {
  const { by } = standIn;
  const times = typeof by === 'object' ? by.times : figure(row, by) / figure(other, by);
  if (!Number.isFinite(times) || !(times > 0)) return null;
  const g = Math.round(massG * times * 10) / 10;
  const more = (of: (r: Ingredient) => number) => (g * of(other) - massG * of(row)) / 100;
  return {
    key: other.key,
    name: other.name,
    massG: g,
    says: standIn.says,
    saltG: more((r) => r.salt),
    acidG: more(acidOf),
    sugarsG: more((r) => r.sugars),
    brings: other.allergens.filter((a) => !row.allergens.includes(a)),
    spares: row.allergens.filter((a) => !other.allergens.includes(a)),
  };
}
