import { Type, type Static } from '@sinclair/typebox';
import { pressing } from '../caution';
import { brixOf } from '../matter/brix';
import { ACIDS, COMPONENTS, type Component } from '../matter/component';
import { WATER_KEY } from '../matter/kind';
import { massOf, mix, type Stream } from '../matter/stream';
import { join, parcel, sideOf, watered } from '../parcel';
import { ingredientStream } from '../pantry';
import { choice } from './ask';
import { curve, reach, type Curve } from './curve';
import { partLiquid } from './liquid';
import { station, StationProblem, type Flow, type Outcome } from './station';

const schema = Type.Object(
  {
    block: choice({ seedless: 'without seeds', seeds: 'with seeds in it' }, { title: 'The block', label: 'The block', main: true }),
    waterPerG: Type.Number({ title: 'Water for 1 g', label: 'Hot water for 1 g', main: true, minimum: 0.5, maximum: 12, unit: 'g' }),
    washPerG: Type.Number({ title: 'Second water for 1 g', label: 'A second water', minimum: 0, maximum: 12, unit: 'g' }),
  },
  { additionalProperties: false },
);
export type PressParams = Static<typeof schema>;

export interface PressFacts {
  waterG: number;
  liquidG: number;
  residueG: number;
  /** Soluble solids and acids of the liquid, °Bx and %. */
  brix: number;
  acidsPct: number;
  /** Share of the block's acid that came out, %. */
  acidWonPct: number;
  /** % of acid in the liquid against g of water for 1 g. */
  curve: Curve;
}

/** Strings, shell and seed of a block, share of its mass; nearly all of it insoluble (handbook chapter 5, section 4, judgement). */
const WASTE: Record<PressParams['block'], number> = { seedless: 0.12, seeds: 0.3 };
const WASTE_PULP = 0.88;
/** Of the fruit's own insolubles this share passes the sieve; liquid that the dry residue holds, g/g; what one water dissolves. */
const PASSES = 0.6;
const HOLDS = { gPerG: 2.5, sd: 0.3 } as const;
const DISSOLVES = 0.85;
const INSOLUBLE: ReadonlySet<Component> = new Set<Component>(['water', 'pulp', 'fat', 'starch', 'gum']);

/** A block with its strings and seeds booked as what they are, and the change that does it. */
function asBought(block: Stream, waste: number): { stream: Stream; change: Partial<Record<Component, number>> } {
  const m = massOf(block);
  const change: Partial<Record<Component, number>> = {};
  const grams = { ...block.grams };
  for (const c of COMPONENTS) {
    const strings = c === 'pulp' ? WASTE_PULP * m : c === 'water' ? (1 - WASTE_PULP) * m : 0;
    const by = waste * (strings - block.grams[c]);
    if (by !== 0) change[c] = by;
    grams[c] += by;
  }
  return { stream: { ...block, grams }, change };
}

