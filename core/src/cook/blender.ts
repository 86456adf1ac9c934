import type { GROUND } from './thickness';

type Texture = keyof typeof GROUND;

/** What a blender does besides grinding (handbook chapter 5, section 11; chapter 2, section 9; judgement). */

/** Kinds: seconds against a jug, how full it may be, power into the food (W). */
export const BLENDERS = {
  jug: { name: 'jug', slower: 1, fill: 0.65, watts: 250 },
  strong: { name: 'strong jug', slower: 0.5, fill: 0.65, watts: 900 },
  stick: { name: 'stick, in the pot', slower: 2, fill: 0.7, watts: 250 },
  processor: { name: 'food processor', slower: 1.5, fill: 0.5, watts: 250 },
  mortar: { name: 'mortar', slower: 8, fill: 0.4, watts: 0 },
} as const;
export type Blender = keyof typeof BLENDERS;
/** How full with hot stuff. */
const HOT_FILL = 0.5;
/** Less than this share of the vessel leaves the blades bare. */
const LEAST = 0.15;

/** Seconds in a jug, by texture. */
export const SECONDS: Record<Texture, number> = { rustic: 10, coarse: 30, medium: 75, smooth: 180, silky: 300 };

export interface Loads {
  /** Equal loads, and ml in each. */
  loads: number;
  eachMl: number;
  /** So little that the blades stand bare. */
  tooLittle: boolean;
}

/** How many equal loads `ml` makes in a vessel of `vesselMl`. */
export function loadsOf(kind: Blender, vesselMl: number, ml: number, hot: boolean): Loads {
  const most = vesselMl * (hot ? Math.min(HOT_FILL, BLENDERS[kind].fill) : BLENDERS[kind].fill);
  const loads = Math.max(1, Math.ceil(ml / most - 1e-9));
  return { loads, eachMl: ml / loads, tooLittle: ml / loads < LEAST * vesselMl };
}

/** Less than this and the blades turn in air: they hand on less, in step with what there is, g (our judgement). */
const COUPLED_G = 400;
/** No home blender makes anything warmer than so much by turning alone, K (our judgement: hot soup, not a boil). */
const MOST_K = 50;
/** K that a load warms up by. */
export const warmsK = (kind: Blender, texture: Texture, massG: number): number =>
  massG > 0 ? Math.min(MOST_K, (BLENDERS[kind].watts * SECONDS[texture] * BLENDERS[kind].slower) / (3.8 * Math.max(COUPLED_G, massG))) : 0;

/** Air beaten in, share of the volume, by step of body; it falls out again within hours. */
export function airShare(texture: Texture, body: number | null, gum: boolean): number {
  const step = body ?? 2;
  const top = step <= 2 ? 0.02 : step <= 3 ? 0.05 : step <= 4 ? 0.08 : 0.12;
  return top * (gum ? 1.5 : 1) * (1 - Math.exp(-SECONDS[texture] / 60));
}
