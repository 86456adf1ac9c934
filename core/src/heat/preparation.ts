import table from '../data/varieties.json' with { type: 'json' };
import type { CapsaicinoidClass } from '../matter/variety';

export const PREPARATIONS = ['whole', 'seedsOut', 'halfCored', 'cored'] as const;
export type Preparation = (typeof PREPARATIONS)[number];

export interface PodAnatomy {
  flesh: number;
  placenta: number;
  seed: number;
  stem: number;
}

/** Where the capsaicinoids sit. Source: Suzuki & Iwai 1984, Estrada 2002, Cisneros-Pineda 2007, Bosland 2015 (from memory; section 3.1). */
export const CAPSAICINOID_PARTITION: Record<CapsaicinoidClass, { placenta: number; pericarp: number; seed: number }> =
  table.capsaicinoidPartition;

/** Share kept of placenta heat, placenta mass, seed heat and seed mass (model; section 3.2). */
const KEPT = {
  whole: { placentaHeat: 1, placentaMass: 1, seed: 1 },
  seedsOut: { placentaHeat: 0.95, placentaMass: 0.95, seed: 0 },
  cored: { placentaHeat: 0.12, placentaMass: 0.1, seed: 0 },
} as const;

/** What is left of a destemmed pod after the knife, as shares of its heat load and mass. */
export interface Retained {
  heat: number;
  mass: number;
}

function one(kind: keyof typeof KEPT, cls: CapsaicinoidClass, pod: PodAnatomy): Retained {
  const p = CAPSAICINOID_PARTITION[cls];
  const k = KEPT[kind];
  return {
    heat: p.pericarp + p.placenta * k.placentaHeat + p.seed * k.seed,
    mass: (pod.flesh + pod.placenta * k.placentaMass + pod.seed * k.seed) / (1 - pod.stem),
  };
}

/**
 * Heat and mass retained by a preparation, relative to the destemmed whole pod (chapter 2, section 3.2).
 * Without an anatomy (powders, flakes) everything stays.
 */
export function retained(prep: Preparation, cls: CapsaicinoidClass, pod: PodAnatomy | null): Retained {
  if (!pod || prep === 'whole') return { heat: 1, mass: 1 };
  if (prep !== 'halfCored') return one(prep, cls, pod);
  const cored = one('cored', cls, pod);
  return { heat: (1 + cored.heat) / 2, mass: (1 + cored.mass) / 2 };
}
