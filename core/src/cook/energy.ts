import type { Stream } from '../matter/stream';
import { massOf } from '../matter/stream';

/** What a step takes of the hob (kJ into the pot and lost beside it), or of the socket (kWh). */
export type Energy = { by: 'hob'; kJ: number } | { by: 'socket'; kWh: number };

/** Share of what a hob takes that reaches the pot (handbook chapter 5, section 15, common values). */
export const HOBS = { gas: 0.4, coil: 0.7, induction: 0.85 } as const;
export type Hob = keyof typeof HOBS;

/** Heat of evaporation, kJ/kg; what an open pot and a pan lose beside it, kW (section 15). */
const LATENT = 2257;
export const LOSES_KW = { pot: 0.12, pan: 0.28 } as const;
const TO_THE_BOIL_K = 80;
/** Heat of water, of fat, of all the rest, kJ/(kg K) (section 7.1). */
const HOLDS = { water: 4.18, fat: 2, rest: 1.6 } as const;
/** Kettle, kWh a litre to the boil; blender, kW; oven, kWh to get hot and kW at 200 °C (section 15). */
const KETTLE = 0.11;
const BLENDER_KW = 0.5;
const OVEN = { warm: 0.45, kW: 0.9, at: 200 } as const;
/** A pot for sterilising: litres in it, minutes until it boils, g of steam a minute (section 15's example: .61 kWh). */
const STERILISER = { litres: 3, heatUpMin: 15, steamG: 16 } as const;

/** kJ for each K that stuff is warmed by. */
export function kjPerK(s: Stream): number {
  const { water, fat } = s.grams;
  return (HOLDS.water * water + HOLDS.fat * fat + HOLDS.rest * Math.max(0, massOf(s) - water - fat)) / 1000;
}
/** Warming stuff to the boil and keeping it there for so many minutes; `steamG` leaves. */
export const onHob = (s: Stream, steamG: number, minutes: number, over: keyof typeof LOSES_KW, warmsK: number = TO_THE_BOIL_K): Energy => ({
  by: 'hob',
  kJ: kjPerK(s) * warmsK + (LATENT * steamG) / 1000 + LOSES_KW[over] * 60 * minutes,
});
export const inOven = (minutes: number, tempC: number): Energy => ({
  by: 'socket',
  kWh: ((OVEN.warm + (OVEN.kW * minutes) / 60) * tempC) / OVEN.at,
});
export const byKettle = (waterG: number): Energy => ({ by: 'socket', kWh: (KETTLE * waterG) / 1000 });
export const byBlender = (seconds: number): Energy => ({ by: 'socket', kWh: (BLENDER_KW * seconds) / 3600 });
/** Bottles in a pot of boiling water for so many minutes. */
export const sterilising = (minutes: number): Energy => ({
  by: 'hob',
  kJ:
    HOLDS.water * STERILISER.litres * TO_THE_BOIL_K +
    (LATENT * STERILISER.steamG * minutes) / 1000 +
    LOSES_KW.pot * 60 * (minutes + STERILISER.heatUpMin),
});

/** kWh that a step takes off the meter. */
export const kwhOf = (e: Energy, hob: Hob): number => (e.by === 'socket' ? e.kWh : e.kJ / 3600 / HOBS[hob]);
