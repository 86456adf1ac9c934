import { COMPONENTS, type Component } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';
import type { Outcome } from '../stations/station';

/** Thrown when a station made or lost matter: a fault in the program, never in the maker's input. */
export class BalanceError extends Error {}

/** Largest mismatch of in + additions + changed against out + sides, over all components, in g. */
export function imbalance(input: Stream, outcome: Outcome): { component: Component | 'heat'; grams: number } {
  let worst: { component: Component | 'heat'; grams: number } = { component: 'water', grams: 0 };
  for (const c of COMPONENTS) {
    let sum = input.grams[c] + (outcome.change?.[c] ?? 0) - outcome.out.grams[c];
    for (const a of outcome.additions) sum += a.stream.grams[c];
    for (const s of outcome.sides) sum -= s.stream.grams[c];
    if (Math.abs(sum) > worst.grams) worst = { component: c, grams: Math.abs(sum) };
  }
  return worst;
}

/** Heat load that a station made (positive) or lost beyond what it says, SHU g. */
export function heatImbalance(input: Stream, outcome: Outcome): number {
  let sum = input.heatShuG - (outcome.heatLossShuG ?? 0) - outcome.out.heatShuG;
  for (const a of outcome.additions) sum += a.stream.heatShuG;
  for (const s of outcome.sides) sum -= s.stream.heatShuG;
  return sum;
}

/** Checks conservation to 1e-9 of the mass and of the heat load in play. Throws BalanceError. */
export function checkBalance(kind: string, input: Stream, outcome: Outcome): void {
  const scale = massOf(input) + outcome.additions.reduce((s, a) => s + massOf(a.stream), 0);
  const worst = imbalance(input, outcome);
  if (worst.grams > 1e-9 * Math.max(1, scale)) {
    throw new BalanceError(`${kind} does not balance: ${worst.grams} g of ${worst.component}`);
  }
  const heat = input.heatShuG + outcome.additions.reduce((s, a) => s + a.stream.heatShuG, 0);
  const lost = heatImbalance(input, outcome);
  if (Math.abs(lost) > 1e-9 * Math.max(1, heat)) throw new BalanceError(`${kind} does not balance: ${lost} SHU g of heat`);
}
