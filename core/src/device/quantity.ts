/** What a device of the kitchen can measure, in the units in which it is kept. */
export const QUANTITIES = ['mass', 'pH', 'temp'] as const;
export type Quantity = (typeof QUANTITIES)[number];
export const DEVICE_KINDS = ['scale', 'pen', 'thermometer'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];

interface QuantityFacts {
  unit: string;
  /** Units it may come in: what one of them is in ours, and what is added. */
  units: Readonly<Record<string, { times: number; plus: number }>>;
  /** As many decimals are kept. */
  digits: number;
  /** Outside of these nothing in a kitchen reads. */
  least: number;
  most: number;
  /** What to do when it reads outside. */
  below: string;
  above: string;
  /** It has to keep as still, for as long, ms; a share of the value is allowed on top. */
  still: number;
  stillShare: number;
  windowMs: number;
  /** What one look differs from the next when a plug is loose, not when something settles. */
  leap: number;
}

/** The international pound is 453.592 37 g exactly, an ounce a sixteenth of it. */
const OUNCE_G = 28.349523125;

/**
 * Quantities and how still they must be. Bounds and times: our judgement; a pH pen is waited for longer than a scale, and
 * two hundredths are what a kitchen's pen tells apart (common practice, no source).
 */
export const QUANTITY: Readonly<Record<Quantity, QuantityFacts>> = {
  mass: {
    unit: 'g',
    units: {
      g: { times: 1, plus: 0 },
      kg: { times: 1000, plus: 0 },
      oz: { times: OUNCE_G, plus: 0 },
      lb: { times: 16 * OUNCE_G, plus: 0 },
    },
    digits: 1,
    least: -0.5,
    most: 30_000,
    below: 'It reads less than nothing. Take everything off and set it to zero.',
    above: 'That is more than a kitchen scale carries.',
    still: 1,
    stillShare: 0.001,
    windowMs: 1500,
    leap: 40,
  },
  pH: {
    unit: '',
    units: { '': { times: 1, plus: 0 } },
    digits: 2,
    least: 1,
    most: 11,
    below: 'No food is that sour. Rinse the tip, wet it in its storage solution, and try a buffer.',
    above: 'No food is that alkaline. Rinse the tip, wet it in its storage solution, and try a buffer.',
    still: 0.025,
    stillShare: 0,
    windowMs: 3000,
    leap: 0.4,
  },
  temp: {
    unit: '°C',
    units: { C: { times: 1, plus: 0 }, F: { times: 5 / 9, plus: -160 / 9 }, K: { times: 1, plus: -273.15 } },
    digits: 1,
    least: -40,
    most: 260,
    below: 'Nothing in a kitchen is that cold. Its probe may be broken.',
    above: 'Nothing in a kitchen is that hot. Its probe may be broken.',
    still: 0.4,
    stillShare: 0,
    windowMs: 2000,
    leap: 6,
  },
};
