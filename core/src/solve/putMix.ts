import type { BatchFile } from '../file';
import { carry, fitVessels, mainEnd, podStationId, podUses, resize, withPodUses } from '../line';
import { preparedPerGram } from '../pantry';
import type { PodChoice } from './blend';
import { PODS_OF_STYLE } from '../styles';
import { lineGain, type LineGain } from './gain';

/** Grams on the board of 1 g as weighed. */
export function cutPerGram(c: PodChoice): number {
  return preparedPerGram(c.lot, c.prep).massG;
}

/** The batch as it is when its strand has pods; else with a stand-in mix of all choices, so that its line can be run. */
export function withSomePods(file: BatchFile, choices: readonly PodChoice[], strandId: string = mainEnd(file).id): BatchFile {
  const lots = choices.map((c) => c.lot);
  if (podUses(file, strandId).some((p) => p.massG > 0)) return carry(file, lots, []);
  const stock = choices.reduce((s, c) => s + c.stockG, 0);
  if (!(stock > 0)) throw new RangeError('There are no pods to choose from. Tick a lot that has stock.');
  const grams = Object.fromEntries(choices.map((c) => [c.lot.id, (c.stockG / stock) * PODS_OF_STYLE]));
  return putMix(file, choices, grams, 1, strandId);
}

/**
 * The batch with a mix put in where its pods go in, the rest of the line resized to it. Grams rounded to 1 g (to 0.1 g
 * below 20 g).
 */
export function useMix(
  batch: BatchFile,
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  strandId: string = mainEnd(batch).id,
): BatchFile {
  const file = withSomePods(batch, choices, strandId);
  const before = podUses(file, strandId).reduce((s, u) => {
    const lot = file.lots.find((l) => l.id === u.lotId);
    return s + (lot ? u.massG * preparedPerGram(lot, u.prep).massG : 0);
  }, 0);
  const after = choices.reduce((s, c) => s + (grams[c.lot.id] ?? 0) * cutPerGram(c), 0);
  return putMix(file, choices, grams, after > 0 ? after / before : 1, strandId);
}

/** What the line makes of a mix of just these grams: read off the line with them in it. */
export function gainOfMix(
  batch: BatchFile,
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  strandId: string = mainEnd(batch).id,
): LineGain {
  const some = Object.values(grams).some((g) => g > 0);
  return lineGain(some ? useMix(batch, choices, grams, strandId) : withSomePods(batch, choices, strandId), strandId);
}

/** Grams as a kitchen scale shows them, never more than there is. */
function scaled(g: number, stockG: number): number {
  const unit = g < 20 ? 10 : 1;
  const near = Math.round(g * unit) / unit;
  return near > stockG && g <= stockG ? Math.floor(g * unit) / unit : near;
}

/** Puts grams in where the pods of a strand go in, each lot at its own place, and multiplies the rest of the line by `factor`. */
function putMix(
  file: BatchFile,
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  factor: number,
  strandId: string,
): BatchFile {
  const had = new Map(podUses(file, strandId).map((u) => [u.lotId, u.stationId]));
  const usual = podStationId(file, strandId);
  const uses = choices
    .filter((c) => (grams[c.lot.id] ?? 0) > 0)
    .map((c) => ({
      lotId: c.lot.id,
      massG: scaled(grams[c.lot.id]!, c.stockG),
      prep: c.prep,
      stationId: had.get(c.lot.id) ?? usual,
    }));
  const lots = new Map([...file.lots, ...choices.map((c) => c.lot)].map((l) => [l.id, l]));
  return fitVessels(carry(withPodUses(resize(file, factor, strandId), uses, strandId), [...lots.values()], []));
}
