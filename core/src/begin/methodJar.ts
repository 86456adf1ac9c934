import type { StationEntry } from '../file';
import { gramsAt, type RecipeThing, type Step } from '../method';
import { DEFAULT_HEADSPACE_SHARE, packJar, TISSUE_DENSITY } from '../salt';
import { stationKind, type ParamsOf } from '../stations';

/** Salt that somebody said; a usual amount of ours says nothing of a jar. */
const isSalt = (t: RecipeThing) => t.family === 'salt' && !t.item.usual;
export const isWater = (t: RecipeThing) => t.family === 'water';
/** A station that packs jars. */
export const packs = (s: { kind: string }): boolean => stationKind(s.kind).vessels !== undefined;

/** Salt of a mash where nobody says how much, % (handbook chapter 4; more air than in brine), and of a brine at most, %. */
const MASH_PCT = 5;
const MOST_BRINE_PCT = 26;
/** Larger jars than this are several, ml (common practice, no source). */
const LARGEST_ML = 10_000;
function jarsOf(ml: number): { jars: number; jarMl: number } {
  const jars = Math.min(50, Math.ceil(ml / LARGEST_ML));
  return { jars, jarMl: Math.max(50, 10 * Math.ceil(ml / jars / 10)) };
}

/** A jar that holds what the recipe says goes into it: its salt and water as they are written. */
export function methodJar(entry: StationEntry, step: Step, things: readonly RecipeThing[], produceG: number): StationEntry {
  const [saltG, waterG] = [gramsAt(step, things, isSalt), gramsAt(step, things, isWater)];
  const now = entry.params as ParamsOf<'salt'>;
  if (!(produceG > 0)) return entry;
  const said = step.pct ?? (saltG > 0 ? (100 * saltG) / (waterG > 0 ? waterG : produceG) : null);
  if (waterG === 0 && (said === null || step.pct === null || !/\bbrine\b/i.test(step.text))) {
    const sized = jarsOf(1.3 * (produceG / TISSUE_DENSITY));
    // Nobody said how much: what the style of a mash begins with.
    const mash: ParamsOf<'salt'> = {
      ...now,
      ...sized,
      school: 'mash',
      cut: 'mash',
      pct: Math.min(40, said ?? MASH_PCT),
      displacementMl: 0,
    };
    return { ...entry, params: { ...mash, headspaceMl: Math.round(0.2 * sized.jarMl) } };
  }
  const pct = Math.min(MOST_BRINE_PCT, said ?? now.pct);
  if (waterG === 0) return { ...entry, params: { ...now, school: 'waterOnly', pct } };
  const litre = packJar({ jarMl: 1000, headspaceMl: 0, displacementMl: 0, produceG: 0, airMl: 0 }, 'waterOnly', pct);
  const brineMl = (1000 * waterG) / litre.waterG;
  const inMl = produceG / TISSUE_DENSITY + brineMl;
  const sized = jarsOf((inMl + now.displacementMl) / (1 - DEFAULT_HEADSPACE_SHARE));
  const filled = inMl / sized.jars + now.displacementMl;
  const jarMl = Math.max(sized.jarMl, 10 * Math.ceil(filled / 10));
  return { ...entry, params: { ...now, jars: sized.jars, school: 'waterOnly', pct, jarMl, headspaceMl: jarMl - filled } };
}
