import { preparedPerGram } from '../pantry';
import type { PodChoice } from './blend';

type Grams = Readonly<Record<string, number>>;

/** What a mix is called: by the lot that brings most of its heat. */
export function leadOf(grams: Grams, choices: readonly PodChoice[]): string {
  const load = (c: PodChoice) => (grams[c.lot.id] ?? 0) * preparedPerGram(c.lot, c.prep).heatShuG;
  const led = [...choices].filter((c) => load(c) > 0).sort((a, b) => load(b) - load(a))[0];
  return led ? `Most heat from ${led.lot.name}` : 'No heat at all';
}

/** A label that tells a mix from the others: its lead, and what it has that they have not where the lead is the same. */
export function tellApart<M extends { gramsByLot: Grams; label: string }>(
  mix: M,
  all: readonly M[],
  choices: readonly PodChoice[],
): string {
  const others = all.filter((m) => m !== mix);
  if (!others.some((m) => m.label === mix.label)) return mix.label;
  const own = choices
    .filter((c) => mix.gramsByLot[c.lot.id] && !mix.label.endsWith(c.lot.name))
    .sort((a, b) => mix.gramsByLot[b.lot.id]! - mix.gramsByLot[a.lot.id]!);
  const unique = own.find((c) => others.every((m) => !m.gramsByLot[c.lot.id])) ?? own[0];
  return unique ? `${mix.label}, with ${unique.lot.name}` : mix.label;
}
