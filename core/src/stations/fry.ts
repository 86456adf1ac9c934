import { Type, type Static } from '@sinclair/typebox';
import { onHob } from '../cook/energy';
import { frying } from '../caution';
import { ethanolKept, fryingG, FRYING_WAYS, heatInOil, oilHeldG, type FryWay } from '../cook';
import { allergensIn, convert, massOf, withHeat, type Stream } from '../matter/stream';
import { parcel, steamedOff, type Parcel } from '../parcel';
import { choice } from './ask';
import { heated } from './heated';
import { curve, reach, type Curve } from './curve';
import { sayMin, station, StationProblem, type Flow, type Outcome } from './station';
import { steamOf } from './steam';

const WAY_NAMES: Readonly<Record<FryWay, string>> = { sweat: 'sweat, soft', paste: 'fry a paste', crisp: 'fry crisp' };

const schema = Type.Object(
  {
    way: choice(WAY_NAMES, { title: 'How', label: 'How', main: true }),
    minutes: Type.Number({ title: 'The time', label: 'Time', main: true, minimum: 0, maximum: 120, unit: 'min' }),
    panCm: Type.Number({ title: 'The pan, across', label: 'Pan, across', minimum: 12, maximum: 50, unit: 'cm' }),
    drained: Type.Boolean({ title: 'Drain the oil off', label: 'Drain the oil off', main: true }),
  },
  { additionalProperties: false },
);
export type FryParams = Static<typeof schema>;

export interface FryFacts {
  steamG: number;
  oilG: number;
  /** Oil that comes back when it is drained, g. */
  oilBackG: number;
  /** Share of the heat that the oil holds, %. */
  heatInOilPct: number;
  /** g left against minutes. */
  curve: Curve;
}

/** More than this of the water never leaves (handbook chapter 5, section 6). */
const MOST_OFF = 0.97;
/** Log-sd of the rate, the oil held and the heat in the oil (section 0.3). */
const SD = { rate: 0.35, oil: 0.3, heat: 0.3 } as const;
const ACETIC_KEPT = 0.7;
/** What bubbles in the pan for so long is cooked through (handbook chapter 6, section 4). */
const COOKED_MIN = 10;

