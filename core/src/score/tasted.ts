import { tastedHeat, type HeatTasted, type Scale } from '../heat';
import { Z_90 } from '../stat/normal';
import type { Prediction } from './scored';

/** The heat that was forecast before a tasting, as the book keeps it, against what the tongues said, SHU. Throws RangeError without scores. */
export function tastedPrediction(event: HeatTasted, id: number, on: string, scales: ReadonlyMap<string, Scale>): Prediction {
  const { mu, sigma } = event.forecast;
  const tasted = tastedHeat(event.scores, scales);
  const half = Z_90 * Math.hypot(sigma, tasted.sd);
  return {
    ...{ key: `tasting-${id}`, of: 'heat', stationId: '', on, measured: Math.exp(tasted.mu), afterwards: false },
    ...{ p10: Math.exp(mu - half), p50: Math.exp(mu), p90: Math.exp(mu + half) },
  };
}
