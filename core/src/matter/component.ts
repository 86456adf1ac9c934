/** The organic and mineral acids that the charge balance follows (handbook chapter 3, section 2). */
export const ACIDS = [
  'acetic',
  'lactic',
  'citric',
  'malic',
  'tartaric',
  'ascorbic',
  'phosphoric',
  'oxalic',
  'succinic',
  'gluconic',
  'uronic',
  'glutamic',
] as const;
export type Acid = (typeof ACIDS)[number];

/**
 * Everything a stream is made of, in grams. The sum over all components is the mass of the stream.
 * `protein` is intact protein and free amino acids, `hydrolysate` the protein of fermented condiments,
 * `pulp` the insoluble solids (cell walls, seed), `starch` and `gum` what was put in to thicken, `other` what remains
 * (bound starch, soluble fibre, ash).
 */
export const COMPONENTS = [
  'water',
  'salt',
  'sugars',
  'fat',
  'ethanol',
  'protein',
  'hydrolysate',
  'pulp',
  'starch',
  'gum',
  'other',
  'carbonDioxide',
  ...ACIDS,
] as const;
export type Component = (typeof COMPONENTS)[number];
export type Grams = Record<Component, number>;

/** A zero amount of every component. */
export function noGrams(): Grams {
  return {
    water: 0,
    salt: 0,
    sugars: 0,
    fat: 0,
    ethanol: 0,
    protein: 0,
    hydrolysate: 0,
    pulp: 0,
    starch: 0,
    gum: 0,
    other: 0,
    carbonDioxide: 0,
    acetic: 0,
    lactic: 0,
    citric: 0,
    malic: 0,
    tartaric: 0,
    ascorbic: 0,
    phosphoric: 0,
    oxalic: 0,
    succinic: 0,
    gluconic: 0,
    uronic: 0,
    glutamic: 0,
  };
}
