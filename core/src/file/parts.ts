import { Type, type Static, type TSchema } from '@sinclair/typebox';
import { EATEN_IDS } from '../heat/eaten';
import { HEAT_BASES, HEAT_SOURCES } from '../heat/lotHeat';
import { SIGN_IDS } from '../ferment/signs';
import { JAR_VERDICTS } from '../matter/jar';
import { POD_FORMS, type PodLot } from '../pantry/lot';

/** What stands in every version of the open batch file. Documented in docs/formats/batch.md. */
export const BATCH_FORMAT = 'roskel-batch';

export const DaySchema = Type.String({ title: 'The date', format: 'date', description: 'a day of the calendar, YYYY-MM-DD' });
export const Id = Type.String({ minLength: 1, maxLength: 64, pattern: '^[A-Za-z0-9_.:-]+$' });
const Hex = Type.String({ pattern: '^#[0-9A-Fa-f]{6}$' });

export const GoalSchema = Type.Object(
  {
    lowShu: Type.Number({ title: 'The low end of the heat', minimum: 0, maximum: 3_000_000, unit: 'SHU' }),
    highShu: Type.Number({ title: 'The high end of the heat', minimum: 1, maximum: 3_000_000, unit: 'SHU' }),
    bottles: Type.Integer({ title: 'The number of bottles', minimum: 1, maximum: 500 }),
    bottleMl: Type.Number({ title: 'The bottle size', minimum: 10, maximum: 5000, unit: 'ml' }),
    /** How it is eaten, where it is not as its style is. */
    eaten: Type.Optional(
      Type.Union(
        EATEN_IDS.map((e) => Type.Literal(e)),
        { title: 'How it is eaten' },
      ),
    ),
  },
  { additionalProperties: false },
);
export type Goal = Static<typeof GoalSchema>;

export const InstrumentSchema = Type.Union([Type.Literal('meter'), Type.Literal('strip')], { title: 'The instrument' });

/** What a pH was read with, when it was one of the kitchen's own meters: its name, and the sd of its readings then. */
export const BySchema = Type.Object(
  {
    name: Type.String({ title: 'The meter', minLength: 1, maxLength: 60 }),
    sd: Type.Number({ minimum: 0.01, maximum: 1 }),
  },
  { additionalProperties: false },
);
export type ReadBy = Static<typeof BySchema>;

const Said = Type.Union([Type.Literal('little'), Type.Literal('right'), Type.Literal('much')]);
/** A level on a rail; null where there is none. */
const Level = Type.Union([Type.Number(), Type.Null()]);
const onRails = <T extends TSchema>(of: T) => ({ heat: of, sour: of, salt: of, sweet: of, body: of });

/** One round of tasting: heat in SHU, sourness as pH, salt and sugars in %, body in steps. */
export const RoundSchema = Type.Object(
  {
    id: Id,
    at: Type.String({ title: 'The time of the tasting', format: 'date-time' }),
    says: Type.Partial(Type.Object(onRails(Said)), { additionalProperties: false }),
    was: Type.Object(onRails(Level), { additionalProperties: false }),
    put: Type.Array(
      Type.Object(
        {
          from: Type.Union([Type.Literal('larder'), Type.Literal('pods')]),
          of: Id,
          g: Type.Number({ title: 'The amount', exclusiveMinimum: 0, maximum: 100_000, unit: 'g' }),
          words: Type.Optional(Type.String({ maxLength: 80 })),
        },
        { additionalProperties: false },
      ),
      { maxItems: 6 },
    ),
  },
  { additionalProperties: false },
);
export type Round = Static<typeof RoundSchema>;

/** Points of a temperature log that a batch keeps. */
export const MOST_HEAT_POINTS = 400;

