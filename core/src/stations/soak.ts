import { Type, type Static } from '@sinclair/typebox';
import { COOL_RULE } from '../cook/cool';
import { byKettle } from '../cook/energy';
import { soaking } from '../caution';
import { ACIDS, type Component } from '../matter/component';
import { WATER_KEY } from '../matter/kind';
import { massOf } from '../matter/stream';
import { join, parcel, sideOf, watered } from '../parcel';
import { ingredientStream } from '../pantry';
import { curve, reach, type Curve } from './curve';
import { partLiquid } from './liquid';
import { sayMin, station, StationProblem, type Flow, type Outcome } from './station';

const schema = Type.Object(
  {
    waterPerG: Type.Number({ title: 'Water for 1 g', label: 'Water for 1 g', main: true, minimum: 0.5, maximum: 30, unit: 'g' }),
    tempC: Type.Number({ title: 'The water, mean', label: 'Water, mean', main: true, minimum: 2, maximum: 98, unit: '°C' }),
    minutes: Type.Number({ title: 'The time', label: 'Time', main: true, minimum: 1, maximum: 2880, unit: 'min' }),
    keepWater: Type.Boolean({ title: 'Keep the water', label: 'Keep the water', main: true }),
  },
  { additionalProperties: false },
);
export type SoakParams = Static<typeof schema>;

/** Water warmer than this comes out of a kettle, °C. */
const FROM_THE_KETTLE_C = 45;

export interface SoakFacts {
  waterG: number;
  drunkG: number;
  leftG: number;
  /** Share of the solubles that went into the water, %. */
  leachedPct: number;
  /** g of drained pods against minutes. */
  curve: Curve;
}

/** The water that is left, as something that can go into another thing. */
const SOAK_WATER = { id: 'soak-water', name: 'soak water', pulp: 0, strength: 1, hex: '#8A5A3A', tint: 0.5 } as const;
/** Uptake by Peleg's form (1988, from memory): most water per dry matter, min at 70 °C, activation energy (chapter 5, section 3). */
const PELEG = { most: 3, k1Min: 2.1, ea: 28_000, refK: 343.15 } as const;
const GAS_R = 8.314;
/** Share of the water given that can be drunk. */
const DRINKABLE = 0.9;
/** Time constant of leaching, min, and the protein that goes with the rest (section 3). */
const LEACH = { tau: 50, protein: 0.4 } as const;
/** Heat to the water: grows to this share in a quarter of an hour, never above what water dissolves, SHU g per g (section 3). */
const HEAT_TO_WATER = { share: 0.02, minutes: 15, hot: 960, cold: 480, hotC: 45 } as const;
/** Log-sd of uptake and of leaching (section 0.3). */
const UPTAKE_SD = 0.15;
const LEACH_SD = 0.5;
const SOLUBLE: ReadonlySet<string> = new Set<Component>(['sugars', 'salt', 'other', ...ACIDS.filter((a) => a !== 'uronic')]);

/** Hours that water over dried pods is between 5 and 57 °C; what is poured on hot is no longer hot after an hour (our judgement). */
const warmHours = ({ tempC, minutes }: SoakParams): number =>
  tempC <= COOL_RULE.toC ? 0 : Math.max(0, minutes / 60 - (tempC > COOL_RULE.fromC ? 1 : 0));

/** How much slower than at 70 °C. */
const slower = (tempC: number) => Math.exp((PELEG.ea / GAS_R) * (1 / (tempC + 273.15) - 1 / PELEG.refK));

