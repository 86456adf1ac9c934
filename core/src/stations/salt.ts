import { Type, type Static } from '@sinclair/typebox';
import { jarSalt } from '../caution';
import { CUTS, type Cut } from '../ferment/constants';
import { ingredientStream } from '../pantry';
import { massOf, mix } from '../matter/stream';
import { JarTooSmall, packJar, saltPercents, SCHOOLS, type Packing } from '../salt';
import { station, StationProblem, type Facts, type Outcome } from './station';

const schema = Type.Object(
  {
    school: Type.Union(
      SCHOOLS.map((s) => Type.Literal(s)),
      { title: 'The way of counting salt' },
    ),
    pct: Type.Number({ title: 'The salt', minimum: 0, maximum: 25, unit: '%' }),
    saltId: Type.String({ title: 'The kind of salt', maxLength: 32 }),
    cut: Type.Union(
      (Object.keys(CUTS) as Cut[]).map((c) => Type.Literal(c)),
      { title: 'The cut' },
    ),
    jarMl: Type.Number({ title: 'The jar size', minimum: 50, maximum: 50_000, unit: 'ml' }),
    jars: Type.Integer({ title: 'The number of jars', minimum: 1, maximum: 50 }),
    headspaceMl: Type.Number({ title: 'The headspace', minimum: 0, maximum: 10_000, unit: 'ml' }),
    displacementMl: Type.Number({ title: 'The room taken by the weight', minimum: 0, maximum: 10_000, unit: 'ml' }),
    mixedMl: Type.Union([Type.Number({ title: 'The brine mixed', minimum: 0, maximum: 100_000, unit: 'ml' }), Type.Null()]),
  },
  { additionalProperties: false },
);
export type SaltParams = Static<typeof schema>;

/** Ingredient rows of what is added here; every salt type is sodium chloride to the computation. */
const SALT_ROW = 'salt_fine';
const WATER_ROW = 'water';
/** Log-sd of a weighed amount on a kitchen scale or in a jug (our judgement). */
const WEIGHING_SD = 0.03;
/** Air that unpierced whole pods hold, as a share of their tissue volume (judgement, chapter 4 section 1.5). */
const AIR_IN_WHOLE = 0.25;

function pack(params: SaltParams, produceG: number): Packing {
  const school = params.school;
  const perJar = produceG / params.jars;
  const airMl = params.cut === 'whole' ? perJar * AIR_IN_WHOLE : 0;
  try {
    return packJar({ ...params, produceG: perJar, airMl }, school, params.pct);
  } catch (error) {
    if (error instanceof JarTooSmall) throw new StationProblem('jarMl', `${error.message}. Use a larger jar or one more.`);
    if (error instanceof RangeError) throw new StationProblem('pct', `${error.message}.`);
    throw error;
  }
}

/** Salt and water (or dry salt) over the pods, packed in jars. */
export const salt = station<SaltParams>({
  kind: 'salt',
  name: 'Salt & pack',
  verb: 'Mix the brine and pack the jar',
  schema,
  defaults: () => ({
    school: 'wholeJar',
    pct: 3,
    saltId: 'fine',
    cut: 'chopped',
    jarMl: 1500,
    jars: 1,
    headspaceMl: 105,
    displacementMl: 60,
    mixedMl: null,
  }),
  days: () => 0,
  resize: (p, f) => ({ ...p, jars: Math.max(1, Math.round(p.jars * f)), mixedMl: p.mixedMl === null ? null : p.mixedMl * f }),
  names: () => ({ lots: [], ingredients: [SALT_ROW, WATER_ROW] }),
  apply(input, params, context): Outcome {
    const produceG = massOf(input);
    if (!(produceG > 0)) return { out: input, additions: [], sides: [], facts: { produceG: 0 } };
    const one = pack(params, produceG);
    const weigh = (name: string) => Math.exp(WEIGHING_SD * context.draw.z(name));
    const saltG = one.saltG * params.jars * weigh('salt.weighed');
    const waterG = one.waterG * params.jars * weigh('water.weighed');
    const jar = { produceG, waterG, waterShare: input.grams.water / produceG };
    const percents = saltPercents(saltG, jar);
    const brineMl = one.brineMl * params.jars;
    const additions = [
      ...(waterG > 0
        ? [{ id: 'water', name: 'water', stream: ingredientStream(context.ingredient(WATER_ROW), waterG, context.draw) }]
        : []),
      ...(saltG > 0 ? [{ id: 'salt', name: 'salt', stream: ingredientStream(context.ingredient(SALT_ROW), saltG, context.draw) }] : []),
    ];
    const facts: Facts = {
      produceG,
      saltG,
      waterG,
      brineMl,
      brinePct: one.brinePct,
      leftoverMl: params.mixedMl === null ? null : params.mixedMl - brineMl,
      waterOnlyPct: percents.waterOnly,
      wholeJarPct: percents.wholeJar,
      ofProducePct: percents.ofProduce,
      waterPhasePct: percents.waterPhase,
      produceShare: produceG / (produceG + waterG),
      podWaterG: input.grams.water,
      podMassG: produceG,
      cut: params.cut,
      mash: params.school === 'mash',
    };
    return { out: mix(input, ...additions.map((a) => a.stream)), additions, sides: [], facts };
  },
  duties: (v) => [
    {
      key: 'pack',
      text: 'Weigh the salt, mix, pack, push everything under',
      why: 'What floats moulds first. Leave the headspace for foam.',
      due: v.to,
    },
  ],
  cautions: (v) => (v.facts.saltG === undefined ? [] : jarSalt(Number(v.facts.wholeJarPct), v.params.school === 'mash')),
});
