import { Type, type Static } from '@sinclair/typebox';
import { DaySchema, GoalSchema, IngredientSchema, LotSchema, ReadingSchema, StationLogSchema, BATCH_FORMAT } from './parts';

/**
 * Version 1 of the batch file, frozen: one list of stations, in which the first took pods and the jug took the rest. It is
 * only read, to be upgraded; nothing here changes any more.
 */
export const BATCH_VERSION_1 = 1;

const exact = { additionalProperties: false } as const;
const one = (...names: string[]) => Type.Union(names.map((n) => Type.Literal(n)));
const whole = (title: string, minimum: number, maximum: number, unit = '') => Type.Number({ title, minimum, maximum, unit });

/** Parameters of each kind, as version 1 had them. */
export const PARAMS_1 = {
  prep: Type.Object(
    {
      pods: Type.Array(
        Type.Object(
          {
            lotId: Type.String({ minLength: 1, maxLength: 64 }),
            massG: whole('The mass of pods', 0, 50_000, 'g'),
            prep: one('whole', 'seedsOut', 'halfCored', 'cored'),
            fire: Type.Optional(one('none', 'char', 'roast', 'soak')),
          },
          exact,
        ),
        { maxItems: 30 },
      ),
    },
    exact,
  ),
  salt: Type.Object(
    {
      school: one('wholeJar', 'waterOnly', 'mash'),
      pct: whole('The salt', 0, 40, '%'),
      saltId: Type.String({ title: 'The kind of salt', maxLength: 32 }),
      cut: one('mash', 'chopped', 'halved', 'whole'),
      jarMl: whole('The jar size', 50, 50_000, 'ml'),
      jars: Type.Integer({ title: 'The number of jars', minimum: 1, maximum: 50 }),
      headspaceMl: whole('The headspace', 0, 10_000, 'ml'),
      displacementMl: whole('The room taken by the weight', 0, 10_000, 'ml'),
      mixedMl: Type.Union([whole('The brine mixed', 0, 100_000, 'ml'), Type.Null()]),
    },
    exact,
  ),
  ferment: Type.Object(
    {
      tempC: whole('The temperature', 0, 45, '°C'),
      days: whole('The days in the jar', 0.25, 365, 'days'),
      targetPh: whole('The pH to reach', 3.2, 4.0),
    },
    exact,
  ),
  drain: Type.Object({ clingPct: whole('The brine that clings', 0, 60, '%'), keepBrine: Type.Boolean() }, exact),
  blend: Type.Object(
    {
      additions: Type.Array(
        Type.Object(
          {
            id: Type.String({ minLength: 1, maxLength: 64 }),
            massG: whole('The amount', 0, 50_000, 'g'),
            words: Type.Optional(Type.String({ title: 'The amount in words', maxLength: 80 })),
          },
          exact,
        ),
        { maxItems: 40 },
      ),
      heldUpPct: whole('The part lost in the blender', 0, 20, '%'),
      texture: Type.Optional(one('rustic', 'coarse', 'medium', 'smooth', 'silky')),
    },
    exact,
  ),
  strain: Type.Object({ method: one('none', 'coarse', 'pressed', 'mill', 'cloth', 'strong') }, exact),
  bottle: Type.Object(
    {
      fill: one('cold', 'hot'),
      headspacePct: whole('The headspace', 0, 30, '%'),
      altitudeM: whole('The altitude', -400, 5000, 'm'),
    },
    exact,
  ),
} as const;

export const BatchFile1Schema = Type.Object(
  {
    format: Type.Literal(BATCH_FORMAT),
    version: Type.Literal(BATCH_VERSION_1),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    style: Type.Literal('brine-ferment'),
    startDate: DaySchema,
    seed: Type.Optional(Type.Integer({ minimum: 0, maximum: 4_294_967_295 })),
    goal: GoalSchema,
    stations: Type.Array(
      Type.Object(
        {
          id: Type.String({ minLength: 1, maxLength: 64, pattern: '^[A-Za-z0-9_.:-]+$' }),
          kind: one(...Object.keys(PARAMS_1)),
          params: Type.Unknown(),
          log: StationLogSchema,
        },
        exact,
      ),
      { minItems: 1, maxItems: 40 },
    ),
    readings: Type.Array(ReadingSchema, { maxItems: 2000 }),
    dutiesDone: Type.Array(Type.String({ maxLength: 100 }), { maxItems: 5000 }),
    lots: Type.Array(LotSchema, { maxItems: 60 }),
    ingredients: Type.Array(IngredientSchema, { maxItems: 200 }),
  },
  exact,
);
type Outer = Static<typeof BatchFile1Schema>;
export type Kind1 = keyof typeof PARAMS_1;
export type Params1<K extends Kind1> = Static<(typeof PARAMS_1)[K]>;
export type BatchFile1 = Omit<Outer, 'lots' | 'ingredients'> & { lots: unknown[]; ingredients: unknown[] };
