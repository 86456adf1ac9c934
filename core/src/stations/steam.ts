import { noGrams } from '../matter/component';
import { EMPTY, type Stream } from '../matter/stream';

/** What goes off over fire: water, with its share of acetic acid and ethanol. It carries no strong ions and no heat. */
export const steamOf = (waterG: number, aceticG = 0, ethanolG = 0): Stream => ({
  ...EMPTY,
  grams: { ...noGrams(), water: waterG, acetic: aceticG, ethanol: ethanolG },
});
