import { FOODS, type Food } from '../matter/food';
import type { PodLot } from '../pantry/lot';

/** What a lot of pods is to the rules of keeping: pods, oil where it is a paste in oil, and all that a kept pulp had in it. */
export function lotFoods(lot: PodLot): ReadonlySet<Food> {
  const kept = (lot.foods ?? []).filter((f): f is Food => (FOODS as readonly string[]).includes(f));
  return new Set<Food>([...(lotOil(lot) > 0 ? (['pod', 'oil'] as const) : (['pod'] as const)), ...kept]);
}

/** Share of a paste that is taken for oil when its name says oil and nobody said how much (our judgement). */
const PASTE_OIL = 0.3;

/** Grams of free oil in 1 g of a lot: what the maker said, or what its name gives away. */
export function lotOil(lot: PodLot): number {
  const said = (lot.oilPct ?? 0) / 100;
  return said > 0 ? said : /\boil\b/i.test(lot.name) ? PASTE_OIL : 0;
}
