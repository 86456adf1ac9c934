import { Type, type Static } from '@sinclair/typebox';
import { blending, handlingPods } from '../caution';
import { massOf, mix, percent, split } from '../matter/stream';
import { isOil } from '../matter/ingredient';
import { heatOfRow, ingredientStream } from '../pantry';
import { station, StationProblem, type Flow, type Outcome } from './station';

const schema = Type.Object(
  {
    additions: Type.Array(
      Type.Object(
        {
          /** An ingredient key, or "brine" for brine kept at the drain. */
          id: Type.String({ minLength: 1, maxLength: 64 }),
          massG: Type.Number({ title: 'The amount', minimum: 0, maximum: 50_000, unit: 'g' }),
          words: Type.Optional(Type.String({ title: 'The amount in words', maxLength: 80 })),
        },
        { additionalProperties: false },
      ),
      { maxItems: 40 },
    ),
    heldUpPct: Type.Number({ title: 'The part left in the jug', minimum: 0, maximum: 20, unit: '%' }),
  },
  { additionalProperties: false },
);
export type BlendParams = Static<typeof schema>;
export const KEPT_BRINE = 'brine';
/** More than this many times the pods, of one thing, is a slip of the finger; so is a blend this salty (our judgement). */
const MOST_TIMES = 10;
const MOST_SALT_PCT = 15;

/** Everything in the jug: vinegar, aromatics, some of the brine. */
export const blend = station<BlendParams>({
  kind: 'blend',
  name: 'Blend',
  verb: 'Blend with vinegar and the rest',
  schema,
  defaults: () => ({
    additions: [
      { id: 'vinegar_cider', massG: 300 },
      { id: 'garlic', massG: 12, words: '3 cloves' },
    ],
    heldUpPct: 1,
  }),
  days: () => 0,
  unsettlesPh: true,
  resize: (p, f) => ({
    ...p,
    additions: p.additions.map(({ id, massG }) => ({ id, massG: Math.round(massG * f * 10) / 10 })),
  }),
  extras: { write: (p, additions) => ({ ...p, additions }) },
  needs: (p) => p.additions.filter((a) => a.id !== KEPT_BRINE && a.massG > 0).map((a) => ({ store: 'larder', id: a.id, massG: a.massG })),
  names: (p) => ({ lots: [], ingredients: p.additions.map((a) => a.id).filter((id) => id !== KEPT_BRINE) }),
  apply(input, params, context): Outcome {
    const additions: Flow[] = [];
    let oil = context.known.oil === true;
    let jugShu = 0;
    if (!(massOf(input) > 0)) return { out: input, additions, sides: [], facts: {} };
    params.additions.forEach((a, i) => {
      if (!(a.massG > 0)) return;
      if (params.additions.findIndex((x) => x.id === a.id) !== i) {
        throw new StationProblem(`additions/${i}/id`, 'This is listed twice. Give each ingredient one line.');
      }
      if (a.massG > MOST_TIMES * massOf(input) && context.draw.typical) {
        const times = Math.round(a.massG / massOf(input));
        throw new StationProblem(`additions/${i}/massG`, `That is ${times} times the pods. Check the amount.`);
      }
      if (a.id !== KEPT_BRINE) {
        const row = context.ingredient(a.id);
        oil ||= isOil(row);
        jugShu = Math.max(jugShu, heatOfRow(row)?.shu ?? 0);
        additions.push({ id: a.id, name: row.name.toLowerCase(), stream: ingredientStream(row, a.massG, context.draw) });
        return;
      }
      const brine = context.kept.get(KEPT_BRINE);
      const there = brine ? massOf(brine.stream) : 0;
      if (!brine || there <= 0) {
        throw new StationProblem(`additions/${i}/massG`, 'There is no brine to add. Keep it at the drain first.');
      }
      // In a draw the drain may leave a little less than planned; a plan for more than there is gets all of it.
      if (context.draw.typical && a.massG > there + 0.5) {
        throw new StationProblem(`additions/${i}/massG`, `Only ${Math.floor(there)} g of brine are left from the drain.`);
      }
      const { taken, left } = split(brine.stream, Math.min(1, a.massG / there));
      context.kept.set(KEPT_BRINE, { ...brine, stream: left });
      additions.push({ id: KEPT_BRINE, name: 'own brine', stream: taken });
    });
    const all = mix(input, ...additions.map((a) => a.stream));
    const salted = percent(all, 'salt') > Math.max(MOST_SALT_PCT, percent(input, 'salt'));
    if (context.draw.typical && salted && additions.length > 0) {
      const saltiest = additions.reduce((x, y) => (x.stream.grams.salt > y.stream.grams.salt ? x : y));
      const at = params.additions.findIndex((a) => a.id === saltiest.id);
      const pct = percent(all, 'salt').toFixed(0);
      throw new StationProblem(`additions/${at}/massG`, `This makes the blend ${pct} % salt. Nobody can eat that. Check the amount.`);
    }
    const { taken, left } = split(all, massOf(all) > 0 ? params.heldUpPct / 100 : 0);
    return {
      out: left,
      additions,
      sides: massOf(taken) > 0 ? [{ id: 'jug', name: 'left in the jug', stream: taken }] : [],
      facts: { jugG: massOf(all), oil, jugShu },
    };
  },
  duties: (v) => [
    {
      key: 'blend',
      text: 'Blend, wait an hour, read the pH',
      why: 'Fresh garlic and pods raise the pH. Only the blended sauce counts.',
      due: v.to,
    },
  ],
  // What burns out of the larder is handled here for the first time.
  cautions: (v) => [...handlingPods(Number(v.facts.jugShu ?? 0)), ...blending()],
});
