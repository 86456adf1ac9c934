import { readFileSync } from 'node:fs';
import type { Kitchen } from '../src';

/**
 * Texts as people say and write them, with what is meant, worked out by hand: unit definitions (NIST Handbook 44, appendix C;
 * Australian tablespoon 20 ml, metric cup 250 ml, AS 1325, from memory) times the weight of a cup, a spoon or a piece of the
 * table (USDA household measures, from memory); hands and sizes by judgement. All of our own invention. `lines` and `recipes`
 * were written before the reader with what is meant. Of the later recipes the texts were written first and judged at first sight by
 * hand; from the seventh round on their lines were then written down as the mended reader gives them, looked through one by one:
 * they hold what was right, and are no second count of grams. That is `whatever is weighed` in reading.test.
 */
/** From the folder that tests and benchmarks begin in, bundled or not. */
const text = (name: string): string => readFileSync(`core/tests/fixtures/reading/${name}.txt`, 'utf8');

/** "key grams" for each thing, joined by " + ", a state behind where one must be heard; "?": it must be asked; "-": no thing at all. */
export type Meant = readonly [kitchen: Kitchen, line: string, meant: string];
const linesOf = (name: string): Meant[] =>
  text(name)
    .trim()
    .split('\n')
    .map((row) => row.split(' | ') as unknown as Meant);
export const LINES_MEANT: readonly Meant[] = linesOf('lines');
export const LINES_LATER: readonly Meant[] = linesOf('lines-later');

/**
 * `line`: a strand a row, the last one the sauce; stations in order with minutes (hours, days) where said, and what goes in
 * there; "-> kind" where a side strand joins. Prep is left out: what is cut counts where it goes next.
 */
export interface MeantRecipe {
  manner: string;
  kitchen: Kitchen;
  text: string;
  line: readonly string[];
}
const recipesOf = (name: string): MeantRecipe[] =>
  text(name)
    .split(/^=== /m)
    .slice(1)
    .map((block) => {
      const [head, ...rest] = block.split('\n');
      const [manner, kitchen] = head!.split(' ');
      const [written, line] = rest.join('\n').split('\n---\n');
      return { manner: manner!, kitchen: kitchen as Kitchen, text: written!, line: line!.trim().split('\n') };
    });
export const RECIPES: readonly MeantRecipe[] = recipesOf('recipes');
export const RECIPES_LATER: readonly MeantRecipe[] = recipesOf('recipes-later');
