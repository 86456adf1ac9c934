import { Type, type Static } from '@sinclair/typebox';
import { bottling, keepingOf, type BottledSauce } from '../caution';
import { boilingPointC, sterilisingMinutes } from '../cook';
import { densityOf, volumeMl } from '../matter/density';
import { massOf, split } from '../matter/stream';
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

/** What the keeping rules need to know of a bottled sauce. */
export function bottledSauce(v: StationView<BottleParams>): BottledSauce {
  return {
    pH: v.after.massG > 0 ? v.after.pH : null,
    measured: v.phMeasured,
    instrument: v.known.phInstrument === 'meter' ? 'meter' : v.known.phInstrument === 'strip' ? 'strip' : null,
    hotFilled: v.params.fill === 'hot',
    fermented: v.known.fermented === true,
    underOil: v.known.oil === true,
  };
}

/** Into clean bottles; what does not fill one stays over. */
export const bottle = station<BottleParams>({
  kind: 'bottle',
  name: 'Bottle',
  verb: 'Fill, cap, label',
  schema,
  defaults: () => ({ fill: 'cold', headspacePct: 5, altitudeM: 0 }),
  days: () => 0,
  apply(input, params, context): Outcome {
    const { goal, log } = context;
    const volume = volumeMl(input);
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
    const { taken, left } = split(input, volume > 0 ? 1 - filledMl / volume : 0);
    const over = massOf(taken);
    return {
      out: left,
      additions: [],
      sides: over > 0 ? [{ id: 'over', name: 'left over', stream: taken, kept: true }] : [],
      facts: {
        bottles,
        wanted: goal.bottles,
        possible,
        bottleMl: goal.bottleMl,
        filledMl,
        overMl: volume - filledMl,
        sterilisingMin: sterilisingMinutes(params.altitudeM),
        boilsC: boilingPointC(params.altitudeM),
        perBottleG: volume > 0 ? perBottleMl * densityOf(input) : 0,
      },
    };
  },
  duties: (v) => [
    {
      key: 'sterilise',
      text: `Boil the clean bottles for ${String(v.facts.sterilisingMin)} minutes`,
      why: 'Counted from a full boil. Water boils cooler the higher you live.',
      due: v.to,
    },
    {
      key: 'bottle',
      text: v.phMeasured ? 'Fill, cap, label with the date' : 'Measure the pH of the sauce, then fill, cap and label',
      why: v.phMeasured ? keepingOf(bottledSauce(v)).text : 'Without a measured pH it stays in the fridge.',
      due: v.to,
    },
  ],
  keeping: (v) => keepingOf(bottledSauce(v)),
  cautions: (v) => (v.after.massG > 0 ? bottling(bottledSauce(v)) : []),
});
