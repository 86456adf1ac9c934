import { Type, type Static } from '@sinclair/typebox';
import { Id } from '@roskel/core';

/** ms since 1970, by the clock of the server. */
const Instant = Type.Number({ title: 'The time', minimum: 0, maximum: 8.64e15 });
const Span = Type.Number({ title: 'The time it takes', minimum: 0, maximum: 30 * 86_400_000 });

/** A kitchen timer: the same on every device, and as long as it is set, whether a page is open or not. */
export const TimerSchema = Type.Object(
  {
    id: Id,
    batchId: Type.String({ maxLength: 64 }),
    /** The station, or something at it ("bottle bottles"). */
    stationId: Type.String({ maxLength: 128 }),
    name: Type.String({ title: 'What it is for', minLength: 1, maxLength: 120 }),
    /** When it ends; null while it is held. */
    endsAt: Type.Union([Instant, Type.Null()]),
    /** ms left while it is held, and ms it runs for in all. */
    leftMs: Span,
    totalMs: Span,
    /** Its time was up, and somebody ended the alarm. */
    rung: Type.Boolean(),
    /** It was taken off. Kept for a while, so that no device brings it back. */
    gone: Type.Boolean(),
    /** When it was last set, held or ended: of two devices the later one counts. */
    changedAt: Instant,
  },
  { additionalProperties: false },
);
export type Timer = Static<typeof TimerSchema>;

/** Timers, and the server's clock at the moment of the answer: each device counts by that. */
export const TimersSchema = Type.Object({ now: Instant, timers: Type.Array(TimerSchema) }, { additionalProperties: false });
export type Timers = Static<typeof TimersSchema>;
