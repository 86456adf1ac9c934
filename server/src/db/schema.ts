import { sql } from 'drizzle-orm';
import {
  boolean,
  doublePrecision,
  index,
  integer,
  json,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  uniqueIndex,
} from 'drizzle-orm/pg-core';
import type {
  BatchFile,
  BatchSummary,
  BatchToday,
  HeatEvent,
  HeatSchool,
  Ingredient,
  Leaving,
  OpenNeed,
  PodLot,
  Eaten,
  SauceState,
  Scored,
  ReadBy,
  Sign,
  StoredStuff,
  Tool,
  Variety,
} from '@roskel/core';
import type { ChangeEvent, Did, LogDetail, Maker, Timer, Learnt, OwnKind, SeasonBook } from '@roskel/contract';

const at = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' }).notNull().defaultNow();

/** Who makes this change, as its transaction was told (store/log.ts). */
export const MAKER = sql`nullif(current_setting('roskel.maker', true), '')`;
const byMaker = () => text('maker').default(MAKER);

// json, not jsonb: a batch comes back exactly as it went in, order of keys included.
export const podLots = pgTable('pod_lots', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull().default(1),
  lot: json('lot').$type<PodLot>().notNull(),
  gotOn: text('got_on'),
  place: text('place').notNull().default(''),
  note: text('note').notNull().default(''),
  useFirst: boolean('use_first').notNull().default(false),
  ripeness: text('ripeness').$type<'' | 'green' | 'turning' | 'ripe' | 'overripe'>().notNull().default(''),
  pricePerKg: doublePrecision('price_per_kg'),
  /** The lot it was dried, frozen or ground from. */
  madeFrom: text('made_from'),
  /** The batch that left it, and where there; what was dried from it has the same. */
  leftBy: json('left_by').$type<{ batchId: string; what: Leaving }>(),
  archived: boolean('archived').notNull().default(false),
  createdAt: at('created_at'),
});

export const larderLots = pgTable('larder_lots', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull().default(1),
  ingredientKey: text('ingredient_key').notNull(),
  note: text('note').notNull().default(''),
  packG: doublePrecision('pack_g'),
  packPrice: doublePrecision('pack_price'),
  openedOn: text('opened_on'),
  ownPh: doublePrecision('own_ph'),
  useFirst: boolean('use_first').notNull().default(false),
  archived: boolean('archived').notNull().default(false),
  createdAt: at('created_at'),
});

/** A maker's own rows beside the tables. */
export const ownRows = pgTable('own_rows', {
  id: text('id').primaryKey(),
  kind: text('kind').$type<OwnKind>().notNull(),
  revision: integer('revision').notNull().default(1),
  value: json('value').$type<Variety | Ingredient | Tool | Maker | Learnt | SeasonBook>().notNull(),
  archived: boolean('archived').notNull().default(false),
  createdAt: at('created_at'),
});

/** What was stated, tasted and measured of heat, in order; what is believed of a lot is this book replayed. */
export const heatEvents = pgTable('heat_events', {
  id: serial('id').primaryKey(),
  on: text('on').notNull(),
  event: json('event').$type<HeatEvent>().notNull(),
  batchId: text('batch_id'),
  /** The maker insisted on something surprising. */
  sure: boolean('sure').notNull().default(false),
  withdrawn: boolean('withdrawn').notNull().default(false),
});

/** Stock is the sum of its moves; a move is never changed or deleted, only answered by another. */
export const stockMoves = pgTable(
  'stock_moves',
  {
    id: serial('id').primaryKey(),
    store: text('store').$type<'pods' | 'larder' | 'stored'>().notNull(),
    itemId: text('item_id').notNull(),
    deltaG: doublePrecision('delta_g').notNull(),
    reason: text('reason').notNull(),
    words: text('words').notNull().default(''),
    batchId: text('batch_id'),
    stationId: text('station_id'),
    at: at('at'),
    maker: byMaker(),
  },
  (t) => [index('stock_moves_item').on(t.store, t.itemId), index('stock_moves_batch').on(t.batchId)],
);

