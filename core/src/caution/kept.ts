import type { StoredStuff } from '../parcel';
import type { Late } from '../keep/clock';
import { daysBetween, type Day } from '../plan';
import type { Caution } from './caution';

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
      carries: true,
    },
  ];
}

const days = (n: number): string => `${n} day${n === 1 ? '' : 's'}`;

/** Stuff that was past its days before something was done that would have kept it. */
export function pastItsDays({ stood, might }: Late): Caution[] {
  return [
    {
      id: 'stood-too-long',
      guide: 'keeping',
      severity: 'danger',
      text: 'Throw it away, and do not taste it.',
      why: `It stood ${days(stood)} as it was, and might stand ${days(might)}. Heat and acid do not mend that.`,
      authority: 'our reading of common food-safety advice',
    },
  ];
}

/** Days lie between a step and the one before it: where it stood then is taken for granted, and said. */
export function stoodBefore(stood: number): Caution[] {
  if (!(stood > 0)) return [];
  return [
    {
      id: 'stood-cold',
      guide: 'keeping',
      severity: 'note',
      text: `Its days run on: it stood ${days(stood)} before this step, in the fridge and covered, as we take it.`,
      why: 'Days count from when it was cut, opened or cooked, not from the bottle.',
      authority: 'our reading of common food-safety advice',
    },
  ];
}
