import { Type, type Static } from '@sinclair/typebox';
import { sidForPh, poolOf, type AcidWorld } from '../acid';
import { massOf, part, type Stream } from '../matter/stream';
import { phOf, sideOf } from '../parcel';
import { swollenShare } from '../pantry';
import { station, StationProblem, type Outcome } from './station';

const schema = Type.Object(
  {
    clingPct: Type.Number({ title: 'The brine that clings', minimum: 0, maximum: 60, unit: '%' }),
    keepBrine: Type.Boolean({ title: 'Keep the brine' }),
  },
  { additionalProperties: false },
);
export type DrainParams = Static<typeof schema>;

export interface DrainFacts {
  brineG: number;
  brinePh: number | null;
  brineSaltPct: number;
}

/** Heat that leaves with a clear brine (chapter 2, section 3.3: 0.99 stays, 0.95 to 1.0). */
const HEAT_TO_BRINE = 0.01;
/** Protein held in the pulp (chapter 3, section 6.3). */
const PROTEIN_IN_PULP = 0.6;
/** Log-sd of how much brine clings (our judgement). */
const CLING_SD = 0.3;

/**
 * Parts a jar into pods and brine. What is dissolved is spread evenly over all water; pulp, fat, pectin acids and most
 * protein stay with the pods. `wet` is the share of the liquid that stays. Both parts keep the jar's pH:
 * the pods' strong ions are anchored to it and the brine has the rest (chapter 3, section 6.3).
 */
function drainJar(jar: Stream, wet: number, acids: AcidWorld): { pods: Stream; brine: Stream } {
  const toBrine = 1 - wet;
  const share = (c: string) =>
    c === 'pulp' || c === 'fat' || c === 'uronic' ? 0 : c === 'protein' ? toBrine * (1 - PROTEIN_IN_PULP) : toBrine;
  const draft = part(jar, { share, heat: HEAT_TO_BRINE * toBrine, sidEq: jar.sidEq * toBrine, ledger: 0 });
  const pH = phOf(jar, acids)?.pH;
  if (pH === undefined) return { pods: draft.left, brine: draft.taken };
  const podsSid = sidForPh(poolOf(draft.left, acids), pH);
  return {
    pods: { ...draft.left, sidEq: podsSid },
    brine: { ...draft.taken, sidEq: jar.sidEq - podsSid },
  };
}

/** Lift the pods out of the brine; the brine is a by-product with its own salt and acid. */
export const drain = station<'drain', DrainParams, DrainFacts>({
  kind: 'drain',
  name: 'Drain',
  verb: 'Lift the pods out of the brine',
  schema,
  defaults: () => ({ clingPct: 8, keepBrine: true }),
  days: () => 0,
  apply(input, params, context): Outcome<DrainFacts> {
    const stream = input.stream;
    const before = massOf(stream);
    if (!(stream.grams.water > 0)) return { out: input, additions: [], sides: [], facts: null };
    const { draw, acids } = context;
    const { jar, thirstG } = input.past;
    const cling = (params.clingPct / 100) * Math.exp(CLING_SD * draw.z('drain.cling'));
    const own = jar?.produceWaterG ?? stream.grams.water;
    // Dried pods swell: they keep what they drank, as far as there was water to drink (chapter 5, section 3).
    const drunk = Math.min(0.9 * Math.max(0, stream.grams.water - own), thirstG * swollenShare(jar?.hours ?? 0, draw));
    const podG = (jar?.produceG ?? before) + drunk;
    let wet = Math.min(1, (own + drunk + cling * podG) / stream.grams.water);
    const measured = context.log.massG;
    if (measured !== undefined) {
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
    const side = sideOf(input, brine, 0);
    const taken = { ...side, past: { ...side.past, jar: null, thirstG: 0 } };
    return {
      out: { stream: pods, past: { ...out.past, jar: null, thirstG: Math.max(0, thirstG - drunk) } },
      additions: [],
      sides: brineG > 0 ? [{ id: 'brine', name: params.keepBrine ? 'brine kept' : 'brine', ...taken, kept: params.keepBrine }] : [],
      facts: { brineG, brinePh: phOf(brine, acids)?.pH ?? null, brineSaltPct: brineG > 0 ? (100 * brine.grams.salt) / brineG : 0 },
    };
  },
  duties: (v) => [
    {
      key: 'drain',
      text: 'Drain, weigh the pods and read the pH of a blended pod',
      why: 'The weight sets everything after it. The pod can lag behind the brine.',
      due: v.to,
    },
  ],
});
