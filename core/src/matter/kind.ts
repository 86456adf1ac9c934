import { Type, type Static, type TSchema } from '@sinclair/typebox';
import table from '../data/ingredients.json' with { type: 'json' };
import { FLAVOUR_WORDS } from './flavour';
import { FOODS } from './food';

/** What a thing does in a sauce; things of one family stand in for each other where a style takes them. */
export const FAMILIES = [
  ...['pod', 'hot powder', 'garlic', 'onion', 'root', 'leaf', 'vegetable', 'tomato', 'fruit', 'soft', 'citrus', 'sour fruit'],
  ...['sour fruit block', 'vinegar', 'acid', 'sauce', 'mustard', 'sweet', 'salt', 'spice', 'pepper', 'smoke', 'spirit', 'oil'],
  ...['starch', 'gum', 'water', 'other'],
] as const;
export type Family = (typeof FAMILIES)[number];

export const BOARDS = ['Sour', 'Salt', 'Sweet', 'Garden and fruit', 'Spice and body'] as const;
export type Board = (typeof BOARDS)[number];

/** Steps of a kitchen's spoons, small to large. */
export const SPOON_STEPS = ['1/8 tsp', '1/4 tsp', '1/2 tsp', 'tsp', 'tbsp', '1/4 cup'] as const;
export type SpoonStep = (typeof SPOON_STEPS)[number];

/** What a row may be usual for, where nobody says which. */
export const PURPOSES = ['water', 'salt', 'vinegar', 'fill', 'sour', 'acid', 'bench', 'trim'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** Types of pods for which a row stands where none was surveyed. */
export const POD_TYPES = ['ground', 'dried, large', 'dried, small', 'sweet', 'superhot', 'chinense', 'green', 'dry', 'fresh'] as const;
export type PodType = (typeof POD_TYPES)[number];

const exact = { additionalProperties: false } as const;
const literals = <const T extends string>(of: readonly T[]) => Type.Unsafe<T>(Type.Union(of.map((x) => Type.Literal(x))));
/** Some of these names, each with a figure. */
const figures = <const T extends string>(of: readonly T[], figure: TSchema) =>
  Type.Unsafe<Partial<Record<T, number>>>(Type.Object(Object.fromEntries(of.map((x) => [x, Type.Optional(figure)])), exact));
const Words = Type.Array(Type.String({ minLength: 1, maxLength: 80 }));

export const StandInSchema = Type.Object(
  {
    /** Key of the row that takes its place. */
    key: Type.String(),
    /** What is kept the same: its sugar, acid, salt, fat, starch, or its weight times `times`. */
    by: Type.Union([
      literals(['sugars', 'acid', 'salt', 'fat', 'starch']),
      Type.Object({ times: Type.Number({ exclusiveMinimum: 0 }) }, exact),
    ]),
    /** What is lost or gained that no figure tells. */
    says: Type.String({ minLength: 1 }),
  },
  exact,
);
export type StandIn = Static<typeof StandInSchema>;

/** What an ingredient is, as against what it is made of: columns of its row, told at the head of data/ingredients.json. */
export const KindSchema = Type.Object(
  {
    family: literals(FAMILIES),
    foods: Type.Array(literals(FOODS), { uniqueItems: true }),
    board: literals(BOARDS),
    keepsDays: Type.Optional(Type.Integer({ minimum: 1, maximum: 730 })),
    even: Type.Optional(Type.Literal(true)),
    strength: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 10 })),
    tint: Type.Number({ minimum: 0.01, maximum: 10 }),
    acidSd: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1 })),
    variety: Type.Optional(Type.String()),
    podPct: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
    podsOf: Type.Optional(literals(POD_TYPES)),
    trim: Type.Optional(
      Type.Object(
        {
          spoon: literals(SPOON_STEPS),
          penalty: Type.Number({ minimum: 0 }),
          mostPct: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 100 })),
        },
        exact,
      ),
    ),
    night: Type.Optional(Type.Literal(true)),
    flavours: Type.Optional(figures(FLAVOUR_WORDS, Type.Number({ exclusiveMinimum: 0, maximum: 1 }))),
    stands: Type.Optional(Type.Object({ mostC: Type.Number({ minimum: 30, maximum: 100 }), why: Type.String() }, exact)),
    thickens: Type.Optional(
      Type.Object(
        {
          as: Type.String(),
          name: Type.String(),
          mostPct: Type.Number({ exclusiveMinimum: 0, maximum: 100 }),
          slurry: Type.Boolean(),
        },
        exact,
      ),
    ),
    standIns: Type.Optional(Type.Array(StandInSchema, { minItems: 1 })),
    salts: Type.Optional(Type.Array(Type.String(), { minItems: 1 })),
    dosePerKg: Type.Optional(Type.Number({ exclusiveMinimum: 0, maximum: 1000 })),
    usual: Type.Optional(figures(PURPOSES, Type.Integer({ minimum: 1 }))),
    tin: Type.Optional(Type.Object({ us: Type.Number(), metric: Type.Number(), au: Type.Number(), uk: Type.Number() }, exact)),
    jarG: Type.Optional(Type.Number({ minimum: 10, maximum: 2000 })),
    label: Type.Optional(Type.String({ minLength: 1 })),
    parts: Type.Optional(Words),
    said: Words,
    nearly: Type.Optional(Words),
  },
  exact,
);
export type Kind = Static<typeof KindSchema>;

