import { JAR_VERDICTS, type JarVerdict } from '../matter/jar';
import type { Food } from '../matter/food';

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
  /** g of oil and fat that runs free. */
  freeOilG: number;
  cooked: Cooked;
  /** Days it stood since it was cooked. */
  stoodDays: number;
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
  freeOilG: 0,
  cooked: 'no',
  stoodDays: 0,
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
    freeOilG: a.freeOilG + b.freeOilG,
    // A merge of cooked and raw is raw; a plan to cook does not outlive what is added after it.
    cooked: COOKED[Math.min(COOKED.indexOf(a.cooked), COOKED.indexOf(b.cooked))]!,
    stoodDays: Math.max(a.stoodDays, b.stoodDays),
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

/** Cooked stuff that stood longer than this before it was filled or worked on is raw to the rules, days (our judgement). */
const STANDS_DAYS = 1;

/** A past `days` later: what was cooked does not stay so in an open pot. */
export function aged(past: Past, days: number): Past {
  if (past.cooked === 'no' || !(days > 0)) return past;
  const stoodDays = past.stoodDays + days;
  return { ...past, stoodDays, cooked: stoodDays > STANDS_DAYS ? 'no' : past.cooked };
}
