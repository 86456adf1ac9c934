import { doubtsOf, heatBand, PROCESS_SD, type Blur, type Doubt, type DoubtPart, type HeatBand, type Remedy } from '../heat';
import type { BatchFile } from '../file';
import { addedHeat, isStrained, type AddedHeat } from '../line';
import { runLine } from '../line/run';
import { massOf } from '../matter/stream';
import { podsIn, preparedPerGram, prepSd } from '../pantry';
import type { PodChoice } from './blend';
import { TYPICAL } from '../stat/draw';

/** What the rest of the line makes of pods: grams of sauce and share of heat load per gram of prepared pods. */
export interface LineGain {
  /** g of finished sauce per g of prepared pods */
  massPerPod: number;
  /** share of the pods' heat load that reaches the bottle */
  heatKept: number;
  strained: boolean;
  /** What else burns in the sauce (powder in the jug), SHU of the finished sauce. */
  added: AddedHeat[];
}

/** How the line after the knife works on heat and mass, read off a typical run. Needs some pods in the line. */
export function lineGain(file: BatchFile): LineGain {
  const runs = runLine(file, TYPICAL, false);
  const start = runs[0]!.out.stream;
  const end = runs.at(-1)!.input.stream;
  const podG = massOf(start);
  const added = addedHeat(file, false);
  const addedShu = added.reduce((s, a) => s + a.shu, 0);
  const fromPods = end.heatShuG - massOf(end) * addedShu;
  return {
    massPerPod: massOf(end) / podG,
    heatKept: start.heatShuG > 0 ? fromPods / start.heatShuG : heatKeptOf(file, addedShu),
    strained: isStrained(file),
    added,
  };
}

/** Heat kept by a line whose pods have no heat to follow: the same line with a trace of it. */
function heatKeptOf(file: BatchFile, addedShu: number): number {
  const warm: BatchFile = {
    ...file,
    lots: file.lots.map((l) => ({ ...l, heat: { dryShu: 1000, sigma: 0.4, source: 'table' as const } })),
  };
  const runs = runLine(warm, TYPICAL, false);
  const end = runs.at(-1)!.input.stream;
  return (end.heatShuG - addedShu * massOf(end)) / runs[0]!.out.stream.heatShuG;
}

/** Grams as weighed that become 1 g on the board. */
const cutG = (c: PodChoice) => preparedPerGram(c.lot, c.prep, c.fire);

/** SHU that each lot brings to the finished sauce, for a blur. */
export function partsOf(
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  gain: LineGain,
): { parts: DoubtPart[]; finishedG: number } {
  let podsG = 0;
  for (const c of choices) podsG += (grams[c.lot.id] ?? 0) * cutG(c).massG;
  const finishedG = podsG * gain.massPerPod;
  const parts: DoubtPart[] = choices.map((c) => {
    const g = grams[c.lot.id] ?? 0;
    const load = g * cutG(c).heatShuG * gain.heatKept;
    return {
      id: c.lot.id,
      name: c.lot.name,
      medianShu: finishedG > 0 ? load / finishedG : 0,
      sigma: c.lot.heat?.sigma ?? 0,
      pods: podsIn(c.lot, g),
      prepSd: prepSd(c.lot, c.prep, c.fire),
    };
  });
  if (finishedG > 0)
    for (const { id, name, shu, sigma } of gain.added) parts.push({ id, name, medianShu: shu, sigma, pods: Infinity, larder: true });
  return { parts, finishedG };
}

export interface MixBlur {
  blur: Blur | null;
  band: HeatBand | null;
  finishedG: number;
  doubts: Doubt[];
  remedies: Remedy[];
}

/**
 * The blur in the bottle for any grams of the lots, where it comes from and what would shrink it: quick enough to follow
 * a finger (chapter 2, section 4.2). The odds are those of the bracket.
 */
export function blurOfMix(
  choices: readonly PodChoice[],
  grams: Record<string, number>,
  gain: LineGain,
  bracket: { lowShu: number; highShu: number },
): MixBlur {
  const { parts, finishedG } = partsOf(choices, grams, gain);
  const sd = gain.strained ? PROCESS_SD.strained : PROCESS_SD.plain;
  return {
    ...doubtsOf(parts, sd, bracket.lowShu, bracket.highShu),
    band: heatBand(parts, sd, bracket.lowShu, bracket.highShu),
    finishedG,
  };
}
