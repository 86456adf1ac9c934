import { Type, type Static } from '@sinclair/typebox';

/** A whole kitchen as one document: docs/formats/kitchen.md. */
export const KITCHEN_FORMAT = 'roskel-kitchen';
export const KITCHEN_VERSION = 5;

export const KitchenFileSchema = Type.Object(
  {
    format: Type.Literal(KITCHEN_FORMAT),
    /** Versions 1 to 4 are read as well. */
    version: Type.Union([...[1, 2, 3, 4, KITCHEN_VERSION].map((v) => Type.Literal(v))], { title: 'The version' }),
    made: Type.String({ format: 'date-time' }),
    tables: Type.Record(
      Type.String({ maxLength: 60 }),
      Type.Array(Type.Record(Type.String({ maxLength: 60 }), Type.Unknown()), { maxItems: 2_000_000 }),
    ),
  },
  { additionalProperties: false },
);
export type KitchenFile = Static<typeof KitchenFileSchema>;

const Rows = Type.Object(
  { batches: Type.Integer(), pods: Type.Integer(), larder: Type.Integer(), bottlings: Type.Integer() },
  { additionalProperties: false },
);
/** How much is in a kitchen, or in a copy of one. */
export type CopyRows = Static<typeof Rows>;
/** The copies that lie beside the data folder. */
export const KitchenCopiesAnswer = Type.Object(
  {
    now: Rows,
    /** Null where the kitchen is not in a folder of its own. */
    copies: Type.Union([
      Type.Array(
        Type.Object(
          {
            name: Type.String(),
            /** Of a day; otherwise of what was there before another one was read back. */
            daily: Type.Boolean(),
            writtenAt: Type.String({ format: 'date-time' }),
            /** Null where it does not say. */
            rows: Type.Union([Rows, Type.Null()]),
          },
          { additionalProperties: false },
        ),
      ),
      Type.Null(),
    ]),
  },
  { additionalProperties: false },
);
export type KitchenCopies = Static<typeof KitchenCopiesAnswer>;
/** A backup was read in place of what was there. */
export const ReadBackAnswer = Type.Object(
  {
    /** The copy of what was there. */
    before: Type.String(),
  },
  { additionalProperties: false },
);
export type ReadBack = Static<typeof ReadBackAnswer>;
