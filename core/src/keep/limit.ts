/** Places from the strictest to the most lenient. */
export const PLACES = ['bin', 'fridge', 'cupboard'] as const;
export type Place = (typeof PLACES)[number];

/** The most that something allows: a place, and days there. */
export interface Limit {
  place: Place;
  days: number;
}

/** The stricter of two limits: the colder place, then the fewer days. */
export function stricter(a: Limit, b: Limit): Limit {
  const by = PLACES.indexOf(a.place) - PLACES.indexOf(b.place);
  if (by !== 0) return { place: (by < 0 ? a : b).place, days: Math.min(a.days, b.days) };
  return a.days <= b.days ? a : b;
}