/** Every column that says what a thing is. */
export const KIND_COLUMNS = Object.keys(KindSchema.properties) as readonly (keyof Kind)[];

/** What is neither in the table nor like anything in it: the strictest class for the rules, nothing special for the rest. */
const UNKNOWN: Kind = { family: 'other', foods: ['unknown'], board: 'Garden and fruit', tint: 1, said: [] };

type Row = { key: string } & Kind;
const rows = table.rows as unknown as readonly Row[];
const kinds = new Map<string, Kind>(
  rows.map((row) => [row.key, Object.fromEntries(KIND_COLUMNS.flatMap((c) => (row[c] === undefined ? [] : [[c, row[c]]]))) as Kind]),
);

/** The kinds of the table, by key, in its order. */
export const KINDS: ReadonlyMap<string, Kind> = kinds;

/** The key of the table row that tells what an ingredient is: its own, or that of the row it was copied from. */
export const kindKey = (i: { key: string; like?: string }): string => i.like ?? i.key;

/** What an ingredient is, by its row of the table or by the one it is like. */
export const kindOf = (i: { key: string; like?: string }): Kind => kinds.get(kindKey(i)) ?? UNKNOWN;

const turns = new Map<Purpose, readonly string[]>(
  PURPOSES.map((p) => [
    p,
    rows
      .filter((r) => r.usual?.[p] !== undefined)
      .sort((a, b) => a.usual![p]! - b.usual![p]!)
      .map((r) => r.key),
  ]),
);
/** Keys of the rows that are usual for something, the first one first. */
export const usualFor = (purpose: Purpose): readonly string[] => turns.get(purpose)!;
const podRows = new Map(rows.flatMap((r) => (r.podsOf ? [[r.podsOf, r.key]] : [])));
/** Key of the row that stands for pods of a type. */
export const podRow = (type: PodType): string => podRows.get(type)!;
/** Keys of tap water, and of the salt that a jar is packed with. */
export const WATER_KEY = usualFor('water')[0]!;
export const SALT_KEY = usualFor('salt')[0]!;
const saltRows = new Map(rows.flatMap((r) => (r.salts ?? []).map((s) => [s, r.key])));
/** Key of the row that a kind of salt is taken from. */
export const saltKey = (kind: string): string => saltRows.get(kind) ?? SALT_KEY;
/** What comes out of the tap: never bought, never counted in stock. */
export const isTapWater = (key: string): boolean => key === WATER_KEY;
