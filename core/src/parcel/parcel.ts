import { EMPTY, massOf, mix, scale, type Stream } from '../matter/stream';
import { mergePasts, NO_PAST, type Past } from './past';

/** What flows through a line: stuff, and what happened to it. */
export interface Parcel {
  readonly stream: Stream;
  readonly past: Past;
}

export const NO_PARCEL: Parcel = { stream: EMPTY, past: NO_PAST };

/** A fresh parcel of stuff; everything not said of its past is as of nothing. */
export function parcel(stream: Stream, past: Partial<Past> = {}): Parcel {
  return { stream, past: { ...NO_PAST, ...past } };
}

/** Puts parcels together. What weighs nothing leaves no trace; a single parcel stays what it is. */
export function join(...parcels: readonly Parcel[]): Parcel {
  const some = parcels.filter((p) => massOf(p.stream) > 0);
  if (some.length === 0) return parcels[0] ?? NO_PARCEL;
  if (some.length === 1) return some[0]!;
  return { stream: mix(...some.map((p) => p.stream)), past: some.map((p) => p.past).reduce(mergePasts) };
}

/** `factor` times as much of the same (0 or more). */
export function scaleParcel(p: Parcel, factor: number): Parcel {
  return factor === 1
    ? p
    : {
        stream: scale(p.stream, factor),
        past: scalePast(p.past, { all: factor, oil: factor, seeds: factor, water: factor, pulp: factor }),
      };
}

/** Shares of what a past counts in grams: all of it, its oil, its seeds, its water, and its insoluble with what hangs on it. */
interface Shares {
  all: number;
  oil: number;
  seeds: number;
  water: number;
  pulp: number;
}

/** A past with its amounts scaled: fresh things, free oil, seeds, added water, thirst of dried pods, and the jar it stands in. */
function scalePast(past: Past, by: Shares): Past {
  const { foods, fresh, cooked, blended, texture, ph, ferment, jar, look } = past;
  // Written out: copying what is not named costs more than all the rest of it, thousands of times for one picture.
  return {
    foods,
    fresh,
    cooked,
    blended,
    texture,
    ph,
    ferment,
    look,
    shortG: past.shortG * by.all,
    rawG: past.rawG * by.all,
    addedWaterG: past.addedWaterG * by.water,
    freeOilG: past.freeOilG * by.oil,
    seedG: past.seedG * by.seeds,
    thirstG: past.thirstG * by.pulp,
    jar: jar && { ...jar, produceG: jar.produceG * by.pulp, produceWaterG: jar.produceWaterG * by.pulp },
  };
}

/** Takes the share `share` (0 to 1) of everything alike. */
export function splitParcel(p: Parcel, share: number): { taken: Parcel; left: Parcel } {
  return { taken: scaleParcel(p, share), left: scaleParcel(p, 1 - share) };
}

/**
 * One side of a separation: `stream` came out of `from`. Free oil goes where the fat goes, seeds as `seedShare` says (by
 * default where the insoluble goes).
 */
export function sideOf(from: Parcel, stream: Stream, seedShare?: number): Parcel {
  const all = massOf(from.stream) > 0 ? massOf(stream) / massOf(from.stream) : 0;
  const ratio = (c: 'fat' | 'pulp' | 'water') => (from.stream.grams[c] > 0 ? stream.grams[c] / from.stream.grams[c] : all);
  const pulp = ratio('pulp');
  return { stream, past: scalePast(from.past, { all, oil: ratio('fat'), seeds: seedShare ?? pulp, water: ratio('water'), pulp }) };
}
