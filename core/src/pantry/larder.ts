import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import { daysBetween, type Day } from '../plan/date';

/** What is known of a jar: what is left, its full package, when it was opened. */
export interface Jar {
  stockG: number;
  packG: number | null;
  openedOn: Day | null;
  useFirst: boolean;
}

export interface Hint {
  text: string;
  urgent: boolean;
}

/** What a jar wants its owner to know: out, low, to be used first, open for long. */
export function hintOf(l: Jar, i: Ingredient, today: Day): Hint | null {
  if (l.stockG <= 0) return { text: 'out', urgent: true };
  const open = l.openedOn ? daysBetween(l.openedOn, today) : null;
  const keeps = kindOf(i).keepsDays ?? null;
  if (open !== null && keeps !== null && open > keeps) return { text: `open ${open} days`, urgent: true };
  if (l.useFirst) return { text: 'use first', urgent: true };
  if (open !== null && keeps !== null && open > keeps / 2) return { text: 'use soon', urgent: false };
  // Under a fifth of a package, or few spoons' worth.
  const low = l.packG ? l.stockG < l.packG / 5 : l.stockG <= (i.water < 30 ? 10 : 50);
  return low ? { text: 'low', urgent: false } : null;
}
