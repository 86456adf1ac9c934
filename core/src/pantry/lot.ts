import { knifeSd, lotSigma, type LotHeat, type PodAnatomy, type Preparation, retained } from '../heat';
import type { JarVerdict } from '../matter/jar';
import { acidsLike, variety, type CapsaicinoidClass, type Variety } from '../matter/variety';

export const POD_FORMS = ['fresh', 'frozen', 'dried', 'flakes', 'powder', 'paste', 'ferment', 'pulp'] as const;
export type PodForm = (typeof POD_FORMS)[number];
/** Names of the forms for people. */
export const FORM_NAMES: Record<PodForm, string> = {
  fresh: 'fresh',
  frozen: 'frozen',
  dried: 'dried',
  flakes: 'flakes',
  powder: 'powder',
  paste: 'paste',
  ferment: 'own ferment',
  pulp: 'own dried pulp',
};
/** Forms that are counted in pods and can be cut. */
export const hasPods = (form: PodForm): boolean => form === 'fresh' || form === 'frozen' || form === 'dried';

/** A lot of pods: what a batch needs to know of it, so that a batch file runs anywhere. */
export interface PodLot {
  id: string;
  name: string;
  form: PodForm;
  varietyId: string;
  waterPct: number;
  sugarsPct: number;
  podMassG: number | null;
  anatomy: PodAnatomy | null;
  capsaicinoidClass: CapsaicinoidClass;
  hex: string;
  /** Ingredient row whose acids, protein and natural pH stand for this pod. */
  like: string;
  /** null: no heat at all */
  heat: LotHeat | null;
  /** What the variety tells a blend: taste, wall, and the number quoted for it on fresh weight (school B). */
  flavour?: string[];
  wall?: Variety['wall'];
  quotedShu?: number;
  /** Salt (%), oil (%) and pH of a paste or an own ferment, when it has any of its own. */
  saltPct?: number;
  oilPct?: number;
  pH?: number;
  /** Of pulp that a sieve kept: foods (see parcel/foods) and allergen tags of everything that had gone into it. */
  foods?: string[];
  allergens?: string[];
  /** Of what came out of a jar: how sure that jar was, as last known. */
  jar?: JarVerdict;
}

/** Water a form holds when nothing better is known, % (common practice, no source; own ferment and paste as the pod). */
const FORM_WATER: Partial<Record<PodForm, number>> = { dried: 11, flakes: 10, powder: 9, pulp: 9 };

/** Geometric middle of the number quoted for a variety; undefined when none is. */
function quotedOf(v: Variety): number | undefined {
  const { low, high } = v.shuQuotedPopular;
  return high > 0 ? Math.sqrt(Math.max(low, high / 10) * high) : undefined;
}

/** A lot of a variety, with the table's heat. A form drier than the variety's own gets that form's water. */
export function lotOfVariety(v: Variety, own: { id: string; name?: string; form?: PodForm }): PodLot {
  const hot = v.shuDry.low > 0;
  const form = own.form ?? v.form;
  const dry = FORM_WATER[form];
  const dried = dry !== undefined && v.waterPct > 30;
  const waterPct = dried ? dry : v.waterPct;
  const shrunk = dried ? (1 - v.waterPct / 100) / (1 - dry / 100) : 1;
  const whole = hasPods(form);
  const quoted = quotedOf(v);
  return {
    id: own.id,
    name: own.name ?? v.name,
    form,
    varietyId: v.id,
    waterPct,
    sugarsPct: Math.min(60, v.solubleSugarGPer100g / shrunk),
    podMassG: whole && v.pod ? Math.max(0.05, v.pod.massG.typical * shrunk) : null,
    anatomy: whole ? (v.pod?.massFraction ?? null) : null,
    capsaicinoidClass: v.capsaicinoidClass,
    hex: v.ripeColour,
    like: acidsLike(v),
    heat: hot ? { dryShu: v.shuDry.typical, sigma: lotSigma(v.shuDry.low, v.shuDry.high), source: 'table' } : null,
    ...(v.flavour.length > 0 ? { flavour: v.flavour } : {}),
    ...(v.wall ? { wall: v.wall } : {}),
    ...(quoted === undefined ? {} : { quotedShu: Math.round(quoted) }),
    ...(form === 'ferment' ? { saltPct: 3, pH: 3.7 } : {}),
  };
}

/** Number of pods in a mass of a lot (g, stems on); infinite for powder and flakes. */
export function podsIn(lot: PodLot, massG: number): number {
  return lot.podMassG ? massG / lot.podMassG : Infinity;
}

/** Median SHU of the destemmed pod as it is. */
export function lotShu(lot: PodLot): number {
  return lot.heat ? lot.heat.dryShu * (1 - lot.waterPct / 100) : 0;
}

/** What 1 g of a lot as bought (stem on) gives after the knife: grams of prepared pod and heat load in SHU g. */
export function preparedPerGram(lot: PodLot, prep: Preparation): { massG: number; heatShuG: number } {
  const stem = lot.anatomy?.stem ?? 0;
  const kept = retained(prep, lot.capsaicinoidClass, lot.anatomy);
  return { massG: (1 - stem) * kept.mass, heatShuG: (1 - stem) * kept.heat * lotShu(lot) };
}

/** Log-sd of the heat that the knife leaves. */
export function prepSd(lot: PodLot, prep: Preparation): number {
  return knifeSd(prep, lot.capsaicinoidClass, lot.anatomy);
}

export { variety };
