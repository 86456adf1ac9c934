import { Type, type Static } from '@sinclair/typebox';
import { jarSalt } from '../caution';
import { CUTS, type Cut } from '../ferment/constants';
import { SALT_KEY, saltKey, WATER_KEY } from '../matter/kind';
import { massOf } from '../matter/stream';
import { join, parcel, watered } from '../parcel';
import { ingredientStream } from '../pantry';
import {
  fitJars,
  JarTooSmall,
  packJar,
  pctForSalt,
  SALT_TYPES,
  saltPercents,
  SCHOOL_NAMES,
  SCHOOLS,
  type JarInput,
  type Packing,
  type School,
} from '../salt';
import { choice } from './ask';
import { station, StationProblem, type Flow, type Outcome } from './station';

const MOST_PCT = 40;

/** A dry mash has no brine. */
const WITH_BRINE = { school: SCHOOLS.filter((s) => s !== 'mash') };
const CUT_NAMES = Object.fromEntries(Object.entries(CUTS).map(([cut, { label }]) => [cut, label])) as Record<Cut, string>;
const SALT_NAMES = Object.fromEntries(SALT_TYPES.map((s) => [s.id, s.name]));

const schema = Type.Object(
  {
    school: choice(SCHOOL_NAMES, { title: 'The way of counting salt', label: 'How salt is counted', main: true }),
    pct: Type.Number({ title: 'The salt', label: 'Salt', main: true, minimum: 0, maximum: MOST_PCT, unit: '%' }),
    /** Rubbed in before the brine goes over them; a dry mash has no brine. */
    dryPct: Type.Optional(
      Type.Number({
        title: 'The salt rubbed into the pods',
        label: 'Dry salt rubbed in',
        when: WITH_BRINE,
        minimum: 0,
        maximum: 20,
        unit: '%',
      }),
    ),
    jarMl: Type.Number({ title: 'The jar size', label: 'Jar', main: true, minimum: 50, maximum: 50_000, unit: 'ml' }),
    jars: Type.Integer({ title: 'The number of jars', label: 'Jars', main: true, minimum: 1, maximum: 50 }),
    cut: choice(CUT_NAMES, { title: 'The cut', label: 'Cut' }),
    saltId: Type.String({ title: 'The kind of salt', label: 'Kind of salt', maxLength: 32, names: SALT_NAMES }),
    headspaceMl: Type.Number({ title: 'The headspace', label: 'Headspace', minimum: 0, maximum: 10_000, unit: 'ml' }),
    displacementMl: Type.Number({
      title: 'The room taken by the weight',
      label: 'Room the weight takes',
      minimum: 0,
      maximum: 10_000,
      unit: 'ml',
    }),
    mixedMl: Type.Union([
      Type.Number({ title: 'The brine mixed', label: 'Brine mixed', when: WITH_BRINE, minimum: 0, maximum: 100_000, unit: 'ml' }),
      Type.Null(),
    ]),
  },
  { additionalProperties: false },
);
export type SaltParams = Static<typeof schema>;

export interface SaltFacts {
  produceG: number;
  saltG: number;
  /** Of it rubbed in dry before the brine. */
  dryG: number;
  waterG: number;
  brineMl: number;
  /** Strength of the brine as mixed, % w/w. */
  brinePct: number;
  /** Brine that was mixed beyond what the jars take; null when the jars decide. */
  leftoverMl: number | null;
  waterOnlyPct: number | null;
  wholeJarPct: number;
  ofProducePct: number;
  waterPhasePct: number;
}

/** Ingredient rows of what is added here; every salt type is sodium chloride to the computation. */
/** Log-sd of a weighed amount on a kitchen scale or in a jug (our judgement). */
const WEIGHING_SD = 0.03;
/** Air that unpierced whole pods hold, as a share of their tissue volume (judgement, chapter 4 section 1.5). */
const AIR_IN_WHOLE = 0.25;

/** % of the pods that is rubbed in before a brine; a mash is all dry. */
const dryPctOf = (p: SaltParams): number => (p.school === 'mash' ? 0 : (p.dryPct ?? 0));

function oneJar(params: SaltParams, produceG: number): JarInput {
  const perJar = produceG / params.jars;
  const { jarMl, headspaceMl, displacementMl } = params;
  return {
    ...{ jarMl, headspaceMl, displacementMl },
    produceG: perJar,
    airMl: params.cut === 'whole' ? perJar * AIR_IN_WHOLE : 0,
    dryG: (dryPctOf(params) / 100) * perJar,
  };
}

/**
 * The percentage that says the same grams of salt in another way of counting; null where these jars cannot hold them so.
 * `produceG` and `saltG` are those of all jars.
 */
