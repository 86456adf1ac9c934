/** The styles a batch can begin as. A new style is a file in this folder and a line here. */
import type { BatchFile, Goal } from '../file';
import type { Eaten } from '../heat';
import { baseVariants } from './baseVariants';
import { brineFerment } from './brineFerment';
import { charredFruit } from './charredFruit';
import { cookedDip } from './cookedDip';
import { friedPaste } from './friedPaste';
import { fromBottle } from './fromBottle';
import { longReduced } from './longReduced';
import { mashFerment } from './mashFerment';
import { rawCitrus } from './rawCitrus';
import { rawHerbs } from './rawHerbs';
import { roastedPaste } from './roastedPaste';
import { roughTable } from './roughTable';
import { simmeredVegetables } from './simmeredVegetables';
import { simmeredVinegar } from './simmeredVinegar';
import { steeped } from './steeped';
import type { Style } from './style';
import { sweetStarch } from './sweetStarch';
import { sweetSyrup } from './sweetSyrup';

export const STYLES: readonly Style[] = [
  brineFerment,
  mashFerment,
  steeped,
  simmeredVinegar,
  simmeredVegetables,
  charredFruit,
  longReduced,
  sweetSyrup,
  sweetStarch,
  friedPaste,
  roastedPaste,
  cookedDip,
  rawHerbs,
  rawCitrus,
  roughTable,
  fromBottle,
  baseVariants,
];
/** What somebody gets who did not say which kind of sauce. */
export const UNASKED_STYLE: Style = STYLES.find((s) => s.unasked)!;

/** What a batch is called whose style nobody here knows. */
const OWN = 'own line';

/** The style of an id. Throws RangeError when there is none. */
export function styleOf(id: string): Style {
  const found = STYLES.find((s) => s.id === id);
  if (!found) throw new RangeError(`There is no style called "${id}"`);
  return found;
}

/** How a sauce is eaten: as its goal says, else as its style is, else by the drop. */
export const eatenOf = (file: Pick<BatchFile, 'style'>, goal: Goal | null): Eaten =>
  goal?.eaten ?? STYLES.find((s) => s.id === file.style)?.eaten ?? 'drop';

/** What a style is called. */
export const styleName = (id: string): string => STYLES.find((s) => s.id === id)?.name ?? OWN;

/**
 * The style that a list reads like: the one whose name stands in its words, else the one whose marks are all among its
 * things (keys), most of them first. Null when none stands out.
 */
export function styleOfList(text: string, keys: readonly string[]): Style | null {
  const named = STYLES.filter((s) => s.words?.test(text));
  if (named.length > 0) return named[0]!;
  const marked = STYLES.filter((s) => s.signs?.every((sign) => keys.some((k) => sign.test(k))));
  return marked.reduce<Style | null>((best, s) => (best && best.signs!.length >= s.signs!.length ? best : s), null);
}

export { PODS_OF_STYLE } from './build';
export type { Style } from './style';
export * from './place';
export * from './standIns';
