import { Type, type Static } from '@sinclair/typebox';
import { blending } from '../caution';
import { massOf } from '../matter/stream';
import { splitParcel, TEXTURES } from '../parcel';
import { station } from './station';

const schema = Type.Object(
  {
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
}
/** A jug for a minute or so: what a batch that says nothing was blended to (our judgement). */
const USUAL_TEXTURE = 'medium';
/** What a jug takes at once, g (common practice, no source). */
const LOAD_G = 1000;

/** Everything in the jug, to one body. */
export const blend = station<'blend', BlendParams, BlendFacts>({
  kind: 'blend',
  name: 'Blend',
  verb: 'Blend with vinegar and the rest',
  schema,
  usual: 'larder',
  needsStuff: true,
  defaults: () => ({ heldUpPct: 1, texture: USUAL_TEXTURE }),
  days: () => 0,
  minutes: (_, bowlG) => ({ hands: 5 + 4 * Math.ceil(bowlG / LOAD_G), clock: 5 + 4 * Math.ceil(bowlG / LOAD_G) }),
  apply(bowl, params) {
    const jugG = massOf(bowl.stream);
    if (!(jugG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    // What was measured before says nothing of what comes out of the jug.
    const texture = params.texture ?? USUAL_TEXTURE;
    const body = { ...bowl, past: { ...bowl.past, blended: true, texture, ph: null, jar: null } };
    const { taken, left } = splitParcel(body, params.heldUpPct / 100);
    const lost = massOf(taken.stream) > 0 ? [{ id: 'jug', name: 'lost in the blender', ...taken }] : [];
    return { out: left, made: [], sides: lost, facts: { jugG } };
  },
  duties: (v) => [
    {
      key: 'blend',
      text: 'Blend, wait an hour, read the pH',
      why: 'Fresh garlic and pods raise the pH. Only the blended sauce counts.',
      due: v.to,
    },
  ],
  cautions: () => blending(),
});
