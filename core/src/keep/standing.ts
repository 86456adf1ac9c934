import { addDays, daysBetween, type Day } from '../plan/date';
import { lastGoodDay, type Keeping } from './keeping';
import type { Place } from './limit';

/** In the freezer, days: quality (handbook chapter 5, section 17, row 4). */
const FREEZER_DAYS = 90;
/** What the table keeps for less than this in the fridge, or in oil, may wait in the freezer instead. */
const FREEZES_UNDER_DAYS = 8;
const OIL_ROW = 4;
/** Once thawed, days at most (common practice, no source). */
export const THAWED_DAYS = 4;

/** Where bottles stand, their last day there, and how they keep, in words. */
export interface Standing {
  place: Place | 'freezer';
  useBy: Day;
  text: string;
}

/**
 * Where what was filled on a day stands. Freezing mends nothing: what is to be thrown away, or was past its day when it was
 * frozen, stays where the table puts it; only what the table sends to the freezer gets a later day there.
 */
export function standingOf(keeping: Keeping, filledOn: Day, own?: Day, frozenOn?: Day): Standing {
  const useBy = lastGoodDay(keeping, filledOn, own);
  const table: Standing = { place: keeping.place, useBy, text: keeping.text };
  if (frozenOn === undefined || keeping.place === 'bin' || frozenOn < filledOn || frozenOn > useBy) return table;
  const waits = keeping.days < FREEZES_UNDER_DAYS || keeping.rows.includes(OIL_ROW);
  const frozen = addDays(frozenOn, FREEZER_DAYS);
  const later = own !== undefined && own < frozen ? own : frozen;
  const thawed = Math.max(1, Math.min(THAWED_DAYS, daysBetween(frozenOn, useBy)));
  return {
    place: 'freezer',
    useBy: waits && later > useBy ? later : useBy,
    text: `Freezer${waits ? ', about 3 months' : ''}. Once thawed: fridge, ${thawed === 1 ? 'a day' : `${thawed} days`} at most, and not frozen again. Leave room in the glass, or it cracks. ${keeping.reason}`,
  };
}