export const StationLogSchema = Type.Object(
  {
    doneOn: Type.Optional(DaySchema),
    massG: Type.Optional(Type.Number({ title: 'The weighed mass', minimum: 1, maximum: 200_000, unit: 'g' })),
    pH: Type.Optional(Type.Number({ title: 'The measured pH', minimum: 1.5, maximum: 9 })),
    instrument: Type.Optional(InstrumentSchema),
    by: Type.Optional(BySchema),
    /** What the pH was measured on: g of each thing in it, and whether it was heated. Written by the program. */
    phOn: Type.Optional(
      Type.Object(
        { parts: Type.Record(Type.String({ maxLength: 64 }), Type.Number({ minimum: 0 }), { maxProperties: 400 }), heated: Type.Boolean() },
        { additionalProperties: false },
      ),
    ),
    /** It was read of a blended sample, where the stuff itself is in pieces. */
    phBlended: Type.Optional(Type.Boolean({ title: 'The pH is that of a blended sample' })),
    /** A pH far from what went in was looked at again, and is right. */
    phSure: Type.Optional(Type.Boolean({ title: 'The pH was checked' })),
    /** How it pours once cool, by the maker's eye: a step of body (handbook chapter 5, section 9.1). */
    look: Type.Optional(Type.Integer({ title: 'How it pours', minimum: 1, maximum: 7 })),
    /** A pot on the scale while it boils: minutes since the boil, and g without the pot. */
    pot: Type.Optional(
      Type.Array(
        Type.Object(
          {
            id: Id,
            min: Type.Number({ title: 'The minutes', minimum: 0, maximum: 2880, unit: 'min' }),
            massG: Type.Number({ title: 'The weight', minimum: 1, maximum: 200_000, unit: 'g' }),
          },
          { additionalProperties: false },
        ),
        { title: 'The weighings', maxItems: 40 },
      ),
    ),
    /** Rounds of tasting and putting right: what was said, what went in, and what the sauce was before. */
    rounds: Type.Optional(Type.Array(RoundSchema, { title: 'The rounds', maxItems: 40 })),
    /** A thermometer in the coldest spot while it was heated: minutes and °C. */
    heat: Type.Optional(
      Type.Array(
        Type.Object(
          {
            min: Type.Number({ title: 'The minutes', minimum: 0, maximum: 100_000, unit: 'min' }),
            c: Type.Number({ title: 'The temperature', minimum: -30, maximum: 260, unit: '°C' }),
          },
          { additionalProperties: false },
        ),
        { title: 'The temperature log', minItems: 2, maxItems: MOST_HEAT_POINTS },
      ),
    ),
    /** The day on which what was there was thrown away, and why. */
    thrownOn: Type.Optional(DaySchema),
    thrownWhy: Type.Optional(Type.String({ title: 'Why it was thrown away', maxLength: 200 })),
    /** Of several jars those that were thrown away while others stand on, counted from 1. */
    jarsThrown: Type.Optional(
      Type.Array(
        Type.Object(
          {
            jar: Type.Integer({ title: 'The jar', minimum: 1, maximum: 50 }),
            on: DaySchema,
            why: Type.String({ title: 'Why it was thrown away', maxLength: 200 }),
          },
          { additionalProperties: false },
        ),
        { title: 'The jars that were thrown away', minItems: 1, maxItems: 49 },
      ),
    ),
    /** How warm a jar stood, by a thermometer that logs: days since it was packed and °C, as means of 6 h. */
    temps: Type.Optional(
      Type.Array(
        Type.Object(
          {
            day: Type.Number({ title: 'The day', minimum: 0, maximum: 400, unit: 'days' }),
            c: Type.Number({ title: 'The temperature', minimum: -30, maximum: 60, unit: '°C' }),
          },
          { additionalProperties: false },
        ),
        { title: 'The temperatures of the jar', minItems: 1, maxItems: 1500 },
      ),
    ),
    /** How hot it was when it was filled. */
    fillC: Type.Optional(Type.Number({ title: 'The temperature when filled', minimum: -5, maximum: 110, unit: '°C' })),
    /** A thermometer showed 82 °C or more when it was filled. */
    hotByThermometer: Type.Optional(Type.Boolean({ title: 'Filled at 82 °C or more, by a thermometer' })),
    /** Since when the bottles stand in the freezer. */
    frozenOn: Type.Optional(DaySchema),
    /** The maker's own choice of a last day, beside what the table of keeping allows. */
    ownUntil: Type.Optional(DaySchema),
    ownWhy: Type.Optional(Type.String({ title: 'Why that day', maxLength: 200 })),
    bottles: Type.Optional(Type.Integer({ title: 'The bottles filled', minimum: 0, maximum: 500 })),
    note: Type.Optional(Type.String({ title: 'The note', maxLength: 2000 })),
  },
  { additionalProperties: false },
);
export type StationLog = Static<typeof StationLogSchema>;
export type PhOn = NonNullable<StationLog['phOn']>;

export const ReadingSchema = Type.Object(
  {
    id: Id,
    stationId: Id,
    /** Of several jars the one it is of, counted from 1; nothing said: all of them. */
    jar: Type.Optional(Type.Integer({ title: 'The jar', minimum: 1, maximum: 50 })),
    at: Type.String({ title: 'The time of the reading', format: 'date-time' }),
    pH: Type.Optional(Type.Number({ title: 'The pH', minimum: 1.5, maximum: 9 })),
    tempC: Type.Optional(Type.Number({ title: 'The temperature', minimum: -5, maximum: 60, unit: '°C' })),
    instrument: InstrumentSchema,
    by: Type.Optional(BySchema),
    /** What was seen and smelt. */
    signs: Type.Optional(
      Type.Array(Type.Union(SIGN_IDS.map((s) => Type.Literal(s))), { title: 'The signs', minItems: 1, maxItems: 12, uniqueItems: true }),
    ),
    /** Bubbles a minute through the airlock, and mm of brine over what floats highest (less than nothing: it stands out). */
    bubbles: Type.Optional(Type.Number({ title: 'The bubbles a minute', minimum: 0, maximum: 500 })),
    coverMm: Type.Optional(Type.Number({ title: 'The brine over the pods', minimum: -100, maximum: 300, unit: 'mm' })),
    /** A picture, kept by the kitchen. */
    photo: Type.Optional(Id),
    note: Type.Optional(Type.String({ title: 'The note', maxLength: 2000 })),
  },
  { additionalProperties: false },
);
export type Reading = Static<typeof ReadingSchema>;

