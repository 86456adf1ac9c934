import { Type, type Static } from '@sinclair/typebox';
import type { Component } from '../matter/component';
import { heatShu, massOf, part, type Stream } from '../matter/stream';
import { station, StationProblem, type Outcome } from './station';

/**
 * Wet pulp that each method takes out, as a share of the mass, with a 10 to 90 % range in words.
 * Source: the losses worked through in chapter 2, section 3.4 (0.06 to 0.25); the mill is common practice.
 */
export const METHODS = {
  none: { name: 'No straining', loss: 0 },
  coarse: { name: 'Coarse sieve, shaken', loss: 0.25 },
  pressed: { name: 'Sieve, pressed and scraped', loss: 0.15 },
  mill: { name: 'Food mill', loss: 0.1 },
  strong: { name: 'Strong blender, loose sieve', loss: 0.06 },
} as const;
export type Method = keyof typeof METHODS;

const schema = Type.Object(
  {
    method: Type.Union(
      (Object.keys(METHODS) as Method[]).map((m) => Type.Literal(m)),
      { title: 'The method' },
    ),
  },
  { additionalProperties: false },
);
export type StrainParams = Static<typeof schema>;

/** How much hotter wet pulp is per gram than what passes: K, and its log-sd from the range 1.5 to 8 (chapter 2, section 3.4). */
const HEAT_K = { median: 3, sd: 0.5 } as const;
/** How much richer in insoluble pulp it is per gram (our judgement). */
const PULP_K = 4;
/** Log-sd of a method's loss between makers and meshes (our judgement: pressed keeps 10 to 22 %). */
const LOSS_SD = 0.3;

/** Share of a substance that leaves when pulp of mass share `s` holds it `k` times as densely (chapter 2, section 3.4). */
export function shareInPulp(s: number, k: number): number {
  return (s * k) / (1 - s + s * k);
}

/** Parts a blend into what passes the sieve and wet pulp of mass share `s`. */
function sieve(input: Stream, s: number, heatK: number) {
  const mass = massOf(input);
  const solids = new Set<Component>(['pulp']);
  const pulpShare = Math.min(shareInPulp(s, PULP_K), input.grams.pulp > 0 ? (0.9 * s * mass) / input.grams.pulp : 0);
  const rest = mass - input.grams.pulp;
  const restShare = rest > 0 ? (s * mass - pulpShare * input.grams.pulp) / rest : 0;
  return part(input, {
    share: (c) => (solids.has(c) ? pulpShare : restShare),
    heat: shareInPulp(s, heatK),
    sidEq: input.sidEq * restShare,
    ledger: s,
  });
}

/** Press the blend through; the pulp stays behind, hotter than the sauce. */
export const strain = station<StrainParams>({
  kind: 'strain',
  name: 'Strain',
  verb: 'Press it through the sieve',
  schema,
  defaults: () => ({ method: 'pressed' }),
  days: () => 0,
  sieves: (p) => p.method !== 'none',
  apply(input, params, context): Outcome {
    const mass = massOf(input);
    const { log, draw } = context;
    let s = Math.min(0.6, METHODS[params.method].loss * Math.exp(LOSS_SD * draw.z('strain.loss')));
    if (log.massG !== undefined && mass > 0) {
      if (draw.typical && log.massG > mass * 1.3) {
        throw new StationProblem('log/massG', `More came out than went in (${Math.round(mass)} g). Take off the bowl's weight.`);
      }
      // Above what went in by a little: the scale or the blend's estimate was off, nothing was strained out.
      s = Math.max(0, 1 - log.massG / mass);
    }
    const { taken, left } = sieve(input, s, HEAT_K.median * Math.exp(HEAT_K.sd * draw.z('strain.heatK')));
    return {
      out: left,
      additions: [],
      sides: massOf(taken) > 0 ? [{ id: 'pulp', name: 'pulp', stream: taken, kept: true }] : [],
      facts: { lossPct: 100 * s, pulpG: massOf(taken), pulpShu: heatShu(taken), expectedLossPct: 100 * METHODS[params.method].loss },
    };
  },
  duties: (v) => [
    {
      key: 'strain',
      text: 'Strain and weigh what passed',
      why: 'Every sieve keeps a different share. The bottles follow from the weight.',
      due: v.to,
    },
  ],
});
