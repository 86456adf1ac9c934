import { Type, type Static } from '@sinclair/typebox';
import { DaySchema, GoalSchema, KITCHENS, LotSchema, type BatchFile, type PodLot } from '@roskel/core';

const Id = Type.String({ minLength: 1, maxLength: 64, pattern: '^[A-Za-z0-9_.:-]+$' });
const Revision = Type.Integer({ minimum: 1 });
const Note = Type.String({ title: 'The note', maxLength: 2000 });
const Grams = Type.Number({ title: 'The amount', minimum: 0, maximum: 200_000, unit: 'g' });
const exact = { additionalProperties: false };

export const SettingsSchema = Type.Object(
  {
    kitchen: Type.Union(
      KITCHENS.map((k) => Type.Literal(k)),
      { title: 'The kitchen' },
    ),
  },
  exact,
);
export type Settings = Static<typeof SettingsSchema>;

/** What a maker says of a pod lot; stock is a ledger beside it. */
export const PodLotInputSchema = Type.Object(
  {
    lot: LotSchema,
    gotOn: Type.Union([DaySchema, Type.Null()]),
    place: Type.String({ title: 'The place', maxLength: 80 }),
    note: Note,
    useFirst: Type.Boolean(),
  },
  exact,
);
export interface PodLotInput {
  lot: PodLot;
  gotOn: string | null;
  place: string;
  note: string;
  useFirst: boolean;
}
export interface PodLotRecord extends PodLotInput {
  id: string;
  revision: number;
  stockG: number;
}

export const NewPodLotSchema = Type.Object({ input: PodLotInputSchema, stockG: Grams, words: Type.String({ maxLength: 80 }) }, exact);
export const EditPodLotSchema = Type.Object({ revision: Revision, input: PodLotInputSchema }, exact);

/** A stock move: grams in (positive) or out, and the words the maker typed. */
export const MoveSchema = Type.Object(
  {
    deltaG: Type.Number({ title: 'The amount', minimum: -200_000, maximum: 200_000, unit: 'g' }),
    reason: Type.Union(['in', 'used', 'thrown', 'counted', 'undo'].map((r) => Type.Literal(r as 'in'))),
    words: Type.String({ maxLength: 80 }),
  },
  exact,
);
export type Move = { deltaG: number; reason: 'in' | 'used' | 'thrown' | 'counted' | 'undo'; words: string };

export const LarderInputSchema = Type.Object(
  { ingredientKey: Id, stockG: Grams, note: Note, words: Type.String({ maxLength: 80 }) },
  exact,
);
export interface LarderRecord {
  id: string;
  ingredientKey: string;
  note: string;
  revision: number;
  stockG: number;
}

export interface BatchRecord {
  id: string;
  revision: number;
  updatedAt: string;
  file: BatchFile;
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
export const FileBodySchema = Type.Object({ file: Type.Unknown() }, exact);
export const EditBatchSchema = Type.Object({ revision: Revision, file: Type.Unknown() }, exact);

export interface BottlingRecord {
  id: string;
  batchId: string;
  name: string;
  bottledOn: string;
  bottles: number;
  left: number;
  bottleMl: number;
  pH: number | null;
  phMeasured: boolean;
  heat: { p10: number; p50: number; p90: number };
  hex: string;
  keeping: string;
  place: string;
  useBy: string;
  live: boolean;
}
export const ShelfMoveSchema = Type.Object(
  {
    delta: Type.Integer({ title: 'The number of bottles', minimum: -500, maximum: 500 }),
    reason: Type.Union(['opened', 'given', 'thrown', 'undo'].map((r) => Type.Literal(r as 'opened'))),
  },
  exact,
);

/** What is announced on /api/events. */
export interface ChangeEvent {
  topic: 'batches' | 'pods' | 'larder' | 'shelf' | 'settings';
  id: string;
  revision?: number;
}

/** RFC 9457 problem details; `errors` names fields by path. */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail: string;
  errors?: { path: string; message: string }[];
  current?: unknown;
}