export const batches = pgTable('batches', {
  id: text('id').primaryKey(),
  revision: integer('revision').notNull().default(1),
  /** The batch file but for its readings, which are rows of their own. */
  document: json('document').$type<Omit<BatchFile, 'readings'>>().notNull(),
  name: text('name').notNull(),
  startDate: text('start_date').notNull(),
  /** What lists show and what is still to be taken from the stores, worked out from the document; null: not yet. */
  summary: json('summary').$type<BatchSummary>(),
  needs: json('needs').$type<OpenNeed[]>(),
  /** What it asks for on that day, and what of it stands in jars. */
  today: json('today').$type<BatchToday>(),
  /** The day as of which these were worked out. */
  summedOn: text('summed_on'),
  /** The rules by which they were (rules.ts). */
  summedBy: text('summed_by'),
  archived: boolean('archived').notNull().default(false),
  createdAt: at('created_at'),
  updatedAt: at('updated_at'),
});

export const readings = pgTable(
  'readings',
  {
    batchId: text('batch_id')
      .notNull()
      .references(() => batches.id),
    id: text('id').notNull(),
    stationId: text('station_id').notNull(),
    at: text('at').notNull(),
    pH: doublePrecision('ph'),
    tempC: doublePrecision('temp_c'),
    instrument: text('instrument').$type<'meter' | 'strip'>().notNull(),
    by: json('by').$type<ReadBy>(),
    signs: json('signs').$type<Sign[]>(),
    bubbles: doublePrecision('bubbles'),
    coverMm: doublePrecision('cover_mm'),
    jar: integer('jar'),
    photo: text('photo'),
    note: text('note'),
  },
  (t) => [primaryKey({ columns: [t.batchId, t.id] })],
);

/** Pictures of jars, small JPEGs in base64: as text they travel in a backup like everything else. */
export const photos = pgTable('photos', {
  id: text('id').primaryKey(),
  batchId: text('batch_id')
    .notNull()
    .references(() => batches.id),
  jpeg: text('jpeg').notNull(),
});

/** What batches left and was kept: brine, the rest of a base, bottles opened for another sauce. Stock is its ledger. */
export const storedStuff = pgTable('stored_stuff', {
  id: text('id').primaryKey(),
  stuff: json('stuff').$type<StoredStuff>().notNull(),
  /** What of the batch it is. */
  what: json('what').$type<Leaving>().notNull(),
  batchId: text('batch_id').references(() => batches.id),
  archived: boolean('archived').notNull().default(false),
  createdAt: at('created_at'),
});

export const bottlings = pgTable(
  'bottlings',
  {
    id: text('id').primaryKey(),
    batchId: text('batch_id')
      .notNull()
      .references(() => batches.id),
    /** The strand that ends in these bottles. */
    strandId: text('strand_id').notNull(),
    name: text('name').notNull(),
    bottledOn: text('bottled_on').notNull(),
    bottles: integer('bottles').notNull(),
    bottleMl: doublePrecision('bottle_ml').notNull(),
    pH: doublePrecision('ph'),
    phMeasured: boolean('ph_measured').notNull(),
    /** 10, 50 and 90 % by each way of counting heat, SHU. */
    heat: json('heat').$type<Record<HeatSchool, { p10: number; p50: number; p90: number }>>().notNull(),
    hex: text('hex').notNull(),
    keeping: text('keeping').notNull(),
    place: text('place').notNull(),
    useBy: text('use_by').notNull(),
    /** What it is: live, or how it was heated; null where that was never worked out. */
    state: text('state').$type<SauceState>(),
    /** How it is eaten; null where that was never worked out. */
    eaten: text('eaten').$type<Eaten>(),
    archived: boolean('archived').notNull().default(false),
  },
  (t) => [uniqueIndex('bottlings_end').on(t.batchId, t.strandId)],
);

