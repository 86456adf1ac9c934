import { ACIDS } from './component';
import { massOf, type Stream } from './stream';

/**
 * Densities of food components at 20 °C in g/ml, void-free.
 * Source: Choi & Okos 1986 (from memory, chapter 3 section 8); ethanol CRC Handbook (from memory);
 * dissolved salt and acetic acid are apparent values (5 % acetic 1.0055, 10 % 1.0125: CRC Handbook, from memory).
 */
export const COMPONENT_DENSITY = {
  water: 0.998,
  fat: 0.917,
  protein: 1.32,
  carbohydrate: 1.593,
  remainder: 1.45,
  acetic: 1.17,
  salt: 3.0,
  ethanol: 0.789,
} as const;

/** Void-free density of a stream in g/ml by adding component volumes (a blend; not a jar of chopped pods). Throws on an empty stream. */
export function densityOf(stream: Stream): number {
  const mass = massOf(stream);
  if (!(mass > 0)) throw new RangeError('An empty stream has no density');
  const g = stream.grams;
  let acids = 0;
  for (const a of ACIDS) if (a !== 'acetic') acids += g[a];
  const d = COMPONENT_DENSITY;
  const volume =
    g.water / d.water +
    g.fat / d.fat +
    (g.protein + g.hydrolysate) / d.protein +
    (g.sugars + g.pulp + g.starch + g.gum + g.other) / d.carbohydrate +
    (acids + g.carbonDioxide) / d.remainder +
    g.acetic / d.acetic +
    g.salt / d.salt +
    g.ethanol / d.ethanol;
  return mass / volume;
}

/** Volume of a stream in ml; 0 for an empty one. */
export function volumeMl(stream: Stream): number {
  const mass = massOf(stream);
  return mass > 0 ? mass / densityOf(stream) : 0;
}
