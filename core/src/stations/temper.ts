import { Type, type Static } from '@sinclair/typebox';
import { firstPortionG } from '../cook';
import { massOf } from '../matter/stream';
import { station, type Outcome } from './station';

const schema = Type.Object(
  {
    hotC: Type.Number({ title: 'The pot', label: 'The pot is at', main: true, minimum: 20, maximum: 110, unit: '°C' }),
    coldC: Type.Number({ title: 'What goes in', label: 'What goes in is at', main: true, minimum: 0, maximum: 40, unit: '°C' }),
  },
  { additionalProperties: false },
);
export type TemperParams = Static<typeof schema>;

/** One thing that hot sauce would spoil. */
export interface Tempered {
  name: string;
  coldG: number;
  limitC: number;
  why: string;
  /** g of hot sauce that may go into it first; Infinity when the pot is no hotter than it stands. */
  firstG: number;
}
export interface TemperFacts {
  things: Tempered[];
  /** °C of all of it together, taken as alike in heat. */
  togetherC: number;
}

/** Stirred in off the boil, spoon by spoon where heat would spoil it. */
export const temper = station<'temper', TemperParams, TemperFacts>({
  kind: 'temper',
  name: 'Stir in',
  verb: 'Stir in off the boil',
  schema,
  weighed: 'Weighed',
  needsStuff: true,
  defaults: () => ({ hotC: 90, coldC: 20 }),
  days: () => 0,
  minutes: () => ({ hands: 4, clock: 4 }),
  apply(bowl, params): Outcome<TemperFacts> {
    const all = massOf(bowl.stream);
    if (!(all > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const things = bowl.stream.ledger.flatMap((e): Tempered[] => {
      const { name, stands } = e.of;
      if (!stands || !(e.massG > 0)) return [];
      const { mostC, why } = stands;
      return [{ name, coldG: e.massG, limitC: mostC, why, firstG: firstPortionG(e.massG, params.coldC, params.hotC, mostC) }];
    });
    const coldG = Math.min(
      all,
      things.reduce((s, t) => s + t.coldG, 0),
    );
    return {
      // Something went in: what was measured before says nothing of it.
      out: { ...bowl, past: { ...bowl.past, ph: null, jar: null } },
      made: [],
      sides: [],
      facts: { things, togetherC: (coldG * params.coldC + (all - coldG) * params.hotC) / all },
    };
  },
  step: ({ params: p }) =>
    `Off the boil: hot sauce by the spoon into what is cold, then all of it back${p.hotC < 60 ? `, at ${p.hotC} °C` : ''}.`,
  duties: (v) => [
    {
      key: 'temper',
      text: 'Off the boil: hot sauce by the spoon into what is cold, then all of it back',
      why: 'What goes in after the boil is raw to the rules, and counts as the last addition.',
      due: v.to,
    },
  ],
});
