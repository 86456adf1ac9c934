import type { StationLog } from '@roskel/core';

type Pot = NonNullable<StationLog['pot']>;

/** The weighings of a pot with one more, in order of time; g without the pot. */
export function withWeighing(pot: Pot, min: number, massG: number): Pot {
  const next = { id: `w${Date.now().toString(36)}`, min, massG: Math.round(massG * 10) / 10 };
  return [...pot, next].sort((a, b) => a.min - b.min);
}
