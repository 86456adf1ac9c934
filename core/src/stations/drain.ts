import { Type, type Static } from '@sinclair/typebox';
import { sidForPh, poolOf } from '../acid';
import { phOf } from '../line/props';
import { massOf, part, type Stream } from '../matter/stream';
import { station, StationProblem, type Outcome } from './station';

const schema = Type.Object(
  {
    clingPct: Type.Number({ title: 'The brine that clings', minimum: 0, maximum: 60, unit: '%' }),
    keepBrine: Type.Boolean({ title: 'Keep the brine' }),
  },
  { additionalProperties: false },
);
export type DrainParams = Static<typeof schema>;

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
function drainJar(jar: Stream, wet: number): { pods: Stream; brine: Stream } {
  const toBrine = 1 - wet;
  const share = (c: string) =>
    c === 'pulp' || c === 'fat' || c === 'uronic' ? 0 : c === 'protein' ? toBrine * (1 - PROTEIN_IN_PULP) : toBrine;
  const draft = part(jar, { share, heat: HEAT_TO_BRINE * toBrine, sidEq: jar.sidEq * toBrine, ledger: 0 });
  const pH = phOf(jar)?.pH;
  if (pH === undefined) return { pods: draft.left, brine: draft.taken };
  const podsSid = sidForPh(poolOf(draft.left), pH);
  return {
    pods: { ...draft.left, sidEq: podsSid },
    brine: { ...draft.taken, sidEq: jar.sidEq - podsSid },
  };
}

/** Lift the pods out of the brine; the brine is a by-product with its own salt and acid. */
export const drain = station<DrainParams>({
  kind: 'drain',
  name: 'Drain',
  verb: 'Lift the pods out of the brine',
  schema,
  defaults: () => ({ clingPct: 8, keepBrine: true }),
  days: () => 0,
  apply(input, params, context): Outcome {
    const before = massOf(input);
    const podMass = Number(context.known.podMassG ?? before);
    if (!(input.grams.water > 0)) return { out: input, additions: [], sides: [], facts: { brineG: 0 } };
    const cling = (params.clingPct / 100) * Math.exp(CLING_SD * context.draw.z('drain.cling'));
    let wet = Math.min(1, (Number(context.known.podWaterG ?? input.grams.water) + cling * podMass) / input.grams.water);
    const measured = context.log.massG;
    if (measured !== undefined) {
      const dry = massOf(drainJar(input, 0).pods);
      const fits = measured <= before + 1e-9 && measured >= dry;
      if (!fits && context.draw.typical) {
        throw new StationProblem(
          'log/massG',
          `The drained pods can weigh between ${Math.ceil(dry)} g and ${Math.floor(before)} g. Weigh without the bowl.`,
        );
      }
      wet = Math.max(0, Math.min(1, (measured - dry) / (before - dry)));
    }
    const { pods, brine } = drainJar(input, wet);
    const brineG = massOf(brine);
    return {
      out: pods,
      additions: [],
      sides: brineG > 0 ? [{ id: 'brine', name: params.keepBrine ? 'brine kept' : 'brine', stream: brine, kept: params.keepBrine }] : [],
      facts: { brineG, brinePh: phOf(brine)?.pH ?? null, brineSaltPct: brineG > 0 ? (100 * brine.grams.salt) / brineG : 0 },
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
