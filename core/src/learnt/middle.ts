/** A number as it is known: its mean and the sd of that, of a logarithm or plain. */
export interface Known {
  mean: number;
  sd: number;
}

/**
 * Of what is not known of one thing beforehand, as a variance: so much is where the middle of all such things lies, which
 * others can tell; the rest is how each of them differs, which only itself can (our judgement).
 */
const OF_THE_MIDDLE = 0.5;

/** Where the middle of things lies, by some of them: each differs from it. `sd` is what is not known of one beforehand. Needs at least one. */
export function middleOf(seen: readonly Known[], sd: number): Known {
  const own = (1 - OF_THE_MIDDLE) * sd ** 2;
  let weight = 0;
  let sum = 0;
  for (const s of seen) {
    const w = 1 / (s.sd ** 2 + own);
    weight += w;
    sum += w * s.mean;
  }
  return { mean: sum / weight, sd: 1 / Math.sqrt(weight) };
}

/**
 * What is to be expected of one more thing, by what was known before and where kitchens found the middle: conjugate normal
 * updates of the middle, beside which the thing still differs. `between`: how much kitchens differ from each other, sd.
 */
export function expectedOf(before: Known, kitchens: readonly Known[], between: number): Known {
  let weight = 1 / (OF_THE_MIDDLE * before.sd ** 2);
  let sum = before.mean * weight;
  for (const k of kitchens) {
    const w = 1 / (k.sd ** 2 + between ** 2);
    weight += w;
    sum += w * k.mean;
  }
  return { mean: sum / weight, sd: Math.sqrt(1 / weight + (1 - OF_THE_MIDDLE) * before.sd ** 2) };
}
