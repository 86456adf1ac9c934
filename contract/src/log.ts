import { Type, type Static } from '@sinclair/typebox';
import { TOPICS } from './said';

/** Who works in this kitchen. A name is all: everybody in has the kitchen's passphrase. */
export const MakerSchema = Type.Object(
  {
    id: Type.String({ minLength: 1, maxLength: 80, pattern: '^[A-Za-z0-9-]+$' }),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 40, pattern: '\\S' }),
  },
  { additionalProperties: false },
);
export type Maker = Static<typeof MakerSchema>;

/** What can be done to a thing of the kitchen. `set`: one field of a batch. */
export const DIDS = [
  'added',
  'changed',
  'set',
  'archived',
  'restored',
  'moved',
  'turned',
  'unturned',
  'tasted',
  'withdrawn',
  'entered',
  'read-in',
  /** The whole kitchen, to a backup. */
  'went-back',
] as const;
export type Did = (typeof DIDS)[number];

/** The only field of what stands in the log for a value that is too long for it. */
export const LONG = 'long';
/** What more is known of it. */
const LogDetailSchema = Type.Object(
  {
    /** Of a field of a batch: what it is called, and its values. */
    what: Type.Optional(Type.String({ maxLength: 300 })),
    before: Type.Optional(Type.Unknown()),
    after: Type.Optional(Type.Unknown()),
    /** Of stock: grams, or bottles of the shelf, and why. */
    g: Type.Optional(Type.Number()),
    bottles: Type.Optional(Type.Integer()),
    reason: Type.Optional(Type.String({ maxLength: 40 })),
    words: Type.Optional(Type.String({ maxLength: 200 })),
  },
  { additionalProperties: false },
);
export type LogDetail = Static<typeof LogDetailSchema>;

/** One thing that was done. */
export const LogEntrySchema = Type.Object(
  {
    topic: Type.Union(TOPICS.map((t) => Type.Literal(t))),
    itemId: Type.String({ maxLength: 200 }),
    /** What the thing is called. */
    name: Type.String({ maxLength: 300 }),
    did: Type.Union(DIDS.map((d) => Type.Literal(d))),
    /** The field of a batch, as changes name it: what is written there again soon is one line. */
    path: Type.Optional(Type.String({ maxLength: 1000 })),
    detail: Type.Optional(LogDetailSchema),
  },
  { additionalProperties: false },
);
export type LogEntry = Static<typeof LogEntrySchema>;
/** A line of the log: who did it and when. */
export interface LogLine extends LogEntry {
  id: number;
  at: string;
  /** The maker's name; null where the device did not say who was at it. */
  maker: string | null;
  path: string;
  detail: LogDetail;
}

export const LogAnswer = Type.Array(
  Type.Object(
    {
      ...{ id: Type.Integer(), at: Type.String(), path: Type.String() },
      ...Type.Pick(LogEntrySchema, ['topic', 'itemId', 'name', 'did']).properties,
      maker: Type.Union([Type.String(), Type.Null()]),
      detail: LogDetailSchema,
    },
    { additionalProperties: false },
  ),
);
