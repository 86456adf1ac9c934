import { boilingPointC } from './sterilise';

/** How water leaves an open pot (handbook chapter 4, section 7; chapter 5, section 7). */

/** Settings of the hob, with what goes off an open pot at each, kg/(m² h) (chapter 4, section 7, our judgement). */
export const BOILS = { bare: 4, gentle: 8, steady: 15, rolling: 30 } as const;
export type Boil = keyof typeof BOILS;
/** What a lid lets through (chapter 5, 7.1, our judgement). */
export const LIDS = { off: 1, ajar: 0.5, on: 0.25 } as const;
export type Lid = keyof typeof LIDS;
/** Log-sd of the rate before anything was weighed (chapter 5, section 0.3). */
export const RATE_SD = 0.5;
/** Heat of evaporation, kJ/kg, at the boil. */
const LATENT = 2257;
/** Power that a hob gets into a pot of a width, cm and kW (chapter 5, 7.1, our judgement). */
const POWER: readonly [number, number][] = [
  [16, 0.5],
  [20, 0.9],
  [24, 1.2],
  [28, 1.6],
];
/** Degrees from the kitchen to the boil. */
const TO_THE_BOIL = 80;

/** Open surface of a pot, m², of a width in cm. */
export const surfaceM2 = (potCm: number): number => (Math.PI * (potCm / 100) ** 2) / 4;

/** Power that reaches what is in a pot of a width (cm), kW: between the rows of the table, in proportion beyond it. */
export function powerKw(potCm: number): number {
  const [first, last] = [POWER[0]!, POWER.at(-1)!];
  if (potCm <= first[0]) return (first[1] * potCm) / first[0];
  if (potCm >= last[0]) return (last[1] * potCm) / last[0];
  const at = POWER.findIndex(([cm]) => cm >= potCm);
  const [[a, low], [b, high]] = [POWER[at - 1]!, POWER[at]!];
  return low + ((high - low) * (potCm - a)) / (b - a);
}

/** Thick stuff must be turned down or it burns: share of the rate at a step of body when hot (chapter 5, 7.1). */
export const turnedDown = (hotBody: number): number => Math.min(1, Math.max(0.4, 1 - 0.2 * (hotBody - 4)));

/** Water that goes off, g per minute, never more than the power allows. */
export function gramsPerMinute(boil: Boil, lid: Lid, potCm: number): number {
  const byRate = BOILS[boil] * LIDS[lid] * surfaceM2(potCm);
  return (Math.min(byRate, (3600 * powerKw(potCm)) / LATENT) * 1000) / 60;
}

/** Minutes until it boils; grams of water, fat and the rest; nothing leaves before. */
export function heatUpMin(waterG: number, fatG: number, restG: number, potCm: number): number {
  const kJPerK = (4.18 * waterG + 2 * fatG + 1.6 * restG) / 1000;
  return (kJPerK * TO_THE_BOIL) / powerKw(potCm) / 60;
}

/** Volatility of undissociated acetic acid against water in a dilute pot, and its log-sd (chapter 5, 7.2 and 0.3, from memory). */
export const ACETIC = { volatility: 0.7, sd: 0.15, pK: 4.6 } as const;
/** The same for ethanol, dilute. */
const ETHANOL = 12;

/** Share of the acetic acid that stays when `waterLeft` (0 to 1) of the water does, at the pH the pot begins with. */
export const aceticKept = (waterLeft: number, pH: number, volatility: number = ACETIC.volatility): number =>
  waterLeft ** (volatility / (1 + 10 ** (pH - ACETIC.pK)));
/** Share of the ethanol that stays. */
export const ethanolKept = (waterLeft: number): number => waterLeft ** ETHANOL;

/** Boiling point of sucrose solutions over that of water, K, by Bx (chapter 4, section 7, from memory). */
const ELEVATION: readonly [number, number][] = [
  [10, 0.15],
  [20, 0.3],
  [30, 0.6],
  [40, 1],
  [50, 1.8],
  [60, 3],
  [65, 3.8],
  [70, 5.1],
  [75, 7],
  [80, 9.4],
  [85, 13],
  [90, 19.6],
];
/** K for each g of salt in 100 g of water. */
const SALT_ELEVATION = 0.17;

/** Degrees over boiling water, of a liquid of so many Bx with so much salt (g in 100 g of its water): log-linear between rows. */
export function elevationK(brix: number, saltIn100: number): number {
  const [low, high] = [ELEVATION[0]!, ELEVATION.at(-1)!];
  const sugar = (b: number): number => {
    if (b <= low[0]) return (low[1] * Math.max(0, b)) / low[0];
    if (b >= high[0]) return high[1];
    const at = ELEVATION.findIndex(([x]) => x >= b);
    const [[a, y], [c, z]] = [ELEVATION[at - 1]!, ELEVATION[at]!];
    return y * (z / y) ** ((b - a) / (c - a));
  };
  return sugar(brix) + SALT_ELEVATION * saltIn100;
}

/** °C at which a pot boils, at an altitude in m. */
export const potBoilsC = (brix: number, saltIn100: number, altitudeM = 0): number => boilingPointC(altitudeM) + elevationK(brix, saltIn100);
