import { boilingPointC } from './sterilise';

/** How long until it is soft (handbook chapter 5, 7.5). */

/** Minutes at 100 °C to a tenth of the firmness (judgement, within a factor of 1.5). */
export const SOFTENS = { apple: 4, 'sweet pepper': 5, 'hot pod': 6, onion: 7, garlic: 9, carrot: 14 } as const;
export type Softens = keyof typeof SOFTENS;
/** The shape of the pieces: Fourier number at which the middle has 90 % of the way (conduction; Carslaw and Jaeger, from memory). */
export const SHAPES = { slice: 1.03, stick: 0.48, dice: 0.304 } as const;
export type PieceShape = keyof typeof SHAPES;
/** Thermal diffusivity of vegetables, m²/s; °C for a factor of ten; acid keeps pectin firm below this pH. */
const DIFFUSIVITY = 1.4e-7;
const Z = 18;
const SOUR = { pH: 4, times: 1.6 } as const;
/** Log-sd of a softening time (section 0.3). */
export const SOFT_SD = 0.3;
/** A pot that barely moves stays below its boil, K (our judgement: the table of 7.5 has 92 °C for it). */
export const BARE_K = 8;

/** Minutes until pieces of a thickness (mm, through the thinnest way) are soft in a pot of a pH, at `tempC`. */
export function softMinutes(what: Softens, shape: PieceShape, mm: number, pH: number, tempC: number): number {
  const half = mm / 2000;
  const toTheMiddle = (SHAPES[shape] * half ** 2) / DIFFUSIVITY / 60;
  return toTheMiddle + SOFTENS[what] * 10 ** ((100 - tempC) / Z) * (pH < SOUR.pH ? SOUR.times : 1);
}

/** °C in a pot at an altitude (m), by whether it boils or barely moves. */
export const potC = (bare: boolean, altitudeM = 0): number => boilingPointC(altitudeM) - (bare ? BARE_K : 0);
