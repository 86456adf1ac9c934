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

/** Honest 5 to 95 % ranges of the heat kept by coring and by shaking seeds out (chapter 2, section 3.2). */
const HONEST: Record<CapsaicinoidClass, { cored: readonly [number, number]; seedsOut: readonly [number, number] }> = {
  sweet: { cored: [0.1, 0.35], seedsOut: [0.8, 0.97] },
  std: { cored: [0.1, 0.35], seedsOut: [0.8, 0.97] },
  chinense: { cored: [0.2, 0.5], seedsOut: [0.8, 0.97] },
  superhot: { cored: [0.35, 0.65], seedsOut: [0.8, 0.97] },
};

/** Log-sd of the heat a preparation keeps: no two cooks core alike. 0 for whole pods and for what has no anatomy. */
export function knifeSd(prep: Preparation, cls: CapsaicinoidClass, pod: PodAnatomy | null): number {
  if (!pod || prep === 'whole') return 0;
  const [low, high] = prep === 'seedsOut' ? HONEST[cls].seedsOut : HONEST[cls].cored;
  const sd = Math.log(high / low) / 3.2897;
  if (prep !== 'halfCored') return sd;
  // Only the cored half scatters.
  const cored = one('cored', cls, pod).heat;
  return (sd * cored) / (1 + cored);
}

/** Share of a pod's heat that a preparation keeps, and the honest 5 to 95 % range of it. */
export function heatKept(prep: Preparation, cls: CapsaicinoidClass, pod: PodAnatomy | null): { share: number; low: number; high: number } {
  const share = retained(prep, cls, pod).heat;
  const reach = Math.exp(1.6449 * knifeSd(prep, cls, pod));
  return { share, low: share / reach, high: Math.min(1, share * reach) };
}

/** What to do with the knife, and what to know about it. */
export const KNIFE: Record<Preparation, { name: string; note: string }> = {
  whole: { name: 'whole', note: 'Only the stem goes. Everything hot stays in.' },
  seedsOut: {
    name: 'seeds out',
    note: 'Halve and shake the seeds out, leave the pale ribs. The heat hardly changes; the bitterness does.',
  },
  halfCored: { name: 'half cored', note: 'Core every second pod, seeds and ribs. Count them into two bowls first.' },
  cored: {
    name: 'cored',
    note: 'Cut out the pale ribs with a spoon, seeds and all. Most of the heat goes with them, in superhots only half.',
  },
};

/** Ground seeds taste bitter above this share of the pods (our judgement). */
export const BITTER_SEED_SHARE = 0.08;

/** Share of seed in what is left of a pod after the knife, 0 to 1. */
export function seedShare(prep: Preparation, cls: CapsaicinoidClass, pod: PodAnatomy | null): number {
  if (!pod) return 0;
  const left = prep === 'whole' ? 1 : prep === 'halfCored' ? 0.5 : 0;
  return (pod.seed * left) / ((1 - pod.stem) * retained(prep, cls, pod).mass);
}
