import { COMPONENTS, type Component } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';
import type { Flow, Outcome } from '../stations';

/** What a station did, with everything that went in there. */
export interface Booked extends Omit<Outcome, 'made' | 'facts'> {
  additions: readonly Flow[];
}

/** Thrown when a station made or lost matter: a fault in the program, never in the maker's input. */
export class BalanceError extends Error {}

/** What is added up at a station: grams, heat load in SHU g, or strong ions in eq. */
function missing(of: (s: Stream) => number, input: Stream, outcome: Booked, change: number): number {
  let sum = of(input) + change - of(outcome.out.stream);
  for (const a of outcome.additions) sum += of(a.stream);
  for (const s of outcome.sides) sum -= of(s.stream);
  return sum;
}

/** Largest mismatch of in + additions + changed against out + sides, over all components, in g; NaN where one is no number. */
export function imbalance(input: Stream, outcome: Booked): { component: Component; grams: number } {
  let worst: { component: Component; grams: number } = { component: 'water', grams: 0 };
  for (const c of COMPONENTS) {
    const grams = Math.abs(missing((s) => s.grams[c], input, outcome, outcome.change?.[c] ?? 0));
    if (Number.isNaN(grams)) return { component: c, grams };
    if (grams > worst.grams) worst = { component: c, grams };
  }
  return worst;
}

/** Heat load that a station made (positive) or lost beyond what it says, SHU g. */
export function heatImbalance(input: Stream, outcome: Booked): number {
  return missing((s) => s.heatShuG, input, outcome, -(outcome.heatLossShuG ?? 0));
}

/** Strong ions that a station made or lost, eq. */
export function ionImbalance(input: Stream, outcome: Booked): number {
  return missing((s) => s.sidEq, input, outcome, 0);
}

/** What all of it adds up to, in absolute terms: the scale of rounding. */
function size(of: (s: Stream) => number, input: Stream, outcome: Booked): number {
  return [...outcome.additions, ...outcome.sides].reduce((s, f) => s + Math.abs(of(f.stream)), Math.abs(of(input)));
}

/** Conservation holds to this share of what is in play. */
const EXACT = 1e-9;

/**
 * Checks conservation of grams, heat load and strong ions, and that all of them are numbers. With `each` every component
 * is looked at, else their sum. Throws BalanceError.
 */
export function checkBalance(kind: string, input: Stream, outcome: Booked, each = true): void {
  const fail = (what: string): never => {
    throw new BalanceError(`${kind} does not balance: ${what}`);
  };
  if (!each) {
    const grams = missing(massOf, input, outcome, 0);
    if (!(Math.abs(grams) <= EXACT * Math.max(1, size(massOf, input, outcome)))) fail(`${grams} g`);
  }
  const worst = each ? imbalance(input, outcome) : { component: 'water', grams: 0 };
  // Written so that NaN fails too.
  if (!(worst.grams <= EXACT * Math.max(1, size(massOf, input, outcome)))) fail(`${worst.grams} g of ${worst.component}`);
  const lost = heatImbalance(input, outcome);
  if (
    !(
      Math.abs(lost) <=
      EXACT *
        Math.max(
          1,
          size((s) => s.heatShuG, input, outcome),
        )
    )
  )
    fail(`${lost} SHU g of heat`);
  const ions = ionImbalance(input, outcome);
  if (
    !(
      Math.abs(ions) <=
      EXACT *
        Math.max(
          1e-3,
          size((s) => s.sidEq, input, outcome),
        )
    )
  )
    fail(`${ions} eq of strong ions`);
}
