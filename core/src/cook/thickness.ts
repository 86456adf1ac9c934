/** How thick a sauce is (handbook chapter 5, sections 8 and 9): viscosity in mPa s at 50 1/s, and the seven steps people see. */

/** The seven steps of body, thin to thick. */
export const BODY_STEPS = ['like water', 'like milk', 'like cream', 'coats a spoon', 'pours slowly', 'mounds', 'stands up'] as const;
export type BodyWord = (typeof BODY_STEPS)[number];

/** What thickens, as the model sees it: percentages of the water phase (section 9.2). */
export interface Thickeners {
  /** Soluble solids of the liquid, Bx. */
  brix: number;
  /** Effective insolubles, 100 P/(W+P) times the strength of the pulp and the texture, %. */
  insolublePct: number;
  /** Cooked starch, 100 st/(W+st), %. */
  starchPct: number;
  /** Xanthan, % of the water. */
  gumPct: number;
  /** Free oil, share of the volume. */
  oilShare: number;
}

/** How far a blend is ground (section 9.2). */
export const GROUND = { rustic: 0.35, coarse: 0.55, medium: 0.8, smooth: 1, silky: 1.05 } as const;

/** Strength of insolubles per gram of fresh pods, dried and ground ones (section 9.2, judgement). */
export const POD_STRENGTH = { fresh: 1.2, dried: 0.5, powder: 0.35 } as const;

/** Viscosity of a sucrose solution of `brix` at `tempC`, mPa s (Genotelle's form, from memory; within 4 % of the table, section 8). */
export function syrupMpas(brix: number, tempC: number): number {
  const b = Math.min(85, Math.max(0, brix));
  const n = b / 342.3 / (b / 342.3 + (100 - b) / 18.015);
  return 10 ** (22.46 * n - 0.114 + ((30 - tempC) / (91 + tempC)) * (1.1 + 43.1 * n ** 1.25));
}

const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x));

/** Apparent viscosity at `tempC`, mPa s (section 9.2: additive networks). */
export function sauceMpas(t: Thickeners, tempC = 20): number {
  const [cold, now] = [syrupMpas(t.brix, 20), syrupMpas(t.brix, tempC)];
  const pulp = cold * (now / cold) ** 0.6 * (t.insolublePct / 0.083) ** 1.6;
  const starch = 200 * (t.starchPct / 3.3) ** 2.7 * (1 + 1.5 * clamp((80 - tempC) / 60, 0, 1));
  const gum = 180 * (t.gumPct / 0.5) ** 1.3 * (1 - 0.2 * clamp((tempC - 20) / 60, 0, 1));
  const drops = t.oilShare > 0.01 ? (1 - Math.min(0.6, t.oilShare) / 0.74) ** -1.85 : 1;
  return (now + pulp + starch + gum) * drops;
}

/** The step of a viscosity, 1 to 7 with fractions; one step is a factor of four (section 9.1). */
export const bodyStep = (mPas: number): number => clamp(4 + Math.log(Math.max(1e-9, mPas) / 200) / Math.log(4), 1, 7);

/** The viscosity of a step, mPa s: the inverse of `bodyStep`. */
export const stepMpas = (step: number): number => 200 * 4 ** (step - 4);

/** The word of a step. */
export const bodyWord = (step: number): BodyWord => BODY_STEPS[clamp(Math.round(step), 1, 7) - 1]!;
