import { Type, type Static } from '@sinclair/typebox';
import { Id, DaySchema } from './parts';

/** What a thing of the kitchen can be. */
export const TOOL_KINDS = ['pot', 'sieve', 'blender', 'jar', 'bowl'] as const;
export type ToolKind = (typeof TOOL_KINDS)[number];

/** What a weighing showed of a tool: how much more or less than the tables say, as a logarithm, and the sd of that. */
export const SeenSchema = Type.Object(
  {
    on: DaySchema,
    /** Where it was seen, in words: the batch. */
    where: Type.String({ maxLength: 80 }),
    /** Batch and station, so that one weighing teaches once. */
    of: Type.String({ maxLength: 160 }),
    log: Type.Number({ minimum: -5, maximum: 5 }),
    sd: Type.Number({ exclusiveMinimum: 0, maximum: 3 }),
  },
  { additionalProperties: false },
);
export type Seen = Static<typeof SeenSchema>;

export const ToolSchema = Type.Object(
  {
    id: Id,
    kind: Type.Union(
      TOOL_KINDS.map((k) => Type.Literal(k)),
      { title: 'What it is' },
    ),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    /** Empty weight. */
    tareG: Type.Optional(Type.Number({ title: 'The empty weight', minimum: 1, maximum: 30_000, unit: 'g' })),
    acrossCm: Type.Optional(Type.Number({ title: 'The width inside', minimum: 5, maximum: 60, unit: 'cm' })),
    volumeMl: Type.Optional(Type.Number({ title: 'What it holds', minimum: 50, maximum: 100_000, unit: 'ml' })),
    seen: Type.Array(SeenSchema, { maxItems: 200 }),
  },
  { additionalProperties: false },
);
export type Tool = Static<typeof ToolSchema>;
