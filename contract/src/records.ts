import { Type, type Static } from '@sinclair/typebox';
import type { Promised } from './needs';
import {
  DaySchema,
  HEAT_SCHOOLS,
  HOBS,
  KITCHENS,
  LotSchema,
  RAILS,
  TURNS,
  type HeatSchool,
  type Hob,
  type HeatEvent,
  type HeatStep,
  type Leaving,
  type PodLot,
  type Eaten,
  type SauceState,
  type Rail,
  type Scale,
  type StoredStuff,
  type Turn,
} from '@roskel/core';

export const Id = Type.String({ minLength: 1, maxLength: 64, pattern: '^[A-Za-z0-9_.:-]+$' });
/** What a database column of whole numbers holds at most (PostgreSQL: integer, serial). */
export const MOST_INTEGER = 2_147_483_647;
export const Revision = Type.Integer({ minimum: 1, maximum: MOST_INTEGER });
const Note = Type.String({ title: 'The note', maxLength: 2000 });
const Grams = Type.Number({ title: 'The amount', minimum: 0, maximum: 200_000, unit: 'g' });
/** Unknown fields are refused. */
export const exact = { additionalProperties: false };

export const TEMPERATURES = ['C', 'F'] as const;
export const WEIGHTS = ['g', 'lb'] as const;
/** How a date is written: as the browser does, or in one of three orders. */
export const DATE_FORMS = ['browser', 'day-month-year', 'month-day-year', 'year-month-day'] as const;
export const WEEK_STARTS = ['browser', 'monday', 'saturday', 'sunday'] as const;
const oneOf = <T extends string>(all: readonly T[], title: string) =>
  Type.Union(
    all.map((k) => Type.Literal(k)),
    { title },
  );

const Palate = Type.Object(
  { level: Type.Number({ minimum: 0, maximum: 16_100_000 }), said: Type.Integer({ minimum: 1, maximum: 10_000 }) },
  exact,
);

export const SettingsSchema = Type.Object(
  {
    kitchen: oneOf(KITCHENS, 'The kitchen'),
    /** How heat is counted: on dry matter, or by the number quoted for the fresh pod. */
    school: oneOf(HEAT_SCHOOLS, 'How heat is counted'),
    /** What stands on the page; what is stored stays in °C and g. */
    temperature: oneOf(TEMPERATURES, 'The temperature'),
    weight: oneOf(WEIGHTS, 'The weight'),
    dates: oneOf(DATE_FORMS, 'How dates are written'),
    weekStart: oneOf(WEEK_STARTS, 'The first day of the week'),
    /** What it cooks on, and money for a kWh of it; no tariff: energy has no price. */
    hob: oneOf(Object.keys(HOBS) as Hob[], 'The hob'),
    tariff: Type.Union([Type.Number({ title: 'The price of a kWh', minimum: 0, maximum: 100 }), Type.Null()]),
    /** An ISO 4217 code, or nothing: then prices are bare numbers. */
    currency: Type.String({ title: 'The currency', pattern: '^([A-Z]{3})?$', description: 'three letters, such as EUR' }),
    /** SHU in the cup at this panel's threshold, once they tasted a labelled sauce. */
    threshold: Type.Union([
      Type.Object({ shu: Type.Number({ minimum: 0.01, maximum: 100 }), sd: Type.Number({ minimum: 0.05, maximum: 2 }) }, exact),
      Type.Null(),
    ]),
    /** What this kitchen called right of a sauce: a level for each rail of taste, and how many said so. */
    palate: Type.Partial(Type.Object(Object.fromEntries(RAILS.map((r) => [r, Palate])) as Record<Rail, typeof Palate>), exact),
  },
  exact,
);
export type Settings = Static<typeof SettingsSchema>;
export const RIPENESS = ['', 'green', 'turning', 'ripe', 'overripe'] as const;
export type Ripeness = (typeof RIPENESS)[number];
const Price = Type.Number({ title: 'The price', minimum: 0, maximum: 100_000 });

