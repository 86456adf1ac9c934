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
  return missing(heatOf, input, outcome, -(outcome.heatLossShuG ?? 0));
}

/** Strong ions that a station made or lost, eq. */
export function ionImbalance(input: Stream, outcome: Booked): number {
  return missing(ionsOf, input, outcome, 0);
}

/** What all of it adds up to, in absolute terms: the scale of rounding. */
function size(of: (s: Stream) => number, input: Stream, outcome: Booked): number {
  let sum = Math.abs(of(input));
  for (const a of outcome.additions) sum += Math.abs(of(a.stream));
  for (const s of outcome.sides) sum += Math.abs(of(s.stream));
  return sum;
}
const heatOf = (s: Stream) => s.heatShuG;
const ionsOf = (s: Stream) => s.sidEq;

/** Conservation holds to this share of what is in play. */
const EXACT = 1e-9;

/** Written so that NaN fails too. */
function hold(kind: string, off: number, whole: number, what: string): void {
  if (!(Math.abs(off) <= EXACT * whole)) throw new BalanceError(`${kind} does not balance: ${off} ${what}`);
}

/**
 * Checks conservation of grams, heat load and strong ions, and that all of them are numbers. With `each` every component
 * is looked at, else their sum, in one pass: that is asked of every station in hundreds of worlds. Throws BalanceError.
 */
export function checkBalance(kind: string, input: Stream, outcome: Booked, each = true): void {
  if (each) {
    const worst = imbalance(input, outcome);
    hold(kind, worst.grams, Math.max(1, size(massOf, input, outcome)), `g of ${worst.component}`);
    hold(kind, heatImbalance(input, outcome), Math.max(1, size(heatOf, input, outcome)), HEAT);
    hold(kind, ionImbalance(input, outcome), Math.max(1e-3, size(ionsOf, input, outcome)), IONS);
    return;
  }
  const { out } = outcome;
  let massIn = massOf(input);
  let heatIn = input.heatShuG;
  let ionsIn = input.sidEq;
  let ionsMoved = Math.abs(ionsIn);
  for (const { stream } of outcome.additions) {
    massIn += massOf(stream);
    heatIn += stream.heatShuG;
    ionsIn += stream.sidEq;
    ionsMoved += Math.abs(stream.sidEq);
  }
  let massOut = massOf(out.stream);
  let heatOut = out.stream.heatShuG + (outcome.heatLossShuG ?? 0);
  let ionsOut = out.stream.sidEq;
  for (const { stream } of outcome.sides) {
    massOut += massOf(stream);
    heatOut += stream.heatShuG;
    ionsOut += stream.sidEq;
    ionsMoved += Math.abs(stream.sidEq);
  }
  hold(kind, massIn - massOut, Math.max(1, massIn, massOut), 'g');
  hold(kind, heatIn - heatOut, Math.max(1, heatIn, heatOut), HEAT);
  hold(kind, ionsIn - ionsOut, Math.max(1e-3, ionsMoved), IONS);
}
const HEAT = 'SHU g of heat';
const IONS = 'eq of strong ions';
