import { Type, type Static } from '@sinclair/typebox';
import { bottling } from '../caution';
import { boilingPointC, sterilisingMinutes } from '../cook';
import { densityOf, volumeMl } from '../matter/density';
import { keepingOf, sauceOf, type Sauce } from '../keep';
import { massOf } from '../matter/stream';
import { splitParcel } from '../parcel';
import { station, StationProblem, type Outcome, type StationView } from './station';

const schema = Type.Object(
  {
    fill: Type.Union([Type.Literal('cold'), Type.Literal('hot')], { title: 'The filling' }),
    headspacePct: Type.Number({ title: 'The headspace', minimum: 0, maximum: 30, unit: '%' }),
    altitudeM: Type.Number({ title: 'The altitude', minimum: -400, maximum: 5000, unit: 'm' }),
  },
  { additionalProperties: false },
);
export type BottleParams = Static<typeof schema>;

export interface BottleFacts {
  bottles: number;
  wanted: number;
  possible: number;
  bottleMl: number;
  filledMl: number;
  overMl: number;
  sterilisingMin: number;
  boilsC: number;
  perBottleG: number;
}

/** Nothing is wished here: nothing is filled. */
const NO_GOAL = { bottles: 0, bottleMl: 100 } as const;

/** The bottled sauce as the rules of keeping see it; null when there is none. */
function sauceIn(v: StationView<BottleParams, BottleFacts>): Sauce | null {
  return v.facts && v.after.massG > 0 ? sauceOf(v.out.stream, v.out.past, v.after, v.params.fill === 'hot', v.done) : null;
}

/** Into clean bottles; what does not fill one stays over. */
export const bottle = station<'bottle', BottleParams, BottleFacts>({
  kind: 'bottle',
  name: 'Bottle',
  verb: 'Fill, cap, label',
  schema,
  defaults: () => ({ fill: 'cold', headspacePct: 5, altitudeM: 0 }),
  days: () => 0,
  minutes: (p, bowlG) => ({ hands: 10 + (20 * bowlG) / 1000, clock: (p.fill === 'hot' ? 25 : 15) + (20 * bowlG) / 1000 }),
  needsStuff: true,
  gives: { over: 'rest that filled no bottle' },
  apply(input, params, context): Outcome<BottleFacts> {
    if (!(massOf(input.stream) > 0)) return { out: input, made: [], sides: [], facts: null };
    const { log } = context;
    const goal = context.goal ?? NO_GOAL;
    const volume = volumeMl(input.stream);
    const perBottleMl = goal.bottleMl * (1 - params.headspacePct / 100);
    const possible = Math.floor(volume / perBottleMl + 1e-9);
    let bottles = Math.min(goal.bottles, possible);
    if (log.bottles !== undefined) {
      if (context.draw.typical && log.bottles > possible + 1 && log.bottles > possible * 1.15) {
        throw new StationProblem(
          'log/bottles',
          `The sauce fills about ${possible} bottles of ${goal.bottleMl} ml. Check the count or the weights before it.`,
        );
      }
      bottles = log.bottles;
    }
    const filledMl = Math.min(volume, bottles * perBottleMl);
    const heated = params.fill === 'hot';
    // Heat drives acid and water off: what was measured before it does not count. Only what was done has cooked anything.
    const past = heated
      ? { ...input.past, ph: null, stoodDays: 0, cooked: log.doneOn === undefined ? ('planned' as const) : ('yes' as const) }
      : input.past;
    const cooled = past.cooked === 'yes' ? { ...past, fresh: new Set<never>() } : past;
    const { taken, left } = splitParcel({ stream: input.stream, past: cooled }, volume > 0 ? 1 - filledMl / volume : 0);
    const over = massOf(taken.stream);
    return {
      out: left,
      made: [],
      sides: over > 0 ? [{ id: 'over', name: 'left over', ...taken, kept: true }] : [],
      facts: {
        bottles,
        wanted: goal.bottles,
        possible,
        bottleMl: goal.bottleMl,
        filledMl,
        overMl: volume - filledMl,
        sterilisingMin: sterilisingMinutes(params.altitudeM),
        boilsC: boilingPointC(params.altitudeM),
        perBottleG: perBottleMl * densityOf(input.stream),
      },
    };
  },
  duties: (v) => [
    {
      key: 'sterilise',
      text: `Boil the clean bottles for ${sterilisingMinutes(v.params.altitudeM)} minutes`,
      why: 'Counted from a full boil. Water boils cooler the higher you live.',
      due: v.to,
    },
    {
      key: 'bottle',
      text: fillText(v),
      why: keepingText(v) ?? 'Without a measured pH it stays in the fridge.',
      due: v.to,
    },
  ],
  wantsMl: (p, goal) => goal.bottles * goal.bottleMl * (1 - p.headspacePct / 100),
  bottled: (f) => ({ filled: f.bottles, possible: f.possible, overMl: f.overMl }),
  keeping: (v, limits) => keepingOf(sauceIn(v)!, limits),
  cautions: (v) => {
    const sauce = sauceIn(v);
    return sauce ? bottling(sauce) : [];
  },
});

function fillText(v: StationView<BottleParams, BottleFacts>): string {
  if (v.phMeasured) return 'Fill, cap, label with the date';
  return v.params.fill === 'hot'
    ? 'Heat, fill and cap; measure the pH of a cooled sample; label'
    : 'Measure the pH of the sauce, then fill, cap and label';
}

function keepingText(v: StationView<BottleParams, BottleFacts>): string | null {
  const sauce = sauceIn(v);
  return sauce && v.phMeasured ? keepingOf(sauce).text : null;
}