/** What a maker says of a pod lot; stock is a ledger beside it. */
export const PodLotInputSchema = Type.Object(
  {
    lot: LotSchema,
    gotOn: Type.Union([DaySchema, Type.Null()]),
    place: Type.String({ title: 'The place', maxLength: 80 }),
    note: Note,
    useFirst: Type.Boolean(),
    ripeness: Type.Union(
      RIPENESS.map((r) => Type.Literal(r)),
      { title: 'The ripeness' },
    ),
    pricePerKg: Type.Union([Price, Type.Null()]),
  },
  exact,
);
export interface PodLotInput {
  lot: PodLot;
  gotOn: string | null;
  place: string;
  note: string;
  useFirst: boolean;
  ripeness: Ripeness;
  /** In the maker's money. */
  pricePerKg: number | null;
}
/** A lot of which nothing more was said. */
export const BARE_LOT: Omit<PodLotInput, 'lot'> = { gotOn: null, place: '', note: '', useFirst: false, ripeness: '', pricePerKg: null };
export interface PodLotRecord extends PodLotInput {
  id: string;
  revision: number;
  stockG: number;
  promised: Promised[];
}

/** Something of a batch that was kept: a side of a station, or a strand's end. */
export const LeavingSchema = Type.Union([Type.Object({ stationId: Id, side: Id }, exact), Type.Object({ strandId: Id }, exact)]);
/** The batch that left something, and where there. */
export const LeftBySchema = Type.Object({ batchId: Id, what: LeavingSchema }, exact);
/** A new lot. `leftBy`: the batch that left it and where; what becomes known of its jar is told here from then on. */
export const NewPodLotSchema = Type.Object(
  {
    input: PodLotInputSchema,
    stockG: Grams,
    words: Type.String({ maxLength: 80 }),
    leftBy: Type.Optional(LeftBySchema),
  },
  exact,
);
export interface NewPodLot {
  input: PodLotInput;
  stockG: number;
  words: string;
  leftBy?: { batchId: string; what: Leaving };
}
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

/** Turning some of a lot into another: dried, frozen, ground. `gotG` is weighed, or null to take what core expects. */
export const TurnSchema = Type.Object(
  {
    into: Type.Union(Object.keys(TURNS).map((t) => Type.Literal(t as Turn))),
    takeG: Type.Number({ title: 'The amount', exclusiveMinimum: 0, maximum: 200_000, unit: 'g' }),
    gotG: Type.Union([Type.Number({ title: 'The weight afterwards', exclusiveMinimum: 0, maximum: 200_000, unit: 'g' }), Type.Null()]),
    words: Type.String({ maxLength: 80 }),
  },
  exact,
);

/** One line of a stock ledger, newest first, with what was left after it. */
export interface LedgerLine {
  at: string;
  deltaG: number;
  leftG: number;
  reason: string;
  words: string;
  batch: string | null;
  /** Who moved it; null where it was not said. */
  maker: string | null;
}
/** Everything that happened to a lot. */
export interface LotHistory {
  moves: LedgerLine[];
  heat: HeatStep[];
}

const OwnPh = Type.Union([Type.Number({ title: 'The measured pH', minimum: 1.5, maximum: 9 }), Type.Null()]);
/** What a maker says of a larder row; stock is a ledger beside it. */
export const LarderFactsSchema = Type.Object(
  {
    note: Note,
    packG: Type.Union([Type.Number({ title: 'The package', exclusiveMinimum: 0, maximum: 200_000, unit: 'g' }), Type.Null()]),
    packPrice: Type.Union([Price, Type.Null()]),
    openedOn: Type.Union([DaySchema, Type.Null()]),
    ownPh: OwnPh,
    useFirst: Type.Boolean(),
  },
  exact,
);
export interface LarderFacts {
  note: string;
  packG: number | null;
  packPrice: number | null;
  openedOn: string | null;
  ownPh: number | null;
  useFirst: boolean;
}
export const NO_FACTS: LarderFacts = { note: '', packG: null, packPrice: null, openedOn: null, ownPh: null, useFirst: false };
export const LarderInputSchema = Type.Object(
  { ingredientKey: Id, stockG: Grams, words: Type.String({ maxLength: 80 }), facts: Type.Optional(LarderFactsSchema) },
  exact,
);
export const EditLarderSchema = Type.Object({ revision: Revision, facts: LarderFactsSchema }, exact);
export interface LarderRecord extends LarderFacts {
  id: string;
  ingredientKey: string;
  revision: number;
  stockG: number;
  promised: Promised[];
}

