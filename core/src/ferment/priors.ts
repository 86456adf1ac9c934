import type { Draw } from '../stat/draw';
import { CARDINAL_T, CUTS, type Cut } from './constants';

/** What is known of a jar before anything happens in it. */
export interface JarConditions {
  /** Salt of the whole jar's water phase once even, % w/w. */
  saltPct: number;
  /** Salt of the brine when poured, % w/w (equal to saltPct for a mash). */
  brinePct: number;
  cut: Cut;
  /** Share of produce in the jar by mass, 0 to 1: sets the buffer. */
  produceShare: number;
  /** Fermentable sugar of the whole jar, mmol hexose per l. */
  sugarMmol: number;
  pH0: number;
  pH0Sd: number;
  /** It was read when the jar was packed, not worked out. */
  measuredStart?: boolean;
  /** How much of `pH0` other jars of the place told, pH; absent: none. */
  placeOff?: number;
  /** pH that a meter shows at the start, where the salt makes it differ from `pH0`; at most `pH0`. */
  shownPh0?: number;
  /** How lively jars are where it stands, against the table: mean and sd of the logarithm; absent: as the table has it. */
  vigour?: { log: number; sd: number };
  /** Souring cells that were put in (starter, old brine), 1e9 per ml; absent: none. */
  starter?: number;
  /** Acids present at the start (old brine, vinegar), mmol/l. */
  lactate0: number;
  acetate0: number;
}

/** All numbers that one member of the ensemble runs with. Units as in constants.ts. */
export interface JarParameters {
  x1: number;
  x2: number;
  y: number;
  yMax: number;
  qYeast: number;
  q0: number;
  vigour: number;
  mu1: number;
  mu2: number;
  tMin1: number;
  tMin2: number;
  saltMax1: number;
  saltMax2: number;
  pMin1: number;
  pMin2: number;
  hMax1: number;
  hMax2: number;
  xMax: number;
  a1: number;
  a2: number;
  b1: number;
  b2: number;
  beta: number;
  pH0: number;
  /** How far below the model's own pH a meter shows at the start; fades out towards 4.6. */
  shift: number;
  sugar: number;
  tauH: number;
  freeSugar: number;
  salt: number;
  brine: number;
  lactate0: number;
  acetate0: number;
}

/** Everything that is unknown of a jar, by name: one standard normal each. */
export const JAR_UNKNOWNS = [
  ...['x1', 'x2', 'yeast', 'yeastMax', 'yeastRate', 'lag', 'vigour', 'mu1', 'mu2', 'tMin1', 'tMin2', 'saltMax1', 'saltMax2'],
  ...['pMin1', 'pMin2', 'hMax1', 'hMax2', 'xMax', 'a2', 'b1', 'b2', 'beta', 'pH0', 'sugar', 'tau'],
] as const;

/** Liveliness of jars (chapter 6b, section 2): its middle, and how it spreads, more to the slow side. */
export const VIGOUR = { median: 1.3, sd: 0.3, skew: 0.45, from: -0.6 } as const;

/** Buffer of a jar by its share of produce: 16 mmol/(l pH) at half, 25 in a neat mash (section 2.4). */
export function betaOf(produceShare: number): number {
  return 7 + 18 * produceShare;
}

/** One member's parameters: medians spread by the draw's standard normals (table of section 2.4, with chapter 6b, section 2). */
export function jarParameters(c: JarConditions, draw: Draw): JarParameters {
  const z = (name: string) => draw.z(name);
  const log = (median: number, sd: number, name: string) => median * Math.exp(sd * z(name));
  const zf = z('vigour');
  const lively = c.vigour ?? { log: 0, sd: VIGOUR.sd };
  // What is known better spreads less, to both sides.
  const skew = VIGOUR.skew * Math.min(1, lively.sd / VIGOUR.sd) * Math.max(0, VIGOUR.from - zf);
  return {
    x1: 10 ** (3.0 + 0.9 * z('x1') - 9),
    x2: 10 ** (2.2 + 1.0 * z('x2') - 9) + (c.starter ?? 0),
    y: 10 ** (1.5 + 1.0 * z('yeast') - 9),
    yMax: 10 ** (5.8 + 0.6 * z('yeastMax') - 9),
    qYeast: log(120, 0.4, 'yeastRate'),
    q0: 1 / (Math.exp(log(2.5, 0.5, 'lag')) - 1),
    vigour: VIGOUR.median * Math.exp(lively.log + lively.sd * zf - skew),
    mu1: log(0.55, 0.15, 'mu1'),
    mu2: log(0.48, 0.15, 'mu2'),
    tMin1: CARDINAL_T.hetero.min + z('tMin1'),
    tMin2: CARDINAL_T.homo.min + 1.5 * z('tMin2'),
    saltMax1: log(8, 0.12, 'saltMax1'),
    saltMax2: log(12.5, 0.1, 'saltMax2'),
    pMin1: 4.15 + 0.12 * z('pMin1'),
    pMin2: 3.25 + 0.1 * z('pMin2'),
    hMax1: log(25, 0.25, 'hMax1'),
    hMax2: log(60, 0.15, 'hMax2'),
    xMax: log(0.8, 0.4, 'xMax'),
    a1: 25,
    a2: log(40, 0.3, 'a2'),
    b1: log(0.5, 0.3, 'b1'),
    b2: log(1, 0.35, 'b2'),
    beta: log(betaOf(c.produceShare), 0.3, 'beta'),
    pH0: c.pH0 + c.pH0Sd * z('pH0'),
    shift: c.pH0 - Math.min(c.pH0, c.shownPh0 ?? c.pH0),
    sugar: log(c.sugarMmol, 0.25, 'sugar'),
    tauH: log(CUTS[c.cut].tauH, 0.5, 'tau'),
    freeSugar: CUTS[c.cut].freeSugar,
    salt: c.saltPct,
    brine: c.brinePct,
    lactate0: c.lactate0,
    acetate0: c.acetate0,
  };
}
