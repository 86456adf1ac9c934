import { chargePerKg, poolOf } from '../../acid';
import { ACIDS } from '../../matter/component';
import type { Ingredient } from '../../matter/ingredient';
import { kindOf, SPOON_STEPS, type SpoonStep } from '../../matter/kind';
import { heatShu, percent, scale, type Stream } from '../../matter/stream';
import { ingredientStream, lotStream, type PodLot } from '../../pantry';
import { bulkDensity, VOLUMES_ML, type Kitchen } from '../../reading';
import { TYPICAL } from '../../stat/draw';
import { thickeningOf } from '../blend/thick';
import type { TrimPart, TrimThing } from './model';
import type { TrimWish, Window } from './rails';

/** Something of the larder or of the pods that could be stirred in. */
export type TrimStock = ({ row: Ingredient; lot?: undefined } | { lot: PodLot; row: Ingredient }) & {
  /** g there are of it. */
  stockG: number;
  perKg?: number | null;
  /** More of it may be bought. */
  buys?: true;
};

/** Each step of a spoon as a share of a teaspoon, a tablespoon or a cup. */
const SHARES: Readonly<Record<SpoonStep, { of: 'tsp' | 'tbsp' | 'cup'; share: number }>> = {
  '1/8 tsp': { of: 'tsp', share: 1 / 8 },
  '1/4 tsp': { of: 'tsp', share: 1 / 4 },
  '1/2 tsp': { of: 'tsp', share: 1 / 2 },
  tsp: { of: 'tsp', share: 1 },
  tbsp: { of: 'tbsp', share: 1 },
  '1/4 cup': { of: 'cup', share: 1 / 4 },
};
const SPOONS = SPOON_STEPS.map((step) => ({ step, ...SHARES[step] }));

/** Forms of pods that stir in; cut ones must be ground first. */
const POD_TRIMS: Partial<Record<PodLot['form'], SpoonStep>> = {
  powder: '1/4 tsp',
  flakes: '1/4 tsp',
  paste: 'tsp',
  ferment: 'tbsp',
  pulp: 'tbsp',
};

/** A sauce of this many g takes the usual spoons; a third or three times as much takes the next size. */
const USUAL_G = { low: 350, high: 2500 } as const;
/** More steps than the one nobody counts, and than the other nobody should have to. */
const MOST_STEPS = 32;
const COUNTED = 12;
/** In a large pot a step is at least this much of it, %. */
const LEAST_STEP_PCT = 0.02;

/** What a walk to the shop costs, in % of the batch (our judgement). */
const SHOP_PENALTY = 1;

/** What comes out fully only after a night, of a row of the larder. */
export const rowWantsNight = (row: Ingredient): boolean => kindOf(row).night === true;
/** The same of anything that may be stirred in: powder and raw things (chapter 2, section 8; chapter 5, section 13). */
export const wantsNight = (stock: TrimStock): boolean =>
  stock.lot ? ['powder', 'flakes'].includes(stock.lot.form) : rowWantsNight(stock.row);

/** All acids of a stream, %. */
export function acidPctOf(stream: Stream): number {
  return ACIDS.reduce((s, a) => s + percent(stream, a), 0);
}

/** A stream of 1 g as a part of the program; heat and all else as it is. */
export function partOf(gram: Stream): TrimPart {
  const pool = poolOf(scale(gram, 1000));
  const acts = pool.waterKg > 0 || pool.acids.length > 0 || pool.sidEq !== 0;
  return {
    shu: heatShu(gram),
    saltPct: percent(gram, 'salt'),
    sugarPct: percent(gram, 'sugars'),
    acidPct: acidPctOf(gram),
    thick: thickeningOf(gram),
    charge: acts ? (pH, I) => chargePerKg(pool, pH, I) : null,
  };
}

export const idOfStock = (s: TrimStock): string => s.lot?.id ?? s.row.key;
/** 1 g of it. */
export const gramOf = (s: TrimStock): Stream => (s.lot ? lotStream(s.lot, s.row, 1, TYPICAL, 0) : ingredientStream(s.row, 1, TYPICAL));

