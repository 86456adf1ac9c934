import { Type, type Static } from '@sinclair/typebox';
import { blending, handlingPods } from '../caution';
import { massOf, percent } from '../matter/stream';
import { foodsOf, freeOilPerGram, join, parcel, splitParcel, TEXTURES } from '../parcel';
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
    heldUpPct: Type.Number({ title: 'The part lost in the blender', minimum: 0, maximum: 20, unit: '%' }),
    texture: Type.Optional(
      Type.Union(
        TEXTURES.map((t) => Type.Literal(t)),
        { title: 'How fine it is blended' },
      ),
    ),
  },
  { additionalProperties: false },
);
export type BlendParams = Static<typeof schema>;

export interface BlendFacts {
  jugG: number;
  /** The hottest thing that came in here, SHU as it is. */
  jugShu: number;
}
export const KEPT_BRINE = 'brine';
/** More than this many times the pods, of one thing, is a slip of the finger; so is a blend this salty (our judgement). */
const MOST_TIMES = 10;
const MOST_SALT_PCT = 15;
/** A jug for a minute or so: what a batch that says nothing was blended to (our judgement). */
const USUAL_TEXTURE = 'medium';

/** Everything in the jug: vinegar, aromatics, some of the brine. */
export const blend = station<'blend', BlendParams, BlendFacts>({
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
    texture: USUAL_TEXTURE,
  }),
  days: () => 0,
  resize: (p, f) => ({
    ...p,
    additions: p.additions.map(({ id, massG }) => ({ id, massG: Math.round(massG * f * 10) / 10 })),
  }),
  extras: { read: (p) => p.additions, write: (p, additions) => ({ ...p, additions }) },
  needs: (p) => p.additions.filter((a) => a.id !== KEPT_BRINE && a.massG > 0).map((a) => ({ store: 'larder', id: a.id, massG: a.massG })),
  names: (p) => ({ lots: [], ingredients: p.additions.map((a) => a.id).filter((id) => id !== KEPT_BRINE) }),
  apply(input, params, context): Outcome<BlendFacts> {
    const additions: Flow[] = [];
    let jugShu = 0;
    const inG = massOf(input.stream);
    if (!(inG > 0)) return { out: input, additions, sides: [], facts: null };
    params.additions.forEach((a, i) => {
      if (!(a.massG > 0)) return;
      if (params.additions.findIndex((x) => x.id === a.id) !== i) {
        throw new StationProblem(`additions/${i}/id`, 'This is listed twice. Give each ingredient one line.');
      }
      if (a.massG > MOST_TIMES * inG && context.draw.typical) {
        const times = Math.round(a.massG / inG);
        throw new StationProblem(`additions/${i}/massG`, `That is ${times} times the pods. Check the amount.`);
      }
      if (a.id !== KEPT_BRINE) {
        const row = context.ingredient(a.id);
        jugShu = Math.max(jugShu, heatOfRow(row)?.shu ?? 0);
        const foods = foodsOf(row);
        const past = { foods, fresh: foods, freeOilG: a.massG * freeOilPerGram(row) };
        additions.push({ id: a.id, name: row.name.toLowerCase(), ...parcel(ingredientStream(row, a.massG, context.draw), past) });
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
      const { taken, left } = splitParcel(brine, Math.min(1, a.massG / there));
      context.kept.set(KEPT_BRINE, { ...brine, ...left });
      // The book of a brine is with its pods; here it is a thing of its own.
      const book = [{ id: KEPT_BRINE, name: 'own brine', massG: massOf(taken.stream), hex: '#C8D2E6', tint: 0.03 }];
      additions.push({ id: KEPT_BRINE, name: 'own brine', past: taken.past, stream: { ...taken.stream, ledger: book } });
    });
    const joined = join(input, ...additions);
    const all = joined.stream;
    const salted = percent(all, 'salt') > Math.max(MOST_SALT_PCT, percent(input.stream, 'salt'));
    if (context.draw.typical && salted && additions.length > 0) {
      const saltiest = additions.reduce((x, y) => (x.stream.grams.salt > y.stream.grams.salt ? x : y));
      const at = params.additions.findIndex((a) => a.id === saltiest.id);
      const pct = percent(all, 'salt').toFixed(0);
      throw new StationProblem(`additions/${at}/massG`, `This makes the blend ${pct} % salt. Nobody can eat that. Check the amount.`);
    }
    // What was measured before says nothing of what comes out of the jug.
    const texture = params.texture ?? USUAL_TEXTURE;
    const body = { ...joined, past: { ...joined.past, blended: true, texture, ph: null, jar: null } };
    const { taken, left } = splitParcel(body, params.heldUpPct / 100);
    return {
      out: left,
      additions,
      sides: massOf(taken.stream) > 0 ? [{ id: 'jug', name: 'lost in the blender', ...taken }] : [],
      facts: { jugG: massOf(all), jugShu },
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
  cautions: (v) => [...handlingPods(v.facts?.jugShu ?? 0), ...blending()],
});
