import { Type } from '@sinclair/typebox';
import { DaySchema, GoalSchema, type BatchFile, type BatchSummary, type BatchToday } from '@roskel/core';
import { exact, Revision } from './records';

/** A batch whole. */
export interface BatchRecord {
  id: string;
  revision: number;
  updatedAt: string;
  file: BatchFile;
}
/** A batch as lists show it. */
export interface BatchRow {
  id: string;
  revision: number;
  updatedAt: string;
  summary: BatchSummary;
  /** What its style is called, for who lists batches and knows no styles. */
  styleName: string;
}
/** What a batch asks for now, and what of it stands in jars. */
export interface TodayRow extends BatchToday {
  id: string;
  revision: number;
  name: string;
  startDate: string;
}
/** What became of an edit. */
export interface BatchSaved {
  revision: number;
  updatedAt: string;
  /** The whole batch, when it holds more than the window knows: another one had changed it, or the server put it in order. */
  file: BatchFile | null;
}

/** A file is checked by `checkBatchFile`, not by this outer shape alone. */
export const NewBatchSchema = Type.Object(
  {
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    startDate: DaySchema,
    goal: GoalSchema,
  },
  exact,
);
export const FileBodySchema = Type.Object({ file: Type.Unknown(), begun: Type.Optional(Type.Boolean({ title: 'Begun here' })) }, exact);
const ChangeSchema = Type.Object(
  {
    path: Type.Array(Type.String({ maxLength: 120 }), { minItems: 1, maxItems: 16 }),
    before: Type.Optional(Type.Unknown()),
    after: Type.Optional(Type.Unknown()),
    behind: Type.Optional(Type.Union([Type.String({ maxLength: 120 }), Type.Null()])),
  },
  exact,
);
/** What an edit changed in a batch: see `Change` in core. */
export const EditBatchSchema = Type.Object({ revision: Revision, changes: Type.Array(ChangeSchema, { maxItems: 2000 }) }, exact);