export const LotSchema = Type.Object(
  {
    id: Id,
    name: Type.String({ title: 'The name', minLength: 1, maxLength: 80 }),
    form: Type.Union(
      POD_FORMS.map((f) => Type.Literal(f)),
      { title: 'The form' },
    ),
    varietyId: Type.String({ maxLength: 64 }),
    waterPct: Type.Number({ title: 'The water content', minimum: 1, maximum: 97, unit: '%' }),
    sugarsPct: Type.Number({ title: 'The sugar content', minimum: 0, maximum: 60, unit: '%' }),
    podMassG: Type.Union([Type.Number({ title: 'The weight of a pod', minimum: 0.05, maximum: 1000, unit: 'g' }), Type.Null()]),
    anatomy: Type.Union([
      Type.Object({ flesh: Type.Number(), placenta: Type.Number(), seed: Type.Number(), stem: Type.Number({ minimum: 0, maximum: 0.6 }) }),
      Type.Null(),
    ]),
    capsaicinoidClass: Type.Union(['sweet', 'std', 'chinense', 'superhot'].map((c) => Type.Literal(c as PodLot['capsaicinoidClass']))),
    hex: Hex,
    like: Id,
    heat: Type.Union([
      Type.Object({
        dryShu: Type.Number({ title: 'The heat', minimum: 1, maximum: 16_100_000, unit: 'SHU' }),
        sigma: Type.Number({ minimum: 0.01, maximum: 3 }),
        source: Type.Union(HEAT_SOURCES.map((c) => Type.Literal(c))),
        said: Type.Optional(
          Type.Object({
            value: Type.Number({ title: 'The stated heat', minimum: 1, maximum: 16_100_000, unit: 'SHU' }),
            basis: Type.Union(HEAT_BASES.map((b) => Type.Literal(b))),
          }),
        ),
      }),
      Type.Null(),
    ]),
    flavour: Type.Optional(Type.Array(Type.String({ maxLength: 40 }), { maxItems: 12 })),
    wall: Type.Optional(Type.Union(['thin', 'medium', 'thick'].map((w) => Type.Literal(w as 'thin')))),
    quotedShu: Type.Optional(Type.Number({ minimum: 0, maximum: 16_100_000, unit: 'SHU' })),
    saltPct: Type.Optional(Type.Number({ title: 'The salt in it', minimum: 0, maximum: 30, unit: '%' })),
    oilPct: Type.Optional(Type.Number({ title: 'The oil in it', minimum: 0, maximum: 80, unit: '%' })),
    pH: Type.Optional(Type.Number({ title: 'Its pH', minimum: 2, maximum: 8 })),
    foods: Type.Optional(Type.Array(Type.String({ maxLength: 40 }), { maxItems: 40 })),
    allergens: Type.Optional(Type.Array(Type.String({ maxLength: 60 }), { maxItems: 60 })),
    jar: Type.Optional(Type.Union(JAR_VERDICTS.map((v) => Type.Literal(v)))),
  },
  { additionalProperties: false },
);

const Share = Type.Number({ minimum: 0, maximum: 100 });
export const IngredientSchema = Type.Object({
  key: Id,
  name: Type.String({ minLength: 1, maxLength: 120 }),
  water: Share,
  sugars: Share,
  salt: Share,
  ethanol: Share,
  fat: Share,
  tss: Share,
  starch: Type.Optional(Share),
  gum: Type.Optional(Share),
  protein: Share,
  protClass: Type.Union([Type.Literal('intact'), Type.Literal('hydrolysate')]),
  acids: Type.Record(Type.String({ maxLength: 60 }), Share, { maxProperties: 40 }),
  pH: Type.Union([Type.Object({ lo: Type.Number(), typ: Type.Number({ minimum: 1, maximum: 12 }), hi: Type.Number() }), Type.Null()]),
  pHdil: Type.Number({ minimum: 0, maximum: 100 }),
  density: Type.Number({ exclusiveMinimum: 0, maximum: 5 }),
  measure: Type.Object({ cup: Type.Number(), tbsp: Type.Number(), tsp: Type.Number() }),
  pieces: Type.Record(Type.String({ maxLength: 60 }), Type.Number(), { maxProperties: 40 }),
  allergens: Type.Array(Type.String({ maxLength: 60 }), { maxItems: 30 }),
  hex: Hex,
  like: Type.Optional(Id),
  confidence: Type.Union([Type.Literal('high'), Type.Literal('medium'), Type.Literal('low')]),
});
