import { COMPONENTS, noGrams, type Component } from '../matter/component';
import { colourOf } from '../matter/colour';
import { heatShu, massOf, scale, type Stream } from '../matter/stream';
import type { Draw } from '../stat/draw';
import type { Food } from '../matter/food';
import { parcel, type Parcel } from './parcel';
import type { JarVerdict } from '../matter/jar';
import { freshPast, type Texture } from './past';

/** Something that a batch left and that was kept (brine, pulp, a finished sauce): what another batch needs to know of it. */
export interface StoredStuff {
  id: string;
  name: string;
  /** Where it is from, in words: the batch. */
  from: string;
  keptOn: string;
  /** The last day it may be used on, unless it is frozen. */
  useBy: string;
  hex: string;
  /** g in 100 g; components that are not there are left out. */
  per100: Partial<Record<Component, number>>;
  /** Strong ions, eq in 1 kg. */
  sidEqPerKg: number;
  /** Heat as it is, and its log-sd; null for none. */
  heat: { shu: number; sigma: number } | null;
  past: StoredPast;
  /** What went into it, most first, with allergen tags; not known of what was kept before this was noted. */
  made?: { id: string; name: string; pct: number; allergens: string[] }[];
}

/**
 * What happened to it, amounts per 100 g. A pH that was measured before does not travel; nor that it was cooked, for it was
 * opened since.
 */
export interface StoredPast {
  foods: Food[];
  fresh: Food[];
  /** Fresh things of row 2, and all raw produce, in 100 g; where older files say nothing, all of it where any is fresh. */
  shortPct?: number;
  rawPct?: number;
  freeOilPct: number;
  ferment: JarVerdict | null;
  texture: Texture | null;
  seedPct: number;
}

/** What a parcel is, as something kept. `sigma` is the log-sd of its heat. Throws RangeError for nothing. */
export function storedOf(p: Parcel, own: Pick<StoredStuff, 'id' | 'name' | 'from' | 'keptOn' | 'useBy'>, sigma: number): StoredStuff {
  const massG = massOf(p.stream);
  if (!(massG > 0)) throw new RangeError('There is nothing to keep');
  const per100: StoredStuff['per100'] = {};
  for (const c of COMPONENTS) if (p.stream.grams[c] > 0) per100[c] = (100 * p.stream.grams[c]) / massG;
  const shu = heatShu(p.stream);
  const { past } = p;
  return {
    ...own,
    hex: colourOf(p.stream),
    per100,
    sidEqPerKg: (1000 * p.stream.sidEq) / massG,
    heat: shu > 0 ? { shu, sigma } : null,
    past: {
      foods: [...past.foods],
      fresh: [...past.fresh],
      shortPct: Math.min(100, (100 * past.shortG) / massG),
      rawPct: Math.min(100, (100 * past.rawG) / massG),
      freeOilPct: (100 * past.freeOilG) / massG,
      ferment: past.ferment,
      texture: past.texture,
      seedPct: (100 * past.seedG) / massG,
    },
    made: madeOf(p.stream),
  };
}

/** So many things at the most are told of. */
const MOST_MADE = 60;
/** What a stream is of, most first; what is gone by now is named too, for the sake of its allergens. */
function madeOf(stream: Stream): NonNullable<StoredStuff['made']> {
  const all = stream.ledger.reduce((s, e) => s + e.massG, 0);
  return [...stream.ledger]
    .sort((a, b) => b.massG - a.massG)
    .slice(0, MOST_MADE)
    .map((e) => ({
      id: e.of.id,
      name: e.of.name.slice(0, 80),
      pct: all > 0 ? Math.min(100, Math.max(0, Math.round((1e6 * e.massG) / all) / 1e4)) : 0,
      allergens: [...(e.of.allergens ?? [])],
    }));
}

/** `massG` of something kept, in a world. */
export function storedParcel(stuff: StoredStuff, massG: number, draw: Draw): Parcel {
  const grams = noGrams();
  for (const c of COMPONENTS) grams[c] = (stuff.per100[c] ?? 0) / 100;
  const shu = stuff.heat ? stuff.heat.shu * Math.exp(stuff.heat.sigma * draw.z(`stored.heat.${stuff.id}`)) : 0;
  const gram: Stream = {
    grams,
    heatShuG: shu,
    sidEq: stuff.sidEqPerKg / 1000,
    ledger: [
      {
        of: {
          ...{ id: stuff.id, name: stuff.name, pulp: grams.pulp, strength: 1, hex: stuff.hex, tint: 1 },
          allergens: stuff.made?.flatMap((m) => m.allergens),
        },
        massG: 1,
        heatShuG: shu,
      },
    ],
  };
  const { foods, fresh, freeOilPct, seedPct, shortPct, rawPct, ...past } = stuff.past;
  const all = freshPast(new Set(fresh), massG);
  return parcel(scale(gram, massG / massOf(gram)), {
    ...past,
    foods: new Set(foods),
    fresh: all.fresh,
    shortG: shortPct === undefined ? all.shortG : (massG * shortPct) / 100,
    rawG: rawPct === undefined ? all.rawG : (massG * rawPct) / 100,
    freeOilG: (massG * freeOilPct) / 100,
    seedG: (massG * seedPct) / 100,
  });
}
