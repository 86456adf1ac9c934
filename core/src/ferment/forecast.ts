import { drawEnsemble } from '../stat/draw';
import { quantileSorted } from '../stat/normal';
import { BLOCK_H, DISCREPANCY_SD } from './constants';
import { simulateJar } from './model';
import { jarParameters, type JarConditions } from './priors';

export interface ForecastInput {
  conditions: JarConditions;
  /** Expected temperature of the jar, °C. */
  tempC: number;
  horizonDays: number;
  members: number;
  seed: number;
  /** pH that counts as ready, at most 4.0. */
  targetPh: number;
  /** Days a jar must have had before it may be called ready (7; whole pods 14). */
  leastDays: number;
}

export interface Quantiles {
  p10: number;
  p50: number;
  p90: number;
}

/** When a pH is passed: days by share of members, null where that share never gets there in the horizon. */
export interface Crossing {
  pH: number;
  p10: number | null;
  p50: number | null;
  p90: number | null;
  /** Share of members that do not get there at all. */
  never: number;
}

export interface Forecast {
  members: number;
  /** Days of the points below, from 0. */
  days: number[];
  pH: Quantiles[];
  /** CO2 per day at each point, mmol/l. */
  gas: Quantiles[];
  crossings: { legal: Crossing; house: Crossing; target: Crossing };
  /** Days when half, and nine in ten, of jars like this are ready; null beyond the horizon. */
  ready: { from: number | null; to: number | null };
}

/** The line between acid and low-acid food (US 21 CFR 114.3), and the house line with a margin to it. */
export const LEGAL_PH = 4.6;
export const HOUSE_PH = 4.0;

function crossing(paths: readonly Float64Array[], pH: number): Crossing {
  const days = paths
    .map((path) => {
      const b = path.findIndex((v) => v <= pH);
      if (b < 0) return Infinity;
      if (b === 0) return 0;
      const before = path[b - 1]!;
      return ((b - 1 + (before - pH) / (before - path[b]!)) * BLOCK_H) / 24;
    })
    .sort((a, b) => a - b);
  const at = (p: number) => {
    const d = days[Math.min(days.length - 1, Math.floor(p * days.length))]!;
    return Number.isFinite(d) ? d : null;
  };
  return { pH, p10: at(0.1), p50: at(0.5), p90: at(0.9), never: days.filter((d) => d === Infinity).length / days.length };
}

/**
 * Forecast of a jar by an ensemble of the kinetic model (chapter 4, sections 2 and 4.4). A forecast is
 * never a measurement and never makes a jar safe. Deterministic for the same seed. Throws RangeError
 * for fewer than 2 members or a horizon outside 1 to 365 days.
 */
export function forecastJar(input: ForecastInput): Forecast {
  if (!(input.members >= 2)) throw new RangeError('A band needs at least two members');
  if (!(input.horizonDays >= 1 && input.horizonDays <= 365)) throw new RangeError('The horizon is 1 to 365 days');
  const blocks = Math.ceil((input.horizonDays * 24) / BLOCK_H);
  const temps = new Float64Array(blocks).fill(input.tempC);
  const paths: Float64Array[] = [];
  const gases: Float64Array[] = [];
  for (const draw of drawEnsemble(input.seed, input.members)) {
    const run = simulateJar(jarParameters(input.conditions, draw), temps);
    const wobble = DISCREPANCY_SD * draw.z('discrepancy');
    paths.push(run.pH.map((p, b) => p + wobble * Math.min(1, b / 8)));
    gases.push(run.gas);
  }
  const perDay = 24 / BLOCK_H;
  const days: number[] = [];
  const pH: Quantiles[] = [];
  const gas: Quantiles[] = [];
  for (let b = 0; b <= blocks; b += 2) {
    days.push((b * BLOCK_H) / 24);
    pH.push(quantiles(paths.map((p) => p[b]!)));
    const from = Math.max(0, b - perDay);
    gas.push(quantiles(gases.map((g) => (b > from ? ((g[b]! - g[from]!) * perDay) / (b - from) : 0))));
  }
  const target = crossing(paths, input.targetPh);
  const late = (d: number | null) => (d === null ? null : Math.max(d, input.leastDays));
  return {
    members: input.members,
    days,
    pH,
    gas,
    crossings: { legal: crossing(paths, LEGAL_PH), house: crossing(paths, HOUSE_PH), target },
    ready: { from: late(target.p50), to: late(target.p90) },
  };
}

function quantiles(values: number[]): Quantiles {
  values.sort((a, b) => a - b);
  return { p10: quantileSorted(values, 0.1), p50: quantileSorted(values, 0.5), p90: quantileSorted(values, 0.9) };
}
