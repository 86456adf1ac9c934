import { anchorAt, lacticForPh, poolOf, TYPICAL_ACIDS, type AcidWorld } from '../acid';
import { POD_STRENGTH } from '../cook';
import { ACIDS, noGrams, sumGrams, type Component, type Grams } from '../matter/component';
import { tagsOf } from '../matter/allergen';
import { gramsPerGram, type Ingredient } from '../matter/ingredient';
import { KINDS, kindOf } from '../matter/kind';
import type { Food } from '../matter/food';
import { foodsOf } from '../matter/rowFoods';
import { massOf, scale, type Stream, type Thing } from '../matter/stream';
import { TYPICAL, type Draw } from '../stat/draw';
import { heatOfRow } from './hotRow';
import type { PodLot } from './lot';

/** Log-sd of tabulated acid contents, where the row says nothing (chapter 3, section 9). */
const ACID_SD = 0.25;
/** Log-sd of protein contents, and of the generic protein buffer common to all rows. */
const PROTEIN_SD = { own: 0.2, shared: 0.3 } as const;
const PKA_SD = 0.03;
/** Log-sd of sugars and insoluble pulp between fruits of a row (our judgement). */
const SOLIDS_SD = { sugars: 0.12, pulp: 0.12 } as const;

/** The systematic acid unknowns of a draw. */
export function acidWorld(draw: Draw): AcidWorld {
  if (draw.typical) return TYPICAL_ACIDS;
  return {
    proteinFactor: Math.exp(PROTEIN_SD.shared * draw.z('acid.protein')),
    pKaShift: PKA_SD * draw.z('acid.pKa'),
  };
}

/** A maker's own row is never as sure as a liquid sold by strength: only rows of the table are. */
const acidSd = (i: Ingredient): number => KINDS.get(i.key)?.acidSd ?? ACID_SD;

/** Natural pH in a draw: triangular on lo/typ/hi, read off at the draw's probability. */
function naturalPh(pH: { lo: number; typ: number; hi: number }, z: number): number {
  if (z === 0) return pH.typ;
  const p = 1 / (1 + Math.exp(-1.702 * z));
  const { lo, typ, hi } = pH;
  if (hi <= lo) return typ;
  const bend = (typ - lo) / (hi - lo);
  return p < bend ? lo + Math.sqrt(p * (hi - lo) * (typ - lo)) : hi - Math.sqrt((1 - p) * (hi - lo) * (hi - typ));
}

/** Moves some components of 1 g by factors and keeps the mass at 1 g by adjusting water. */
function adjust(base: Grams, factors: { acid: number; protein: number; sugars: number; pulp: number }): Grams {
  const g = { ...base };
  for (const c of ACIDS) g[c] *= factors.acid;
  for (const c of ['protein', 'hydrolysate'] as const) g[c] *= factors.protein;
  for (const c of ['sugars', 'pulp'] as const) g[c] *= factors[c];
  g.water = Math.max(0, base.water - (sumGrams(g) - sumGrams(base)));
  return g;
}

/** 1 g of stuff with its strong ions (eq), and the ionic strength (mol/kg) at its natural pH. */
interface Anchored {
  grams: Grams;
  sidPerG: number;
  ionicStrength?: number;
}

function anchored(grams: Grams, row: Ingredient, draw: Draw, start?: number): Anchored {
  const world = acidWorld(draw);
  const key = row.key;
  let g = grams;
  if (!draw.typical) {
    const acidFactor = Math.exp(acidSd(row) * draw.z(`acid.${key}`));
    const proteinFactor = Math.exp(PROTEIN_SD.own * draw.z(`protein.${key}`));
    const sugarFactor = Math.exp(SOLIDS_SD.sugars * draw.z(`sugars.${key}`));
    const pulpFactor = Math.exp(SOLIDS_SD.pulp * draw.z(`pulp.${key}`));
    g = adjust(grams, { acid: acidFactor, protein: proteinFactor, sugars: sugarFactor, pulp: pulpFactor });
  }
  if (!row.pH) return { grams: g, sidPerG: 0 };
  const pH = naturalPh(row.pH, draw.typical ? 0 : draw.z(`pH.${key}`));
  const pool = poolOf({ grams: g, heatShuG: 0, sidEq: 0, ledger: [] }, world);
  // The slurry's water is said for a kilogram.
  const { sid, ionicStrength } = anchorAt(pool, pH, row.pHdil / 1000, start);
  return { grams: g, sidPerG: sid, ionicStrength };
}

