import type { BatchFile } from '../file';
import { endOf, runUpTo, strandIn } from '../line';
import { ACIDS } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';
import { TYPICAL } from '../stat/draw';

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

const figure = (x: number): string => `${x < 0.05 ? '0' : x < 10 ? x.toFixed(1) : x.toFixed(0)} g`;
/** What stands on a page or a label, by name, no sharper than an estimate is. */
export const nutritionFacts = (n: Nutrition): [name: string, value: string][] => [
  ['Energy', `${10 * Math.round(n.kJ / 10)} kJ, ${5 * Math.round(n.kcal / 5)} kcal`],
  ['Fat', figure(n.fat)],
  ['Carbohydrate', figure(n.carbohydrate)],
  ['of which sugars', figure(n.sugars)],
  ['Fibre', figure(n.fibre)],
  ['Protein', figure(n.protein)],
  ['Salt', figure(n.salt)],
];

/** The same of the bottles of a strand, as they are known now; null where nothing is in them. Throws LineProblem. */
export function nutritionOfEnd(file: BatchFile, strandId: string): Nutrition | null {
  return nutritionOf(runUpTo(file, endOf(strandIn(file, strandId)).id, TYPICAL, false).bowl.stream);
}
/** One line for a label, marked as what it is. */
export const nutritionLine = (n: Nutrition): string =>
  `In 100 g (an estimate): ${nutritionFacts(n)
    .map(([name, value]) => `${name.toLowerCase()} ${value}`)
    .join('; ')}.`;
