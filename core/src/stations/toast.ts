import { Type, type Static } from '@sinclair/typebox';
import { onHob } from '../cook/energy';
import { charring } from '../caution';
import { convert, massOf, withHeat } from '../matter/stream';
import { parcel, steamedOff } from '../parcel';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { sayMin, station, StationProblem, type Outcome } from './station';
import { steamOf } from './steam';

/** Min to dry by a factor e, by kind of pod (handbook chapter 5, section 2, our judgement). */
const TAU_MIN = { powder: 0.3, thin: 0.8, medium: 1.2, leathery: 1.8 } as const;
type Kind = keyof typeof TAU_MIN;
const KINDS: Readonly<Record<Kind, string>> = {
  powder: 'ground',
  thin: 'thin and small',
  medium: 'medium',
  leathery: 'thick, leathery',
};

const schema = Type.Object(
  {
    kind: choice(KINDS, { title: 'The pods', label: 'The pods', main: true }),
    minutes: Type.Number({ title: 'The time', label: 'Time', main: true, minimum: 0, maximum: 30, unit: 'min' }),
    degree: choice({ fragrant: 'until they smell', dark: 'dark' }, { title: 'How far', label: 'How far', main: true }),
  },
  { additionalProperties: false },
);
export type ToastParams = Static<typeof schema>;

export interface ToastFacts {
  steamG: number;
  /** Water of what is left, %. */
  waterPct: number;
  /** g against minutes. */
  curve: Curve;
}

/** Water per dry matter that no toasting takes, g/g; sugar browned; heat kept, by degree (section 2). */
const LEAST_X = 0.035;
const BROWNS = 0.03;
const HEAT = { fragrant: { typical: 0.95, low: 0.85, high: 1 }, dark: { typical: 0.85, low: 0.6, high: 1 } } as const;
/** Log-sd of the water off (section 0.3). */
const WATER_SD = 0.35;

/** Dried pods in a dry pan until they smell: the rest of the water leaves, sugars brown a little. */
export const toast = station<'toast', ToastParams, ToastFacts>({
  kind: 'toast',
  name: 'Toast',
  doubt: 'how much the pan dries and spoils',
  verb: 'Toast in a dry pan until it smells',
  schema,
  weighed: 'Toasted, weighed',
  needsStuff: true,
  defaults: () => ({ kind: 'medium', minutes: 1.5, degree: 'fragrant' }),
  days: () => 0,
  minutes: (p) => ({ hands: p.minutes + 4, clock: p.minutes + 4 }),
  energy: (p, bowl, f) => [onHob(bowl, f.steamG, p.minutes + 2, 'pan')],
  apply(bowl, params, { own, draw, massG }): Outcome<ToastFacts> {
    const { stream } = bowl;
    const beforeG = massOf(stream);
    const { water } = stream.grams;
    const dry = beforeG - water;
    if (!(water > 0 && dry > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const had = water / dry;
    const tau = TAU_MIN[params.kind] * Math.exp(WATER_SD * own.z('water'));
    const waterAt = (minutes: number) => (had <= LEAST_X ? had : LEAST_X + (had - LEAST_X) * Math.exp(-minutes / tau));
    const x = waterAt(params.minutes);
    let off = water - x * dry;
    if (massG !== null) {
      if (draw.typical && (massG > beforeG * 1.05 || massG < dry))
        throw new StationProblem(
          'log/massG',
          `It can weigh between ${Math.ceil(dry)} g and ${Math.floor(beforeG)} g. Weigh without the pan.`,
        );
      off = Math.min(water, Math.max(0, beforeG - massG));
    }
    const { typical, low, high } = HEAT[params.degree];
    const heat = Math.min(1, typical * Math.exp((Math.log(high / low) / 3.2897) * own.z('heat')));
    const browned = stream.grams.sugars * BROWNS;
    const change = { sugars: -browned, other: browned };
    const steam = steamOf(off);
    const dried = convert({ ...stream, grams: { ...stream.grams, water: water - off } }, change);
    return {
      out: {
        stream: withHeat(dried, heat),
        past: { ...steamedOff(bowl.past, off), ph: null, jar: null, thirstG: bowl.past.thirstG + off },
      },
      made: [],
      sides: off > 0 ? [{ id: 'steam', name: 'steam', ...parcel(steam) }] : [],
      change,
      heatLossShuG: stream.heatShuG * (1 - heat),
      facts: {
        steamG: off,
        waterPct: (100 * (water - off)) / (beforeG - off),
        curve: draw.typical ? curve(0, reach(params.minutes, 3, 30), (t) => dry * (1 + waterAt(t))) : [],
      },
    };
  },
  step: ({ params: p }) =>
    `Toast in a dry pan for ${sayMin(p.minutes)}, until it ${p.degree === 'dark' ? 'is a shade darker' : 'smells'}; smoke means bitter.`,
  duties: (v) => [
    {
      key: 'toast',
      text: 'Toast until it smells, a shade darker and still flexible',
      why: 'Smoke or black spots mean bitter, and no later step hides it: throw those out and start again.',
      due: v.to,
    },
  ],
  cautions: (v) => charring(v.after.heatShu > 0),
});