const known = new WeakMap<Draw, Map<Readonly<Grams>, { row: Ingredient; found: Anchored }>>();
/** The same, worked out once for each world, composition and row: an edit of a batch asks for its own again and again. */
function anchorIn(grams: Grams, row: Ingredient, draw: Draw): Anchored {
  const world = draw.typical ? TYPICAL : draw;
  let had = known.get(world);
  if (!had) known.set(world, (had = new Map()));
  const one = had.get(grams);
  if (one?.row === row) return one.found;
  // Every world lies near the typical one: its search begins there.
  const found = anchored(grams, row, world, draw.typical ? undefined : anchorIn(grams, row, TYPICAL).ionicStrength);
  had.set(grams, { row, found });
  if (had.size > MOST_KNOWN) had.delete(had.keys().next().value!);
  return found;
}
/** Rows of a few batches. */
const MOST_KNOWN = 120;

/** What milk and egg stand in hot sauce, °C (handbook chapter 5, section 14, judgement). */
const CURDLES: Partial<Record<Food, number>> = { dairy: 40, egg: 65 };

/** The most a thing stands in hot sauce: its kind's, or that of the milk or egg in it; null for what stands the pot. */
function standsOf(row: Ingredient): NonNullable<Thing['stands']> | null {
  const own = kindOf(row).stands;
  const foods = foodsOf(row);
  const curdles = (Object.keys(CURDLES) as Food[]).filter((f) => foods.has(f)).map((f) => CURDLES[f]!);
  const mostC = Math.min(own?.mostC ?? Infinity, ...curdles);
  if (mostC === Infinity) return null;
  return mostC === own?.mostC ? own : { mostC, why: 'it curdles' };
}

const things = new WeakMap<Ingredient, Thing>();
function thingOf(row: Ingredient, base: Readonly<Grams>): Thing {
  let thing = things.get(row);
  if (!thing) {
    const { key, name, hex } = row;
    const { strength = 1, tint } = kindOf(row);
    const stands = standsOf(row);
    thing = { id: key, name, pulp: base.pulp, strength, hex, tint, allergens: tagsOf(row), ...(stands ? { stands } : {}) };
    things.set(row, thing);
  }
  return thing;
}

/**
 * A mass of an ingredient as a stream: table composition, strong ions anchored to its natural pH
 * (chapter 3, section 5.1), and the heat of what burns. In a draw, pH, acids, protein and heat vary and the anchor is
 * found anew.
 */
export function ingredientStream(row: Ingredient, massG: number, draw: Draw): Stream {
  const base = gramsPerGram(row);
  const { grams, sidPerG } = anchorIn(base, row, draw);
  const hot = heatOfRow(row);
  const heatShuG = hot ? hot.shu * Math.exp(hot.sigma * draw.z(`row.heat.${row.key}`)) : 0;
  const gram: Stream = {
    grams,
    heatShuG,
    sidEq: sidPerG,
    ledger: [{ of: thingOf(row, base), massG: 1, heatShuG }],
  };
  return scale(gram, massG / massOf(gram));
}

