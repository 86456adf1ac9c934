import { colourOf } from '../matter/colour';
import { heatShu, massOf, type Stream } from '../matter/stream';
import { MIXED_UNKNOWN } from '../matter/variety';
import type { PodLot } from '../pantry';
import { drawEnsemble, TYPICAL } from '../stat/draw';
import { quantileSorted } from '../stat/normal';
import type { BatchFile } from '../file';
import { phOf, type Parcel } from '../parcel';
import { LineProblem, runLine } from './run';
import { seedOfFile, tryLine } from './worlds';

/** Width of 10 to 90 % of a normal distribution, in standard deviations. */
const SPAN_80 = 2.5631;
const LEAST_SIGMA = 0.1;

export interface Leftover {
  lot: PodLot;
  massG: number;
  /** How to store it, always to be shown. */
  keep: string;
}

/** Wet pulp is no bottled sauce: nobody measured it, and nothing was filled hot (common practice, no source). */
const KEEP_COLD = 'Keep it in the fridge and use it within a week, freeze it, or dry it at once.';

/** Log-sd of the pungency of a by-product over possible worlds. */
function sigmaOf(file: BatchFile, stationId: string, sideId: string, members: number): number {
  const logs: number[] = [];
  for (const draw of drawEnsemble(seedOfFile(file), members)) {
    const side = tryLine(file, draw)
      ?.find((r) => r.id === stationId)
      ?.sides.find((s) => s.id === sideId);
    const shu = side ? heatShu(side.stream) : 0;
    if (shu > 0) logs.push(Math.log(shu));
  }
  if (logs.length < 2) return LEAST_SIGMA;
  logs.sort((a, b) => a - b);
  return Math.max(LEAST_SIGMA, (quantileSorted(logs, 0.9) - quantileSorted(logs, 0.1)) / SPAN_80);
}

/** Lots of the file that are in a stream, the one there is most of first. */
function lotsIn(file: BatchFile, stream: Stream): PodLot[] {
  return [...stream.ledger]
    .sort((a, b) => b.massG - a.massG)
    .flatMap((e) => file.lots.find((l) => l.id === e.id) ?? [])
    .filter((l, i, all) => all.indexOf(l) === i);
}

/**
 * A by-product that a station keeps (wet pulp of the sieve) as a lot of own ferment: water, sugar and salt as the line
 * has them, heat with its uncertainty over `members` possible worlds (chapter 2, section 3.4), pH as worked out. Null
 * when the station keeps nothing. Throws LineProblem when it must not be kept, or when the line stops.
 */
export function leftoverLot(
  file: BatchFile,
  stationId: string,
  sideId: string,
  own: { id: string; name: string },
  members = 100,
): Leftover | null {
  const run = runLine(file, TYPICAL).find((r) => r.id === stationId);
  const side: Parcel | undefined = run?.sides.find((s) => s.id === sideId && s.kept);
  const stream = side?.stream;
  const massG = stream ? massOf(stream) : 0;
  if (!run || !stream || !(massG > 0.5)) return null;
  if (side!.past.ferment === 'condemned') {
    throw new LineProblem(stationId, '', 'Its jar was to be thrown away, and so is this.');
  }
  if (side!.past.freeOilG > 0) {
    throw new LineProblem(stationId, '', 'There is oil in it: it is nothing to store. Keep it in the fridge and use it within a week.');
  }
  const [lead] = lotsIn(file, stream);
  if (!lead) return null;
  const one = lotsIn(file, stream).length === 1;
  // A lot's water and sugar are counted without its salt.
  const unsalted = massG - stream.grams.salt;
  const waterPct = Math.min(97, Math.max(1, (100 * stream.grams.water) / unsalted));
  const shu = heatShu(stream);
  const pH = phOf(stream)?.pH;
  return {
    massG,
    keep: KEEP_COLD,
    lot: {
      id: own.id,
      name: own.name,
      form: 'ferment',
      varietyId: one ? lead.varietyId : MIXED_UNKNOWN.id,
      waterPct,
      sugarsPct: Math.min(60, (100 * stream.grams.sugars) / unsalted),
      podMassG: null,
      anatomy: null,
      capsaicinoidClass: lead.capsaicinoidClass,
      hex: colourOf(stream),
      like: lead.like,
      heat: shu >= 1 ? { dryShu: shu / (1 - waterPct / 100), sigma: sigmaOf(file, stationId, sideId, members), source: 'batch' } : null,
      ...(lead.flavour ? { flavour: lead.flavour } : {}),
      saltPct: (100 * stream.grams.salt) / massG,
      ...(pH === undefined ? {} : { pH: Math.min(8, Math.max(2, pH)) }),
    },
  };
}
