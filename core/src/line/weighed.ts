import { massOf } from '../matter/stream';
import { scaleParcel } from '../parcel';
import { StationProblem, type Outcome } from '../stations';

/** The flow that a weighing lost or found: on a side what went missing, among what was made what nobody put in. */
export const UNWEIGHED = 'unweighed';

/** More than this over what went in is no matter of the scale (our judgement). */
const SCALE_SLACK = 1.05;

/** Brings the output to a weighed mass: what is missing left somewhere, what is extra came from somewhere. */
export function pinMass(outcome: Outcome, wentG: number, massG: number, typical: boolean): Outcome {
  const { out } = outcome;
  const mass = massOf(out.stream);
  if (!(mass > 0) || Math.abs(massG - mass) < 1e-9) return outcome;
  if (typical) {
    const went = outcome.made.reduce((s, a) => s + massOf(a.stream), wentG);
    if (massG > went * SCALE_SLACK)
      throw new StationProblem(
        'log/massG',
        `Only ${Math.round(went)} g went in here. Weigh without the bowl, or check what went in before.`,
      );
    const dry = mass - out.stream.grams.water;
    if (massG < dry)
      throw new StationProblem(
        'log/massG',
        `Even dried out it would weigh ${Math.ceil(dry)} g. Check the weight, or the amounts before it.`,
      );
  }
  const pinned = scaleParcel(out, massG / mass);
  const rest = scaleParcel(out, Math.abs(massG / mass - 1));
  if (massG < mass) {
    return { ...outcome, out: pinned, sides: [...outcome.sides, { id: UNWEIGHED, name: 'lost on the way', ...rest }] };
  }
  return { ...outcome, out: pinned, made: [...outcome.made, { id: UNWEIGHED, name: 'not accounted for', ...rest }] };
}
