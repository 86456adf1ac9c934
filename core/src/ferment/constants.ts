/**
 * Constants of the jar model. Marks: [P] published, [M] literature from memory, [J] our judgement.
 * Source of the whole table: handbook chapter 4, sections 2.2 to 2.4. Units: h, °C, mmol/l, 1e9 CFU/ml, % w/w.
 */
export const PK = { lactic: 3.86, acetic: 4.76 } as const; // [P] 25 °C
export const CARDINAL_T = {
  hetero: { min: 2, opt: 30, max: 38 }, // [M]
  homo: { min: 4, opt: 35, max: 43 }, // Zwietering 1991 [M]
  yeast: { min: 0, opt: 28, max: 37 }, // [J]
} as const;
export const PH_OPT = { hetero: 6.3, homo: 6.2 } as const; // [J]
export const PH_MAX = 8.5; // [J]
export const YEAST = { growth: 0.15, saltMax: 15 } as const; // [J]
export const HALF_SATURATION = 2; // mmol/l hexose [J]
export const DECAY = { hetero: 0.02, homo: 0.003 } as const; // 1/h [J]
export const ACETATE_PER_HETERO = 0.4; // [J]
/** Work is done in blocks of this many hours with constant temperature. */
export const BLOCK_H = 6;

/** The line between acid and low-acid food (US 21 CFR 114.3), and the house line with a margin to it. */
export const LEGAL_PH = 4.6;
export const HOUSE_PH = 4.0;

/**
 * Souring cells that are put into a jar, 1e9 per ml of it: a twentieth of lively brine at 1e8 per ml, and a bought culture at
 * the dose of its packet (section 2.4, backslopping, and the case of a starter in 2.5).
 */
export const STARTERS = { none: 0, brine: 0.005, culture: 0.002 } as const;
export type Starter = keyof typeof STARTERS;

/** Jars that a forecast is made of (section 4: between 300 and 1000 nothing changes beyond chance). */
export const JAR_MEMBERS = 300;

/** How finely the pods are cut: hours for salt to even out, and share of sugar free at once (section 1.6, 2.4). */
export const CUTS = {
  mash: { label: 'mash', tauH: 1, freeSugar: 0.9 },
  chopped: { label: 'chopped', tauH: 5, freeSugar: 0.5 },
  halved: { label: 'halved', tauH: 14, freeSugar: 0.3 },
  whole: { label: 'whole, pierced', tauH: 36, freeSugar: 0.1 },
} as const;
export type Cut = keyof typeof CUTS;
