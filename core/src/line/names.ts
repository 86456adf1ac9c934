import type { StationEntry } from '../file';
import { stationKind } from '../stations';

/** Ids of everything from a store that a station names. */
export interface Names {
  lots: ReadonlySet<string>;
  ingredients: ReadonlySet<string>;
  stored: ReadonlySet<string>;
}

/** What a station names: what goes in there, and what it puts in itself. */
export function namesOf(entry: StationEntry): Names {
  const lots = new Set<string>();
  const ingredients = new Set<string>(stationKind(entry.kind).puts);
  const stored = new Set<string>();
  for (const { origin } of entry.intakes) {
    if (origin.from === 'pods') lots.add(origin.lotId);
    else if (origin.from === 'larder') ingredients.add(origin.key);
    else if (origin.from === 'stored') stored.add(origin.id);
  }
  return { lots, ingredients, stored };
}
