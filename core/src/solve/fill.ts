import type { BatchFile, Goal } from '../file';
import { HOUSE_PH } from '../ferment';
import { extrasOf, withExtras } from '../line';
import { ingredient } from '../matter/ingredient';
import { kindOf, usualFor, WATER_KEY } from '../matter/kind';
import { SWEET_FILLER } from '../matter/variety';
import { lotOfVariety } from '../pantry';
import type { PodChoice } from './blend';
import { madeOf } from './made';
import { surePart } from './margin';

const SWEET = { id: 'sweet-to-fill', name: 'sweet red pepper' } as const;
/** What goes into the jug beside the vinegar, in shares of what the vinegar leaves (common practice, no source). */
const called = (key: string) => ({ key, name: kindOf({ key }).said[0]! });
const JUG = [
  { ...called(usualFor('fill')[0]!), share: 0.7 },
  { ...called(WATER_KEY), share: 0.3 },
] as const;
const VINEGAR = called(usualFor('acid')[0]!);
/** Shares of vinegar in what fills up, tried in this order until the worked-out pH is at the house line or below. */
const SOUR = [0.3, 0.45, 0.6, 0.8] as const;
/** Passes of asking for a little more until eight worlds of ten fill them. */
const PASSES = 6;
/** More than this many times the sauce as it is, fills nothing up any more: it is another sauce. */
const MOST_TIMES = 8;

/**
 * Least grams with which `file` fills the bottles, whole, in eight worlds of ten; null when not even `most` do.
 */
function least(file: (g: number) => BatchFile, strandId: string, bottles: number, most: number): number | null {
  let g = leastFor(file, strandId, bottles, most, 1);
  for (let part = 1, pass = 0; g !== null && pass < PASSES; pass++) {
    const sure = surePart(file(g), [strandId]) * madeOf(file(g), strandId).share;
    if (sure >= bottles) return g;
    part *= Math.min(0.985, sure / bottles);
    g = leastFor(file, strandId, bottles, most, part);
  }
  return g;
}
/** The same by what it typically makes, with a margin: `part` of it counts. */
function leastFor(file: (g: number) => BatchFile, strandId: string, bottles: number, most: number, part: number): number | null {
  const fills = (g: number) => {
    try {
      return madeOf(file(g), strandId).share * part >= bottles;
    } catch {
      // More than the line takes: no way to fill up.
      return false;
    }
  };
  let high = 10;
  while (!fills(high)) {
    high *= 2;
    if (high > most) return null;
  }
  let low = high / 2;
  while (high - low > 1) {
    const mid = (low + high) / 2;
    if (fills(mid)) high = mid;
    else low = mid;
  }
  return Math.ceil(high);
}

function bracketWords(shu: number, goal: Goal): string {
  const at = `at about ${Math.round(shu).toLocaleString('en')} SHU`;
  if (shu < goal.lowShu) return `${at}, milder than you wish`;
  return shu > goal.highShu ? `${at}, hotter than you wish` : at;
}

/**
 * What fills the bottles when the pods alone do not: sweet pods, or vegetable, vinegar and water in the jug, in grams, with
 * the heat that leaves; each run through the line. `file` is the batch with all its pods in, `withPods` puts more in.
 */
export function fillUps(
  file: BatchFile,
  strandId: string,
  goal: Goal,
  withPods: (extra: PodChoice[], grams: Record<string, number>) => BatchFile,
): string[] {
  const out: string[] = [];
  const most = MOST_TIMES * goal.bottles * goal.bottleMl;
  const n = goal.bottles === 1 ? 'the bottle' : `the ${goal.bottles} bottles`;
  const sweet: PodChoice = {
    lot: lotOfVariety(SWEET_FILLER, { id: SWEET.id }),
    stockG: Infinity,
    prep: 'whole',
    useFirst: false,
  };
  const podded = (g: number) => withPods([sweet], { [SWEET.id]: g });
  const pods = least(podded, strandId, goal.bottles, most);
  if (pods !== null) out.push(`Fill ${n} with ${pods} g of ${SWEET.name}: ${bracketWords(madeOf(podded(pods), strandId).shu, goal)}.`);
  const had = extrasOf(file, strandId);
  for (const sour of SOUR) {
    const parts = [...JUG.map((j) => ({ ...j, share: j.share * (1 - sour) })), { ...VINEGAR, share: sour }];
    const jug = (g: number) => {
      const more = parts.map((p) => ({ id: p.key as string, massG: Math.round(g * p.share) }));
      const old = had.map(({ id, massG }) => ({ id, massG: massG + (more.find((m) => m.id === id)?.massG ?? 0) }));
      const added = more.filter((m) => m.massG > 0 && !had.some((h) => h.id === m.id));
      return withExtras(
        file,
        [...old, ...added],
        parts.map((p) => ingredient(p.key)),
        strandId,
      );
    };
    const g = least(jug, strandId, goal.bottles, most);
    if (g === null) continue;
    const made = madeOf(jug(g), strandId);
    if (made.pH === null || made.pH > HOUSE_PH) continue;
    const list = parts.map((p) => `${Math.round(g * p.share)} g of ${p.name}`);
    out.push(
      `Or with ${list.slice(0, -1).join(', ')} and ${list.at(-1)} in the jug: ${bracketWords(made.shu, goal)}, pH about ${made.pH.toFixed(1)}.`,
    );
    break;
  }
  return out;
}
