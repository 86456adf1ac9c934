import { Type, type Static } from '@sinclair/typebox';
import { station } from './station';

const schema = Type.Object({}, { additionalProperties: false });
export type PrepParams = Static<typeof schema>;

/** Minutes at the board for a kilogram of pods, and to begin at all (our judgement). */
const PER_KG = 20;
const TO_BEGIN = 4;

/** Wash, stem, cut. What the knife takes off belongs to the pods themselves, wherever they go in. */
export const prep = station<'prep', PrepParams, null>({
  kind: 'prep',
  name: 'Prep',
  verb: 'Wash, stem and cut',
  schema,
  weighed: 'Cut, weighed',
  usual: 'pods',
  defaults: () => ({}),
  days: () => 0,
  minutes: (_, bowlG) => ({ hands: TO_BEGIN + (PER_KG * bowlG) / 1000, clock: TO_BEGIN + (PER_KG * bowlG) / 1000 }),
  apply: (bowl) => ({ out: bowl, made: [], sides: [], facts: null }),
  step: () => 'Wash, stem and cut them.',
  duties: (v) => [
    {
      key: 'prep',
      text: 'Wash, stem and cut the pods',
      why: 'Soft or mouldy pods go out now. One bad pod can spoil all of it.',
      due: v.to,
    },
  ],
});
