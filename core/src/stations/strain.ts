import { Type, type Static } from '@sinclair/typebox';
import type { Component } from '../matter/component';
import { volumeMl } from '../matter/density';
import { heatShu, massOf, part } from '../matter/stream';
import { bodyOf, sideOf, type Parcel, type Texture } from '../parcel';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { station, StationProblem, type Outcome } from './station';

/** How a method holds back: share of the insoluble and of the seeds by texture, liquid in the cake (g/g dry), pressing (min/l). */
interface Sieve {
  name: string;
  rho: Record<Texture, number>;
  sigma: Record<Texture, number>;
  wetStart: number;
  wetEnd: number;
  minPerLitre: number;
  /** The blend is ground this fine for it, whatever the jug was set to. */
  grinds?: Texture;
}

const by = (rustic: number, coarse: number, medium: number, smooth: number, silky: number) => ({ rustic, coarse, medium, smooth, silky });
const COARSE = { rho: by(0.85, 0.7, 0.5, 0.35, 0.2), sigma: by(0.95, 0.85, 0.6, 0.4, 0.25), wetStart: 14, wetEnd: 9, minPerLitre: 4 };
const NOTHING = by(0, 0, 0, 0, 0);

/** Source of the table: handbook chapter 5, section 12 (judgement, set so that whole pods 1:1 with vinegar give the accepted shares). */
export const METHODS = {
  none: { name: 'No straining', rho: NOTHING, sigma: NOTHING, wetStart: 0, wetEnd: 0, minPerLitre: 0 },
  coarse: { name: 'Coarse sieve, shaken', ...COARSE },
  pressed: {
    name: 'Fine sieve, pressed and scraped',
    rho: by(0.9, 0.75, 0.55, 0.4, 0.25),
    sigma: by(1, 1, 0.95, 0.7, 0.45),
    wetStart: 14,
    wetEnd: 4.5,
    minPerLitre: 9,
  },
  mill: {
    name: 'Food mill',
    rho: by(0.7, 0.6, 0.45, 0.3, 0.2),
    sigma: by(0.95, 0.9, 0.75, 0.5, 0.3),
    wetStart: 9,
    wetEnd: 4,
    minPerLitre: 5,
  },
  cloth: {
    name: 'Cloth, wrung',
    rho: by(0.97, 0.95, 0.9, 0.8, 0.65),
    sigma: by(1, 1, 1, 0.95, 0.85),
    wetStart: 12,
    wetEnd: 3.5,
    minPerLitre: 12,
  },
  strong: { name: 'Strong blender, loose sieve', ...COARSE, grinds: 'silky' },
} as const satisfies Record<string, Sieve>;
export type Method = keyof typeof METHODS;

const METHOD_NAMES = Object.fromEntries(Object.entries(METHODS).map(([m, { name }]) => [m, name])) as Record<Method, string>;

const schema = Type.Object(
  {
    method: choice(METHOD_NAMES, { title: 'The method', label: 'Method', main: true }),
    /** Minutes of pressing for a litre; the method's own pace when nothing is said. */
    minPerLitre: Type.Optional(
      Type.Number({
        ...{ title: 'The pressing', label: 'Pressed', usual: 'the usual' },
        ...{ minimum: 0, maximum: 60, unit: 'min a litre' },
      }),
    ),
  },
  { additionalProperties: false },
);
export type StrainParams = Static<typeof schema>;

export interface StrainFacts {
  /** Kept by the sieve, % of the mass; and what the table says without a weighing. */
  lossPct: number;
  expectedLossPct: number;
  pulpG: number;
  pulpShu: number;
  /** Share of the heat that leaves with the pulp, %. */
  heatLostPct: number;
  /** g of liquid in 1 g of dry cake: above 8 it drips, and pressing on would pay. */
  cakeWetness: number;
  /** Minutes of pressing in all, and g that as long again would give. */
  pressMin: number;
  pressOnG: number;
  /** g that pass against minutes of pressing a litre. */
  curve: Curve;
  texture: Texture;
}

