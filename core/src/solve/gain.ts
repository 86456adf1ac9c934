import { doubtsOf, heatBand, PROCESS_SD, type Blur, type Doubt, type DoubtPart, type HeatBand, type Remedy } from '../heat';
import type { BatchFile } from '../file';
import { addedHeat, endOf, graphOf, isStrained, mainEnd, runLine, runOf, strandIn, upstreamOf, type AddedHeat } from '../line';
import { massOf, type Stream } from '../matter/stream';
import { podsIn, preparedPerGram, prepSd } from '../pantry';
import type { Parcel } from '../parcel';
import { GROUND } from '../cook';
import { NO_THICKENING, thickeningOf, type PodChoice, type Thickening } from './blend';
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
  /** What a gram of the sauce thickens with, as it is ground; null where it stays in pieces. */
  thick: Thickening | null;
  /** Insolubles that the pods bring on the board, times their strength, g per g of sauce. */
  strongOfPods: number;
}

/** Pods on the board and sauce before the bottles, in a run of the plan. */
function ends(file: BatchFile, strandId: string): { pods: { massG: number; heatShuG: number; strongG: number }; end: Parcel } {
  const stationId = endOf(strandIn(file, strandId)).id;
  const runs = runLine(file, TYPICAL, false, new Set([...upstreamOf(graphOf(file), stationId), stationId]));
  const cut = runs.flatMap((r) => r.taken.filter((t) => t.intake.origin.from === 'pods').map((t) => t.stays.stream));
  const pods = {
    massG: cut.reduce((s, x) => s + massOf(x), 0),
    heatShuG: cut.reduce((s, x) => s + x.heatShuG, 0),
    strongG: cut.reduce((s, x) => s + massOf(x) * thickeningOf(x).strong, 0),
  };
  return { pods, end: runOf(runs, stationId).bowl };
}

/** Grams of pods on the board, and of sauce before the bottles, by the plan. */
export function massesOf(file: BatchFile, strandId: string): { podsG: number; endG: number } {
  const { pods, end } = ends(file, strandId);
  return { podsG: pods.massG, endG: massOf(end.stream) };
}

/** How the line after the knife works on heat and mass, read off a typical run. Needs some pods in the line. */
export function lineGain(file: BatchFile, strandId: string = mainEnd(file).id): LineGain {
  const { pods, end } = ends(file, strandId);
  const endG = massOf(end.stream);
  const added = addedHeat(file, false, strandId);
  const addedShu = added.reduce((s, a) => s + a.shu, 0);
  const fromPods = end.stream.heatShuG - endG * addedShu;
  const { texture } = end.past;
  const thick = texture && thickeningOf(end.stream);
  return {
    massPerPod: endG / pods.massG,
    heatKept: pods.heatShuG > 0 ? fromPods / pods.heatShuG : heatKeptOf(file, addedShu, strandId),
    strained: isStrained(file, strandId),
    added,
    thick: thick && { ...thick, strong: thick.strong * GROUND[texture] },
    strongOfPods: endG > 0 ? pods.strongG / endG : 0,
  };
}

/** What a gram of sauce thickens with when more of the pods are these: the rest of the line as it is, their own flesh in it. */
export function thickInLine(gain: LineGain, gram: Stream): Thickening {
  const { thick, strongOfPods, massPerPod } = gain;
  if (!thick) return NO_THICKENING;
  const kept = strongOfPods > 0 ? Math.min(1, thick.strong / strongOfPods) : 0;
  return { ...thick, strong: Math.max(0, thick.strong + kept * (thickeningOf(gram).strong / massPerPod - strongOfPods)) };
}

/** Heat kept by a line whose pods have no heat to follow: the same line with a trace of it. */
function heatKeptOf(file: BatchFile, addedShu: number, strandId: string): number {
  const warm: BatchFile = {
    ...file,
    // What has no heat has it nowhere: a knife would take none of it, so that it is cut as hot ones are.
    lots: file.lots.map((l) => ({ ...l, capsaicinoidClass: 'std' as const, heat: { dryShu: 1000, sigma: 0.4, source: 'table' as const } })),
  };
  const { pods, end } = ends(warm, strandId);
  return (end.stream.heatShuG - addedShu * massOf(end.stream)) / pods.heatShuG;
}

/** Grams as weighed that become 1 g on the board. */
const cutG = (c: PodChoice) => preparedPerGram(c.lot, c.prep);

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
      prepSd: prepSd(c.lot, c.prep),
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
