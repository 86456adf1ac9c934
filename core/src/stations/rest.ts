import { Type, type Static } from '@sinclair/typebox';
import { cooling } from '../caution';
import { COOL_RULE, cooledC, coolingMin, FELT, heatFelt, warmMinutes, type CoolingPlace } from '../cook';
import { acidityOf } from '../keep';
import { volumeMl } from '../matter/density';
import { massOf } from '../matter/stream';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { sayMin, station, type Outcome } from './station';

/** What stands longer is no rest, h. */
export const MOST_REST_H = 336;

const PLACES: Readonly<Record<CoolingPlace, string>> = {
  air: 'on the counter',
  water: 'in cold water, stirred',
  fridge: 'in the fridge',
};

const schema = Type.Object(
  {
    place: choice(PLACES, { title: 'Where it cools', label: 'Where', main: true }),
    fromC: Type.Number({ title: 'It begins at', label: 'It begins at', main: true, minimum: 5, maximum: 110, unit: '°C' }),
    vessels: Type.Integer({ title: 'The vessels', label: 'In how many vessels', minimum: 1, maximum: 40 }),
    hours: Type.Number({ title: 'It rests for', label: 'It rests for', main: true, minimum: 0, maximum: MOST_REST_H, unit: 'h' }),
  },
  { additionalProperties: false },
);
export type RestParams = Static<typeof schema>;

export interface RestFacts {
  /** Minutes to hand-warm for the blender, and from 57 to 21 °C; Infinity when it never gets there. */
  toWarmMin: number;
  warmMin: number;
  /** The same in a bath of cold water, stirred. */
  bathMin: number;
  litresEach: number;
  /** Share of the heat that is felt at the end of the rest, %. */
  feltPct: number;
  /** Hours from which a pH reading counts: longer in pieces. */
  phHours: number;
  /** °C against hours. */
  curve: Curve;
}

/** Below this a closed jug is safe and lime juice keeps its smell, °C (handbook chapter 5, sections 11 and 16). */
const WARM_C = 60;
/** Wait before a reading counts, h (section 13). */
const PH_WAIT = { blended: 1, pieces: 24 } as const;

/** Hours of a rest between 57 and 5 °C: what stands in the air or in cold water never gets colder than that. */
function warmHours({ place, fromC, hours }: RestParams, litresEach: number): number {
  if (place === 'fridge') return 0;
  const hotH = fromC > COOL_RULE.fromC ? coolingMin(place, litresEach, fromC, COOL_RULE.fromC) / 60 : 0;
  return Math.max(0, hours - hotH);
}

/** Standing until it is cool and even: nothing changes but temperature and time. */
export const rest = station<'rest', RestParams, RestFacts>({
  kind: 'rest',
  name: 'Cool and rest',
  verb: 'Let it cool and even out',
  schema,
  weighed: 'Weighed',
  needsStuff: true,
  defaults: () => ({ place: 'air', fromC: 85, vessels: 1, hours: 2 }),
  days: (p) => Math.round(p.hours / 24 + 0.2),
  minutes: (p) => ({ hands: 2 + p.vessels, clock: 60 * p.hours }),
  apply(bowl, params, { draw }): Outcome<RestFacts> {
    if (!(massOf(bowl.stream) > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const litres = volumeMl(bowl.stream) / 1000;
    const each = litres / params.vessels;
    return {
      // What stands in its brine is in its jar still.
      out: bowl,
      warmH: warmHours(params, each),
      made: [],
      sides: [],
      facts: {
        toWarmMin: coolingMin(params.place, each, params.fromC, WARM_C),
        warmMin: warmMinutes(params.place, each),
        bathMin: warmMinutes('water', each),
        litresEach: each,
        feltPct: 100 * heatFelt(params.hours, bowl.past.blended ? FELT.blended : FELT.powder),
        curve: draw.typical ? curve(0, reach(params.hours, 6, 336), (h) => cooledC(params.place, each, params.fromC, 60 * h)) : [],
        phHours: bowl.past.blended ? PH_WAIT.blended : PH_WAIT.pieces,
      },
    };
  },
  step: ({ params: p }) =>
    `Let it ${p.fromC > WARM_C ? 'cool' : 'rest'} ${{ air: 'in the open', water: 'in cold water, stirring', fridge: 'in the fridge' }[p.place]} for ${p.hours < 1 ? sayMin(60 * p.hours) : `${Math.round(p.hours)} hour${Math.round(p.hours) === 1 ? '' : 's'}`}.`,
  duties: (v) => [
    {
      key: 'rest',
      text:
        v.params.fromC > WARM_C
          ? 'Let it cool, in the fridge within the hours it says; then taste and measure'
          : 'Let it rest, then taste and measure',
      why: 'Hot, sauce tastes sharper and less salty than it is. Powder and garlic need a night.',
      due: v.to,
    },
  ],
  cautions: (v) =>
    cooling({
      hotC: v.params.fromC,
      slow: v.params.fromC > COOL_RULE.midC && (v.facts?.warmMin ?? 0) > COOL_RULE.firstMin,
      // As the table of keeping reads it: blended, and a strip only down to 3.6.
      acid: acidityOf(v.out.past) === 'acid',
      starch: v.out.stream.grams.starch > 0,
      warmHours: v.facts ? warmHours(v.params, v.facts.litresEach) : 0,
      bath: v.params.place === 'water',
    }),
});
