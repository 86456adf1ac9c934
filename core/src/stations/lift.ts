import { Type, type Static } from '@sinclair/typebox';
import { CAPSAICINOID_PARTITION } from '../heat';
import { COMPONENTS, noGrams, type Component } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';
import { sideOf } from '../parcel';
import { choice } from './ask';
import { partLiquid } from './liquid';
import { station, StationProblem, type Outcome } from './station';

/** How the pods are, and the share of their seeds that is loose (handbook chapter 5, section 10, judgement). */
const LOOSE = { whole: 0.15, halved: 0.5, soft: 0.8 } as const;
export type LiftPieces = keyof typeof LOOSE;

const PIECES: Readonly<Record<LiftPieces, string>> = { whole: 'whole', halved: 'halved or burst', soft: 'soft, scraped out' };

const schema = Type.Object(
  {
    pieces: choice(PIECES, { title: 'How the pods are', label: 'The pods', main: true }),
    alongPct: Type.Number({
      title: 'Liquid that goes along',
      label: 'Of the liquid goes along',
      main: true,
      minimum: 0,
      maximum: 100,
      unit: '%',
    }),
  },
  { additionalProperties: false },
);
export type LiftParams = Static<typeof schema>;

export interface LiftFacts {
  seedsG: number;
  liquidLeftG: number;
  /** Share of the heat that stays behind, %. */
  heatLeftPct: number;
}

/** Of the loose seeds this share stays behind; liquid that a sieve holds; liquid that clings to the flesh, g/g (section 10). */
const STAY = 0.9;
const LOST_PCT = 2;
const CLINGS = 0.2;
/** Log-sd of the loose seeds. */
const SD = 0.3;
/** A wet seed, g/g (section 10). */
const SEED: Partial<Record<Component, number>> = { water: 0.45, pulp: 0.42, protein: 0.06, fat: 0.05, other: 0.02 };
/** Never more than this of any component goes with the seeds. */
const MOST = 0.6;
/** Heat left with them: the seeds' own, and a little of the ribs that tears off. */
const RIBS = 0.05;

/** By mass the pan has an entry of its own; its heat is that of the pods. */
const PAN = { id: 'pan', name: 'liquid of the pan', pulp: 0, strength: 1, hex: '#C77A4A', tint: 0.5 } as const;

/** What seeds of `seedG` take out of a stream. */
function seedsIn(stream: Stream, seedG: number): Record<Component, number> {
  const taken = noGrams();
  for (const [c, share] of Object.entries(SEED) as [Component, number][]) taken[c] = Math.min(MOST * stream.grams[c], share * seedG);
  return taken;
}

/** Flesh lifted out of the pot with a slotted spoon; loose seeds stay behind, and as much of the liquid as one likes. */
export const lift = station<'lift', LiftParams, LiftFacts>({
  kind: 'lift',
  name: 'Lift out',
  doubt: 'how much comes off what is lifted out',
  verb: 'Lift the flesh from the seeds',
  schema,
  weighed: 'Flesh and liquid, weighed',
  needsStuff: true,
  gives: { pan: 'liquid of the pan' },
  defaults: () => ({ pieces: 'halved', alongPct: 98 }),
  days: () => 0,
  minutes: (_, bowlG) => ({ hands: 3 + bowlG / 150, clock: 3 + bowlG / 150 }),
  apply(bowl, params, { own, acids, massG, draw }): Outcome<LiftFacts> {
    const { stream, past } = bowl;
    const beganG = massOf(stream);
    if (!(stream.grams.water > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const loose = Math.min(0.95, LOOSE[params.pieces] * Math.exp(SD * own.z('loose'))) * STAY;
    const seeds = seedsIn(stream, past.seedG * loose);
    const seedsG = COMPONENTS.reduce((s, c) => s + seeds[c], 0);
    const fleshG = stream.grams.pulp - seeds.pulp + stream.grams.starch;
    const liquidG = beganG - seedsG - fleshG;
    // What clings to the flesh goes along whatever is poured off.
    const clings = liquidG > 0 ? Math.min(1, (CLINGS * fleshG) / liquidG) : 0;
    let left = Math.min(1 - clings, Math.max(LOST_PCT / 100, 1 - params.alongPct / 100));
    if (massG !== null) {
      const least = beganG - seedsG - liquidG * (1 - clings);
      if (draw.typical && (massG > (beganG - seedsG) * 1.03 || massG < least * 0.97))
        throw new StationProblem(
          'log/massG',
          `It can weigh between ${Math.ceil(least)} g and ${Math.floor(beganG - seedsG)} g. Weigh what you lifted out, with the liquid that goes along.`,
        );
      left = liquidG > 0 ? Math.min(1 - clings, Math.max(0, (beganG - seedsG - massG) / liquidG)) : 0;
    }
    const share = (c: Component) => {
      const g = stream.grams[c];
      if (!(g > 0)) return 0;
      const wet = c === 'pulp' || c === 'starch' ? 0 : left;
      return (seeds[c] + (g - seeds[c]) * wet) / g;
    };
    const p = CAPSAICINOID_PARTITION.std;
    const heat = past.seedG > 0 ? loose * p.seed + RIBS * p.placenta : 0;
    const { stays, leaves } = partLiquid(stream, { share, heat, wet: left, anchor: 'leaves' }, acids);
    const out = sideOf(bowl, stays, 1 - loose);
    const behind = sideOf(bowl, { ...leaves, ledger: [...leaves.ledger, { of: PAN, massG: massOf(leaves), heatShuG: 0 }] }, loose);
    return {
      // The liquid is the same as before: what was measured on it still holds.
      out: { ...out, past: { ...out.past, ph: past.ph, jar: null } },
      made: [],
      sides: [
        { id: 'pan', name: 'seeds and liquid left in the pan', ...behind, past: { ...behind.past, ph: null, jar: null }, kept: true },
      ],
      facts: { seedsG, liquidLeftG: massOf(leaves) - seedsG, heatLeftPct: 100 * heat },
    };
  },
  step: () => 'Lift the flesh out with a slotted spoon and pour the liquid through a sieve; leave the loose seeds.',
  duties: (v) => [
    {
      key: 'lift',
      text: 'Lift the flesh out with a slotted spoon, pour the liquid through a sieve; weigh both together',
      why: 'Loose seeds stay in the pan. They would turn bitter in the blender; the heat hardly changes.',
      due: v.to,
    },
  ],
});
