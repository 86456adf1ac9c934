import { Type, type TObject, type TSchema } from '@sinclair/typebox';
import { IngredientSchema, StoredSchema, ToolSchema } from '@roskel/core';
import { LarderFactsSchema, LeavingSchema, PodLotInputSchema } from './records';
import { MakerSchema } from './log';
import { LearntSchema, SeasonBookSchema, VarietySchema } from './own';

/** What the API answers with, for its description; the types are those of records.ts. */
const closed = { additionalProperties: false };
const Text = Type.String();
const Real = Type.Number();
const Count = Type.Integer();
const orNull = (schema: TSchema) => Type.Union([schema, Type.Null()]);
const listOf = (schema: TSchema) => Type.Array(schema);

const Promised = Type.Object({ batchId: Text, batch: Text, by: Text, g: Real, shortG: Real }, closed);
const withStock = { id: Text, revision: Count, stockG: Real, promised: listOf(Promised) };
const joined = (base: TObject, more: Record<string, TSchema>) => Type.Object({ ...base.properties, ...more }, closed);

export const ShortAnswer = listOf(joined(Promised, { store: Text, id: Text, name: Text, before: listOf(Text) }));
export const PodLotAnswer = joined(PodLotInputSchema, withStock);
export const LarderAnswer = joined(LarderFactsSchema, { ingredientKey: Text, ...withStock });
export const LedgerAnswer = listOf(
  Type.Object({ at: Text, deltaG: Real, leftG: Real, reason: Text, words: Text, batch: orNull(Text), maker: orNull(Text) }, closed),
);
export const HistoryAnswer = Type.Object(
  { moves: LedgerAnswer, heat: listOf(Type.Object({}, { description: 'a step of belief' })) },
  closed,
);
export const OwnVarietyAnswer = Type.Object({ id: Text, revision: Count, value: VarietySchema }, closed);
export const OwnToolAnswer = Type.Object({ id: Text, revision: Count, value: ToolSchema }, closed);
export const OwnLearntAnswer = Type.Object({ id: Text, revision: Count, value: LearntSchema }, closed);
export const OwnSeasonAnswer = Type.Object({ id: Text, revision: Count, value: SeasonBookSchema }, closed);
export const OwnMakerAnswer = Type.Object({ id: Text, revision: Count, value: MakerSchema }, closed);
export const OwnIngredientAnswer = Type.Object({ id: Text, revision: Count, value: IngredientSchema }, closed);
const BatchFileAnswer = Type.Object(
  { format: Text, version: Count, name: Text },
  { description: 'a batch file, see docs/formats/batch.md' },
);
export const BatchAnswer = Type.Object({ id: Text, revision: Count, updatedAt: Text, file: BatchFileAnswer }, closed);
export const BatchRowAnswer = Type.Object(
  {
    id: Text,
    revision: Count,
    updatedAt: Text,
    summary: Type.Object({ name: Text, startDate: Text, ends: listOf(Type.Object({})) }, { description: 'what lists show of a batch' }),
    styleName: Text,
  },
  closed,
);
const TodayDuty = Type.Object(
  {
    ...{ id: Text, stationId: Text, station: Text, text: Text, why: Text, due: Text, minutes: Real },
    does: Type.Union(['read', 'look', 'work', 'tick'].map((d) => Type.Literal(d))),
  },
  closed,
);
const TodayJar = Type.Object(
  {
    ...{ stationId: Text, from: Text, to: Text, hex: Text, massG: Real, targetPh: Real, warns: orNull(Text) },
    left: listOf(Count),
    last: orNull(Type.Object({ pH: Real, day: Real, strip: Type.Boolean() }, closed)),
    asked: Type.Object({ tempC: Real, targetPh: Real }, { description: 'the question that its forecast answers' }),
  },
  closed,
);
export const TodayAnswer = listOf(
  Type.Object(
    {
      id: Text,
      revision: Count,
      name: Text,
      startDate: Text,
      duties: listOf(TodayDuty),
      jars: listOf(TodayJar),
      begun: Type.Boolean(),
      occupies: Type.Object(
        {
          jars: listOf(Type.Object({ from: Text, to: Text, ml: Real, count: Count }, closed)),
          pots: listOf(Type.Object({ toolId: Text, name: Text, on: Text }, closed)),
          work: listOf(Type.Object({ on: Text, minutes: Real }, closed)),
        },
        closed,
      ),
    },
    closed,
  ),
);
export const BatchSavedAnswer = Type.Object({ revision: Count, updatedAt: Text, file: orNull(BatchFileAnswer) }, closed);
export const StoredAnswer = Type.Object(
  { id: Text, stuff: StoredSchema, what: LeavingSchema, batchId: orNull(Text), stockG: Real, promised: listOf(Promised) },
  closed,
);
const HeatBand = Type.Object({ p10: Real, p50: Real, p90: Real }, closed);
export const BottlingAnswer = Type.Object(
  {
    id: Text,
    batchId: Text,
    strandId: Text,
    name: Text,
    bottledOn: Text,
    bottles: Count,
    left: Count,
    bottleMl: Real,
    pH: orNull(Real),
    phMeasured: Type.Boolean(),
    heat: Type.Object({ dry: HeatBand, fresh: HeatBand }, closed),
    hex: Text,
    keeping: Text,
    place: Text,
    useBy: Text,
    state: orNull(Text),
    eaten: orNull(Text),
  },
  closed,
);
export const ShelfMovesAnswer = listOf(Type.Object({ at: Text, delta: Count, reason: Text, who: Text, maker: orNull(Text) }, closed));
const heatRecord = { id: Count, on: Text, batchId: orNull(Text), event: Type.Object({ kind: Text }) };
export const HeatRecordAnswer = Type.Object({ ...heatRecord, lots: listOf(Text) }, closed);
export const HeatBookAnswer = Type.Object(
  { events: listOf(Type.Object(heatRecord, closed)), scales: listOf(Type.Object({ taster: Text, scale: Type.Object({}) }, closed)) },
  closed,
);
export const ProblemAnswer = Type.Object({
  type: Text,
  title: Text,
  status: Count,
  detail: Text,
  errors: Type.Optional(listOf(Type.Object({ path: Text, message: Text }, closed))),
  current: Type.Optional(Type.Unknown()),
});
export const DoneAnswer = Type.Object({ done: Type.Boolean() }, closed);
export const listAnswer = listOf;
