import { bodyStep, GROUND, sauceMpas, stepMpas, type Thickeners } from '../cook';
import { brixOf } from '../matter/brix';
import { volumeMl } from '../matter/density';
import type { Stream } from '../matter/stream';
import type { Parcel } from './parcel';
import type { Looked, Texture } from './past';

/** Log-sd of a viscosity that nobody looked at: half a step (handbook chapter 5, section 0.3). */
export const BODY_SD = 0.7;
/** g/ml of oil. */
const OIL_DENSITY = 0.915;

/** How strongly the insolubles of a mix thicken: the mean over what is still in it, by its insolubles. */
function strengthIn(stream: Stream): number {
  let pulp = 0;
  let strong = 0;
  for (const e of stream.ledger) {
    const pulpG = e.massG * e.of.pulp;
    pulp += pulpG;
    strong += pulpG * e.of.strength;
  }
  return pulp > 0 ? strong / pulp : 1;
}

function thickenersIn({ stream, past }: Parcel, texture: Texture): Thickeners {
  const { water, pulp, starch, gum } = stream.grams;
  const ml = volumeMl(stream);
  return {
    brix: brixOf(stream),
    insolublePct: (100 * pulp * strengthIn(stream) * GROUND[texture]) / (water + pulp),
    starchPct: (100 * starch) / (water + starch),
    gumPct: (100 * gum) / water,
    oilShare: ml > 0 ? past.freeOilG / OIL_DENSITY / ml : 0,
  };
}

/** mPa s by the model alone; null for what is still in pieces, or dry. */
function plainMpas(p: Parcel, tempC: number): number | null {
  const { texture } = p.past;
  return texture === null || !(p.stream.grams.water > 0) ? null : sauceMpas(thickenersIn(p, texture), tempC);
}

/**
 * The body of a parcel, steps 1 to 7 at `tempC`; null for what is still in pieces, or dry. `luck` is a standard normal.
 */
export function bodyOf(p: Parcel, luck = 0, tempC = 20): number | null {
  const mPas = plainMpas(p, tempC);
  const { log, sd } = p.past.look ?? NOT_LOOKED;
  return mPas === null ? null : bodyStep(mPas * Math.exp(log + sd * luck));
}
const NOT_LOOKED: Looked = { log: 0, sd: BODY_SD };

/** Log-sd of a look: half a step (section 9.3). */
export const LOOK_SD = 0.7;

/** What one look shows of a parcel against the model alone; null where there is no body to see. */
export function seenOf(p: Parcel, step: number): Looked | null {
  const mPas = plainMpas(p, 20);
  return mPas === null ? null : { log: Math.log(stepMpas(step) / mPas), sd: LOOK_SD };
}

/** A parcel that was looked at and seen to be of a step: what was known of it and the look, by precision. */
export function lookedAt(p: Parcel, step: number): Parcel {
  const seen = seenOf(p, step);
  if (seen === null) return p;
  const had = p.past.look ?? NOT_LOOKED;
  const [a, b] = [1 / had.sd ** 2, 1 / seen.sd ** 2];
  return { ...p, past: { ...p.past, look: { log: (a * had.log + b * seen.log) / (a + b), sd: 1 / Math.sqrt(a + b) } } };
}