const Scores = Type.Array(
  Type.Object(
    {
      taster: Type.String({ title: 'The taster', minLength: 1, maxLength: 20 }),
      score: Type.Number({ title: 'The score', minimum: 0, maximum: 10 }),
    },
    exact,
  ),
  { minItems: 1, maxItems: 12 },
);
/** What was tasted: a batch's sauce, or a lot itself (with the number of pods). */
const Subject = Type.Union([
  Type.Object({ batchId: Id, strandId: Type.Optional(Id) }, exact),
  Type.Object({ lotId: Id, pods: Type.Integer({ title: 'The pods tasted', minimum: 1, maximum: 200 }) }, exact),
]);
export type HeatSubject = { batchId: string; strandId?: string } | { lotId: string; pods: number };
const sure = Type.Optional(Type.Boolean({ description: 'learn from it even when it is very surprising' }));
export const HeatInputSchema = Type.Union([
  Type.Object({ kind: Type.Literal('tasting'), subject: Subject, scores: Scores, sure }, exact),
  Type.Object(
    {
      kind: Type.Literal('measured'),
      how: Type.Union([Type.Literal('dilution'), Type.Literal('match'), Type.Literal('lab')]),
      subject: Subject,
      shu: Type.Number({ title: 'The measured heat', minimum: 1, maximum: 16_100_000, unit: 'SHU' }),
      sigma: Type.Number({ minimum: 0.05, maximum: 3 }),
      sure,
    },
    exact,
  ),
  Type.Object(
    {
      kind: Type.Literal('reference'),
      name: Type.String({ title: 'The name', minLength: 1, maxLength: 60 }),
      labelShu: Type.Number({ title: 'The heat on the label', minimum: 50, maximum: 3_000_000, unit: 'SHU' }),
      scores: Scores,
    },
    exact,
  ),
]);
export type HeatInput =
  | { kind: 'tasting'; subject: HeatSubject; scores: { taster: string; score: number }[]; sure?: boolean }
  | { kind: 'measured'; how: 'dilution' | 'match' | 'lab'; subject: HeatSubject; shu: number; sigma: number; sure?: boolean }
  | { kind: 'reference'; name: string; labelShu: number; scores: { taster: string; score: number }[] };
/** An event of the book of heat, without those that merely state a lot's heat. */
export interface HeatRecord {
  id: number;
  on: string;
  event: HeatEvent;
  /** The batch it was about, if any. */
  batchId: string | null;
}
/** What is known of tasters, and all that was tasted and measured, newest first. */
export interface HeatBook {
  events: HeatRecord[];
  scales: { taster: string; scale: Scale }[];
}

/** Something that a batch left and that was kept; stock is a ledger beside it. */
export interface StoredRecord {
  id: string;
  stuff: StoredStuff;
  /** What of which batch it is. */
  what: Leaving;
  batchId: string | null;
  stockG: number;
  promised: Promised[];
}
/** What to keep: a side of a station, what nobody takes of a strand's end, or bottles opened for another sauce. */
export const KeepSchema = Type.Object(
  {
    what: Type.Union([
      Type.Object({ batchId: Id, stationId: Id, side: Id }, exact),
      Type.Object({ batchId: Id, strandId: Id }, exact),
      Type.Object(
        { bottlingId: Type.String({ maxLength: 130 }), bottles: Type.Integer({ title: 'The bottles opened', minimum: 1, maximum: 500 }) },
        exact,
      ),
    ]),
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 80 }),
    /** Weighed; null takes what the line says. */
    massG: Type.Union([Type.Number({ title: 'The weight', exclusiveMinimum: 0, maximum: 200_000, unit: 'g' }), Type.Null()]),
    words: Type.String({ maxLength: 80 }),
  },
  exact,
);
export type KeepInput = Static<typeof KeepSchema>;

export interface BottlingRecord {
  id: string;
  batchId: string;
  /** The strand that ends in these bottles. */
  strandId: string;
  name: string;
  bottledOn: string;
  bottles: number;
  left: number;
  bottleMl: number;
  pH: number | null;
  phMeasured: boolean;
  /** 10, 50 and 90 %, by each way of counting heat, SHU. */
  heat: Record<HeatSchool, { p10: number; p50: number; p90: number }>;
  hex: string;
  keeping: string;
  place: string;
  useBy: string;
  /** What it is; null where that was never worked out. */
  state: SauceState | null;
  /** How it is eaten: what its word for heat goes by; null where that was never worked out. */
  eaten: Eaten | null;
}