const gramsOfLot = new WeakMap<PodLot, { row: Ingredient; grams: Grams }>();
/** Composition of 1 g of a lot: its own water and sugar, the other solids of its acid row in their proportions. */
function lotGrams(lot: PodLot, row: Ingredient): Grams {
  const had = gramsOfLot.get(lot);
  if (had?.row === row) return had.grams;
  const grams = workOutLot(lot, row);
  gramsOfLot.set(lot, { row, grams });
  return grams;
}
function workOutLot(lot: PodLot, row: Ingredient): Grams {
  const base = gramsPerGram(row);
  const g = noGrams();
  g.water = lot.waterPct / 100;
  g.sugars = Math.min(lot.sugarsPct / 100, 0.95 * (1 - g.water));
  const others = 1 - base.water - base.sugars;
  const rest = 1 - g.water - g.sugars;
  for (const c of Object.keys(base) as Component[]) {
    if (c !== 'water' && c !== 'sugars') g[c] = (base[c] / others) * rest;
  }
  for (const [own, share] of [
    ['salt', (lot.saltPct ?? 0) / 100],
    ['fat', (lot.oilPct ?? 0) / 100],
  ] as const) {
    if (share > 0) for (const c of Object.keys(base) as Component[]) g[c] = g[c] * (1 - share) + (c === own ? share : 0);
  }
  return g;
}

/** Solids that carry no charge: what the acid of a ferment came out of. */
const CHARGELESS = ['sugars', 'pulp', 'other'] as const;

/**
 * A paste or ferment that is sourer than its pods: lactic acid up to its pH (chapter 3, section 6.3), in the place of other
 * solids, so that water, salt and heat stay what they are.
 */
function soured(gram: Stream, pH: number | undefined, draw: Draw): Stream {
  if (pH === undefined) return gram;
  const lactic = lacticForPh(scale(gram, 1000), pH, acidWorld(draw)) / 1000;
  if (!(lactic > 0)) return gram;
  const grams = { ...gram.grams, lactic: gram.grams.lactic + lactic };
  const solids = CHARGELESS.reduce((s, c) => s + grams[c], 0);
  const gives = Math.min(lactic, 0.9 * solids);
  for (const c of CHARGELESS) grams[c] -= solids > 0 ? (gives * grams[c]) / solids : 0;
  return scale({ ...gram, grams }, 1 / (1 + lactic - gives));
}

/** How strongly the insolubles of a lot thicken, by its form. */
function podStrength(lot: PodLot): number {
  if (lot.form === 'powder' || lot.form === 'flakes') return POD_STRENGTH.powder;
  return lot.waterPct < 20 ? POD_STRENGTH.dried : POD_STRENGTH.fresh;
}

function podsOf(lot: PodLot, row: Ingredient, base: Readonly<Grams>): Thing {
  const { id, name, hex } = lot;
  const allergens = lot.allergens ? [...row.allergens, ...lot.allergens] : row.allergens;
  return { id, name, pulp: base.pulp, strength: podStrength(lot), hex, tint: lot.waterPct < 20 ? 6 : 1, allergens };
}

/**
 * A mass of destemmed whole pods of a lot as a stream. Heat is the lot's dry-basis pungency times its dry
 * matter (chapter 2, section 1.2); in a draw the lot mean varies, and the pods around it.
 */
export function lotStream(lot: PodLot, row: Ingredient, massG: number, draw: Draw, podSd: number): Stream {
  const base = lotGrams(lot, row);
  const { grams, sidPerG } = anchorIn(base, row, draw);
  const spread = lot.heat ? lot.heat.sigma * draw.z(`lot.heat.${lot.id}`) + podSd * draw.z(`lot.pods.${lot.id}`) : 0;
  const heatShuG = lot.heat ? lot.heat.dryShu * (1 - lot.waterPct / 100) * Math.exp(spread) : 0;
  const gram: Stream = {
    grams,
    heatShuG,
    sidEq: sidPerG,
    ledger: [{ of: podsOf(lot, row, base), massG: 1, heatShuG }],
  };
  return scale(soured(gram, lot.pH, draw), massG / massOf(gram));
}
