import { surfaceM2 } from './evaporate';

/** Frying in a home pan (handbook chapter 5, section 6, our judgement). */

/** By way: water off, kg/(m² h) of pan; sugars browned; heat kept; how much of the heat oil can reach; whether it bubbles all through. */
export const FRYING_WAYS = {
  sweat: { rate: 5, browns: 0.01, heat: 1, reach: 0.6, bubbles: false },
  paste: { rate: 12, browns: 0.06, heat: 0.93, reach: 0.8, bubbles: true },
  crisp: { rate: 20, browns: 0.15, heat: 0.9, reach: 0.6, bubbles: true },
} as const;
export type FryWay = keyof typeof FRYING_WAYS;

/** Power that reaches what is in the pan, kW. */
const PAN_KW = 0.45;
const TO_THE_BOIL = 80;
/** Heat in oil against heat in food, per gram of each. */
const PARTITION = 20;
/** Film of oil on what is drained, of the mass with it; and oil in the place of water that went. */
const FILM = 0.05;
const REPLACES = 0.12;

/** Water that goes off in so many minutes, g; none before it is hot. */
export function fryingG(way: FryWay, minutes: number, panCm: number, waterG: number, fatG: number, allG: number): number {
  const kJPerK = (4.18 * waterG + 2 * fatG + 1.6 * Math.max(0, allG - waterG - fatG)) / 1000;
  const heatUp = (kJPerK * TO_THE_BOIL) / PAN_KW / 60;
  return (FRYING_WAYS[way].rate * surfaceM2(panCm) * Math.max(0, minutes - heatUp) * 1000) / 60;
}

/** Oil that drained food holds, g: a film, and some in the place of the water that went. `dryG` is the food without oil. */
export const oilHeldG = (dryG: number, offG: number): number => (FILM / (1 - FILM)) * dryG + REPLACES * offG;

/** Share of the heat that the oil holds, beside `restG` of food. */
export const heatInOil = (oilG: number, restG: number, way: FryWay): number =>
  oilG > 0 ? (FRYING_WAYS[way].reach * PARTITION * oilG) / (PARTITION * oilG + restG) : 0;
