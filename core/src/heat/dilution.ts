import { normalQuantile } from '../stat/normal';

/** The home dilution test (handbook chapter 2, section 6; after ISO 3513 and ASTM E679, from memory). */
export const DILUTION = {
  /** Each rung is this much weaker than the one above. */
  step: 3,
  rungs: 5,
  /** Sauce and sugar water of the first mix, g: D = 100. */
  firstSauceG: 2,
  firstMixG: 200,
  /** Sugar of the sugar water, g per kg. */
  sugarPerKg: 50,
  cupG: 15,
  /** Pods are tasted as a mash: one part of pods in this many of mash (our judgement: blends smooth, and can be weighed). */
  mashParts: 10,
  /** Least of one rung that goes into the next, g. */
  passG: 50,
  /** SHU in the cup at the threshold of detection, and its log-sd: geometric middle of 1 to 5 SHU (from memory). */
  thresholdShu: 2,
  thresholdSd: Math.log(1.8),
  /** Log-sd of weighing and diluting at home (model). */
  mixingSd: 0.1,
  /** Prior log-sd between people, worth this many observations (model). */
  personSd: 1.1,
  personWeight: 3,
  /** Log-sd of the threshold after the same panel tasted a labelled sauce. */
  calibratedSd: 0.43,
} as const;

/** Dilutions of a ladder, weakest first (largest D first), for a sauce of about `predictedShu`. The top is 3 to 9 times S/K. */
export function dilutionLadder(predictedShu: number): number[] {
  const want = (5 * Math.max(predictedShu, 1)) / DILUTION.thresholdShu;
  // D = 100 is the first mix; the ladder climbs from it in steps of 3, and has at least one rung below.
  const first = DILUTION.firstMixG / DILUTION.firstSauceG;
  const top = Math.max(DILUTION.rungs - 1, Math.round(Math.log(want / first) / Math.log(DILUTION.step)));
  return Array.from({ length: DILUTION.rungs }, (_, i) => first * DILUTION.step ** (top - i));
}

/** A way to mix one dilution from the one before it. */
export interface Mixing {
  dilution: number;
  /** g of the stronger mix (the sauce itself for the first) and g of sugar water. */
  takeG: number;
  waterG: number;
  from: number;
  /** Whether it is poured into cups, or only a step on the way. */
  served: boolean;
}

/**
 * Every mix from the sauce down to the weakest rung, strongest first, and the sugar water needed in g, so that each of
 * `people` (1 to 8) gets a cup of every rung and two plain ones beside it.
 */
export function mixingPlan(ladder: readonly number[], people = 1): { mixes: Mixing[]; sugarWaterG: number; cups: number } {
  const first = DILUTION.firstMixG / DILUTION.firstSauceG;
  const mixes: Mixing[] = [
    {
      dilution: first,
      takeG: DILUTION.firstSauceG,
      waterG: DILUTION.firstMixG - DILUTION.firstSauceG,
      from: 1,
      served: ladder.includes(first),
    },
  ];
  const weakest = Math.max(...ladder);
  // A rung of three parts passes one on; the two that stay must fill everyone's cup.
  const passG = Math.max(DILUTION.passG, Math.ceil((people * DILUTION.cupG) / (DILUTION.step - 1) / 10) * 10);
  for (let d = first * DILUTION.step; d <= weakest * 1.001; d *= DILUTION.step) {
    mixes.push({
      dilution: d,
      takeG: passG,
      waterG: passG * (DILUTION.step - 1),
      from: d / DILUTION.step,
      served: ladder.some((x) => Math.abs(x / d - 1) < 1e-6),
    });
  }
  const blanks = 2 * DILUTION.cupG * ladder.length * people;
  const rinse = 200;
  return { mixes, sugarWaterG: mixes.reduce((s, m) => s + m.waterG, 0) + blanks + rinse, cups: 3 * ladder.length * people };
}

/** One person's way up the ladder: right or wrong at each rung tried, weakest first. */
export type Answers = readonly boolean[];

export interface Threshold {
  /** Best-estimate threshold as a dilution (ASTM E679): geometric mean of the last miss and the first of the final run of hits. */
  dilution: number;
  /** The ladder was too short: the threshold lies beyond its end. */
  censored: 'below' | 'above' | null;
}

