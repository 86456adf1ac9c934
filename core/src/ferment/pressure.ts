/** Pressure in a closed bottle of something live (handbook chapter 4, section 5.3). */

const GAS_R = 0.082057;
const ABS_ZERO = 273.15;
const HEXOSE = 180.16;
/** Henry's constant of CO2 in water at 25 °C, mol/(l atm), and how it goes with temperature (Sander's compilation, from memory). */
const HENRY = { k: 0.0339, slope: 2400, refK: 298.15 } as const;
/** Salt drives gas out: decades for each mol/l of salt. */
const SALTING_OUT = 0.11;
/** What 1 g of sugar a litre gives, volumes of CO2 at 0 °C. */
const VOLUMES_PER_G = 0.2488;

/** Sauce bottles and their caps are no pressure vessels: the most they should hold, atm above the air's. */
export const MOST_ATM = 0.5;
/** Where the pressure is told: a fridge, a room, a warm room, °C. */
export const PRESSURE_AT = { fridge: 4, room: 20, warm: 30 } as const;

/** Henry's constant of CO2, mol/(l atm), at °C, in brine of so many mol/l salt. */
export const henryCo2 = (tempC: number, saltMolPerL = 0): number =>
  HENRY.k * Math.exp(HENRY.slope * (1 / (tempC + ABS_ZERO) - 1 / HENRY.refK)) * 10 ** (-SALTING_OUT * saltMolPerL);

/**
 * Pressure above the air's, atm, once yeast has taken `sugarGPerL` of sugar in a closed bottle: `headspace` in litres a
 * litre of liquid, `tempC` in °C, salt in mol/l of the liquid. All gas stays in; none was there before.
 */
export function co2Atm(sugarGPerL: number, headspace: number, tempC: number, saltMolPerL = 0): number {
  const mol = (sugarGPerL / HEXOSE) * 2;
  return mol / (henryCo2(tempC, saltMolPerL) + headspace / (GAS_R * (tempC + ABS_ZERO)));
}
/** The same sugar as volumes of gas. */
export const co2Volumes = (sugarGPerL: number): number => sugarGPerL * VOLUMES_PER_G;
