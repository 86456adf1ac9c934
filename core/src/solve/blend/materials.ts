import { ionicStrengthAt, poolOf, solvePh, chargePerKg } from '../../acid';
import type { Preparation } from '../../heat';
import { colourFamily } from '../../matter/colour';
import { flavoursOf } from '../../matter/flavour';
import type { Ingredient } from '../../matter/ingredient';
import { kindOf } from '../../matter/kind';
import { heatShu, massOf, mix, percent, scale, type Stream } from '../../matter/stream';
import { hasPods, heatOfRow, ingredientStream, lotStream, preparedPerGram, prepSd, type PodLot } from '../../pantry';
import { TYPICAL } from '../../stat/draw';
import type { Material, MixChemistry } from './material';
import { thickeningOf, type Thickening } from './thick';

/** A lot that may go in. Shares are % of the blend, prepared. */
export interface PodChoice {
  lot: PodLot;
  stockG: number;
  prep: Preparation;
  /** Wanted out of the way soon. */
  useFirst: boolean;
  minPct?: number;
  maxPct?: number;
  /** Money per kg as bought. */
  perKg?: number | null;
}

/** A larder row that may go in. */
export interface LarderChoice {
  row: Ingredient;
  stockG: number;
  useFirst: boolean;
  minPct?: number;
  maxPct?: number;
  perKg?: number | null;
}

/** Strength of colour (chapter 2, section 7.1: fresh 1, powder 8; dried pods and roots our judgement). */
const PIGMENT = { fresh: 1, dried: 5, powder: 8, larder: 0.8, faint: 0.05 } as const;

/** 1 g of cut pods as a stream: the knife keeps the make-up. */
export function preparedGram(choice: PodChoice, row: Ingredient): Stream {
  const whole = lotStream(choice.lot, row, 1, TYPICAL, 0);
  const p = preparedPerGram(choice.lot, choice.prep);
  return { ...scale(whole, 1 / massOf(whole)), heatShuG: p.massG > 0 ? p.heatShuG / p.massG : 0 };
}

function chargeOf(gram: Stream): Material['charge'] {
  const pool = poolOf(scale(gram, 1000));
  return pool.waterKg > 0 || pool.acids.length > 0 || pool.sidEq !== 0 ? (pH, I) => chargePerKg(pool, pH, I) : null;
}

/** A lot as a material; `gain` is what the rest of a line makes of heat and mass (1 and 1 in a bowl). */
export function podMaterial(
  choice: PodChoice,
  row: Ingredient,
  gain: { heatKept: number; massPerPod: number; added?: readonly { shu: number }[]; thick?: (gram: Stream) => Thickening } = {
    heatKept: 1,
    massPerPod: 1,
  },
): Material {
  const { lot, prep } = choice;
  const per = preparedPerGram(lot, prep);
  const gram = preparedGram(choice, row);
  const whole = hasPods(lot.form) && lot.podMassG !== null;
  const dryness = lot.waterPct < 20;
  return {
    id: lot.id,
    name: lot.name,
    choice: true,
    stockG: choice.stockG * per.massG,
    minPct: choice.minPct ?? 0,
    maxPct: choice.maxPct ?? 100,
    useUp: choice.useFirst ? 1 : 0,
    perKg: choice.perKg == null || per.massG <= 0 ? null : choice.perKg / per.massG,
    // What burns in the jug comes with every gram of pods.
    shu: (gram.heatShuG * gain.heatKept) / gain.massPerPod + (gain.added ?? []).reduce((s, a) => s + a.shu, 0),
    sigma: lot.heat ? Math.hypot(lot.heat.sigma, prepSd(lot, prep)) : 0,
    saltPct: percent(gram, 'salt'),
    sugarPct: percent(gram, 'sugars'),
    thick: gain.thick?.(gram) ?? thickeningOf(gram),
    charge: chargeOf(gram),
    flavours: flavoursOf(lot.flavour ?? []),
    colour: colourFamily(lot.hex),
    pigment: lot.form === 'powder' || lot.form === 'flakes' ? PIGMENT.powder : dryness ? PIGMENT.dried : PIGMENT.fresh,
    podG: whole ? lot.podMassG! * per.massG : null,
  };
}

/** Rows that colour a mix less than this hardly do. */
const FAINT_TINT = 0.5;

/** A larder row as a material. */
export function larderMaterial(choice: LarderChoice): Material {
  const gram = ingredientStream(choice.row, 1, TYPICAL);
  const { tint, flavours = {} } = kindOf(choice.row);
  const faint = tint < FAINT_TINT;
  return {
    id: choice.row.key,
    name: choice.row.name,
    choice: false,
    stockG: choice.stockG,
    minPct: choice.minPct ?? 0,
    maxPct: choice.maxPct ?? 100,
    useUp: choice.useFirst ? 1 : 0,
    perKg: choice.perKg ?? null,
    shu: heatShu(gram),
    sigma: heatOfRow(choice.row)?.sigma ?? 0,
    saltPct: percent(gram, 'salt'),
    sugarPct: percent(gram, 'sugars'),
    thick: thickeningOf(gram),
    charge: chargeOf(gram),
    flavours,
    colour: faint ? null : colourFamily(choice.row.hex),
    pigment: faint ? PIGMENT.faint : choice.row.water < 20 ? PIGMENT.powder : PIGMENT.larder,
    podG: null,
  };
}

/** 1 g of everything that may go in, by id. */
export type Grains = ReadonlyMap<string, Stream>;

export function grainsOf(pods: readonly PodChoice[], larder: readonly LarderChoice[], rowOf: (key: string) => Ingredient): Grains {
  return new Map([
    ...pods.map((c) => [c.lot.id, preparedGram(c, rowOf(c.lot.like))] as const),
    ...larder.map((c) => [c.row.key, ingredientStream(c.row, 1, TYPICAL)] as const),
  ]);
}

/** The mix of these grams as one stream. */
export function bowl(grains: Grains, grams: ReadonlyMap<string, number>): Stream {
  return mix(...[...grams].flatMap(([id, g]) => (grains.has(id) && g > 0 ? [scale(grains.get(id)!, g)] : [])));
}

/** The full acid chemistry of mixes of these. */
export function chemistryOf(grains: Grains): MixChemistry {
  return {
    ionicStrength: (grams, pH) => ionicStrengthAt(poolOf(bowl(grains, grams)), pH),
    pH: (grams) => {
      const stream = bowl(grains, grams);
      return stream.grams.water > 0 ? solvePh(poolOf(stream)).pH : null;
    },
  };
}