/** Best-estimate threshold of one person. Throws RangeError without answers or with more answers than rungs. */
export function thresholdOf(ladder: readonly number[], answers: Answers): Threshold {
  if (answers.length === 0 || answers.length > ladder.length) throw new RangeError('One answer for each rung that was tasted');
  const root = Math.sqrt(DILUTION.step);
  let first = answers.length;
  while (first > 0 && answers[first - 1]) first--;
  if (first === 0) return { dilution: ladder[0]! * root, censored: 'above' };
  if (first === answers.length) return { dilution: ladder[answers.length - 1]! / root, censored: 'below' };
  return { dilution: Math.sqrt(ladder[first - 1]! * ladder[first]!), censored: null };
}

export interface DilutionEstimate {
  /** Median SHU and log-sd. */
  shu: number;
  sigma: number;
  p10: number;
  p90: number;
  people: { threshold: Threshold; shu: number }[];
  /** Someone's ladder was too short; read the estimate as "at least" or "at most" and shift the ladder. */
  censored: 'below' | 'above' | null;
}

/**
 * Heat of a sauce from the ladders of a panel: geometric mean threshold times the SHU of a threshold cup. `threshold` is
 * the maker's own once the panel has tasted a labelled sauce. Throws RangeError without people.
 */
export function estimateFromLadders(
  ladder: readonly number[],
  panel: readonly Answers[],
  threshold: { shu: number; sd: number } = { shu: DILUTION.thresholdShu, sd: DILUTION.thresholdSd },
): DilutionEstimate {
  if (panel.length === 0) throw new RangeError('Nobody has tasted yet');
  const found = panel.map((a) => thresholdOf(ladder, a));
  const logs = found.map((t) => Math.log(t.dilution));
  const n = logs.length;
  const mean = logs.reduce((s, x) => s + x, 0) / n;
  const sum2 = logs.reduce((s, x) => s + (x - mean) ** 2, 0);
  const { personSd, personWeight, mixingSd } = DILUTION;
  const s2 = (sum2 + personWeight * personSd ** 2) / (n - 1 + personWeight);
  const sigma = Math.sqrt(s2 / n + threshold.sd ** 2 + mixingSd ** 2);
  const shu = threshold.shu * Math.exp(mean);
  const reach = Math.exp(normalQuantile(0.9) * sigma);
  const above = found.some((t) => t.censored === 'above');
  const below = found.some((t) => t.censored === 'below');
  return {
    shu,
    sigma,
    p10: shu / reach,
    p90: shu * reach,
    people: found.map((t) => ({ threshold: t, shu: threshold.shu * t.dilution })),
    censored: above === below ? null : above ? 'above' : 'below',
  };
}

/** The estimate of pods from that of their mash, one part in `parts`; weighing the mash adds its own doubt. */
export function ofMash(mash: DilutionEstimate, parts: number): DilutionEstimate {
  if (parts === 1) return mash;
  const shu = mash.shu * parts;
  const sigma = Math.hypot(mash.sigma, DILUTION.mixingSd);
  const reach = Math.exp(normalQuantile(0.9) * sigma);
  return { ...mash, shu, sigma, p10: shu / reach, p90: shu * reach, people: mash.people.map((p) => ({ ...p, shu: p.shu * parts })) };
}

/** The panel's own threshold from a ladder with a sauce of known heat. */
export function calibrateThreshold(ladder: readonly number[], panel: readonly Answers[], labelShu: number): { shu: number; sd: number } {
  const { shu } = estimateFromLadders(ladder, panel, { shu: 1, sd: 0 });
  return { shu: labelShu / shu, sd: DILUTION.calibratedSd };
}

/** Heat by matching: the sample at 1:`sampleDilution` tastes as hot as a labelled sauce at 1:`referenceDilution`. Log-sd about 0.45. */
export function matchedShu(referenceShu: number, referenceDilution: number, sampleDilution: number): { shu: number; sigma: number } {
  return { shu: (referenceShu * sampleDilution) / referenceDilution, sigma: 0.45 };
}
