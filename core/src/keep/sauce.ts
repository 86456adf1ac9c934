import { HOUSE_PH, LEGAL_PH, mayBeOff } from '../ferment';
import { brixOf } from '../matter/brix';
import type { Food } from '../matter/food';
import { massOf, percent, type Stream } from '../matter/stream';
import { INSTRUMENT_SD, notFresh, type Past } from '../parcel';
import type { Props } from '../parcel/props';

/** A strip is believed at its own row only down here (handbook chapter 4, section 6). */
export const STRIP_PH = 3.6;

/** What a measured pH says of a sauce: nothing, at most 4.0, between 4.0 and 4.6, above. */
export type Acidity = 'unread' | 'acid' | 'near' | 'low';

/** A sauce as the rules of keeping see it. */
export interface Sauce {
  /** Measured where there is a measurement that counts, else worked out; null without water. */
  pH: number | null;
  acidity: Acidity;
  meter: boolean;
  /** It would count as sourer, had its meter been calibrated that day. */
  stale: boolean;
  past: Past;
  /** Heated through since the last thing went in, or will be where all of it is still a plan. */
  cooked: boolean;
  /** Filled hot, by plan; and that somebody said it was. */
  hot: boolean;
  filledHot: boolean;
  /** Salt of the water phase, %. */
  brinePct: number;
  aceticPct: number;
  /** Soluble solids of the liquid, °Bx. */
  brix: number;
  /** Free oil, things of row 2 that are fresh, and all raw produce, % of the mass. */
  oilPct: number;
  shortPct: number;
  rawPct: number;
}

/** A measured pH as the rules read it, were its meter's error `sd`. */
function acidityBy(past: Past, sd: number): Acidity {
  const { ph } = past;
  if (!ph) return 'unread';
  if (ph.value > LEGAL_PH) return 'low';
  // Strips differ by more than the room between the two lines: in it they count as the next worse row, whatever they were put to.
  if (ph.instrument === 'strip' && ph.value > HOUSE_PH) return 'low';
  // Only the blended product lengthens anything: a brine, or pods in pieces, say nothing good of the sauce.
  if (!past.blended && !ph.ofBlended) return 'unread';
  if (ph.instrument === 'strip') return ph.value > STRIP_PH ? 'near' : 'acid';
  // A limit is kept only where the reading and what its meter may be off by are below it.
  const most = ph.value + mayBeOff({ instrument: ph.instrument, sd });
  if (most > LEGAL_PH) return 'low';
  return most > HOUSE_PH ? 'near' : 'acid';
}

/** A measured pH as the rules read it: a strip as the next worse row unless it shows 3.6 or less, a meter by its calibration. */
export const acidityOf = (past: Past): Acidity => acidityBy(past, past.ph?.sd ?? 0);

/** A finished parcel as the rules of keeping see it; `hot`: it is filled hot, by plan; `filledHot`: somebody said that it was. */
export function sauceOf(stream: Stream, past: Past, props: Props, hot = false, filledHot = false): Sauce {
  const massG = massOf(stream);
  const share = (g: number) => (massG > 0 ? Math.min(100, (100 * g) / massG) : 0);
  const acidity = acidityOf(past);
  return {
    pH: props.massG > 0 ? props.pH : null,
    acidity,
    meter: past.ph?.instrument === 'meter',
    stale: acidity !== 'unread' && acidity !== acidityBy(past, INSTRUMENT_SD.meter),
    past,
    cooked: past.cooked !== 'no',
    hot,
    filledHot,
    brinePct: props.waterPhaseSaltPct,
    aceticPct: percent(stream, 'acetic'),
    brix: brixOf(stream),
    oilPct: share(past.freeOilG),
    shortPct: share(past.shortG),
    rawPct: share(past.rawG),
  };
}

/** Something lives in it: what came out of a jar and was not heated since. */
export const live = (s: Sauce): boolean => s.past.ferment !== null && !s.cooked;
/** More of it than this is fresh again, %, and there is no ferment to speak of (handbook chapter 6, section 2, judgement). */
const MOST_FRESH_PCT = 30;
/** What a sauce is, for the shelf: live, or dead by which heat. */
export const SAUCE_STATES = ['live', 'filled hot', 'cooked, filled cold', 'raw'] as const;
export type SauceState = (typeof SAUCE_STATES)[number];
export const stateOf = (s: Sauce): SauceState =>
  live(s) ? 'live' : s.cooked && s.filledHot ? 'filled hot' : s.cooked ? 'cooked, filled cold' : 'raw';
/** A ferment that what went in after its jar does not outweigh. */
export const fermented = (s: Sauce): boolean => live(s) && s.shortPct <= MOST_FRESH_PCT && s.rawPct <= MOST_FRESH_PCT;
export const holds = (s: Sauce, ...foods: readonly Food[]): boolean => foods.some((f) => s.past.foods.has(f));
export const holdsFresh = (s: Sauce, ...foods: readonly Food[]): boolean => foods.some((f) => s.past.fresh.has(f));

/** Halves of the band that a worked-out pH may claim: nearer to the line than this it is not said that it could be below. */
const CLAIM = 0.2;
/**
 * A sauce as it would be, were its pH measured where it is worked out, its jar read and sour where that is still to come, and
 * it filled hot where that is planned; null where nothing would change.
 */
export function couldBe(s: Sauce, jarsAhead = false): Sauce | null {
  if (s.pH === null) return null;
  const measured = s.acidity === 'unread' && s.pH + CLAIM <= HOUSE_PH;
  const filled = s.hot && !s.filledHot;
  if (!measured && !filled) return null;
  const ferment = jarsAhead && s.past.ferment === 'unread' ? ('acid' as const) : s.past.ferment;
  const past: Past = { ...(filled ? { ...notFresh(s.past), cooked: 'yes' } : s.past), ferment };
  const as: Sauce = { ...s, past, ...(filled ? { cooked: true, filledHot: true, shortPct: 0, rawPct: 0 } : {}) };
  if (!measured) return as;
  const ph = { value: s.pH, instrument: 'meter' as const, sd: INSTRUMENT_SD.meter };
  return { ...as, acidity: 'acid', meter: true, stale: false, past: { ...past, blended: true, ph } };
}