/** Dry matter of wet seeds that a sieve can hold (chapter 5, section 12). */
const SEED_DRY = 0.42;
/** Most that a sieve keeps of the mass. */
const MOST = 0.6;
/** Less than this passing is a slip of the pen, share of what went in (our judgement). */
const LEAST_PASSES = 0.15;
/** Time constant of pressing, min per litre. */
const PRESS_TAU = 8;
/** How much hotter wet pulp is per gram than what passes, by texture, and its log-sd (chapter 5, section 12; chapter 2, 3.4). */
const HEAT_K = by(6, 4.5, 3.5, 2.5, 1.8);
const HEAT_K_SD = 0.5;
/** Oil carries capsaicin through. */
const K_WITH_OIL = 0.7;
/** Log-sd of pulp held by a sieve (chapter 5, section 0.3). */
const LOSS_SD = 0.3;
/** Less held than this says nothing of a sieve, %; sd of what one weighing shows (our judgement). */
const LEAST_SEEN_PCT = 0.5;
const SEEN_SD = 0.1;
/** More than this over what went in is no matter of the scale. */
const SCALE_SLACK = 1.05;

/** Dry matter that a method holds back of a blend, g. */
function dryHeld(sieve: Sieve, texture: Texture, input: Parcel): number {
  return sieve.rho[texture] * input.stream.grams.pulp + sieve.sigma[texture] * SEED_DRY * input.past.seedG;
}

/** Liquid in the cake, g per g dry, after so many minutes of pressing a litre. */
function wetness(sieve: Sieve, minPerLitre: number): number {
  return sieve.wetEnd + (sieve.wetStart - sieve.wetEnd) * Math.exp(-minPerLitre / PRESS_TAU);
}
/** Thick stuff passes more slowly: so many times as long for each step of body above 4. */
const THICK = { from: 4, times: 1.5 } as const;

/** Share of the heat that leaves with a cake of mass share `s` that is `k` times as hot per gram (chapter 2, section 3.4). */
export function shareInPulp(s: number, k: number): number {
  return (s * k) / (1 - s + s * k);
}

/**
 * Parts a blend into what passes and a wet cake of mass share `s`: of the insoluble the share `rho` stays, everything else
 * at one share, so that the cake weighs what it weighs.
 */
function press(input: Parcel, s: number, rho: number, sigma: number, heatShare: number): { cake: Parcel; sauce: Parcel } {
  const { grams } = input.stream;
  const cakeG = s * massOf(input.stream);
  const rest = massOf(input.stream) - grams.pulp;
  const usual = grams.pulp > 0 ? Math.min(rho, cakeG / grams.pulp) : 0;
  // A cake heavier than all the rest holds more of the insoluble than usual.
  const restShare = rest > 0 ? Math.min(1, (cakeG - usual * grams.pulp) / rest) : 0;
  const pulpShare = grams.pulp > 0 ? Math.min(1, (cakeG - restShare * rest) / grams.pulp) : 0;
  const share = (c: Component) => (c === 'pulp' ? pulpShare : restShare);
  const { taken, left } = part(input.stream, { share, heat: heatShare, sidEq: input.stream.sidEq * restShare, ledger: s });
  return { cake: sideOf(input, taken, sigma), sauce: sideOf(input, left, 1 - sigma) };
}

