/** Sizes that jars are sold in, ml (common practice, no source). */
export const JAR_SIZES = [125, 250, 350, 500, 700, 1000, 1500, 2000, 3000, 5000] as const;
/** ml of jar per g of cut pods, brine and headspace included (640 g in a jar of 1,500 ml). */
const ML_PER_G = 1500 / 640;
/** Between these factors of what fits best, jars are left as they are. */
const LEAST = 0.8;
const MOST = 1.8;
/** A size this near below what fits best is taken rather than the next one up. */
const SNUG = 0.85;
/** Above this, several jars are handier than one. */
const HANDY_ML = 2000;

export interface Jars {
  jarMl: number;
  jars: number;
  headspaceMl: number;
  displacementMl: number;
}

/**
 * Jars of a fitting size for `produceG` of cut pods. Jars that fit as they are stay; a size that is not sold is the
 * maker's own and stays too, only their number follows. Headspace and weight follow the size.
 */
export function fitJars(now: Jars, produceG: number): Jars {
  const pick = ({ jarMl, jars, headspaceMl, displacementMl }: Jars): Jars => ({ jarMl, jars, headspaceMl, displacementMl });
  if (!(produceG > 0)) return pick(now);
  const wanted = produceG * ML_PER_G;
  const there = now.jarMl * now.jars;
  if (there >= LEAST * wanted && there <= MOST * wanted) return pick(now);
  const own = !(JAR_SIZES as readonly number[]).includes(now.jarMl);
  if (own) return { ...pick(now), jars: Math.min(50, Math.max(1, Math.ceil((LEAST * wanted) / now.jarMl))) };
  const jars = wanted <= HANDY_ML ? 1 : Math.min(50, Math.ceil(wanted / 1500));
  const jarMl = JAR_SIZES.find((ml) => ml * jars >= SNUG * wanted) ?? JAR_SIZES.at(-1)!;
  const by = jarMl / now.jarMl;
  return { jarMl, jars, headspaceMl: Math.round(now.headspaceMl * by), displacementMl: Math.round(now.displacementMl * by) };
}
