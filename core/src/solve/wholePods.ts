import type { PodChoice } from './blend';

/** Whole pods for weighed grams. */
export interface PodCount {
  lotId: string;
  pods: number;
  massG: number;
}

/**
 * Rounds grams to whole pods, keeping the heat load: tries floor and ceiling of each lot (up to 12 lots) and takes the
 * least heat error plus 0.05 of the relative mass change (chapter 2, section 9). Lots without pods stay as they are.
 */
export function toWholePods(choices: readonly PodChoice[], grams: Record<string, number>): PodCount[] {
  const lots = choices.filter((c) => (grams[c.lot.id] ?? 0) > 0 && c.lot.podMassG).slice(0, 12);
  const load = (c: PodChoice, g: number) => (c.lot.heat ? g * c.lot.heat.dryShu * (1 - c.lot.waterPct / 100) : 0);
  const want = lots.reduce((s, c) => s + load(c, grams[c.lot.id]!), 0);
  let best: number[] = [];
  let least = Infinity;
  for (let mask = 0; mask < 1 << lots.length; mask++) {
    let heat = 0;
    let moved = 0;
    const counts = lots.map((c, i) => {
      const g = grams[c.lot.id]!;
      const pod = c.lot.podMassG!;
      const n = Math.floor(g / pod) + ((mask >> i) & 1);
      heat += load(c, n * pod);
      moved += Math.abs(n * pod - g) / g;
      return n;
    });
    const error = (want > 0 ? Math.abs(heat / want - 1) : 0) + 0.05 * moved;
    if (error < least) {
      least = error;
      best = counts;
    }
  }
  return lots.map((c, i) => ({ lotId: c.lot.id, pods: best[i]!, massG: best[i]! * c.lot.podMassG! }));
}
