import { Type, type Static } from '@sinclair/typebox';
import type { RowProblem } from '../matter/own';
import { DaySchema, Id } from './parts';

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

/** What is known of how a tool works against the tables: mean and sd of the logarithm. */
export interface ToolLearnt {
  log: number;
  sd: number;
}

/** Before anything was weighed: a pot's pace, what a sieve holds (handbook chapter 5, section 0.3); others teach nothing. */
const UNKNOWN: Record<ToolKind, number> = { pot: 0.5, sieve: 0.3, blender: 0.7 /* section 9.3 */, jar: 0.5, bowl: 0.5 };
/** The same tool differs from itself by as much, from one time to the next (our judgement). */
const FROM_TIME_TO_TIME = 0.15;
/** What it never gets better than. */
const BEST = 0.15;

/** Sanity of a tool of the maker's. Empty when all is well. */
export function toolProblems(tool: Tool): RowProblem[] {
  const out: RowProblem[] = [];
  if (tool.name.trim() === '') out.push({ field: 'name', message: 'Give it a name.' });
  if (tool.kind === 'pot' && tool.acrossCm === undefined)
    out.push({ field: 'acrossCm', message: 'Say how wide it is inside: what goes off follows from that.' });
  if ((tool.kind === 'blender' || tool.kind === 'jar') && tool.volumeMl === undefined)
    out.push({ field: 'volumeMl', message: 'Say what it holds.' });
  return out;
}

/** What all weighings of a tool say together, by precision. */
export function learntOf(tool: Pick<Tool, 'kind' | 'seen'>): ToolLearnt {
  let weight = 1 / UNKNOWN[tool.kind] ** 2;
  let sum = 0;
  for (const s of tool.seen) {
    const w = 1 / (s.sd ** 2 + FROM_TIME_TO_TIME ** 2);
    sum += w * s.log;
    weight += w;
  }
  // The next time scatters as well.
  return {
    log: sum / weight,
    sd: Math.max(BEST, Math.min(UNKNOWN[tool.kind], Math.hypot(1 / Math.sqrt(weight), tool.seen.length ? FROM_TIME_TO_TIME : 0))),
  };
}