/** g of a spoon of it: by its own weight where the table has one, else by its density. */
function spoonG(row: Ingredient, spoon: (typeof SPOONS)[number], kitchen: Kitchen): number {
  return (
    spoon.share *
    VOLUMES_ML[kitchen][spoon.of] *
    (row.measure[spoon.of] > 0 ? row.measure[spoon.of] / VOLUMES_ML.us[spoon.of] : bulkDensity(row))
  );
}

/** g of it that brings one rail that was named to the near edge of its window on its own; Infinity when it never does. */
function jobG(part: TrimPart, base: TrimPart, massG: number, wish: TrimWish, bulk: boolean): number {
  const by = (now: number, own: number, near: number) => {
    const g = (massG * (near - now)) / (own - near);
    return g > 0 && Number.isFinite(g) ? g : Infinity;
  };
  const near = (w: Window | null, now: number) => (!w ? now : now < w.low ? w.low : now > w.high ? w.high : now);
  const of = (rail: 'heat' | 'salt' | 'sweet', now: number, own: number) =>
    wish[rail]?.named ? by(now, own, near(wish[rail], now)) : Infinity;
  const zOf = (p: TrimPart) => p.charge?.(wish.sour!.high, FIRST_IONIC) ?? 0;
  const sour = wish.sour?.named && !wish.acid && zOf(part) < 0 ? (-massG * zOf(base)) / zOf(part) : Infinity;
  // Only what is taken in bulk thins the rest; a seasoning serves its own rail.
  const serves = (now: number, own: number) => bulk || own > now;
  return Math.min(
    serves(base.shu, part.shu) ? of('heat', base.shu, part.shu) : Infinity,
    serves(base.saltPct, part.saltPct) ? of('salt', base.saltPct, part.saltPct) : Infinity,
    serves(base.sugarPct, part.sugarPct) ? of('sweet', base.sugarPct, part.sugarPct) : Infinity,
    wish.acid && bulk ? by(base.acidPct, part.acidPct, near(wish.acid, base.acidPct)) : Infinity,
    sour > 0 ? sour : Infinity,
  );
}
/** Ionic strength of a salted sauce, mol per kg water, for a first guess. */
const FIRST_IONIC = 0.4;

/** What of a stock can be stirred into a sauce, in steps of a spoon that fits the job; null for what is no trim. */
export function trimThing(stock: TrimStock, base: TrimPart, massG: number, wish: TrimWish, kitchen: Kitchen): TrimThing | null {
  // What must boil, soak or be ground first is no trim: starch, oil, raw roots, blocks, whole spices.
  const known = kindOf(stock.row).trim;
  const usual = stock.lot ? POD_TRIMS[stock.lot.form] : known?.spoon;
  if (!usual) return null;
  const part = partOf(gramOf(stock));
  const job = jobG(part, base, massG, wish, usual === 'tbsp');
  const gOf = (at: number) => spoonG(stock.row, SPOONS[at]!, kitchen);
  // A small pot takes the next smaller spoon; a large job a larger one, so that nobody counts to thirty.
  let at = SPOONS.findIndex((s) => s.step === usual);
  while (at > 0 && massG < USUAL_G.low && at > SPOONS.findIndex((s) => s.step === usual) - 1) at--;
  while (at < SPOONS.length - 1 && Number.isFinite(job) && job > COUNTED * gOf(at)) at++;
  while (at < SPOONS.length - 1 && massG > USUAL_G.high && 100 * gOf(at) < massG * LEAST_STEP_PCT) at++;
  const stepG = Math.max(0.05, Math.round(gOf(at) * 100) / 100);
  const mostG = Math.min(stock.buys ? Infinity : stock.stockG, known?.mostPct === undefined ? Infinity : (massG * known.mostPct) / 100);
  const most = Math.min(MOST_STEPS, Math.floor(mostG / stepG + 1e-9));
  if (most < 1) return null;
  return {
    ...part,
    id: idOfStock(stock),
    name: stock.lot?.name ?? stock.row.name,
    stepG,
    step: SPOONS[at]!.step,
    most,
    perKg: stock.perKg ?? null,
    penalty: (stock.lot ? 0.1 : known!.penalty) + (stock.buys && stock.stockG < stepG ? SHOP_PENALTY : 0),
  };
}
