import { Type, type Static } from '@sinclair/typebox';
import { inOven, onHob } from '../cook/energy';
import { charring } from '../caution';
import { convert, massOf, part, withHeat, type Stream } from '../matter/stream';
import { parcel, sideOf, steamedOff } from '../parcel';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { sayMin, station, StationProblem, type Flow, type Outcome } from './station';
import { steamOf } from './steam';

const schema = Type.Object(
  {
    way: choice({ pan: 'dry pan', grill: 'grill', oven: 'oven' }, { title: 'The fire', label: 'Fire', main: true }),
    degree: choice(
      { light: 'blistered in places', well: 'black all over' },
      { title: 'How far', label: 'How far', main: true, when: { way: ['pan'] } },
    ),
    minutes: Type.Number({ title: 'The time', label: 'Time', main: true, minimum: 1, maximum: 180, unit: 'min' }),
    tempC: Type.Number({
      title: 'The oven',
      label: 'Oven',
      main: true,
      when: { way: ['oven'] },
      minimum: 100,
      maximum: 280,
      unit: '°C',
    }),
    peel: Type.Boolean({ title: 'Peel them', label: 'Peel them', main: true }),
  },
  { additionalProperties: false },
);
export type CharParams = Static<typeof schema>;

export interface CharFacts {
  steamG: number;
  /** Share of the water that went off, %. */
  driedPct: number;
  peelG: number;
  /** In the oven: g left, before peeling, against minutes. */
  curve: Curve;
}

/** Water off over fire, browned sugar and heat kept, by degree (handbook chapter 5, section 1; means of its table of kinds). */
const FIRE = {
  light: { dries: 0.08, browns: 0.03, heat: 0.96, low: 0.8, high: 1.05 },
  well: { dries: 0.17, browns: 0.08, heat: 0.92, low: 0.7, high: 1.1 },
} as const;
/** Oven (section 1): rate of drying, the minutes it warms up for, and what it browns. */
const OVEN = {
  perMin: 0.017,
  fromC: 70,
  spanC: 130,
  warmUpMin: 5,
  brownsPerMin: 0.002,
  brownsFrom: 10,
  brownsMost: 0.12,
  heat: 0.95,
} as const;
/** Log-sd of the water off (section 0.3). */
const DRIES_SD = 0.35;
/** Peel, share of what is left, of its insoluble and of its heat (section 1). */
const PEEL = { mass: 0.07, pulpMost: 0.25, heat: 0.03 } as const;
/** Nothing over fire loses more of its water than this and is still a vegetable (our judgement). */
const MOST_DRY = 0.9;

const over = (p: CharParams) => FIRE[p.way === 'grill' ? 'well' : p.degree];
const dries = (p: CharParams) =>
  p.way === 'oven'
    ? 1 - Math.exp(((-OVEN.perMin * (p.tempC - OVEN.fromC)) / OVEN.spanC) * Math.max(0, p.minutes - OVEN.warmUpMin))
    : over(p).dries;
const browns = (p: CharParams) =>
  p.way === 'oven' ? Math.min(OVEN.brownsMost, OVEN.brownsPerMin * Math.max(0, p.minutes - OVEN.brownsFrom)) : over(p).browns;

/** Share of the water that must have gone off for the output to weigh `massG`; null where it was not weighed. */
function fromWeight(stream: Stream, massG: number | null, kept: number, typical: boolean): number | null {
  if (massG === null) return null;
  const before = massOf(stream);
  const off = before - massG / kept;
  if (typical && (off < -0.05 * before || off > stream.grams.water))
    throw new StationProblem(
      'log/massG',
      `It can weigh between ${Math.ceil((before - stream.grams.water) * kept)} g and ${Math.floor(before * kept)} g. Weigh with the juice, without the pan.`,
    );
  return Math.min(1, Math.max(0, off / stream.grams.water));
}