/** Soaks a fruit block in hot water, works it with the fingers and presses it through a sieve. */
export const press = station<'press', PressParams, PressFacts>({
  kind: 'press',
  name: 'Soak and press',
  doubt: 'how much the pressed block holds',
  verb: 'Soak the block and press it out',
  schema,
  weighed: 'What passed, weighed',
  needsStuff: true,
  lasts: true,
  puts: [WATER_KEY],
  defaults: () => ({ block: 'seedless', waterPerG: 3, washPerG: 0 }),
  days: () => 0,
  minutes: (p, bowlG) => {
    const hands = 6 + bowlG / 60 + (p.washPerG > 0 ? 4 : 0);
    return { hands, clock: hands + 15 };
  },
  apply(bowl, params, { own, draw, acids, ingredient, massG }): Outcome<PressFacts> {
    const blockG = massOf(bowl.stream);
    if (!(blockG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const waste = WASTE[params.block];
    const { stream: real, change } = asBought(bowl.stream, waste);
    const stringsG = WASTE_PULP * waste * blockG;
    const dryG = stringsG + (1 - PASSES) * Math.max(0, real.grams.pulp - stringsG);
    const holds = HOLDS.gPerG * Math.exp(HOLDS.sd * own.z('holds'));
    const waterOf = (perG: number) => ingredientStream(ingredient(WATER_KEY), perG * blockG, draw);
    const waters = [params.waterPerG, params.washPerG].filter((g) => g > 0).map(waterOf);
    // The strings carry their part of the ions away: what is left in the fruit keeps the fruit's own balance.
    const inStrings = real.sidEq * waste;
    const fruit: Stream = { ...real, sidEq: real.sidEq - inStrings };
    /** One water after the other; each leaves `heldG` of its liquid in the residue. */
    const washed = (heldPerDry: number, perG = params.waterPerG) => {
      let residue = fruit;
      const won: Stream[] = [];
      for (const water of [perG, params.washPerG].filter((g) => g > 0).map(waterOf)) {
        const all = mix(residue, water);
        const dissolved = COMPONENTS.reduce((s, c) => (INSOLUBLE.has(c) ? s : s + all.grams[c]), 0);
        const liquid = all.grams.water + DISSOLVES * dissolved;
        const x = Math.min(1, (heldPerDry * dryG) / liquid);
        const pulpBack = all.grams.pulp > 0 ? Math.min(1, dryG / all.grams.pulp) : 0;
        const back = (c: Component) => (c === 'water' ? x : c === 'pulp' ? pulpBack : INSOLUBLE.has(c) ? x : 1 - DISSOLVES + DISSOLVES * x);
        const solubleBack = 1 - DISSOLVES + DISSOLVES * x;
        const parts = partLiquid(all, { share: (c) => 1 - back(c), heat: 1 - x, wet: 1 - solubleBack, anchor: 'stays' }, acids);
        won.push({ ...parts.leaves, ledger: all.ledger.map((e) => ({ ...e, heatShuG: e.heatShuG * (1 - x) })) });
        residue = { ...parts.stays, ledger: all.ledger.map((e) => ({ ...e, massG: 0, heatShuG: e.heatShuG * x })) };
      }
      return { liquid: mix(...won), residue };
    };
    let held = holds;
    if (massG !== null) {
      const [most, least] = [massOf(washed(0).liquid), massOf(washed(8 * HOLDS.gPerG).liquid)];
      if (draw.typical && (massG > most * 1.02 || massG < least * 0.98))
        throw new StationProblem(
          'log/massG',
          `What passed can weigh between ${Math.ceil(least)} g and ${Math.floor(most)} g. Weigh the liquid without the bowl.`,
        );
      let [low, high] = [0, 8 * HOLDS.gPerG];
      for (let i = 0; i < 48; i++) {
        held = (low + high) / 2;
        if (massOf(washed(held).liquid) > massG) low = held;
        else high = held;
      }
    }
    const { liquid, residue } = washed(held);
    const strings = { ...residue, sidEq: residue.sidEq + inStrings };
    const made: Flow[] = waters.map((w, i) => ({
      id: i === 0 ? 'water' : 'wash',
      key: WATER_KEY,
      name: 'water',
      ...parcel(w, watered(massOf(w))),
    }));
    const all = join(bowl, ...made);
    const out = sideOf(all, liquid, 0);
    const acidG = (s: Stream) => ACIDS.reduce((sum, a) => sum + (a === 'uronic' ? 0 : s.grams[a]), 0);
    const liquidG = massOf(liquid);
    const acidPct = (s: Stream) => (massOf(s) > 0 ? (100 * acidG(s)) / massOf(s) : 0);
    return {
      out: { ...out, past: { ...out.past, ph: null, jar: null, cooked: 'no' } },
      made,
      sides: [{ id: 'strings', name: 'strings and seeds', ...sideOf(all, strings, 1) }],
      change,
      facts: {
        waterG: made.reduce((s, f) => s + massOf(f.stream), 0),
        liquidG,
        residueG: massOf(strings),
        brix: brixOf(liquid),
        acidsPct: acidPct(liquid),
        acidWonPct: acidG(bowl.stream) > 0 ? (100 * acidG(liquid)) / acidG(bowl.stream) : 0,
        curve: draw.typical ? curve(0.5, reach(params.waterPerG, 6, 12), (perG) => acidPct(washed(held, perG).liquid)) : [],
      },
    };
  },
  step: ({ params: p }) =>
    `Soften in hot water for 15 minutes, work it with the fingers and press it through a sieve${p.washPerG > 0 ? '; once more with the second water' : ''}.`,
  duties: (v) => [
    {
      key: 'press',
      text: 'Soften the block in hot water for 15 minutes, work it with the fingers, press it through; weigh what passed',
      why: 'A block and a jar of ready paste differ by a factor of two. The weight says how strong yours came out.',
      due: v.to,
    },
  ],
  cautions: () => pressing(),
});
