import {
  ingredient,
  knownSauce,
  searchSteps,
  trimBowl,
  trimProblem,
  trimProgram,
  trimSearch,
  trimWish,
  valuesOfSauce,
  type LinearSolver,
  type Says,
  type TrimOptions,
  type TrimStock,
} from '@roskel/core';
import { measure, type Line } from './measure';

const sauce = knownSauce({ massG: 950, pH: 3.62, shu: 6800, saltPct: 2.1, sugarPct: 4, body: 4, aceticPct: 1.6 });
/** What of a well-stocked larder can be stirred in. */
const stocks: TrimStock[] = [
  ...['vinegar_cider', 'vinegar_distilled_5', 'vinegar_rice', 'vinegar_red_wine', 'lime_juice', 'lemon_juice', 'salt_fine', 'salt_sea'],
  ...['soy_sauce', 'fish_sauce', 'sugar_white', 'sugar_brown', 'sugar_palm', 'honey', 'maple_syrup', 'roasted_pepper_jar'],
  ...['tomato_passata', 'tomato_paste', 'mango_ripe', 'xanthan', 'chili_powder_pure', 'smoked_paprika', 'water', 'mustard_yellow'],
].map((key) => ({ row: ingredient(key), stockG: 1000, perKg: 3 }));

/** Trim by taste: all its ways in all, and one search beside the whole-number program of the very same rows. */
export function trimLines(highs: LinearSolver): Line[] {
  const says: Says = { heat: 'much', sour: 'little' };
  const { wish } = trimWish(valuesOfSauce(sauce), says);
  const problem = trimProblem(sauce, stocks, wish, 'metric');
  const edge = (r: 'sour' | 'body') => (wish[r] ? { low: wish[r].low, high: wish[r].high } : null);
  const options: TrimOptions = {
    ...{ soft: new Set(), cuts: [], grams: new Map() },
    ...{ ionicStrength: { low: 0.3, high: 0.3 }, edges: { sour: edge('sour'), body: edge('body') } },
  };
  const program = measure(() => highs.solve(trimProgram(problem, options).model, { gap: 0.01 }), 8, 2);
  return [
    {
      what: `trim: the least of ${problem.things.length} things, at most 3`,
      ours: measure(() => searchSteps(trimSearch(problem, options)), 20),
      reference: program,
      against: 'HiGHS on the same rows as a whole-number program, to 1 %',
      wantedMs: 100,
    },
    {
      what: 'trim: four ways, each confirmed by the full models',
      ours: measure(() => trimBowl(highs, sauce, stocks, [], { says, kitchen: 'metric' }), 12),
      reference: program,
      against: 'one such program',
      wantedMs: 1000,
    },
  ];
}