/** Over fire or in the oven until blistered: water leaves, sugar browns, nearly all heat stays. */
export const char = station<'char', CharParams, CharFacts>({
  kind: 'char',
  name: 'Char',
  doubt: 'how much the char dries and spoils',
  verb: 'Char until blistered',
  schema,
  weighed: 'With the juice, weighed',
  needsStuff: true,
  lasts: true,
  defaults: () => ({ way: 'pan', degree: 'light', minutes: 8, tempC: 200, peel: false }),
  days: () => 0,
  minutes: (p) => (p.way === 'oven' ? { hands: 4, clock: p.minutes + 10 } : { hands: p.minutes, clock: p.minutes + 2 }),
  // What a grill burns is no hob's and no oven's.
  energy: (p, bowl, f) =>
    p.way === 'oven' ? [inOven(p.minutes, p.tempC)] : p.way === 'pan' ? [onHob(bowl, f.steamG, p.minutes + 2, 'pan')] : [],
  apply(bowl, params, { own, draw, massG }): Outcome<CharFacts> {
    const { stream } = bowl;
    if (!(stream.grams.water > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const kept = params.peel ? 1 - PEEL.mass : 1;
    const usual = Math.min(MOST_DRY, dries(params) * Math.exp(DRIES_SD * own.z('water')));
    const off = fromWeight(stream, massG, kept, draw.typical) ?? usual;
    const steam = steamOf(stream.grams.water * off);
    const browned = stream.grams.sugars * browns(params);
    const change = { sugars: -browned, other: browned };
    const { low, high } = over(params);
    const typicalHeat = params.way === 'oven' ? OVEN.heat : over(params).heat;
    const heat = Math.min(1, typicalHeat * Math.exp((Math.log(high / low) / 3.2897) * own.z('heat')));
    const dried = convert({ ...stream, grams: { ...stream.grams, water: stream.grams.water - steam.grams.water } }, change);
    const hot = withHeat(dried, heat);
    const sides: Flow[] = [{ id: 'steam', name: 'steam', ...parcel(steam) }];
    let out = { ...bowl, stream: hot };
    if (params.peel) {
      const m = massOf(hot) * PEEL.mass;
      const pulp = hot.grams.pulp > 0 ? Math.min(PEEL.pulpMost, (0.5 * m) / hot.grams.pulp) : 0;
      const rest = (m - pulp * hot.grams.pulp) / (massOf(hot) - hot.grams.pulp);
      const share = (c: string) => (c === 'pulp' ? pulp : rest);
      const { taken, left } = part(hot, { share, heat: PEEL.heat, sidEq: hot.sidEq * rest, ledger: PEEL.mass });
      sides.push({ id: 'peel', name: 'peel', ...sideOf(out, taken, 0) });
      out = sideOf(out, left, 1);
    }
    return {
      // A measured pH does not survive what drives water off.
      out: { ...out, past: { ...steamedOff(out.past, steam.grams.water), ph: null, jar: null } },
      made: [],
      sides,
      change,
      heatLossShuG: stream.heatShuG * (1 - heat),
      facts: {
        steamG: massOf(steam),
        driedPct: 100 * off,
        peelG: params.peel ? massOf(hot) * PEEL.mass : 0,
        curve:
          draw.typical && params.way === 'oven'
            ? curve(
                0,
                reach(params.minutes, 40, 180),
                (min) => massOf(stream) - stream.grams.water * Math.min(MOST_DRY, dries({ ...params, minutes: min })),
              )
            : [],
      },
    };
  },
  step: ({ params: p }) =>
    `${p.way === 'oven' ? `Roast in the oven at ${p.tempC} °C, in one layer, for ${sayMin(p.minutes)}` : `Char ${p.way === 'grill' ? 'under the grill' : 'in a dry pan'} in one layer until ${p.degree === 'well' ? 'black all over' : 'blistered'}, about ${sayMin(p.minutes)}`}.${p.peel ? ' Rest them under a lid and peel them.' : ''}`,
  duties: (v) => [
    {
      key: 'char',
      text: 'Char in one layer until blistered, weigh it with the juice',
      why: 'A crowded pan steams. The weight says how much water went off.',
      due: v.to,
    },
  ],
  cautions: (v) => charring(v.after.heatShu > 0),
});
