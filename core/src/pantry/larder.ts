import { kindKey, type Ingredient } from '../matter/ingredient';
import { daysBetween, type Day } from '../plan/date';

export const BOARDS = ['Sour', 'Salt', 'Sweet', 'Garden and fruit', 'Spice and body'] as const;
export type Board = (typeof BOARDS)[number];

/** Which board a thing stands on: by what it does in a sauce, read off its composition. */
export function boardOf(i: Ingredient): Board {
  const acids = Object.values(i.acids).reduce<number>((s, x) => s + (x ?? 0), 0);
  if (i.salt > 20) return 'Salt';
  if ((i.pH && i.pH.typ < 3.2 && acids > 2 && i.water > 60) || /acid/.test(kindKey(i))) return 'Sour';
  if (i.sugars > 45) return 'Sweet';
  if (i.water < 30 || /sauce|mustard|paste/.test(kindKey(i))) return 'Spice and body';
  return 'Garden and fruit';
}

/** Days that a thing is good once opened, or once it is there when it is fresh (common practice, no source). */
function keepsDays(i: Ingredient): number | null {
  if (boardOf(i) === 'Garden and fruit')
    return /juice/.test(kindKey(i)) ? 4 : i.water > 85 || /pineapple|mango|berry|peach/.test(kindKey(i)) ? 7 : 21;
  if (/paste|passata|mustard/.test(kindKey(i))) return /mustard/.test(kindKey(i)) ? 90 : 10;
  if (/maple/.test(kindKey(i))) return 90;
  return i.water < 20 && i.salt < 20 && i.sugars < 45 ? 365 : null;
}

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
  const keeps = keepsDays(i);
  if (open !== null && keeps !== null && open > keeps) return { text: `open ${open} days`, urgent: true };
  if (l.useFirst) return { text: 'use first', urgent: true };
  if (open !== null && keeps !== null && open > keeps / 2) return { text: 'use soon', urgent: false };
  // Under a fifth of a package, or few spoons' worth.
  const low = l.packG ? l.stockG < l.packG / 5 : l.stockG <= (i.water < 30 ? 10 : 50);
  return low ? { text: 'low', urgent: false } : null;
}
