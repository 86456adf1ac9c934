import { ACIDS } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';

/** Of 100 g of a finished sauce, in g and kcal: an estimate. */
export interface Nutrition {
  kcal: number;
  kJ: number;
  fat: number;
  carbohydrate: number;
  sugars: number;
  fibre: number;
  protein: number;
  salt: number;
}
/** An estimate of it is within so much (handbook chapter 5, section 18.2). */
export const NUTRITION_SPREAD = 0.2;
/** Of bound starch, soluble fibre and ash a part counts as carbohydrate, the rest as fibre (the same, judgement). */
const OTHER_CARBOHYDRATE = 0.6;
/** Energy of a gram, kcal and kJ: Regulation (EU) 1169/2011, annex XIV (from memory). */
const ENERGY = {
  carbohydrate: [4, 17],
  protein: [4, 17],
  fat: [9, 37],
  ethanol: [7, 29],
  fibre: [2, 8],
  acids: [3, 13],
} as const;

/** What 100 g of it hold, the European way of counting; null for an empty stream. */
export function nutritionOf(stream: Stream): Nutrition | null {
  const mass = massOf(stream);
  if (!(mass > 0)) return null;
  const per = 100 / mass;
  const { grams: g } = stream;
  const parts = {
    carbohydrate: per * (g.sugars + g.starch + OTHER_CARBOHYDRATE * g.other),
    protein: per * (g.protein + g.hydrolysate),
    fat: per * g.fat,
    ethanol: per * g.ethanol,
    fibre: per * (g.pulp + g.gum + (1 - OTHER_CARBOHYDRATE) * g.other),
    acids: per * ACIDS.reduce((sum, a) => sum + g[a], 0),
  };
  const energy = (unit: 0 | 1) => (Object.keys(ENERGY) as (keyof typeof ENERGY)[]).reduce((sum, p) => sum + parts[p] * ENERGY[p][unit], 0);
  const { carbohydrate, fibre, protein, fat } = parts;
  return { kcal: energy(0), kJ: energy(1), fat, carbohydrate, sugars: per * g.sugars, fibre, protein, salt: per * g.salt };
}
