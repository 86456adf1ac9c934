import { PH_MAX } from './constants';

/** Cardinal temperature model with inflection, 0 to 1 (Rosso et al. 1993). All in °C. */
export function ctmi(t: number, min: number, opt: number, max: number): number {
  if (t <= min || t >= max) return 0;
  const top = (t - max) * (t - min) ** 2;
  const bottom = (opt - min) * ((opt - min) * (t - opt) - (opt - max) * (opt + min - 2 * t));
  return Math.max(0, Math.min(1, top / bottom));
}

/** Cardinal pH model, 0 to 1 (Rosso et al. 1995), with the upper limit at 8.5. */
export function cpm(p: number, min: number, opt: number): number {
  if (p <= min || p >= PH_MAX) return 0;
  const a = (p - min) * (p - PH_MAX);
  return a / (a - (p - opt) ** 2);
}