/** In oil: water boils out, oil and colour go in, some of the heat goes over into the oil. */
export const fry = station<'fry', FryParams, FryFacts>({
  kind: 'fry',
  name: 'Fry',
  doubt: 'how fast it fries, and the oil it holds',
  verb: 'Fry in oil',
  schema,
  heatLogged: () => true,
  weighed: 'Weighed, less the pan',
  needsStuff: true,
  lasts: true,
  tool: 'pot',
  byTool: (t) => (t.acrossCm === undefined ? {} : { panCm: t.acrossCm }),
  gives: { 'chili-oil': 'chili oil' },
  defaults: () => ({ way: 'sweat', minutes: 8, panCm: 26, drained: false }),
  days: () => 0,
  minutes: (p) => ({ hands: p.minutes + 3, clock: p.minutes + 5 }),
  energy: (p, bowl, f) => [onHob(bowl, f.steamG, p.minutes, 'pan')],
  apply(bowl, params, { own, draw, massG, log, ahead, tool }): Outcome<FryFacts> {
    const { stream, past } = bowl;
    const g = stream.grams;
    const beganG = massOf(stream);
    if (!(g.water > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const oilG = past.freeOilG;
    const way = FRYING_WAYS[params.way];
    const heldLuck = Math.exp(SD.oil * own.z('oil'));
    const held = (off: number) => (params.drained ? Math.min(oilG, oilHeldG(beganG - oilG - off, off) * heldLuck) : oilG);
    const weight = (off: number) => beganG - off - (oilG - held(off));
    const most = MOST_OFF * g.water;
    const luck = Math.exp(SD.rate * own.z('rate'));
    const offAt = (min: number) => Math.min(most, fryingG(params.way, min, tool?.acrossCm ?? params.panCm, g.water, g.fat, beganG) * luck);
    let off = offAt(params.minutes);
    if (massG !== null) {
      if (draw.typical && (massG > weight(0) * 1.02 || massG < weight(most) * 0.98))
        throw new StationProblem(
          'log/massG',
          `It can weigh between ${Math.ceil(weight(most))} g and ${Math.floor(weight(0))} g. Weigh everything that is in the pan, without the pan.`,
        );
      let [low, high] = [0, most];
      for (let i = 0; i < 48; i++) {
        off = (low + high) / 2;
        if (weight(off) > massG) low = off;
        else high = off;
      }
    }
    const left = (g.water - off) / g.water;
    const acetic = g.acetic * left ** ACETIC_KEPT;
    const ethanol = g.ethanol * ethanolKept(left);
    const steam = steamOf(off, g.acetic - acetic, g.ethanol - ethanol);
    const browned = g.sugars * way.browns;
    const change = { sugars: -browned, other: browned };
    const fried = withHeat(convert({ ...stream, grams: { ...g, water: g.water - off, acetic, ethanol } }, change), way.heat);
    const surely = way.bubbles && params.minutes >= COOKED_MIN;
    const { past: cooked, anew } = heated({ ...steamedOff(past, off), ph: null, jar: null }, { log, ahead }, surely);
    const backG = oilG - held(off);
    const inOil = heatInOil(oilG, massOf(fried) - oilG, params.way) * Math.exp(SD.heat * own.z('heat'));
    const { out, back } = drainOil({ stream: fried, past: cooked }, backG, oilG > 0 ? Math.min(1, inOil) * (backG / oilG) : 0);
    const sides: Flow[] = [];
    if (massOf(steam) > 0) sides.push({ id: 'steam', name: 'steam', ...parcel(steam) });
    if (back) sides.push({ id: 'chili-oil', name: 'chili oil', ...back, kept: true });
    return {
      out,
      made: [],
      sides,
      change,
      heatLossShuG: stream.heatShuG * (1 - way.heat),
      anew,
      facts: {
        steamG: massOf(steam),
        oilG,
        oilBackG: backG,
        heatInOilPct: 100 * Math.min(1, inOil),
        curve: draw.typical ? curve(0, reach(params.minutes, 10, 120), (t) => weight(offAt(t))) : [],
      },
    };
  },
  step: ({ params: p }) =>
    `${{ sweat: 'Sweat gently in the oil, without colour', paste: 'Fry in the oil, stirring, until the oil parts', crisp: 'Fry until crisp, and lift out one shade before' }[p.way]}, about ${sayMin(p.minutes)}${p.drained ? '; drain' : ''}.`,
  duties: (v) => [
    {
      key: 'fry',
      text: v.params.way === 'crisp' ? 'Fry, and lift it out one shade before it is done' : 'Fry, stir, and weigh it with the oil',
      why:
        v.params.way === 'crisp'
          ? 'It crisps and darkens on while it cools.'
          : 'The weight says how much water went off. Garlic only in the last minute.',
      due: v.to,
    },
  ],
  cautions: (v) => frying({ hot: v.after.heatShu > 0, body: v.after.body, oilG: v.facts?.oilG ?? 0 }),
});

/** Takes `oilG` of free oil out, with its share of the heat. */
function drainOil(all: Parcel, oilG: number, heat: number): { out: Parcel; back: Parcel | null } {
  if (!(oilG > 0)) return { out: all, back: null };
  const { stream, past } = all;
  const heatShuG = stream.heatShuG * heat;
  const only = parcel({ ...steamOf(0), heatShuG }).stream;
  const oil: Stream = {
    ...only,
    grams: { ...only.grams, fat: oilG },
    ledger: [
      {
        of: { id: 'chili-oil', name: 'chili oil', pulp: 0, strength: 1, hex: '#B4401A', tint: 1, allergens: allergensIn(stream) },
        massG: oilG,
        heatShuG,
      },
    ],
  };
  const rest = withHeat({ ...stream, grams: { ...stream.grams, fat: stream.grams.fat - oilG } }, 1 - heat);
  return {
    out: { stream: rest, past: { ...past, freeOilG: past.freeOilG - oilG } },
    // Oil of a jar that was condemned is condemned with it.
    back: { stream: oil, past: { ...past, freeOilG: oilG, seedG: 0, thirstG: 0 } },
  };
}
