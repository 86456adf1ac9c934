import { HOUSE_PH, LEGAL_PH } from '../ferment';
import { brixOf } from '../matter/brix';
import { percent, type Stream } from '../matter/stream';
import type { Food } from '../matter/food';
import { INSTRUMENT_SD, type Past } from '../parcel';
import type { Props } from '../parcel/props';

/** A strip is believed at its own row only down here (handbook chapter 4, section 6). */
export const STRIP_PH = 3.6;

const Z_95 = 1.645;

/** What a measured pH says of a sauce: nothing, at most 4.0, between 4.0 and 4.6, above. */
export type Acidity = 'unread' | 'acid' | 'near' | 'low';

/** A sauce as the rules of keeping see it. */
export interface Sauce {
  /** Measured where there is a measurement that counts, else worked out; null without water. */
  pH: number | null;
  acidity: Acidity;
  meter: boolean;
  past: Past;
  /** Filled hot, by plan; and that it was done. */
  hot: boolean;
  filledHot: boolean;
  /** Salt of the water phase, %. */
  brinePct: number;
  aceticPct: number;
  /** Soluble solids of the liquid, °Bx. */
  brix: number;
  /** Free oil, % of the mass. */
  oilPct: number;
}

/** A measured pH as the rules read it: a strip counts as the next worse row unless it shows 3.6 or less. */
export function acidityOf(past: Past): Acidity {
  const { ph } = past;
  if (!ph) return 'unread';
  if (ph.value > LEGAL_PH) return 'low';
  // Only the blended product lengthens anything: a brine, or pods in pieces, say nothing good of the sauce.
  if (!past.blended) return 'unread';
  // A calibration that is old is no ground for a decision near a limit: what its meter may be off by more is kept clear.
  const off = ph.instrument === 'meter' ? Z_95 * Math.max(0, ph.sd - INSTRUMENT_SD.meter) : 0;
  if (ph.value + off > LEGAL_PH) return 'low';
  if (ph.instrument === 'meter') return ph.value + off > HOUSE_PH ? 'near' : 'acid';
  if (ph.value > HOUSE_PH) return 'low';
  return ph.value > STRIP_PH ? 'near' : 'acid';
}

/** A finished parcel as the rules of keeping see it; `hot`: it is filled hot, once that is done. */
export function sauceOf(stream: Stream, past: Past, props: Props, hot: boolean, done: boolean): Sauce {
  return {
    pH: props.massG > 0 ? props.pH : null,
    acidity: acidityOf(past),
    meter: past.ph?.instrument === 'meter',
    past,
    hot,
    filledHot: hot && done,
    brinePct: props.waterPhaseSaltPct,
    aceticPct: percent(stream, 'acetic'),
    brix: brixOf(stream),
    oilPct: props.massG > 0 ? (100 * past.freeOilG) / props.massG : 0,
  };
}

export const cooked = (s: Sauce): boolean => s.past.cooked === 'yes';
export const live = (s: Sauce): boolean => s.past.ferment !== null && !cooked(s);
export const holds = (s: Sauce, ...foods: Food[]): boolean => foods.some((f) => s.past.foods.has(f));
export const holdsFresh = (s: Sauce, ...foods: Food[]): boolean => foods.some((f) => s.past.fresh.has(f));