export const shelfMoves = pgTable(
  'shelf_moves',
  {
    id: serial('id').primaryKey(),
    bottlingId: text('bottling_id')
      .notNull()
      .references(() => bottlings.id),
    delta: integer('delta').notNull(),
    reason: text('reason').notNull(),
    who: text('who').notNull().default(''),
    at: at('at'),
    maker: byMaker(),
  },
  (t) => [index('shelf_moves_bottling').on(t.bottlingId)],
);

/** What was foretold of what was measured, as it stood before. */
export const predictions = pgTable(
  'predictions',
  {
    batchId: text('batch_id')
      .notNull()
      .references(() => batches.id, { onDelete: 'cascade' }),
    /** The thing that was measured (core's score). */
    key: text('key').notNull(),
    of: text('of').$type<Scored>().notNull(),
    stationId: text('station_id').notNull(),
    on: text('on').notNull(),
    p10: doublePrecision('p10').notNull(),
    p50: doublePrecision('p50').notNull(),
    p90: doublePrecision('p90').notNull(),
    measured: doublePrecision('measured').notNull(),
    afterwards: boolean('afterwards').notNull(),
  },
  (t) => [primaryKey({ columns: [t.batchId, t.key] })],
);

/** Kitchen timers, for a day: no part of a backup. */
export const timers = pgTable('timers', {
  id: text('id').primaryKey(),
  timer: json('timer').$type<Timer>().notNull(),
  changedAt: doublePrecision('changed_at').notNull(),
});

/** What was done, when, and by whom. Nothing is worked out from it. */
export const log = pgTable(
  'log',
  {
    id: serial('id').primaryKey(),
    at: at('at'),
    maker: byMaker(),
    topic: text('topic').$type<ChangeEvent['topic']>().notNull(),
    itemId: text('item_id').notNull(),
    /** What the thing was called then. */
    name: text('name').notNull(),
    did: text('did').$type<Did>().notNull(),
    /** The field of a batch, as changes name it. */
    path: text('path').notNull().default(''),
    detail: json('detail').$type<LogDetail>().notNull(),
  },
  (t) => [index('log_item').on(t.topic, t.itemId, t.id)],
);

export const settings = pgTable('settings', {
  id: text('id').primaryKey(),
  value: json('value').notNull(),
});

/** What was answered to a request that may be asked again because its answer was lost, by the key of the caller. For a day. */
export const idempotencyKeys = pgTable('idempotency_keys', {
  key: text('key').primaryKey(),
  path: text('path').notNull(),
  answer: json('answer').notNull(),
  at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
});

/** Sessions that were left: their cookies are good for nothing, for as long as they would have been. Never in a backup. */
export const leftSessions = pgTable('left_sessions', {
  id: text('id').primaryKey(),
  at: timestamp('at', { withTimezone: true }).notNull().defaultNow(),
});

/** What opens the kitchen to others in the house. Never in a backup. */
export const access = pgTable('access', {
  id: text('id').primaryKey(),
  /** scrypt, with its cost and salt. */
  hash: text('hash').notNull(),
  /** Signs sessions. */
  secret: text('secret').notNull(),
});

/** What the house trusts this kitchen by over TLS, as PEM. Never in a backup. */
export const certificates = pgTable('certificates', {
  id: text('id').primaryKey(),
  /** The authority that a phone is told to trust once, and its key. */
  authority: text('authority').notNull(),
  authorityKey: text('authority_key').notNull(),
  /** What it signed for the names of this machine. */
  cert: text('cert').notNull(),
  key: text('key').notNull(),
});

/** Which kitchen this is, of all there are: one row, made with the tables. It moves with a kitchen; a copy is another one. */
export const identity = pgTable('identity', { id: text('id').primaryKey() });
