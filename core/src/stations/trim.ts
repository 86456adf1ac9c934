import { Type, type Static } from '@sinclair/typebox';
import { massOf } from '../matter/stream';
import { station, type Outcome } from './station';

const schema = Type.Object({}, { additionalProperties: false });
export type TrimParams = Static<typeof schema>;

export interface TrimFacts {
  massG: number;
}
/** Minutes of one round of tasting and weighing in (handbook chapter 5, section 15). */
const ROUND_MIN = 5;

/** Tasted, put right with spoons, tasted again. */
export const trim = station<'trim', TrimParams, TrimFacts>({
  kind: 'trim',
  name: 'Trim',
  verb: 'Taste it and put it right',
  schema,
  weighed: 'Weighed',
  needsStuff: true,
  byTaste: true,
  tasted: true,
  defaults: () => ({}),
  days: () => 0,
  minutes: () => ({ hands: ROUND_MIN, clock: ROUND_MIN }),
  apply(bowl): Outcome<TrimFacts> {
    const massG = massOf(bowl.stream);
    return { out: bowl, made: [], sides: [], facts: massG > 0 ? { massG } : null };
  },
  step: () => 'Taste it at the warmth it is eaten at, put it right, taste again.',
  duties: (v) => [
    {
      key: 'trim',
      text: 'Taste it at the warmth it is eaten at, put it right, taste again',
      why: 'Hot sauce tastes more sour and less salty than it is. After anything that goes in, the pH is read anew.',
      due: v.to,
    },
  ],
});
