import { bodyStep, GROUND, sauceMpas, type Thickeners } from '../cook';
import { brixOf } from '../matter/brix';
import { volumeMl } from '../matter/density';
import type { Stream } from '../matter/stream';
import type { Parcel } from './parcel';
import type { Texture } from './past';

/** Log-sd of a viscosity that nobody looked at: half a step (handbook chapter 5, section 0.3). */
export const BODY_SD = 0.7;
/** g/ml of oil. */
const OIL_DENSITY = 0.915;

/** How strongly the insolubles of a mix thicken: the mean over what is still in it, by its insolubles. */
function strengthIn(stream: Stream): number {
  let pulp = 0;
  let strong = 0;
  for (const e of stream.ledger) {
    pulp += e.massG * e.pulp;
    strong += e.massG * e.pulp * e.strength;
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

/**
 * The body of a parcel, steps 1 to 7 at `tempC`; null for what is still in pieces, or dry. `luck` is a standard normal.
 */
export function bodyOf(p: Parcel, luck = 0, tempC = 20): number | null {
  const { texture } = p.past;
  if (texture === null || !(p.stream.grams.water > 0)) return null;
  return bodyStep(sauceMpas(thickenersIn(p, texture), tempC) * Math.exp(BODY_SD * luck));
}
