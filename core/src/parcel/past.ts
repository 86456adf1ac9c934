import { JAR_VERDICTS, type JarVerdict } from '../matter/jar';
import { PRODUCE, type Food } from '../matter/food';

export type Instrument = 'meter' | 'strip';
/** Sd of a pH reading when nothing more is known of the instrument: a calibrated meter, a paper strip (handbook chapter 4, section 4). */
export const INSTRUMENT_SD: Record<Instrument, number> = { meter: 0.05, strip: 0.4 };
/** Sd of a reading: what its kind of instrument has, or more where a meter of the kitchen is known to have more. */
export const readingSd = (instrument: Instrument, by: { sd: number } | undefined): number =>
  instrument === 'strip' || !by ? INSTRUMENT_SD[instrument] : Math.max(INSTRUMENT_SD.meter, by.sd);

export const TEXTURES = ['rustic', 'coarse', 'medium', 'smooth', 'silky'] as const;
export type Texture = (typeof TEXTURES)[number];

/** A pH that was measured on just this stuff, and with what. */
export interface MeasuredPh {
  value: number;
  instrument: Instrument;
  /** Sd of the reading, pH. */
  sd: number;
  /** It was read of a blended sample, where the stuff itself is in pieces. */
  ofBlended?: true;
}

/** A packed jar, as the ferment and the drain need to know it. */
export interface PackedJar {
  produceG: number;
  produceWaterG: number;
  /** g water over g of produce and water, 0 to 1. */
  produceShare: number;
  brinePct: number;
  wholeJarPct: number;
  mash: boolean;
  cut: 'mash' | 'chopped' | 'halved' | 'whole';
  /** Hours it has stood. */
  hours: number;
}

/** How much thicker stuff is than the model says, as a logarithm of its viscosity, and the sd of that. */
export interface Looked {
  log: number;
  sd: number;
}

/** Heated through at 82 °C or more for 10 minutes, after the last thing went in: not, as a plan, or done. */
export const COOKED = ['no', 'planned', 'yes'] as const;
export type Cooked = (typeof COOKED)[number];

/** What happened to a parcel so far: all that the rules of keeping and the stations ahead must know. */
export interface Past {
  /** Everything that went in, by what it is to the rules. Only grows. */
  foods: ReadonlySet<Food>;
  /** What of it is fresh: neither soured in a jar nor cooked since it went in. */
  fresh: ReadonlySet<Food>;
  /** g of it that row 2 of the table is about, and of all raw produce (handbook chapter 6, section 2). */
  shortG: number;
  rawG: number;
  /** g of water that somebody added and that is still there: only steam takes water alone (chapter 6, section 8). */
  addedWaterG: number;
  /** g of oil and fat that runs free. */
  freeOilG: number;
  cooked: Cooked;
  /** Blended to one body since the last thing went in. */
  blended: boolean;
  texture: Texture | null;
  /** Lost by everything that changes what was measured. */
  ph: MeasuredPh | null;
  /** Null when nothing of it soured in a jar. */
  ferment: JarVerdict | null;
  /** Set by packing, kept by souring, dropped by everything else. */
  jar: PackedJar | null;
  /** g of wet seeds in it. */
  seedG: number;
  /** g of water that its dried pods can still take up. */
  thirstG: number;
  /** What eyes said of its thickness, or what its blender is known for; null when nobody looked. */
  look: Looked | null;
}

export const NO_PAST: Past = {
  foods: new Set(),
  fresh: new Set(),
  shortG: 0,
  rawG: 0,
  addedWaterG: 0,
  freeOilG: 0,
  cooked: 'no',
  blended: false,
  texture: null,
  ph: null,
  ferment: null,
  jar: null,
  seedG: 0,
  thirstG: 0,
  look: null,
};

/** The later of two in an ordered list of names; null is before all of them. */
function worse<T extends string>(order: readonly T[], a: T | null, b: T | null): T | null {
  if (a === null || b === null) return a ?? b;
  return order[Math.max(order.indexOf(a), order.indexOf(b))]!;
}

const isWithin = <T>(some: ReadonlySet<T>, all: ReadonlySet<T>): boolean => {
  for (const x of some) if (!all.has(x)) return false;
  return true;
};
function union<T>(a: ReadonlySet<T>, b: ReadonlySet<T>): ReadonlySet<T> {
  if (b.size === 0) return a;
  if (a.size === 0) return b;
  if (a === b || isWithin(b, a)) return a;
  return isWithin(a, b) ? b : new Set([...a, ...b]);
}

/** What a mix of two parcels remembers: one rule per field. */
export function mergePasts(a: Past, b: Past): Past {
  return {
    foods: union(a.foods, b.foods),
    fresh: union(a.fresh, b.fresh),
    shortG: a.shortG + b.shortG,
    rawG: a.rawG + b.rawG,
    addedWaterG: a.addedWaterG + b.addedWaterG,
    freeOilG: a.freeOilG + b.freeOilG,
    // A merge of cooked and raw is raw; a plan to cook does not outlive what is added after it.
    cooked: COOKED[Math.min(COOKED.indexOf(a.cooked), COOKED.indexOf(b.cooked))]!,
    blended: false,
    // Two textures are as coarse as the coarser.
    texture:
      a.texture === null || b.texture === null
        ? (a.texture ?? b.texture)
        : TEXTURES[Math.min(TEXTURES.indexOf(a.texture), TEXTURES.indexOf(b.texture))]!,
    ph: null,
    ferment: worse(JAR_VERDICTS, a.ferment, b.ferment),
    jar: null,
    seedG: a.seedG + b.seedG,
    thirstG: a.thirstG + b.thirstG,
    // What was seen of one part is the best there is for the whole.
    look: a.look === null || (b.look !== null && b.look.sd > a.look.sd) ? (b.look ?? a.look) : a.look,
  };
}

/** Nothing of it is fresh any more: it soured in a jar, or was heated through. */
export const notFresh = (past: Past): Past => ({ ...past, fresh: NOTHING, shortG: 0, rawG: 0 });
const NOTHING: ReadonlySet<Food> = new Set();

/** A past after `waterG` left as steam: of the water that was added it takes first (chapter 5, section 18.1). */
export const steamedOff = (past: Past, waterG: number): Past =>
  past.addedWaterG > 0 ? { ...past, addedWaterG: Math.max(0, past.addedWaterG - waterG) } : past;

/** Foods that go off soonest (chapter 5, section 17, row 2), and what is as short of life or unknown. */
export const SHORT_LIVED: readonly Food[] = ['leaf', 'avocado', 'fruit', 'onion', 'tomato', 'dairy', 'egg', 'meat', 'fish', 'unknown'];

/** The past of `massG` of something fresh, by what it is to the rules; `waterG` of it is water that somebody adds. */
export function freshPast(
  foods: ReadonlySet<Food>,
  massG: number,
  waterG = 0,
): Pick<Past, 'foods' | 'fresh' | 'shortG' | 'rawG' | 'addedWaterG'> {
  const short = SHORT_LIVED.some((f) => foods.has(f));
  const raw = short || PRODUCE.some((f) => foods.has(f));
  return { foods, fresh: foods, shortG: short ? massG : 0, rawG: raw ? massG : 0, addedWaterG: waterG };
}

const WATER: ReadonlySet<Food> = new Set<Food>(['water']);
/** The past of `massG` of water that a station puts in. */
export const watered = (massG: number): Partial<Past> => ({ foods: WATER, addedWaterG: massG });
