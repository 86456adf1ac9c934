import type { Caution } from './caution';

/** Whenever someone is asked to taste something hot. */
export function tastingHot(): Caution[] {
  return [
    {
      id: 'tasting-hot',
      guide: 'dilution-test',
      severity: 'danger',
      text: 'Adults only, of their own will. Not with asthma, a sore mouth or a weak stomach. Taste a little, have milk or yoghurt at hand, and stop whenever it is too much.',
      why: 'Strong capsaicin burns, can set off asthma, and numbs the tongue for up to an hour.',
      authority: 'common practice',
    },
  ];
}

/** A ladder of dilutions: what is said of tasting, and what belongs to the protocol. */
export function dilutionCautions(): Caution[] {
  return [
    ...tastingHot(),
    {
      id: 'dilution-protocol',
      guide: 'dilution-test',
      severity: 'caution',
      text: 'Gloves for whoever pours. Spit, do not swallow. One ladder a person and sitting, and no row of superhots.',
      why: 'Burning adds up: a second ladder tells nothing and hurts more.',
      authority: 'after the protocol of ISO 3513',
    },
  ];
}
