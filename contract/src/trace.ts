import { TRACE_KINDS, type TraceNode, type TraceStep, type Whereabouts } from '@roskel/core';
import { Type } from '@sinclair/typebox';

/** Where the bottles of one filling are; what became of them the newest first, bottles that came back less than none. */
export interface WentTo extends Whereabouts {
  id: string;
  useBy: string;
}
/** From a thing of the kitchen back to all it was made of, and forward to every bottle that holds some of it. */
export interface TraceRecord {
  start: TraceNode;
  back: TraceStep[];
  forward: TraceStep[];
  bottles: WentTo[];
}

const closed = { additionalProperties: false };
const Text = Type.String();
const Count = Type.Integer();
const TextOrNull = Type.Union([Text, Type.Null()]);
const Node = Type.Object({ kind: Type.Union(TRACE_KINDS.map((k) => Type.Literal(k))), id: Text, name: Text, on: TextOrNull }, closed);
const Steps = Type.Array(
  Type.Object(
    { node: Node, depth: Count, by: Type.Array(Type.Object({ name: Text, g: Type.Union([Type.Number(), Type.Null()]) }, closed)) },
    closed,
  ),
);
export const TraceAnswer = Type.Object(
  {
    start: Node,
    back: Steps,
    forward: Steps,
    bottles: Type.Array(
      Type.Object(
        {
          ...{ id: Text, name: Text, bottledOn: Text, useBy: Text, filled: Count, left: Count },
          gone: Type.Array(Type.Object({ on: Text, bottles: Count, reason: Text, who: Text }, closed)),
        },
        closed,
      ),
    ),
  },
  closed,
);
