import { Type } from '@sinclair/typebox';
import { COMPONENTS } from '../matter/component';
import { JAR_VERDICTS } from '../matter/jar';
import { FOODS } from '../matter/food';
import { TEXTURES } from '../parcel';
import { DaySchema, Id } from './parts';

const literals = <T extends string>(list: readonly T[]) => Type.Union(list.map((x) => Type.Literal(x)));
const Share = Type.Number({ minimum: 0, maximum: 100 });

/** Something kept of another batch: composition, heat and past, so that a file runs anywhere. See `StoredStuff`. */
export const StoredSchema = Type.Object(
  {
    id: Id,
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 80 }),
    from: Type.String({ maxLength: 80 }),
    keptOn: DaySchema,
    useBy: DaySchema,
    hex: Type.String({ pattern: '^#[0-9A-Fa-f]{6}$' }),
    per100: Type.Object(Object.fromEntries(COMPONENTS.map((c) => [c, Type.Optional(Share)])), { additionalProperties: false }),
    sidEqPerKg: Type.Number({ minimum: -20, maximum: 20, unit: 'eq/kg' }),
    heat: Type.Union([
      Type.Object({
        shu: Type.Number({ minimum: 0, maximum: 16_100_000, unit: 'SHU' }),
        sigma: Type.Number({ minimum: 0, maximum: 3 }),
      }),
      Type.Null(),
    ]),
    made: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Type.String({ maxLength: 80 }),
            name: Type.String({ maxLength: 80 }),
            pct: Share,
            allergens: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 60 }),
          },
          { additionalProperties: false },
        ),
        { maxItems: 60 },
      ),
    ),
    past: Type.Object(
      {
        foods: Type.Array(literals(FOODS), { maxItems: FOODS.length }),
        fresh: Type.Array(literals(FOODS), { maxItems: FOODS.length }),
        shortPct: Type.Optional(Share),
        rawPct: Type.Optional(Share),
        freeOilPct: Share,
        ferment: Type.Union([literals(JAR_VERDICTS), Type.Null()]),
        texture: Type.Union([literals(TEXTURES), Type.Null()]),
        seedPct: Share,
      },
      { additionalProperties: false },
    ),
  },
  { additionalProperties: false },
);
