/** How what comes out follows one parameter, for the picture in which it is dragged: [parameter, value], rising in the parameter. */
export type Curve = readonly (readonly [x: number, y: number])[];

const POINTS = 16;

/** `of` at even steps from `from` to `to`. Empty when they are one. */
export const curve = (from: number, to: number, of: (x: number) => number): Curve =>
  to > from ? Array.from({ length: POINTS + 1 }, (_, i) => from + ((to - from) * i) / POINTS).map((x) => [x, of(x)] as const) : [];

/** How far a picture reaches: well past what is set, to a round figure; never less than `least`. */
export function reach(now: number, least: number, most: number): number {
  const wanted = Math.max(least, 1.6 * now);
  const unit = 10 ** Math.floor(Math.log10(wanted));
  const round = [1, 1.5, 2, 3, 4, 5, 6, 8, 10].find((r) => r * unit >= wanted)! * unit;
  return Math.min(most, round);
}
