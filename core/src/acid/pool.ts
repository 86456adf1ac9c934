import type { Stream } from '../matter/stream';
import { ACID_CONSTANTS, ACIDS, NACL_MOLAR_MASS, PROTEIN_GROUPS, type AcidConstants, type BufferGroup } from './constants';

/** One acid (or buffering group) in a pool. */
export interface PoolAcid {
  mol: number;
  z0: number;
  pKa: readonly number[];
  eps: readonly number[];
}

/** All that decides the pH of a mixture. */
export interface AcidPool {
  waterKg: number;
  sidEq: number;
  naclMol: number;
  acids: PoolAcid[];
  /** Added to every pKa: what the constants of this world are off by. */
  pKaShift: number;
}

/** Systematic unknowns shared by every ingredient: generic protein buffer and constants (chapter 3, section 9). */
export interface AcidWorld {
  proteinFactor: number;
  pKaShift: number;
}
export const TYPICAL_ACIDS: AcidWorld = { proteinFactor: 1, pKaShift: 0 };

const entry = (mol: number, { z0, pKa, eps }: AcidConstants | BufferGroup): PoolAcid => ({ mol, z0, pKa, eps });

/** Kept in step to this share, two streams have one pH. */
const ALIKE = 1e-9;

/** Two streams whose acids, salt, protein and strong ions stand in the same proportion to their water: one pH serves both. */
export function sameLiquid(a: Stream, b: Stream): boolean {
  const [ga, gb] = [a.grams, b.grams];
  if (!(ga.water > 0 && gb.water > 0)) return false;
  const r = gb.water / ga.water;
  const alike = (x: number, y: number) => Math.abs(y - r * x) <= ALIKE * Math.abs(y);
  if (!alike(a.sidEq, b.sidEq) || !alike(ga.salt, gb.salt) || !alike(ga.protein, gb.protein)) return false;
  if (!alike(ga.hydrolysate, gb.hydrolysate)) return false;
  for (const acid of ACIDS) if (!alike(ga[acid], gb[acid])) return false;
  return true;
}

/** The pool of a stream: moles of acids and protein groups, salt, strong ions and water. */
export function poolOf(stream: Stream, world: AcidWorld = TYPICAL_ACIDS): AcidPool {
  const g = stream.grams;
  const acids: PoolAcid[] = [];
  for (const a of ACIDS) {
    if (g[a] > 0) acids.push(entry(g[a] / ACID_CONSTANTS[a].molarMass, ACID_CONSTANTS[a]));
  }
  for (const kind of ['protein', 'hydrolysate'] as const) {
    if (g[kind] > 0) {
      for (const group of PROTEIN_GROUPS[kind]) {
        acids.push(entry(g[kind] * group.molPerG * world.proteinFactor, group));
      }
    }
  }
  return { waterKg: g.water / 1000, sidEq: stream.sidEq, naclMol: g.salt / NACL_MOLAR_MASS, acids, pKaShift: world.pKaShift };
}
