import { CUTS, type Cut } from '../ferment/constants';
import { brineDensity, brineFromSalometer, SATURATED_PCT } from './brine';
import { saltGrams, saltPercents, type JarMasses, type SaltPercents } from './schools';

/** All the ways in which salt of a jar is said: shares, spoons, and what a float shows in the fresh brine. */
export const SALT_WAYS = [
  'wholeJar',
  'waterOnly',
  'mash',
  'brine',
  'waterPhase',
  'grams',
  'spoons',
  'salometer',
  'gravity',
  'baume',
] as const;
export type SaltWay = (typeof SALT_WAYS)[number];

/** Heavy Baumé of a specific gravity at 60/60 °F (definition): 145 - 145/SG. */
export const baumeOf = (gravity: number): number => 145 - 145 / gravity;
const gravityOfBaume = (degrees: number): number => 145 / (145 - degrees);
/** Specific gravity of brine of `pct` % w/w at 20 °C against water. */
export const gravityOf = (pct: number): number => brineDensity(pct) / brineDensity(0);
/** Brine strength, % w/w, of a specific gravity at 20 °C; throws RangeError outside what brine can be. */
export function brineFromGravity(gravity: number): number {
  if (!(gravity >= 1 && gravity <= gravityOf(SATURATED_PCT) + 1e-9)) throw new RangeError('Brine has a gravity of 1.000 to 1.202');
  let [low, high] = [0, SATURATED_PCT];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (gravityOf(middle) < gravity) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Salt as somebody says it. `value` in the unit of its way: %, g, degrees or a gravity; for spoons their number. */
export interface SaltSaid {
  way: SaltWay;
  value: number;
  /** g of one level spoon, where it is said in spoons. */
  gPerSpoon: number;
}

/** Strength of the brine as mixed, from the ways that state it; null for the others. */
function strength({ way, value }: SaltSaid): number | null {
  if (way === 'brine') return value;
  if (way === 'salometer') return brineFromSalometer(value);
  if (way === 'gravity') return brineFromGravity(value);
  return way === 'baume' ? brineFromGravity(gravityOfBaume(value)) : null;
}

/**
 * Grams of salt in a jar, from any way of saying it (handbook chapter 4, sections 1.2 and 1.3: always by way of grams).
 * Throws RangeError where the way needs water and there is none, or the value cannot be.
 */
export function saltOf(said: SaltSaid, jar: JarMasses): number {
  const { way, value } = said;
  if (!(value >= 0)) throw new RangeError('Salt is nothing or more');
  const c = strength(said);
  if (c !== null) {
    if (!(jar.waterG > 0) && c > 0) throw new RangeError('A brine needs added water');
    if (!(c <= SATURATED_PCT)) throw new RangeError('Brine holds at most 26.4 % salt');
    return (jar.waterG * c) / (100 - c);
  }
  if (way === 'grams') return value;
  if (way === 'spoons') return value * said.gPerSpoon;
  if (way === 'waterPhase') {
    if (!(value < 100)) throw new RangeError('Not all of it can be salt');
    return (value * (jar.waterG + jar.waterShare * jar.produceG)) / (100 - value);
  }
  return saltGrams(way as 'wholeJar' | 'waterOnly' | 'mash', value, jar);
}

/** The same salt in every way; null where a way does not apply. */
export interface SaltEveryWay extends SaltPercents {
  grams: number;
  spoons: number | null;
  salometer: number | null;
  gravity: number | null;
  baume: number | null;
}
export function saltEveryWay(saltG: number, jar: JarMasses, gPerSpoon: number): SaltEveryWay {
  const shares = saltPercents(saltG, jar);
  const c = shares.brine !== null && shares.brine <= SATURATED_PCT ? shares.brine : null;
  return {
    ...shares,
    grams: saltG,
    spoons: gPerSpoon > 0 ? saltG / gPerSpoon : null,
    salometer: c === null ? null : (100 * c) / SATURATED_PCT,
    gravity: c === null ? null : gravityOf(c),
    baume: c === null ? null : baumeOf(gravityOf(c)),
  };
}

/** What puts a jar right that has another share of salt than it should: of the whole jar, %. */
export interface PutRight {
  /** Salt to stir in, g; 0 when there is enough. */
  addSaltG: number;
  /** Plain water to pour in, g, with all that is there staying; 0 when there is not too much. */
  addWaterG: number;
  /** Brine to take out and replace by as much water, g, once it is even; null where so much brine is not there. */
  swapG: number | null;
}
export function putSaltRight(saltG: number, jar: JarMasses, wantedPct: number): PutRight {
  if (!(wantedPct > 0)) throw new RangeError('Say how much salt it should have');
  const whole = jar.produceG + jar.waterG;
  const wanted = (wantedPct * whole) / 100;
  if (saltG <= wanted) return { addSaltG: wanted - saltG, addWaterG: 0, swapG: 0 };
  const inPhase = saltPercents(saltG, jar).waterPhase / 100;
  const swap = (saltG - wanted) / inPhase;
  return { addSaltG: 0, addWaterG: (100 * saltG) / wantedPct - whole, swapG: swap <= jar.waterG + saltG ? swap : null };
}

/** Hours until a jar is even to a twentieth, by cut: three times its own time (section 1.6). */
export const evenHours = (cut: Cut): number => 3 * CUTS[cut].tauH;

/** A step of a mash that is salted up over time: on which day, to what share of the pods, and the salt that takes, g. */
export interface MashStep {
  day: number;
  pct: number;
  addG: number;
}
/** Salt of a mash whose salt rises step by step, % of the pods; days rise, and so do the shares. Throws RangeError otherwise. */
export function risingMash(produceG: number, steps: readonly { day: number; pct: number }[]): MashStep[] {
  return steps.map((s, i) => {
    const before = steps[i - 1];
    if (before && !(s.day > before.day && s.pct >= before.pct)) throw new RangeError('Each step is later than the one before, and saltier');
    return { ...s, addG: ((s.pct - (before?.pct ?? 0)) * produceG) / 100 };
  });
}

/** What is wrong with a salt or a water for a jar, and what helps (section 1.7; common practice). */
export const UNSUITABLE: readonly { what: string; why: string }[] = [
  { what: 'Salt with anti-caking agent', why: 'It does no harm, but clouds the brine. Pickling salt or sea salt has none.' },
  { what: 'Iodised salt', why: 'It may slow the start a little and can discolour garlic. It works.' },
  { what: 'Low-sodium salt', why: 'Half of it is another salt: the shares here do not hold, and it tastes bitter. Not for a jar.' },
  { what: 'Curing salt (pink, with nitrite)', why: 'Never for a jar: it is weighed by the gram for meat.' },
  { what: 'Chlorinated water', why: 'Chlorine goes when it stands open overnight or boils. It slows the start.' },
  { what: 'Water with chloramine', why: 'It does not boil off. A carbon filter takes it out, or a pinch of ascorbic acid.' },
  { what: 'Very hard water', why: 'It keeps pods firm, and takes up a little acid. Fine, read the pH all the same.' },
];
