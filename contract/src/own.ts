import { Type } from '@sinclair/typebox';
import { IngredientSchema, ToolSchema, type Ingredient, type Tool, type Variety } from '@roskel/core';
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
export const OwnMakerSchema = Type.Object({ revision: Type.Optional(Revision), value: MakerSchema }, exact);
export const OwnToolSchema = Type.Object({ revision: Type.Optional(Revision), value: ToolSchema }, exact);
export const OwnVarietySchema = Type.Object({ revision: Type.Optional(Revision), value: VarietySchema }, exact);
export const OwnIngredientSchema = Type.Object({ revision: Type.Optional(Revision), value: IngredientSchema }, exact);
