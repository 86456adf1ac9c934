import { massOf, mix, percent, scale, type Stream } from '../matter/stream';
import { ingredientStream } from '../pantry';
import { ingredient } from '../matter/ingredient';
import { usualFor, WATER_KEY } from '../matter/kind';
import { phOf } from '../parcel';
import { TYPICAL } from '../stat/draw';
import { acidPctOf } from './trim/things';

/** Keys of what makes a sauce sourer, in the order in which they are offered (handbook chapter 3, section 6.1; common practice). */
export const SOURERS = usualFor('sour');

/** What a sauce is after something went in. */
export interface Reached {
  key: string;
  name: string;
  /** g that go in; null where it cannot get there however much goes in. */
  g: number | null;
  pH: number | null;
  /** All acids, % of the mass. */
  acidPct: number;
  saltPct: number;
  shu: number;
  massG: number;
}

/** More of a thing than this for each gram of sauce makes another sauce of it. */
const MOST_TIMES = 3;
/** Shares of the sauce below which amounts are the same. */
const CLOSE = 1e-6;
const phIn = (s: Stream): number => phOf(s)!.pH;

function after(key: string, name: string, base: Stream, thing: Stream, g: number | null): Reached {
  const s = g === null || g === 0 ? base : mix(base, scale(thing, g));
  return {
    ...{ key, name, g, pH: phOf(s)?.pH ?? null, acidPct: acidPctOf(s), saltPct: percent(s, 'salt') },
    ...{ shu: s.heatShuG / massOf(s), massG: massOf(s) },
  };
}

/**
 * g of a thing that bring a sauce to a pH at or below (above it stays as it is: 0), by the full charge balance of the mix,
 * least first found between none and three times the sauce; null where even that does not. pH falls all the way down to
 * that of the thing itself, so halving cannot miss.
 */
export function gramsToPh(base: Stream, thing: Stream, targetPh: number): number | null {
  if (phIn(base) <= targetPh) return 0;
  const at = (g: number) => phIn(mix(base, scale(thing, g)));
  let high = massOf(base) * 0.01;
  const most = massOf(base) * MOST_TIMES;
  while (at(high) > targetPh) {
    if (high >= most) return null;
    high = Math.min(most, high * 2);
  }
  let low = 0;
  while (high - low > CLOSE * massOf(base)) {
    const mid = (low + high) / 2;
    if (at(mid) > targetPh) low = mid;
    else high = mid;
  }
  return high;
}

/** What it takes of each sourer to bring a sauce to a pH; the least first, what cannot last. Throws RangeError without water. */
export function waysToPh(base: Stream, targetPh: number, keys: readonly string[] = SOURERS): Reached[] {
  if (phOf(base) === null) throw new RangeError('pH has no meaning in what is dry.');
  const ways = keys.map((key) => {
    const row = ingredient(key);
    const thing = ingredientStream(row, 1, TYPICAL);
    return after(key, row.name, base, thing, gramsToPh(base, thing, targetPh));
  });
  return ways.sort((a, b) => (a.g ?? Infinity) - (b.g ?? Infinity));
}

/** What water does to a sauce: hardly anything to its pH, and much to its acid (chapter 3, sections 7.2 and 11). */
export interface Watered {
  /** g of water that may go in before the pH is above the limit, up to three times the sauce. */
  mostG: number;
  /** It never got there: the acid is what gives out. */
  free: boolean;
  /** Before, and with a tenth, a quarter, half and as much water again as there is sauce. */
  steps: Reached[];
}
const SHARES = [0, 0.1, 0.25, 0.5, 1] as const;

/** How much water a sauce can take until its pH is above `limit`, and what each share of it does. */
export function waterItTakes(base: Stream, limit: number): Watered {
  if (phOf(base) === null) throw new RangeError('pH has no meaning in what is dry.');
  const row = ingredient(WATER_KEY);
  const thing = ingredientStream(row, 1, TYPICAL);
  const massG = massOf(base);
  const steps = SHARES.map((s) => after(WATER_KEY, row.name, base, thing, s * massG));
  const most = massG * MOST_TIMES;
  const at = (g: number) => phIn(mix(base, scale(thing, g)));
  if (phIn(base) > limit) return { mostG: 0, free: false, steps };
  if (at(most) <= limit) return { mostG: most, free: true, steps };
  let [low, high] = [0, most];
  while (high - low > CLOSE * massG) {
    const mid = (low + high) / 2;
    if (at(mid) > limit) high = mid;
    else low = mid;
  }
  return { mostG: low, free: false, steps };
}

/** Hours until a reading is that of all of it: a smooth blend, one with grit, pieces (handbook chapter 5, section 13). */
export const EVEN_HOURS = { smooth: 1, coarse: 4, pieces: 24 } as const;
export type Pieces = keyof typeof EVEN_HOURS;

/** What a sauce is now, what brings it to a pH, and what water does to it. */
export interface AcidWork {
  now: Reached;
  ways: Reached[];
  water: Watered;
  /** The limit that water is measured against. */
  limit: number;
}
/** The same for a sauce as it is; `limit` is what water must not bring it above. */
export function acidWork(base: Stream, targetPh: number, limit: number): AcidWork {
  const water = waterItTakes(base, limit);
  return { now: water.steps[0]!, ways: waysToPh(base, targetPh), water, limit };
}
