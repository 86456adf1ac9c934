/** Cumulative standard normal distribution. Error below 1e-7 (erfc by Numerical Recipes' Chebyshev fit, from memory). */
export function normalCdf(x: number): number {
  const z = Math.abs(x) / Math.SQRT2;
  const t = 1 / (1 + 0.5 * z);
  const poly =
    -z * z -
    1.26551223 +
    t *
      (1.00002368 +
        t *
          (0.37409196 +
            t *
              (0.09678418 +
                t * (-0.18628806 + t * (0.27886807 + t * (-1.13520398 + t * (1.48851587 + t * (-0.82215223 + t * 0.17087277))))))));
  const erfc = t * Math.exp(poly);
  return x > 0 ? 1 - 0.5 * erfc : 0.5 * erfc;
}

/** Inverse of the standard normal distribution for 0 < p < 1. Relative error 1.15e-9 (Acklam's rational fit, from memory). */
export function normalQuantile(p: number): number {
  if (!(p > 0 && p < 1)) throw new RangeError('A quantile needs a probability between 0 and 1');
  const tail = (q: number) =>
    (((((-7.784894002430293e-3 * q - 0.3223964580411365) * q - 2.400758277161838) * q - 2.549732539343734) * q + 4.374664141464968) * q +
      2.938163982698783) /
    ((((7.784695709041462e-3 * q + 0.3224671290700398) * q + 2.445134137142996) * q + 3.754408661907416) * q + 1);
  if (p < 0.02425) return tail(Math.sqrt(-2 * Math.log(p)));
  if (p > 0.97575) return -tail(Math.sqrt(-2 * Math.log(1 - p)));
  const q = p - 0.5;
  const r = q * q;
  return (
    ((((((-39.69683028665376 * r + 220.9460984245205) * r - 275.9285104469687) * r + 138.357751867269) * r - 30.66479806614716) * r +
      2.506628277459239) *
      q) /
    (((((-54.47609879822406 * r + 161.5858368580409) * r - 155.6989798598866) * r + 66.80131188771972) * r - 13.28068155288572) * r + 1)
  );
}

/** Standard deviations from the middle to either end of a 10 to 90 % band of a normal distribution. */
export const Z_90 = 1.2816;

/** The p-quantile (0 to 1) of sorted numbers, linear between neighbours (type 7). Throws on an empty list. */
export function quantileSorted(sorted: ArrayLike<number>, p: number): number {
  if (sorted.length === 0) throw new RangeError('No numbers, no quantile');
  const at = p * (sorted.length - 1);
  const i = Math.floor(at);
  const a = sorted[i]!;
  return i + 1 < sorted.length ? a + (at - i) * (sorted[i + 1]! - a) : a;
}
