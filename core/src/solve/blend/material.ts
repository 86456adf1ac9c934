import type { Ingredient } from '../../matter/ingredient';
import type { Flavour } from '../../matter/flavour';
import type { ColourFamily } from '../../matter/colour';
import type { Thickening } from './thick';

/** Something that may go into a blend, as it goes in: pods after the knife, larder goods as they are. */
export interface Material {
  id: string;
  name: string;
  /** Counts among "at most k varieties", and is what alternatives differ by. */
  choice: boolean;
  /** g there is of it, prepared. */
  stockG: number;
  /** Bounds on its share of the batch, %. */
  minPct: number;
  maxPct: number;
  /** 0 to 1: how much it wants to be used up. */
  useUp: number;
  /** Money per kg; null when no price is known. */
  perKg: number | null;
  /** SHU that 1 g brings per g of batch, all losses counted, and the log-sd of it. */
  shu: number;
  sigma: number;
  saltPct: number;
  sugarPct: number;
  /** What a gram brings to the thickness of a smooth blend. */
  thick: Thickening;
  /** Net charge at a pH and ionic strength, eq per kg (chapter 3, equation 8); null without acid or base of its own. */
  charge: ((pH: number, ionicStrength: number) => number) | null;
  flavours: Partial<Record<Flavour, number>>;
  colour: ColourFamily | null;
  /** Strength of colour: fresh pods 1, powders 8, carrot 0.8 (model). */
  pigment: number;
  /** g of one prepared pod, for whole pods; null for what is weighed. */
  podG: number | null;
}

/** What is wanted of a blend. Windows are low and high; null leaves a property free. */
export interface BlendWish {
  massG: number;
  /** Share of the mass that may be more, so that whole pods fit (a window of no width has no whole-number answer). */
  massSpare?: number;
  heat: { lowShu: number; highShu: number; targetShu?: number } | null;
  saltPct: { low: number; high: number } | null;
  sugarPct: { low: number; high: number } | null;
  /** Least step of body at 20 °C, 1 to 7 (chapter 5, section 9.1). */
  body: { low: number } | null;
  pH: { max: number; margin: number } | null;
  flavours: { flavour: Flavour; share: number }[];
  colour: { family: ColourFamily; share: number } | null;
  perKg: { max: number } | null;
  /** At most this many of the choices; null leaves it free. */
  varieties: number | null;
  wholePods: boolean;
}

/** A planned pH aims this far below the wish: tables of food acids are guesses (chapter 2, section 7.1: 0.1 to 0.2). */
export const PH_MARGIN = 0.1;

export const NO_WISH: Omit<BlendWish, 'massG'> = {
  heat: null,
  saltPct: null,
  sugarPct: null,
  body: null,
  pH: null,
  flavours: [],
  colour: null,
  perKg: null,
  varieties: null,
  wholePods: false,
};

/** What the whole mix does to acidity, when it is made of real stuff. */
export interface MixChemistry {
  /** mol per kg water at a pH. */
  ionicStrength(grams: ReadonlyMap<string, number>, pH: number): number;
  /** pH by the full charge balance; null without water. */
  pH(grams: ReadonlyMap<string, number>): number | null;
}

/** A question to the blend solver. */
export interface BlendProblem {
  materials: readonly Material[];
  wish: BlendWish;
  chemistry?: MixChemistry;
  /** The same question with as much of an acid as it takes, to see how much that would be. */
  sourer?: (row: Ingredient) => { id: string; problem: BlendProblem };
  weights?: Partial<typeof WEIGHTS>;
  /** Money per kg that counts as dear. */
  costReference?: number;
  /** Least share of a choice that is in at all, % of the batch. */
  leastPct?: number;
}

/** Weights of the objective, all in shares of one batch (chapter 2, section 7.2). */
export const WEIGHTS = { cost: 1, centre: 2, useUp: 0.5, robust: 0.3, switch: 1e-4 } as const;
