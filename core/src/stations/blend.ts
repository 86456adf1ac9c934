import { Type, type Static } from '@sinclair/typebox';
import { byBlender } from '../cook/energy';
import { blending, hotJug } from '../caution';
import { airShare, BLENDERS, loadsOf, SECONDS, stepMpas, warmsK, type Blender } from '../cook';
import { volumeMl } from '../matter/density';
import { massOf } from '../matter/stream';
import { bodyOf, LOOK_SD, splitParcel, type Texture } from '../parcel';
import { choice } from './ask';
import { station } from './station';

/** More than this of a load never stays in a jug, %. */
const MOST_HELD_PCT = 20;
const USUAL_TEXTURE = 'medium';
const TEXTURE_NAMES: Readonly<Record<Texture, string>> = {
  rustic: 'pulsed',
  coarse: 'coarse',
  medium: 'medium',
  smooth: 'smooth',
  silky: 'silky',
};
const BLENDER_NAMES = Object.fromEntries(Object.entries(BLENDERS).map(([b, { name }]) => [b, name])) as Record<Blender, string>;

const schema = Type.Object(
  {
    texture: Type.Optional(
      choice(TEXTURE_NAMES, { title: 'How fine it is blended', label: 'How fine', main: true, default: USUAL_TEXTURE }),
    ),
    blender: Type.Optional(choice(BLENDER_NAMES, { title: 'The blender', label: 'With a', default: 'jug' })),
    jugMl: Type.Optional(
      Type.Number({ title: 'The jug', label: 'It holds', usual: 'usual 1,500', minimum: 100, maximum: 20_000, unit: 'ml' }),
    ),
    hot: Type.Optional(Type.Boolean({ title: 'It goes in hot', label: 'It goes in hot' })),
    heldUpPct: Type.Number({
      title: 'The part lost in the blender',
      label: 'Lost in the blender',
      minimum: 0,
      maximum: MOST_HELD_PCT,
      unit: '%',
    }),
  },
  { additionalProperties: false },
);
export type BlendParams = Static<typeof schema>;

export interface BlendFacts {
  jugG: number;
  /** Equal loads, g in each, and seconds for each. */
  loads: number;
  eachG: number;
  seconds: number;
  /** So little that the blades stand bare. */
  tooLittle: boolean;
  /** K that a load warms up by, and % of air beaten in. */
  warmsK: number;
  airPct: number;
  /** How it pours by the tables alone; null for what is dry. */
  plainBody: number | null;
}
/** A jug for a minute or so: what a batch that says nothing was blended to (our judgement). */
/** Less than this more or less in the jug is what spoons and scales do, % (our judgement). */
const WORTH_PCT = 1;
/** A home jug (common practice, no source). */
const USUAL_JUG_ML = 1500;
/** Minutes of a load by hands besides the running, and of washing up (handbook chapter 5, section 15). */
const LOAD_MIN = 2;
const WASH_MIN = 3;

const textureOf = (p: BlendParams): Texture => p.texture ?? USUAL_TEXTURE;
const blenderOf = (p: BlendParams): Blender => p.blender ?? 'jug';
const loadsIn = (p: BlendParams, ml: number) => loadsOf(blenderOf(p), p.jugMl ?? USUAL_JUG_ML, ml, p.hot === true);
const secondsOf = (p: BlendParams) => SECONDS[textureOf(p)] * BLENDERS[blenderOf(p)].slower;

/** Everything in the jug, to one body. */
export const blend = station<'blend', BlendParams, BlendFacts>({
  kind: 'blend',
  name: 'Blend',
  verb: 'Blend with vinegar and the rest',
  schema,
  weighed: 'Blend, weighed',
  usual: 'larder',
  gathers: true,
  tasted: true,
  tool: 'blender',
  teaches: (f, log) =>
    log.look === undefined || f.plainBody === null ? null : { log: Math.log(stepMpas(log.look) / stepMpas(f.plainBody)), sd: LOOK_SD },
  byTool: (t) => (t.volumeMl === undefined ? {} : { jugMl: t.volumeMl }),
  toolLike: (p) => ({ volumeMl: p.jugMl ?? USUAL_JUG_ML }),
  showed: (p, { inG, log }) => {
    if (log.massG === undefined || !(inG > 0)) return null;
    const lost = Math.round(Math.min(MOST_HELD_PCT, Math.max(0, (100 * (inG - log.massG)) / inG)) * 10) / 10;
    if (Math.abs(lost - p.heldUpPct) < WORTH_PCT) return null;
    return { says: `${lost} % stayed behind; the plan had ${p.heldUpPct} %.`, params: { ...p, heldUpPct: lost } };
  },
  needsStuff: true,
  defaults: () => ({ heldUpPct: 1, texture: USUAL_TEXTURE }),
  days: () => 0,
  minutes: (p, bowlG) => {
    // Grams for millilitres: sauces are within a tenth of water.
    const min = WASH_MIN + loadsIn(p, bowlG).loads * (LOAD_MIN + secondsOf(p) / 60);
    return { hands: min, clock: min };
  },
  energy: (_, __, f) => [byBlender(f.loads * f.seconds)],
  apply(bowl, params, { tool, draw }) {
    const jugG = massOf(bowl.stream);
    if (!(jugG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    // What was measured before says nothing of what comes out of the jug.
    const texture = textureOf(params);
    const look = tool?.kind === 'blender' && tool.seen.length > 0 ? tool.learnt : null;
    const body = { ...bowl, past: { ...bowl.past, blended: true, texture, ph: null, jar: null, look } };
    const { taken, left } = splitParcel(body, params.heldUpPct / 100);
    const lost = massOf(taken.stream) > 0 ? [{ id: 'jug', name: 'lost in the blender', ...taken }] : [];
    const done = { out: left, made: [], sides: lost };
    if (!draw.typical) return { ...done, facts: null };
    const { loads, tooLittle } = loadsIn(params, volumeMl(bowl.stream));
    const air = airShare(texture, bodyOf(body), bowl.stream.grams.gum > 0);
    return {
      ...done,
      facts: {
        ...{ jugG, loads, tooLittle, eachG: jugG / loads, seconds: secondsOf(params) },
        warmsK: warmsK(blenderOf(params), texture, jugG / loads),
        airPct: 100 * air,
        plainBody: bodyOf({ ...body, past: { ...body.past, look: null } }),
      },
    };
  },
  step: ({ params: p, facts: f }) =>
    `Blend ${textureOf(p)}${f && f.loads > 1 ? `, in ${f.loads} loads` : ''}, about ${Math.round(secondsOf(p))} seconds${f && f.loads > 1 ? ' each' : ''}.${p.hot ? ' Half full, the lid vented under a towel.' : ''}`,
  duties: (v) => [
    {
      key: 'blend',
      text:
        v.params.jugMl !== undefined && (v.facts?.loads ?? 1) > 1
          ? `Blend in ${v.facts!.loads} loads, stir them together, wait an hour, read the pH`
          : 'Blend, wait an hour, read the pH',
      why: 'Fresh garlic and pods raise the pH. Only the blended sauce counts.',
      due: v.to,
    },
  ],
  cautions: (v) => [...hotJug(v.params.hot === true), ...blending()],
});
