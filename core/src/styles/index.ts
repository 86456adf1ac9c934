/** The styles a batch can begin as. A new style is a file in this folder and a line here. */
import { brineFerment } from './brineFerment';
import type { Style } from './style';

export const STYLES: readonly Style[] = [brineFerment];
/** What a batch is called whose style nobody here knows. */
const OWN = 'own line';

/** The style of an id. Throws RangeError when there is none. */
export function styleOf(id: string): Style {
  const found = STYLES.find((s) => s.id === id);
  if (!found) throw new RangeError(`There is no style called "${id}"`);
  return found;
}

/** What a style is called. */
export const styleName = (id: string): string => STYLES.find((s) => s.id === id)?.name ?? OWN;

export type { Style } from './style';
