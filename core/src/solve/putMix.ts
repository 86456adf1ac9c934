import type { BatchFile } from '../file';
import { carry, fitVessels, podUses, resize, withPodUses } from '../line';
import { runLine } from '../line/run';
import { massOf } from '../matter/stream';
import { preparedPerGram } from '../pantry';
import { TYPICAL } from '../stat/draw';
import type { PodChoice } from './blend';
import { lineGain, type LineGain } from './gain';

/** The pods that the default amounts of a new batch's blend are written for, g. */
export const PODS_OF_DEFAULTS = 640;

/** Grams on the board of 1 g as weighed. */
export function cutPerGram(c: PodChoice): number {
  return preparedPerGram(c.lot, c.prep, c.fire).massG;
}

/** The batch as it is when it has pods; else with a stand-in mix of all choices, so that its line can be run. */
export function withSomePods(file: BatchFile, choices: readonly PodChoice[]): BatchFile {
  const lots = choices.map((c) => c.lot);
  if (podUses(file).some((p) => p.massG > 0)) return carry(file, lots, []);
  const stock = choices.reduce((s, c) => s + c.stockG, 0);
  if (!(stock > 0)) throw new RangeError('There are no pods to choose from. Tick a lot that has stock.');
  const grams = Object.fromEntries(choices.map((c) => [c.lot.id, (c.stockG / stock) * PODS_OF_DEFAULTS]));
  return putMix(file, choices, grams, 1);
}

/**
 * The batch with a mix put into its prep, the rest of the line resized to it. Grams rounded to 1 g (to 0.1 g below 20 g).
 */
export function useMix(batch: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>): BatchFile {
  const file = withSomePods(batch, choices);
  const before = massOf(runLine({ ...file, stations: file.stations.slice(0, 1) }, TYPICAL, false)[0]!.out.stream);
  const after = choices.reduce((s, c) => s + (grams[c.lot.id] ?? 0) * cutPerGram(c), 0);
  return putMix(file, choices, grams, after > 0 ? after / before : 1);
}

/** What the line makes of a mix of just these grams: read off the line with them in it. */
export function gainOfMix(batch: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>): LineGain {
  return lineGain(Object.values(grams).some((g) => g > 0) ? useMix(batch, choices, grams) : withSomePods(batch, choices));
}

/** Grams as a kitchen scale shows them, never more than there is. */
function scaled(g: number, stockG: number): number {
  const unit = g < 20 ? 10 : 1;
  const near = Math.round(g * unit) / unit;
  return near > stockG && g <= stockG ? Math.floor(g * unit) / unit : near;
}

/** Puts grams into the prep and multiplies the rest of the line by `factor`. */
function putMix(file: BatchFile, choices: readonly PodChoice[], grams: Record<string, number>, factor: number): BatchFile {
  const uses = choices
    .filter((c) => (grams[c.lot.id] ?? 0) > 0)
    .map((c) => ({
      lotId: c.lot.id,
      massG: scaled(grams[c.lot.id]!, c.stockG),
      prep: c.prep,
      ...(c.fire && c.fire !== 'none' ? { fire: c.fire } : {}),
    }));
  const lots = new Map([...file.lots, ...choices.map((c) => c.lot)].map((l) => [l.id, l]));
  return fitVessels(carry(withPodUses(resize(file, factor), uses), [...lots.values()], []));
}
