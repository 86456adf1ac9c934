import { Type, type Static } from '@sinclair/typebox';
import { Id } from '../file/parts';
import { TOOL_KINDS } from '../file/tool';
import { RAILS, type Rail } from '../solve/trim/rails';

/** What a kitchen learnt, for others to read: docs/formats/learnt.md. */
export const LEARNT_FORMAT = 'roskel-learnt';
export const LEARNT_VERSION = 1;
const exact = { additionalProperties: false };
const Count = (most: number) => Type.Integer({ minimum: 1, maximum: most });
const Sd = Type.Number({ exclusiveMinimum: 0, maximum: 3 });

const PodsSchema = Type.Object(
  {
    /** A variety of the table (data/varieties.json). */
    variety: Id,
    lots: Count(10_000),
    /** SHU per g of dry matter in the middle of such lots, and the log-sd of that. */
    dryShu: Type.Number({ title: 'The heat', minimum: 1, maximum: 16_100_000, unit: 'SHU' }),
    sd: Sd,
  },
  exact,
);
const ToolsSchema = Type.Object(
  {
    kind: Type.Union(TOOL_KINDS.map((k) => Type.Literal(k))),
    tools: Count(10_000),
    seen: Count(1_000_000),
    /** How much more or less than the tables say such things do, as a logarithm, and the sd of that. */
    log: Type.Number({ minimum: -5, maximum: 5 }),
    sd: Sd,
    /** What the tables said, where that moves. */
    table: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 10 })),
    /** Places: how far the natural pH of pods is from what is worked out. */
    natural: Type.Optional(Type.Object({ off: Type.Number({ minimum: -0.5, maximum: 0.5 }), sd: Sd }, exact)),
  },
  exact,
);
const TasteSchema = Type.Object({ level: Type.Number({ minimum: 0, maximum: 16_100_000 }), said: Count(10_000) }, exact);

export const LearntFileSchema = Type.Object(
  {
    format: Type.Literal(LEARNT_FORMAT),
    version: Type.Literal(LEARNT_VERSION, { title: 'The version' }),
    /** A random id, so that a newer file of the same kitchen counts in place of the older, and none counts in its own. */
    kitchen: Type.String({ pattern: '^[A-Za-z0-9-]{8,64}$' }),
    pods: Type.Array(PodsSchema, { maxItems: 1000 }),
    tools: Type.Array(ToolsSchema, { maxItems: TOOL_KINDS.length }),
    /** What was called right of a sauce: heat in SHU, sourness as pH, salt and sugars in %, body in steps. */
    taste: Type.Partial(Type.Object(Object.fromEntries(RAILS.map((r) => [r, TasteSchema])) as Record<Rail, typeof TasteSchema>), exact),
  },
  exact,
);
export type LearntFile = Static<typeof LearntFileSchema>;
export type LearntPods = LearntFile['pods'][number];
export type LearntTools = LearntFile['tools'][number];

/** The files that count: of one kitchen the one that was read last; `files` in the order in which they were read. */
export function countingFiles(files: readonly LearntFile[]): LearntFile[] {
  return [...new Map(files.map((f) => [f.kitchen, f])).values()];
}
