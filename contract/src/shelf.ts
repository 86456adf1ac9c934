import { Type } from '@sinclair/typebox';

/** Bottles that leave the shelf, or come back. */
export const ShelfMoveSchema = Type.Object(
  {
    delta: Type.Integer({ title: 'The number of bottles', minimum: -500, maximum: 500 }),
    reason: Type.Union(['opened', 'given', 'thrown', 'undo'].map((r) => Type.Literal(r as 'opened'))),
    /** Who got them. */
    who: Type.Optional(Type.String({ title: 'To whom', maxLength: 60 })),
  },
  { additionalProperties: false },
);

/** A bottle that left the shelf or came back, newest first. */
export interface ShelfMoveLine {
  at: string;
  delta: number;
  reason: string;
  /** Who got them; empty where it was not said. */
  who: string;
  /** Who took them; null where it was not said. */
  maker: string | null;
}
