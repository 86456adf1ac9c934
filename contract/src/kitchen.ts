import { Type, type Static } from '@sinclair/typebox';

/** A whole kitchen as one document: docs/formats/kitchen.md. */
export const KITCHEN_FORMAT = 'roskel-kitchen';
export const KITCHEN_VERSION = 4;

export const KitchenFileSchema = Type.Object(
  {
    format: Type.Literal(KITCHEN_FORMAT),
    /** Versions 1 to 3 are read as well. */
    version: Type.Union([...[1, 2, 3, KITCHEN_VERSION].map((v) => Type.Literal(v))], { title: 'The version' }),
    made: Type.String({ format: 'date-time' }),
    tables: Type.Record(
      Type.String({ maxLength: 60 }),
      Type.Array(Type.Record(Type.String({ maxLength: 60 }), Type.Unknown()), { maxItems: 2_000_000 }),
    ),
  },
  { additionalProperties: false },
);
export type KitchenFile = Static<typeof KitchenFileSchema>;
