import { Type, type Static } from '@sinclair/typebox';
import { PREPARATIONS } from '../heat';
import { Id } from './parts';

const exact = { additionalProperties: false } as const;
/** Most that can be asked for of one thing, g. */
export const MOST_G = 50_000;

export const GramsSchema = Type.Number({ title: 'The amount', minimum: 0, maximum: MOST_G, unit: 'g' });
export const PercentSchema = Type.Number({ title: 'The share', exclusiveMinimum: 0, maximum: 100, unit: '%' });
/**
 * How much goes in: grams (with the words the maker used), a share of the whole outlet, or what nobody else takes. The
 * schema takes both figures, so that each is refused in its own sentence; that there is one of them is asked beside it.
 */
export const AmountSchema = Type.Union([
  Type.Object(
    {
      g: Type.Optional(GramsSchema),
      pct: Type.Optional(PercentSchema),
      words: Type.Optional(Type.String({ title: 'The amount in words', maxLength: 80 })),
    },
    exact,
  ),
  Type.Literal('rest'),
]);
export type IntakeAmount = { g: number; words?: string } | { pct: number } | 'rest';

/** Where it comes from. */
export const OriginSchema = Type.Union([
  Type.Object({ from: Type.Literal('larder'), key: Id }, exact),
  Type.Object(
    {
      from: Type.Literal('pods'),
      lotId: Id,
      prep: Type.Union(
        PREPARATIONS.map((p) => Type.Literal(p)),
        { title: 'The knife work' },
      ),
    },
    exact,
  ),
  Type.Object({ from: Type.Literal('stored'), id: Id }, exact),
  Type.Object({ from: Type.Literal('strand'), strandId: Id }, exact),
  Type.Object({ from: Type.Literal('side'), stationId: Id, side: Id }, exact),
]);
export type Origin = Static<typeof OriginSchema>;
export type OriginFrom = Origin['from'];

/** What goes into a station, besides what comes along the strand. */
export const IntakeSchema = Type.Object(
  {
    id: Id,
    origin: OriginSchema,
    amount: AmountSchema,
    /** In the last minutes, where the station's work takes time. */
    late: Type.Optional(Type.Literal(true)),
  },
  exact,
);
export interface Intake extends Omit<Static<typeof IntakeSchema>, 'amount'> {
  amount: IntakeAmount;
}

/** Grams of an amount; null where it is a share or the rest. */
export const gramsOf = (amount: IntakeAmount): number | null => (typeof amount === 'object' && 'g' in amount ? amount.g : null);

/** Two intakes of one station that are the same thing: one line each, or the maker cannot tell which is which. */
export function sameThing(a: Intake, b: Intake): boolean {
  const [x, y] = [a.origin, b.origin];
  if (x.from !== y.from || a.late !== b.late) return false;
  if (x.from === 'pods' && y.from === 'pods') return x.lotId === y.lotId;
  return JSON.stringify(x, Object.keys(x).sort()) === JSON.stringify(y, Object.keys(y).sort());
}
