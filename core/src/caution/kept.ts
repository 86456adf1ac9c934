import type { StoredStuff } from '../parcel';
import { daysBetween, type Day } from '../plan';
import type { Caution } from './caution';

/** Days that a sauce of something past its day is given in the fridge at most (our judgement: as one that is not sour). */
const PAST_DAYS = 3;

/** Something kept of another batch that goes in on `usedOn`, after the last day it may be used on. */
export function pastItsDay({ name, useBy }: Pick<StoredStuff, 'name' | 'useBy'>, usedOn: Day): Caution[] {
  const late = daysBetween(useBy, usedOn);
  if (late <= 0) return [];
  return [
    {
      id: 'kept-past-its-day',
      guide: 'keeping',
      severity: 'danger',
      text: `${name} is ${late} ${late === 1 ? 'day' : 'days'} past its last day by then. Unless it was frozen, throw it away and take something fresh.`,
      why: 'What was opened or poured off has met air and spoons; its days are counted from there.',
      authority: 'our reading of common food-safety advice',
      keep: { place: 'fridge', days: PAST_DAYS },
    },
  ];
}
