import { scaleLog } from 'd3-scale';

/** A log axis of pungency shared by everything that shows heat. */
export function heatAxis(low: number, high: number, left: number, right: number) {
  const x = scaleLog().domain([low, high]).range([left, right]).clamp(true);
  const ticks: number[] = [];
  for (let t = 10 ** Math.ceil(Math.log10(low)); t <= high; t *= 10) ticks.push(t);
  return { x, ticks };
}

/** Points of a log-normal hill as an SVG path standing on `base`, `tall` high at its top. */
export function hill(mu: number, sigma: number, x: (shu: number) => number, base: number, tall: number): string {
  const points: string[] = [];
  for (let i = -30; i <= 30; i++) {
    const z = i / 10;
    points.push(`${x(Math.exp(mu + z * sigma)).toFixed(1)} ${(base - tall * Math.exp((-z * z) / 2)).toFixed(1)}`);
  }
  return `M ${x(Math.exp(mu - 3 * sigma)).toFixed(1)} ${base} L ${points.join(' L ')} L ${x(Math.exp(mu + 3 * sigma)).toFixed(1)} ${base} Z`;
}
