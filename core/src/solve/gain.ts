import { blurShares, finishedBlur, PROCESS_SD, type Blur, type BlurPart, type Preparation } from '../heat';
import { paramsOf, type BatchFile } from '../line';
import { runLine } from '../line/run';
import { massOf } from '../matter/stream';
import { podsIn, preparedPerGram, type PodLot } from '../pantry';
import { TYPICAL } from '../stat/draw';
import type { StrainParams } from '../stations';

/** A lot that may go in. */
export interface PodChoice {
  lot: PodLot;
  stockG: number;
  prep: Preparation;
  /** Wanted out of the way soon. */
  useFirst: boolean;
}

/** What the rest of the line makes of pods: grams of sauce and share of heat load per gram of prepared pods. */
export interface LineGain {
  /** g of finished sauce per g of prepared pods */
  massPerPod: number;
  /** share of the pods' heat load that reaches the bottle */
  heatKept: number;
  strained: boolean;
}

/** How the line after the knife works on heat and mass, read off a typical run. Needs some pods in the line. */
export function lineGain(file: BatchFile): LineGain {
  const runs = runLine(file, TYPICAL, false);
  const start = runs[0]!.out;
  const end = runs.at(-1)!.input;
  const podG = massOf(start);
  const method = paramsOf<StrainParams>(file, 'strain').method;
  return {
    massPerPod: massOf(end) / podG,
    heatKept: start.heatShuG > 0 ? end.heatShuG / start.heatShuG : heatKeptOf(file),
    strained: method !== 'none',
  };
}

/** Heat kept by a line whose pods have no heat to follow: the same line with a trace of it. */
function heatKeptOf(file: BatchFile): number {
  const warm: BatchFile = {
    ...file,
    lots: file.lots.map((l) => ({ ...l, heat: { dryShu: 1000, sigma: 0.4, source: 'table' as const } })),
  };
  const runs = runLine(warm, TYPICAL, false);
  return runs.at(-1)!.input.heatShuG / runs[0]!.out.heatShuG;
}

/** SHU that each lot brings to the finished sauce, for a blur. */
function partsOf(choices: readonly PodChoice[], grams: Record<string, number>, gain: LineGain): { parts: BlurPart[]; finishedG: number } {
  let podsG = 0;
  for (const c of choices) podsG += (grams[c.lot.id] ?? 0) * preparedPerGram(c.lot, c.prep).massG;
  const finishedG = podsG * gain.massPerPod;
  const parts = choices.map((c) => {
    const g = grams[c.lot.id] ?? 0;
    const load = g * preparedPerGram(c.lot, c.prep).heatShuG * gain.heatKept;
    return {
      medianShu: finishedG > 0 ? load / finishedG : 0,
      sigma: c.lot.heat?.sigma ?? 0,
      pods: podsIn(c.lot, g),
    };
  });
  return { parts, finishedG };
}

/** The blur in the bottle for any grams of the lots: quick enough to follow a finger (chapter 2, section 4.2). */
export function blurOfMix(
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  gain: LineGain,
): { blur: Blur | null; finishedG: number; swing: { lotId: string; share: number }[] } {
  const { parts, finishedG } = partsOf(choices, grams, gain);
  const sd = gain.strained ? PROCESS_SD.strained : PROCESS_SD.plain;
  const shares = blurShares(parts, sd);
  const swing = choices
    .map((c, i) => ({ lotId: c.lot.id, share: shares[i]! }))
    .filter((s) => s.share > 0)
    .sort((a, b) => b.share - a.share);
  return { blur: finishedBlur(parts, sd), finishedG, swing };
}
