import { colourOf } from '../matter/colour';
import { allergensIn, heatShu, massOf, type Stream } from '../matter/stream';
import { MIXED_UNKNOWN } from '../matter/variety';
import type { PodLot } from '../pantry';
import { stationIn, type BatchFile } from '../file';
import { phOf } from '../parcel';
import { leftOf, leftSigma } from './keep';
import { LineProblem } from './problem';

export interface Leftover {
  lot: PodLot;
  massG: number;
  /** How to store it, always to be shown. */
  keep: string;
}

/** Wet pulp is no bottled sauce: nobody measured it, and nothing was filled hot (common practice, no source). */
const KEEP_COLD = 'Keep it in the fridge and use it within a week, freeze it, or dry it at once.';

/** Lots of the file that are in a stream, the one there is most of first. */
function lotsIn(file: BatchFile, stream: Stream): PodLot[] {
  return stream.ledger
    .filter((e) => e.massG > 0)
    .sort((a, b) => b.massG - a.massG)
    .flatMap((e) => file.lots.find((l) => l.id === e.of.id) ?? [])
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
  if (!stationIn(file, stationId)) return null;
  const left = leftOf(file, { stationId, side: sideId });
  if (!left || !(left.leftG > 0.5)) return null;
  const { stream, past } = left.whole;
  const wholeG = massOf(stream);
  if (past.freeOilG > 0) {
    throw new LineProblem(stationId, '', 'There is oil in it: it is nothing to store. Keep it in the fridge and use it within a week.');
  }
  const [lead] = lotsIn(file, stream);
  if (!lead) return null;
  const one = lotsIn(file, stream).length === 1;
  // A lot's water and sugar are counted without its salt.
  const unsalted = wholeG - stream.grams.salt;
  const waterPct = Math.min(97, Math.max(1, (100 * stream.grams.water) / unsalted));
  const shu = heatShu(stream);
  const pH = phOf(stream)?.pH;
  return {
    massG: left.leftG,
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
      heat:
        shu >= 1
          ? { dryShu: shu / (1 - waterPct / 100), sigma: leftSigma(file, { stationId, side: sideId }, members), source: 'batch' }
          : null,
      ...(lead.flavour ? { flavour: lead.flavour } : {}),
      saltPct: (100 * stream.grams.salt) / wholeG,
      foods: [...past.foods].sort(),
      allergens: allergensIn(stream),
      ...(past.ferment ? { jar: past.ferment } : {}),
      ...(pH === undefined ? {} : { pH: Math.min(8, Math.max(2, pH)) }),
    },
  };
}
