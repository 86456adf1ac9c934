import { Type } from '@sinclair/typebox';
import type { Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry/lot';
import type { StoredStuff } from '../parcel';
import { IntakeSchema, type Intake } from './intake';
import {
  BATCH_FORMAT,
  DaySchema,
  GoalSchema,
  Id,
  IngredientSchema,
  LotSchema,
  ReadingSchema,
  StationLogSchema,
  type Goal,
  type Reading,
  type StationLog,
} from './parts';
import { StoredSchema } from './stored';
import { ToolSchema, type Tool } from './tool';

/** The open batch file, version 2. Documented in docs/formats/batch.md. */
export const BATCH_VERSION = 2;

/** At most this many of each in a file. */
export const MOST = { strands: 12, stations: 40, intakes: 40, lots: 60, stored: 60, tools: 40 } as const;

/** A station in a file. `params` is checked against the schema of its kind. */
export interface StationEntry {
  id: string;
  kind: string;
  /** What goes in here, besides what comes along the strand. */
  intakes: Intake[];
  params: unknown;
  /** The thing of the kitchen it is done with, by its id in `tools`. */
  toolId?: string;
  log: StationLog;
}

/** Stations in the order of work. A strand ends in bottles and then has a goal, or another station takes its end. */
export interface Strand {
  id: string;
  name: string;
  stations: StationEntry[];
  goal: Goal | null;
}

/** A duty that was put off, "station/key", until a day. */
export interface Later {
  id: string;
  until: string;
}

/** A batch as data: everything needed to run it anywhere. */
export interface BatchFile {
  format: typeof BATCH_FORMAT;
  version: typeof BATCH_VERSION;
  name: string;
  /** The style it began as. */
  style: string;
  startDate: string;
  /** The recipe that it was begun from, as it was written. */
  recipe?: string;
  /** Of the random worlds behind the bands; stored, so that a new name moves nothing. */
  seed?: number;
  strands: Strand[];
  readings: Reading[];
  /** Duties that were ticked off, "station/key". */
  dutiesDone: string[];
  /** Duties put off: not shown before a day. */
  later?: Later[];
  lots: PodLot[];
  ingredients: Ingredient[];
  stored: StoredStuff[];
  /** Things of the kitchen that its stations name, as they were known when they were chosen. */
  tools?: Tool[];
}

const StationSchema = Type.Object(
  {
    id: Id,
    kind: Type.String({ maxLength: 40 }),
    intakes: Type.Array(IntakeSchema, { title: 'What goes in at one station', maxItems: MOST.intakes }),
    params: Type.Unknown(),
    toolId: Type.Optional(Id),
    log: StationLogSchema,
  },
  { additionalProperties: false },
);
const StrandSchema = Type.Object(
  {
    id: Id,
    name: Type.String({ title: 'The name of the strand', minLength: 1, maxLength: 60 }),
    stations: Type.Array(StationSchema, { title: 'The list of stations', minItems: 1, maxItems: MOST.stations }),
    goal: Type.Union([GoalSchema, Type.Null()]),
  },
  { additionalProperties: false },
);
export const BatchFileSchema = Type.Object(
  {
    format: Type.Literal(BATCH_FORMAT),
    version: Type.Literal(BATCH_VERSION),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
    style: Type.String({ minLength: 1, maxLength: 40 }),
    startDate: DaySchema,
    recipe: Type.Optional(Type.String({ title: 'The recipe as it was written', maxLength: 20_000 })),
    seed: Type.Optional(Type.Integer({ minimum: 0, maximum: 4_294_967_295 })),
    strands: Type.Array(StrandSchema, { title: 'The list of strands', minItems: 1, maxItems: MOST.strands }),
    readings: Type.Array(ReadingSchema, { maxItems: 2000 }),
    dutiesDone: Type.Array(Type.String({ maxLength: 160 }), { maxItems: 5000 }),
    later: Type.Optional(
      Type.Array(Type.Object({ id: Type.String({ maxLength: 160 }), until: DaySchema }, { additionalProperties: false }), {
        maxItems: 400,
      }),
    ),
    lots: Type.Array(LotSchema, { maxItems: MOST.lots }),
    ingredients: Type.Array(IngredientSchema, { maxItems: 200 }),
    stored: Type.Array(StoredSchema, { maxItems: MOST.stored }),
    tools: Type.Optional(Type.Array(ToolSchema, { maxItems: MOST.tools })),
  },
  { additionalProperties: false },
);

/** Every station of a file with its strand, in the order in which they are written. */
export function stationsOf(file: BatchFile): { strand: Strand; entry: StationEntry; at: number }[] {
  return file.strands.flatMap((strand) => strand.stations.map((entry, at) => ({ strand, entry, at })));
}

/** A station by its id; undefined when there is none. */
export function stationIn(file: BatchFile, stationId: string): StationEntry | undefined {
  for (const s of file.strands) for (const e of s.stations) if (e.id === stationId) return e;
  return undefined;
}

/** The file with every station as `change` makes it; strands and stations that stay the same are kept as they are. */
export function mapStations(file: BatchFile, change: (entry: StationEntry, strand: Strand) => StationEntry): BatchFile {
  let moved = false;
  const strands = file.strands.map((strand) => {
    const stations = strand.stations.map((e) => change(e, strand));
    if (stations.every((e, i) => e === strand.stations[i])) return strand;
    moved = true;
    return { ...strand, stations };
  });
  return moved ? { ...file, strands } : file;
}

/** The path of a station in a file, as errors name it: "strands/0/stations/3". */
export function pathOf(file: BatchFile, stationId: string): string {
  for (const [i, s] of file.strands.entries()) {
    const at = s.stations.findIndex((e) => e.id === stationId);
    if (at >= 0) return `strands/${i}/stations/${at}`;
  }
  return '';
}

/** Parts of a station that are no parameters. */
const NOT_PARAMS = /^(?:log|intakes)\//;
/** The path of a field of a station in a file: of a parameter by its name, of a log entry or an intake as "log/doneOn". */
export const fieldPath = (file: BatchFile, stationId: string, field: string): string =>
  `${pathOf(file, stationId)}/${field === '' || NOT_PARAMS.test(field) ? field : `params/${field}`}`.replace(/\/$/, '');
