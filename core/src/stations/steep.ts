import { Type, type Static } from '@sinclair/typebox';
import { steeping } from '../caution';
import { massOf } from '../matter/stream';
import { COOL_RULE, evenness } from '../cook';
import { percent, waterPhaseSaltPct } from '../matter/stream';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { station, type Outcome } from './station';

/** Half thickness of what salt and acid soak into, mm, by cut (handbook chapter 5, section 5). */
const CUT_MM = { mash: 0.6, chopped: 2.5, halved: 4 } as const;
export type SteepCut = keyof typeof CUT_MM;

const CUT_NAMES: Readonly<Record<SteepCut, string>> = { mash: 'ground', chopped: 'chopped', halved: 'halved' };

const schema = Type.Object(
  {
    cut: choice(CUT_NAMES, { title: 'The cut', label: 'Cut', main: true }),
    hours: Type.Number({ title: 'The time', label: 'Time', main: true, minimum: 0, maximum: 240, unit: 'h' }),
    tempC: Type.Number({ title: 'It stands at', label: 'It stands at', minimum: 0, maximum: 35, unit: '°C' }),
  },
  { additionalProperties: false },
);
export type SteepParams = Static<typeof schema>;

export interface SteepFacts {
  /** How even salt and acid are between liquid and pods, %. */
  evenPct: number;
  /** Hours until it is even to 95 %. */
  evenHours: number;
  saltPct: number;
  aceticPct: number;
  /** % even against hours. */
  curve: Curve;
}

/** Even enough for a reading to be that of all of it. */
const EVEN = 0.95;
const HOUR_DAYS = 24;
/** What stood in a jar for longer than this is not as it came off the fire, h (our judgement). */
const STAYS_COOKED_H = 2;

/** In vinegar and salt, cold: nothing leaves; salt and acid soak in until all of it is even. */
export const steep = station<'steep', SteepParams, SteepFacts>({
  kind: 'steep',
  name: 'Steep',
  verb: 'Cover with vinegar and salt and leave it cold',
  schema,
  weighed: 'Weighed',
  lasts: true,
  defaults: () => ({ cut: 'chopped', hours: 12, tempC: 4 }),
  days: (p) => (p.hours < 6 ? 0 : Math.ceil(p.hours / HOUR_DAYS)),
  minutes: (p) => ({ hands: 4, clock: 4 + 60 * p.hours }),
  apply(bowl, params, { draw }): Outcome<SteepFacts> {
    const { stream, past } = bowl;
    if (!(massOf(stream) > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const even = evenness(CUT_MM[params.cut], params.tempC, params.hours);
    return {
      out: {
        ...bowl,
        past: { ...past, ph: even < EVEN ? null : past.ph, jar: null, cooked: params.hours > STAYS_COOKED_H ? 'no' : past.cooked },
      },
      warmH: params.tempC > COOL_RULE.toC ? params.hours : 0,
      made: [],
      sides: [],
      facts: {
        evenPct: 100 * even,
        evenHours: hoursTo(EVEN, params),
        saltPct: waterPhaseSaltPct(stream),
        aceticPct: percent(stream, 'acetic'),
        curve: draw.typical ? curve(0, reach(params.hours, 24, 240), (h) => 100 * evenness(CUT_MM[params.cut], params.tempC, h)) : [],
      },
    };
  },
  step: ({ params: p }) => `Cover, press under, and leave ${Math.round(p.hours)} hours at ${p.tempC} °C.`,
  duties: (v) => [
    {
      key: 'steep',
      text: `Cover, press under, and leave ${Math.round(v.params.hours)} hours ${v.params.tempC <= 8 ? 'in the fridge' : `at ${v.params.tempC} °C`}`,
      why: 'Salt and acid need the time to soak in. A reading before that is that of the liquid.',
      due: v.from,
    },
  ],
  cautions: (v) => steeping(v.params.tempC, v.params.hours, v.facts?.aceticPct ?? 0),
});

function hoursTo(even: number, { cut, tempC }: SteepParams): number {
  let [low, high] = [0, 1];
  while (evenness(CUT_MM[cut], tempC, high) < even) high *= 2;
  for (let i = 0; i < 40; i++) {
    const mid = (low + high) / 2;
    if (evenness(CUT_MM[cut], tempC, mid) < even) low = mid;
    else high = mid;
  }
  return high;
}
