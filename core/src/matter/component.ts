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

// Written out by component: these run thousands of times for one picture, and a loop over names costs several times as much.

/** The sum over all components, g. */
export function sumGrams(g: Readonly<Grams>): number {
  return (
    g.water +
    g.salt +
    g.sugars +
    g.fat +
    g.ethanol +
    g.protein +
    g.hydrolysate +
    g.pulp +
    g.starch +
    g.gum +
    g.other +
    g.carbonDioxide +
    g.acetic +
    g.lactic +
    g.citric +
    g.malic +
    g.tartaric +
    g.ascorbic +
    g.phosphoric +
    g.oxalic +
    g.succinic +
    g.gluconic +
    g.uronic +
    g.glutamic
  );
}

/** Every component times `f`. */
export function scaleGrams(g: Readonly<Grams>, f: number): Grams {
  return {
    water: g.water * f,
    salt: g.salt * f,
    sugars: g.sugars * f,
    fat: g.fat * f,
    ethanol: g.ethanol * f,
    protein: g.protein * f,
    hydrolysate: g.hydrolysate * f,
    pulp: g.pulp * f,
    starch: g.starch * f,
    gum: g.gum * f,
    other: g.other * f,
    carbonDioxide: g.carbonDioxide * f,
    acetic: g.acetic * f,
    lactic: g.lactic * f,
    citric: g.citric * f,
    malic: g.malic * f,
    tartaric: g.tartaric * f,
    ascorbic: g.ascorbic * f,
    phosphoric: g.phosphoric * f,
    oxalic: g.oxalic * f,
    succinic: g.succinic * f,
    gluconic: g.gluconic * f,
    uronic: g.uronic * f,
    glutamic: g.glutamic * f,
  };
}

/** Adds `g` to `into`. */
export function addGrams(into: Grams, g: Readonly<Grams>): void {
  into.water += g.water;
  into.salt += g.salt;
  into.sugars += g.sugars;
  into.fat += g.fat;
  into.ethanol += g.ethanol;
  into.protein += g.protein;
  into.hydrolysate += g.hydrolysate;
  into.pulp += g.pulp;
  into.starch += g.starch;
  into.gum += g.gum;
  into.other += g.other;
  into.carbonDioxide += g.carbonDioxide;
  into.acetic += g.acetic;
  into.lactic += g.lactic;
  into.citric += g.citric;
  into.malic += g.malic;
  into.tartaric += g.tartaric;
  into.ascorbic += g.ascorbic;
  into.phosphoric += g.phosphoric;
  into.oxalic += g.oxalic;
  into.succinic += g.succinic;
  into.gluconic += g.gluconic;
  into.uronic += g.uronic;
  into.glutamic += g.glutamic;
}

/** Of every component the share that `share` names. */
export function sharesOf(g: Readonly<Grams>, share: (component: Component) => number): Grams {
  return {
    water: g.water * share('water'),
    salt: g.salt * share('salt'),
    sugars: g.sugars * share('sugars'),
    fat: g.fat * share('fat'),
    ethanol: g.ethanol * share('ethanol'),
    protein: g.protein * share('protein'),
    hydrolysate: g.hydrolysate * share('hydrolysate'),
    pulp: g.pulp * share('pulp'),
    starch: g.starch * share('starch'),
    gum: g.gum * share('gum'),
    other: g.other * share('other'),
    carbonDioxide: g.carbonDioxide * share('carbonDioxide'),
    acetic: g.acetic * share('acetic'),
    lactic: g.lactic * share('lactic'),
    citric: g.citric * share('citric'),
    malic: g.malic * share('malic'),
    tartaric: g.tartaric * share('tartaric'),
    ascorbic: g.ascorbic * share('ascorbic'),
    phosphoric: g.phosphoric * share('phosphoric'),
    oxalic: g.oxalic * share('oxalic'),
    succinic: g.succinic * share('succinic'),
    gluconic: g.gluconic * share('gluconic'),
    uronic: g.uronic * share('uronic'),
    glutamic: g.glutamic * share('glutamic'),
  };
}

/** `g` without `taken`. */
export function lessGrams(g: Readonly<Grams>, taken: Readonly<Grams>): Grams {
  return {
    water: g.water - taken.water,
    salt: g.salt - taken.salt,
    sugars: g.sugars - taken.sugars,
    fat: g.fat - taken.fat,
    ethanol: g.ethanol - taken.ethanol,
    protein: g.protein - taken.protein,
    hydrolysate: g.hydrolysate - taken.hydrolysate,
    pulp: g.pulp - taken.pulp,
    starch: g.starch - taken.starch,
    gum: g.gum - taken.gum,
    other: g.other - taken.other,
    carbonDioxide: g.carbonDioxide - taken.carbonDioxide,
    acetic: g.acetic - taken.acetic,
    lactic: g.lactic - taken.lactic,
    citric: g.citric - taken.citric,
    malic: g.malic - taken.malic,
    tartaric: g.tartaric - taken.tartaric,
    ascorbic: g.ascorbic - taken.ascorbic,
    phosphoric: g.phosphoric - taken.phosphoric,
    oxalic: g.oxalic - taken.oxalic,
    succinic: g.succinic - taken.succinic,
    gluconic: g.gluconic - taken.gluconic,
    uronic: g.uronic - taken.uronic,
    glutamic: g.glutamic - taken.glutamic,
  };
}