/** Dried pods in water until they fold: they drink, and some of what is soluble goes into the water. */
export const soak = station<'soak', SoakParams, SoakFacts>({
  kind: 'soak',
  name: 'Soak',
  doubt: 'how much the pods drink and give',
  verb: 'Soak until they fold',
  schema,
  weighed: 'Drained, weighed',
  needsStuff: true,
  lasts: true,
  puts: [WATER_KEY],
  gives: { 'soak-water': 'soak water' },
  defaults: () => ({ waterPerG: 5, tempC: 70, minutes: 15, keepWater: false }),
  days: (p) => (p.minutes > 12 * 60 ? 1 : 0),
  minutes: (p) => ({ hands: 4, clock: p.minutes + 4 }),
  energy: (p, _, f) => (p.tempC > FROM_THE_KETTLE_C ? [byKettle(f.waterG)] : []),
  apply(bowl, params, { own, draw, acids, ingredient, massG }): Outcome<SoakFacts> {
    const beforeG = massOf(bowl.stream);
    if (!(beforeG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const waterG = params.waterPerG * beforeG;
    const made: Flow[] = [
      { id: 'water', key: WATER_KEY, name: 'water', ...parcel(ingredientStream(ingredient(WATER_KEY), waterG, draw), watered(waterG)) },
    ];
    const all = join(bowl, ...made);
    const had = bowl.stream.grams.water;
    const dry = beforeG - had;
    const room = Math.max(0, PELEG.most - had / dry);
    const s = slower(params.tempC);
    const drinks = (minutes: number) => {
      const perG = room > 0 && minutes > 0 ? minutes / (PELEG.k1Min * s + minutes / room) : 0;
      return Math.min(perG * dry * Math.exp(UPTAKE_SD * own.z('uptake')), DRINKABLE * waterG);
    };
    let drunk = drinks(params.minutes);
    const leaching = 1 - Math.exp(-params.minutes / (LEACH.tau * s * Math.exp(LEACH_SD * own.z('leach'))));
    const parted = (uptake: number) => {
      const free = waterG - uptake;
      const y = (free / (free + had + uptake)) * leaching;
      const share = (c: Component) =>
        c === 'water' ? free / all.stream.grams.water : SOLUBLE.has(c) ? y : c === 'protein' ? LEACH.protein * y : 0;
      const q = bowl.stream.heatShuG;
      const bound = params.tempC >= HEAT_TO_WATER.hotC ? HEAT_TO_WATER.hot : HEAT_TO_WATER.cold;
      const heat =
        q > 0 ? Math.min(HEAT_TO_WATER.share, (HEAT_TO_WATER.share * params.minutes) / HEAT_TO_WATER.minutes, (bound * free) / q) : 0;
      return { y, ...partLiquid(all.stream, { share, heat, wet: y, anchor: 'leaves' }, acids) };
    };
    if (massG !== null) {
      const [least, most] = [massOf(parted(0).stays), massOf(parted(DRINKABLE * waterG).stays)];
      if (draw.typical && (massG < least * 0.95 || massG > most))
        throw new StationProblem(
          'log/massG',
          `Drained they can weigh between ${Math.ceil(least)} g and ${Math.floor(most)} g. Shake them and weigh without the bowl.`,
        );
      // Grows with what is drunk: halved until it weighs what was weighed.
      let [low, high] = [0, DRINKABLE * waterG];
      for (let i = 0; i < 60; i++) {
        drunk = (low + high) / 2;
        if (massOf(parted(drunk).stays) < massG) low = drunk;
        else high = drunk;
      }
    }
    const { y, stays, leaves } = parted(drunk);
    const leftG = massOf(leaves);
    const out = sideOf(all, stays, 1);
    const book = [...leaves.ledger, { of: SOAK_WATER, massG: leftG, heatShuG: 0 }];
    const side = sideOf(all, { ...leaves, ledger: book }, 0);
    return {
      out: { ...out, past: { ...out.past, ph: null, jar: null, thirstG: Math.max(0, bowl.past.thirstG - drunk) } },
      made,
      warmH: warmHours(params),
      sides:
        leftG > 0
          ? [
              {
                id: 'soak-water',
                name: params.keepWater ? 'soak water kept' : 'soak water',
                ...side,
                past: { ...side.past, ph: null, jar: null, thirstG: 0, blended: true },
                kept: params.keepWater,
              },
            ]
          : [],
      facts: {
        waterG,
        drunkG: drunk,
        leftG,
        leachedPct: 100 * y,
        curve: draw.typical ? curve(0, reach(params.minutes, 30, 2880), (t) => beforeG + drinks(t)) : [],
      },
    };
  },
  step: ({ params: p }) =>
    `Cover with water of about ${p.tempC} °C and leave for ${sayMin(p.minutes)}; drain${p.keepWater ? ', and keep the water' : ''}.`,
  duties: (v) => [
    {
      key: 'soak',
      text: `Cover with hot water for ${Math.round(v.params.minutes)} minutes, weigh them down; shake and weigh`,
      why: 'They float. Soft and folding without a crack means done.',
      due: v.to,
    },
  ],
  cautions: (v) => soaking(v.params.tempC, v.params.minutes),
});