export function recount(params: SaltParams, produceG: number, saltG: number, to: School): number | null {
  if (!(produceG > 0)) return params.pct;
  const pct = pctForSalt(oneJar({ ...params, school: to }, produceG), to, saltG / params.jars);
  return pct !== null && pct <= MOST_PCT ? pct : null;
}

function pack(params: SaltParams, produceG: number): Packing {
  try {
    return packJar(oneJar(params, produceG), params.school, params.pct);
  } catch (error) {
    if (error instanceof JarTooSmall) throw new StationProblem('jarMl', `${error.message}. Use a larger jar or one more.`);
    if (error instanceof RangeError) throw new StationProblem('pct', `${error.message}.`);
    throw error;
  }
}

/** Salt and water (or dry salt) over the pods, packed in jars. */
export const salt = station<'salt', SaltParams, SaltFacts>({
  kind: 'salt',
  name: 'Salt & pack',
  doubt: 'how well salt and water are weighed',
  verb: 'Mix the brine and pack the jar',
  schema,
  weighed: 'Jar contents, weighed',
  // Salt that is counted in another way keeps its grams.
  turned(before, after, facts) {
    if (after.school === before.school || !facts) return after;
    const pct = recount(before, facts.produceG, facts.saltG, after.school);
    if (pct !== null) return { ...after, pct };
    return `${Math.round(facts.saltG)} g of salt cannot be counted that way in these jars. Change the salt or the jar first.`;
  },
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
  minutes: (p) => ({ hands: 5 + 5 * p.jars, clock: 5 + 5 * p.jars }),
  needsStuff: true,
  resize: (p, f) => ({ ...p, mixedMl: p.mixedMl === null ? null : p.mixedMl * f }),
  vessels: (p) => ({ ml: p.jarMl, count: p.jars }),
  fits: (p, produceG) => ({ ...p, ...fitJars(p, produceG) }),
  puts: [SALT_KEY, WATER_KEY],
  apply(input, params, context): Outcome<SaltFacts> {
    const produceG = massOf(input.stream);
    if (!(produceG > 0)) return { out: input, made: [], sides: [], facts: null };
    const one = pack(params, produceG);
    const weigh = (name: string) => Math.exp(WEIGHING_SD * context.own.z(name));
    const saltG = one.saltG * params.jars * weigh('salt');
    const waterG = one.waterG * params.jars * weigh('water');
    const masses = { produceG, waterG, waterShare: input.stream.grams.water / produceG };
    const percents = saltPercents(saltG, masses);
    const brineMl = one.brineMl * params.jars;
    const made: Flow[] = [
      ...(waterG > 0
        ? [
            {
              id: 'water',
              key: WATER_KEY,
              name: 'water',
              ...parcel(ingredientStream(context.ingredient(WATER_KEY), waterG, context.draw), watered(waterG)),
            },
          ]
        : []),
      ...(saltG > 0
        ? [
            {
              id: 'salt',
              key: saltKey(params.saltId),
              name: 'salt',
              ...parcel(ingredientStream(context.ingredient(SALT_KEY), saltG, context.draw)),
            },
          ]
        : []),
    ];
    const facts: SaltFacts = {
      produceG,
      saltG,
      dryG: (dryPctOf(params) / 100) * produceG,
      waterG,
      brineMl,
      brinePct: one.brinePct,
      leftoverMl: params.mixedMl === null ? null : params.mixedMl - brineMl,
      waterOnlyPct: percents.waterOnly,
      wholeJarPct: percents.wholeJar,
      ofProducePct: percents.ofProduce,
      waterPhasePct: percents.waterPhase,
    };
    const packed = join(input, ...made);
    const jar = {
      produceG,
      produceWaterG: input.stream.grams.water,
      produceShare: produceG / (produceG + waterG),
      brinePct: one.brinePct,
      wholeJarPct: percents.wholeJar,
      mash: params.school === 'mash',
      cut: params.cut,
      hours: 0,
    };
    return { out: { ...packed, past: { ...packed.past, jar } }, made, sides: [], facts };
  },
  step: ({ params: p, facts: f }) =>
    `${p.school === 'mash' ? 'Mix the salt in' : 'Mix the brine, pour it over'} and pack into ${p.jars === 1 ? 'a jar' : `${p.jars} jars`} of ${Math.round(p.jarMl)} ml${f ? `: ${f.wholeJarPct.toFixed(1)} % of salt in the whole jar` : ''}. Push everything under.`,
  duties: (v) => [
    {
      key: 'pack',
      text:
        dryPctOf(v.params) > 0
          ? 'Rub the salt in, let it draw, pack, pour the brine over, push everything under'
          : 'Weigh the salt, mix, pack, push everything under',
      why: 'What floats moulds first. Leave the headspace for foam.',
      due: v.to,
    },
  ],
  cautions: (v) => (v.facts ? jarSalt(v.facts.wholeJarPct, v.params.school === 'mash') : []),
});
