import { Type, type Static } from '@sinclair/typebox';
import {
  DaySchema,
  HEAT_WORDS,
  IngredientSchema,
  LearntFileSchema,
  RAILS,
  ToolSchema,
  type Ingredient,
  type Rail,
  type Tool,
  type ToolKind,
  type Variety,
} from '@roskel/core';
import { MakerSchema, type Maker } from './log';
import { exact, Id, Revision } from './records';

const Low = Type.Number({ minimum: 0, maximum: 16_100_000 });
export const VarietySchema = Type.Object(
  {
    id: Id,
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 80 }),
    species: Type.String({ maxLength: 80 }),
    form: Type.Union(['fresh', 'dried', 'flakes', 'powder'].map((f) => Type.Literal(f as 'fresh'))),
    shuDry: Type.Object({ low: Low, typical: Low, high: Low }, exact),
    shuQuotedPopular: Type.Object({ low: Low, high: Low }, exact),
    waterPct: Type.Number({ title: 'The water content', minimum: 1, maximum: 97, unit: '%' }),
    pod: Type.Union([
      Type.Object(
        {
          massG: Type.Object({ low: Type.Number(), typical: Type.Number(), high: Type.Number() }, exact),
          massFraction: Type.Object({ flesh: Type.Number(), placenta: Type.Number(), seed: Type.Number(), stem: Type.Number() }, exact),
        },
        exact,
      ),
      Type.Null(),
    ]),
    wall: Type.Union([...['thin', 'medium', 'thick'].map((w) => Type.Literal(w as 'thin')), Type.Null()]),
    ripeColour: Type.String({ pattern: '^#[0-9A-Fa-f]{6}$' }),
    flavour: Type.Array(Type.String({ maxLength: 40 }), { maxItems: 12 }),
    solubleSugarGPer100g: Type.Number({ title: 'The sugar', minimum: 0, maximum: 60, unit: '%' }),
    capsaicinoidClass: Type.Union(['sweet', 'std', 'chinense', 'superhot'].map((c) => Type.Literal(c as 'std'))),
    source: Type.String({ maxLength: 200 }),
  },
  exact,
);
/** A maker's own row; it stands beside the table and is never deleted, only put away. */
export interface OwnVariety {
  id: string;
  revision: number;
  value: Variety;
}
export interface OwnIngredient {
  id: string;
  revision: number;
  value: Ingredient;
}
export interface OwnTool {
  id: string;
  revision: number;
  value: Tool;
}
export interface OwnMaker {
  id: string;
  revision: number;
  value: Maker;
}
/** What another kitchen learnt, as it was read in; it counts until it is archived. */
export const LearntSchema = Type.Object(
  { id: Id, name: Type.String({ title: 'Whose it is', minLength: 1, maxLength: 60, pattern: '\\S' }), file: LearntFileSchema },
  exact,
);
export type Learnt = Static<typeof LearntSchema>;
export interface OwnLearnt {
  id: string;
  revision: number;
  value: Learnt;
}
export const OwnLearntSchema = Type.Object({ revision: Type.Optional(Revision), value: LearntSchema }, exact);

const Pin = {
  style: Type.String({ maxLength: 60 }),
  heat: Type.Union([...HEAT_WORDS.map((w) => Type.Literal(w.name)), Type.Null()]),
  start: DaySchema,
};
const Lines = Type.String({ maxLength: 4000 });
/** What a kitchen says of its season: what ripens, what is wished, when there is time; and the plan that it keeps. */
export const SeasonBookSchema = Type.Object(
  {
    id: Id,
    name: Type.String({ minLength: 1, maxLength: 60 }),
    ripens: Lines,
    wishes: Lines,
    perMonth: Type.Integer({ title: 'Used up in a month', minimum: 0, maximum: 60 }),
    bottleMl: Type.Number({ title: 'The bottle', minimum: 20, maximum: 2000, unit: 'ml' }),
    /** Day of the week on which there is time: 0 is Sunday. */
    weekday: Type.Integer({ minimum: 0, maximum: 6 }),
    freezerG: Type.Number({ title: 'What the freezer takes', minimum: 0, maximum: 500_000, unit: 'g' }),
    styles: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 40 }),
    pins: Type.Array(Type.Object(Pin, exact), { maxItems: 60 }),
    /** Batches that were begun of it: what they take of pods that are still to ripen. */
    begun: Type.Array(Type.Object({ batchId: Id, variety: Id, g: Type.Number({ minimum: 0, maximum: 1e6 }) }, exact), { maxItems: 400 }),
    kept: Type.Union([
      Type.Object(
        {
          batches: Type.Array(Type.Object(Pin, exact), { maxItems: 200 }),
          parts: Type.Array(
            Type.Object(
              {
                wishId: Type.Union([Type.String({ maxLength: 80 }), Type.Null()]),
                says: Type.String({ maxLength: 400 }),
                got: Type.Number({ minimum: 0, maximum: 1000 }),
                bottles: Type.Number({ minimum: 0, maximum: 1000 }),
              },
              exact,
            ),
            { maxItems: 400 },
          ),
        },
        exact,
      ),
      Type.Null(),
    ]),
  },
  exact,
);
export type SeasonBook = Static<typeof SeasonBookSchema>;
export interface OwnSeason {
  id: string;
  revision: number;
  value: SeasonBook;
}
export const OwnSeasonSchema = Type.Object({ revision: Type.Optional(Revision), value: SeasonBookSchema }, exact);

const Real = Type.Number();
const Heat = Type.Object({ dryShu: Real, sigma: Real }, exact);
const Factor = Type.Object({ log: Real, sd: Real }, exact);
const Level = Type.Union([Real, Type.Null()]);
/** What a file of another kitchen would change here. */
export const LearntPreviewAnswer = Type.Object(
  {
    /** It is this kitchen's own. */
    own: Type.Boolean(),
    /** The file of the same kitchen that it takes the place of. */
    replaces: Type.Union([Type.String(), Type.Null()]),
    /** Varieties that it tells of and that are in no table here. */
    unknown: Type.Array(Type.String()),
    lots: Type.Array(Type.Object({ id: Type.String(), name: Type.String(), before: Heat, after: Heat }, exact)),
    tools: Type.Array(
      Type.Object(
        { id: Type.String(), name: Type.String(), kind: Type.Unsafe<ToolKind>(Type.String()), before: Factor, after: Factor },
        exact,
      ),
    ),
    taste: Type.Array(
      Type.Object({ rail: Type.Unsafe<Rail>(Type.Union(RAILS.map((r) => Type.Literal(r)))), before: Level, after: Level }, exact),
    ),
  },
  exact,
);
export type LearntPreview = Static<typeof LearntPreviewAnswer>;
export const OwnMakerSchema = Type.Object({ revision: Type.Optional(Revision), value: MakerSchema }, exact);
export const OwnToolSchema = Type.Object({ revision: Type.Optional(Revision), value: ToolSchema }, exact);
export const OwnVarietySchema = Type.Object({ revision: Type.Optional(Revision), value: VarietySchema }, exact);
export const OwnIngredientSchema = Type.Object({ revision: Type.Optional(Revision), value: IngredientSchema }, exact);
