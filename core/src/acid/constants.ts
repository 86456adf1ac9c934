import { ACIDS, type Acid } from '../matter/component';

export interface AcidConstants {
  /** g/mol */
  molarMass: number;
  /** Charge of the fully protonated form. */
  z0: number;
  /** Thermodynamic pKa at 25 °C, zero ionic strength. */
  pKa: readonly number[];
  /** SIT coefficients in kg/mol, fully protonated form first. */
  eps: readonly number[];
}

/**
 * Source: Martell & Smith, Critical Stability Constants; CRC Handbook; NEA reviews for the SIT
 * coefficients of acetate, citrate, oxalate and phosphate; the others are estimates made before any
 * comparison (all from memory; handbook chapter 3, section 2).
 */
export const ACID_CONSTANTS: Record<Acid | 'phthalic', AcidConstants> = {
  acetic: { molarMass: 60.052, z0: 0, pKa: [4.756], eps: [0, 0.08] },
  lactic: { molarMass: 90.078, z0: 0, pKa: [3.862], eps: [0, 0.05] },
  citric: { molarMass: 192.124, z0: 0, pKa: [3.128, 4.761, 6.396], eps: [0, -0.05, -0.04, -0.076] },
  malic: { molarMass: 134.087, z0: 0, pKa: [3.459, 5.097], eps: [0, -0.03, -0.05] },
  tartaric: { molarMass: 150.087, z0: 0, pKa: [3.036, 4.366], eps: [0, -0.03, -0.05] },
  ascorbic: { molarMass: 176.124, z0: 0, pKa: [4.17], eps: [0, 0.03] },
  phosphoric: { molarMass: 97.995, z0: 0, pKa: [2.148, 7.198, 12.35], eps: [0, -0.08, -0.15, -0.25] },
  oxalic: { molarMass: 90.034, z0: 0, pKa: [1.252, 4.266], eps: [0, -0.07, -0.08] },
  succinic: { molarMass: 118.088, z0: 0, pKa: [4.207, 5.636], eps: [0, -0.03, -0.05] },
  gluconic: { molarMass: 196.155, z0: 0, pKa: [3.7], eps: [0, 0.03] },
  uronic: { molarMass: 176.13, z0: 0, pKa: [3.5], eps: [0, 0] },
  glutamic: { molarMass: 147.13, z0: 1, pKa: [2.19, 4.25, 9.67], eps: [0, 0, 0, 0] },
  phthalic: { molarMass: 166.13, z0: 0, pKa: [2.95, 5.408], eps: [0, -0.03, -0.05] },
};

export interface BufferGroup {
  /** mol of titratable group per g of protein */
  molPerG: number;
  z0: number;
  pKa: readonly number[];
  eps: readonly number[];
}

/** Generic amino and protein buffers (estimates; handbook chapter 3, section 2). */
export const PROTEIN_GROUPS: Record<'protein' | 'hydrolysate', readonly BufferGroup[]> = {
  protein: [
    { molPerG: 0.8e-3, z0: 0, pKa: [2.35], eps: [0, 0] },
    { molPerG: 0.8e-3, z0: 0, pKa: [4.25], eps: [0, 0] },
    { molPerG: 0.13e-3, z0: 1, pKa: [6.4], eps: [0, 0] },
  ],
  hydrolysate: [
    { molPerG: 2.5e-3, z0: 0, pKa: [2.35], eps: [0, 0] },
    { molPerG: 1.2e-3, z0: 0, pKa: [3.4], eps: [0, 0] },
    { molPerG: 1.5e-3, z0: 0, pKa: [4.2], eps: [0, 0] },
    { molPerG: 0.15e-3, z0: 1, pKa: [6.2], eps: [0, 0] },
  ],
};

export const WATER = { pKw: 13.995, epsH: 0.12, epsOH: 0.04 } as const;
/** Debye-Hückel slope (25 °C, molal) and ion-size term of the SIT form. */
export const DEBYE = { A: 0.509, Ba: 1.5 } as const;
export const NACL_MOLAR_MASS = 58.443;
/** Above this ionic strength (mol/kg water) the activity model is outside its range; the code clamps at 6. */
export const IONIC_STRENGTH_LIMIT = 3;

export { ACIDS };
