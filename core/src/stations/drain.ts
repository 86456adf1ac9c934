import { Type, type Static } from '@sinclair/typebox';
import type { AcidWorld } from '../acid';
import type { Component } from '../matter/component';
import { massOf, type Stream } from '../matter/stream';
import { phOf, sideOf } from '../parcel';
import { swollenShare } from '../pantry';
import { partLiquid } from './liquid';
import { station, StationProblem, type Outcome } from './station';

const schema = Type.Object(
  {
    clingPct: Type.Number({ title: 'The brine that clings', label: 'Brine that clings', minimum: 0, maximum: 60, unit: '%' }),
    keepBrine: Type.Boolean({ title: 'Keep the brine', label: 'Keep the brine that is left', main: true }),
  },
  { additionalProperties: false },
);
export type DrainParams = Static<typeof schema>;

export interface DrainFacts {
  brineG: number;
  brinePh: number | null;
  brineSaltPct: number;
}

/** The brine as something that can go into another thing. */
const BRINE = { id: 'brine', name: 'own brine', pulp: 0, strength: 1, hex: '#C8D2E6', tint: 0.03 } as const;
/** Heat that leaves with a clear brine (chapter 2, section 3.3: 0.99 stays, 0.95 to 1.0). */
const HEAT_TO_BRINE = 0.01;
/** Protein held in the pulp (chapter 3, section 6.3). */
const PROTEIN_IN_PULP = 0.6;
/** Log-sd of how much brine clings (our judgement). */
const CLING_SD = 0.3;

/**
 * Parts a jar into pods and brine. What is dissolved is spread evenly over all water; pulp, fat, pectin acids and most
 * protein stay with the pods. `wet` is the share of the liquid that stays.
 */
function drainJar(jar: Stream, wet: number, acids: AcidWorld): { pods: Stream; brine: Stream } {
  const toBrine = 1 - wet;
  const share = (c: Component) =>
    c === 'pulp' || c === 'fat' || c === 'uronic' ? 0 : c === 'protein' ? toBrine * (1 - PROTEIN_IN_PULP) : toBrine;
  const { stays, leaves } = partLiquid(jar, { share, heat: HEAT_TO_BRINE * toBrine, wet: toBrine, anchor: 'stays' }, acids);
  return { pods: stays, brine: leaves };
}

/** Lift the pods out of the brine; the brine is a by-product with its own salt and acid. */
export const drain = station<'drain', DrainParams, DrainFacts>({
  kind: 'drain',
  name: 'Drain',
  doubt: 'how much brine clings to the pods',
  verb: 'Lift the pods out of the brine',
  schema,
  weighed: 'Drained pods, weighed',
  defaults: () => ({ clingPct: 8, keepBrine: true }),
  days: () => 0,
  minutes: (_, bowlG) => ({ hands: 3 + (2 * bowlG) / 1000, clock: 10 + (2 * bowlG) / 1000 }),
  needsStuff: true,
  gives: { [BRINE.id]: 'brine' },
  apply(input, params, context): Outcome<DrainFacts> {
    const stream = input.stream;
    const before = massOf(stream);
    if (!(stream.grams.water > 0)) return { out: input, made: [], sides: [], facts: null };
    const { draw, acids } = context;
    const { jar, thirstG } = input.past;
    const cling = (params.clingPct / 100) * Math.exp(CLING_SD * context.own.z('cling'));
    const own = jar?.produceWaterG ?? stream.grams.water;
    // Dried pods swell: they keep what they drank, as far as there was water to drink (chapter 5, section 3).
    const drunk = Math.min(0.9 * Math.max(0, stream.grams.water - own), thirstG * swollenShare(jar?.hours ?? 0, context.own));
    const podG = (jar?.produceG ?? before) + drunk;
    let wet = Math.min(1, (own + drunk + cling * podG) / stream.grams.water);
    const measured = context.massG;
    if (measured !== null) {
      const dry = massOf(drainJar(stream, 0, acids).pods);
      const fits = measured <= before + 1e-9 && measured >= dry;
      if (!fits && draw.typical) {
        throw new StationProblem(
          'log/massG',
          `The drained pods can weigh between ${Math.ceil(dry)} g and ${Math.floor(before)} g. Weigh without the bowl.`,
        );
      }
      wet = Math.max(0, Math.min(1, (measured - dry) / (before - dry)));
    }
    const { pods, brine } = drainJar(stream, wet, acids);
    const brineG = massOf(brine);
    const out = sideOf(input, pods, 1);
    // The book of a brine is with its pods, but for their heat; by mass it is a thing of its own.
    const book = [...brine.ledger, { of: BRINE, massG: brineG, heatShuG: 0 }];
    const side = sideOf(input, { ...brine, ledger: book }, 0);
    // A liquid is one body: what was read in it is read of all of it.
    const taken = { ...side, past: { ...side.past, jar: null, thirstG: 0, blended: true } };
    return {
      out: { stream: pods, past: { ...out.past, jar: null, thirstG: Math.max(0, thirstG - drunk) } },
      made: [],
      sides: brineG > 0 ? [{ id: BRINE.id, name: params.keepBrine ? 'brine kept' : 'brine', ...taken, kept: params.keepBrine }] : [],
      facts: !draw.typical
        ? null
        : { brineG, brinePh: phOf(brine, acids)?.pH ?? null, brineSaltPct: brineG > 0 ? (100 * brine.grams.salt) / brineG : 0 },
    };
  },
  step: ({ params: p }) => `Lift the pods out of the brine and let them drain${p.keepBrine ? '; keep the brine' : ''}.`,
  duties: (v) => [
    {
      key: 'drain',
      text: 'Drain, weigh the pods and read the pH of a blended pod',
      why: 'The weight sets everything after it. The pod can lag behind the brine.',
      due: v.to,
    },
  ],
});