/** Press the blend through; the pulp stays behind, hotter than the sauce. */
export const strain = station<'strain', StrainParams, StrainFacts>({
  kind: 'strain',
  name: 'Strain',
  doubt: 'how much the sieve holds back',
  verb: 'Press it through the sieve',
  schema,
  weighed: 'What passed, weighed',
  defaults: () => ({ method: 'pressed' }),
  days: () => 0,
  minutes: (p, bowlG) => {
    const min = 3 + ((p.minPerLitre ?? METHODS[p.method].minPerLitre) * bowlG) / 1000;
    return p.method === 'none' ? { hands: 0, clock: 0 } : { hands: min, clock: min };
  },
  needsStuff: true,
  tool: 'sieve',
  teaches: (f, log) =>
    log.massG === undefined || !(f.lossPct > LEAST_SEEN_PCT) || !(f.expectedLossPct > 0)
      ? null
      : { log: Math.log(f.lossPct / f.expectedLossPct), sd: SEEN_SD },
  gives: { pulp: 'pulp' },
  asLot: ['pulp'],
  sieves: (p) => p.method !== 'none',
  apply(input, params, context): Outcome<StrainFacts> {
    const mass = massOf(input.stream);
    if (!(mass > 0)) return { out: input, made: [], sides: [], facts: null };
    const { massG, own: draw, tool } = context;
    const known = tool?.kind === 'sieve' ? tool.learnt : { log: 0, sd: LOSS_SD };
    const sieve: Sieve = METHODS[params.method];
    const texture = sieve.grinds ?? input.past.texture ?? 'medium';
    const dry = dryHeld(sieve, texture, input);
    const pace = params.minPerLitre ?? sieve.minPerLitre;
    const keeps = (minutes: number) => Math.min(MOST, (dry * (1 + wetness(sieve, minutes))) / mass);
    const expected = keeps(pace);
    let s = Math.min(MOST, expected * Math.exp(known.log + known.sd * draw.z('loss')));
    if (massG !== null) {
      if (draw.typical && massG > mass * SCALE_SLACK) {
        throw new StationProblem(
          'log/massG',
          `More came out than went in (${Math.round(mass)} g). Take off the bowl's weight, or weigh what goes into the sieve first.`,
        );
      }
      if (draw.typical && massG < mass * LEAST_PASSES)
        throw new StationProblem(
          'log/massG',
          `Of ${Math.round(mass)} g only ${Math.round(massG)} g passed? Weigh all that passed, without the bowl, or press on.`,
        );
      // Above what went in by a little: the scale or the blend's estimate was off, nothing was strained out.
      s = Math.max(0, 1 - massG / mass);
    }
    const oily = input.past.freeOilG > 0 || input.stream.grams.ethanol > 0.05 * mass;
    const k = HEAT_K[texture] * (oily ? K_WITH_OIL : 1) * Math.exp(HEAT_K_SD * draw.z('heatK'));
    const heatShare = shareInPulp(s, Math.max(1, k));
    const { cake, sauce } = press(input, s, sieve.rho[texture], sieve.sigma[texture], heatShare);
    const cakeG = massOf(cake.stream);
    const done = { out: sauce, made: [], sides: cakeG > 0 ? [{ id: 'pulp', name: 'pulp', ...cake, kept: true }] : [] };
    if (!draw.typical) return { ...done, facts: null };
    const slow = THICK.times ** Math.max(0, (bodyOf(input) ?? THICK.from) - THICK.from);
    return {
      ...done,
      facts: {
        lossPct: 100 * s,
        expectedLossPct: 100 * expected,
        pulpG: cakeG,
        pulpShu: heatShu(cake.stream),
        heatLostPct: 100 * heatShare,
        cakeWetness: dry > 0 ? Math.max(0, cakeG / dry - 1) : 0,
        pressMin: (pace * slow * volumeMl(input.stream)) / 1000,
        pressOnG: massG === null ? mass * Math.exp(known.log) * (keeps(pace) - keeps(2 * pace)) : 0,
        curve:
          params.method === 'none' ? [] : curve(0, reach(pace, 12, 60), (t) => mass * (1 - Math.min(MOST, keeps(t) * Math.exp(known.log)))),
        texture,
      },
    };
  },
  step: ({ params: p }) => (p.method === 'none' ? 'It stays as it is, unstrained.' : `Strain: ${METHODS[p.method].name.toLowerCase()}.`),
  duties: (v) => [
    {
      key: 'strain',
      text: 'Strain and weigh what passed',
      why: 'Every sieve keeps a different share. The bottles follow from the weight.',
      due: v.to,
    },
  ],
});
