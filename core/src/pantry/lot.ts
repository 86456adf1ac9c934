import { lotSigma, type PodAnatomy, type Preparation, retained } from '../heat';
import { acidsLike, variety, type CapsaicinoidClass, type Variety } from '../matter/variety';

/** What is believed of a lot's heat: median SHU per g of dry matter and log-sd of the lot mean. */
export interface LotHeat {
  dryShu: number;
  sigma: number;
  source: 'table' | 'label' | 'lab' | 'taste';
}

/** A lot of pods: what a batch needs to know of it, so that a batch file runs anywhere. */
export interface PodLot {
  id: string;
  name: string;
  form: 'fresh' | 'frozen' | 'dried' | 'flakes' | 'powder';
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
}

/** A lot of a table variety, with the table's heat. */
export function lotOfVariety(v: Variety, own: { id: string; name?: string; form?: PodLot['form'] }): PodLot {
  const hot = v.shuDry.low > 0;
  return {
    id: own.id,
    name: own.name ?? v.name,
    form: own.form ?? v.form,
    varietyId: v.id,
    waterPct: v.waterPct,
    sugarsPct: v.solubleSugarGPer100g,
    podMassG: v.pod?.massG.typical ?? null,
    anatomy: v.pod?.massFraction ?? null,
    capsaicinoidClass: v.capsaicinoidClass,
    hex: v.ripeColour,
    like: acidsLike(v),
    heat: hot ? { dryShu: v.shuDry.typical, sigma: lotSigma(v.shuDry.low, v.shuDry.high), source: 'table' } : null,
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

export { variety };
