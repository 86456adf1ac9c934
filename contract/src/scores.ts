import { Type } from '@sinclair/typebox';
import { SCORED_KINDS } from '@roskel/core';

const Text = Type.String();
const Real = Type.Number();
/** What was foretold of all that was measured, each with what it is of. */
export const ScoresAnswer = Type.Array(
  Type.Object(
    {
      ...{ key: Text, of: Type.Union(SCORED_KINDS.map((k) => Type.Literal(k))), stationId: Text, on: Text },
      ...{ p10: Real, p50: Real, p90: Real, measured: Real, afterwards: Type.Boolean() },
      ...{ batchId: Text, batch: Text, style: Text, station: Text, tool: Type.Union([Text, Type.Null()]), lots: Type.Array(Text) },
    },
    { additionalProperties: false },
  ),
);
