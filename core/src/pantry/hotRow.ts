import { lotSigma } from '../heat';
import { kindKey, type Ingredient } from '../matter/ingredient';
import { variety } from '../matter/variety';

/**
 * Ingredient rows that burn, and the variety whose heat of the dry matter stands for each (variety table, chapter 2,
 * section 2). A row of two kinds gets the usual one of them; its lot spread covers the other.
 */
const VARIETY_OF: Record<string, string> = {
  jalapeno_green: 'jalapeno-green',
  jalapeno_red: 'jalapeno-red',
  fresno_red: 'fresno-red',
  serrano_green: 'serrano-green',
  cayenne_red: 'cayenne-red',
  thai_red: 'thai-bird',
  thai_green: 'thai-bird',
  habanero: 'habanero-orange',
  superhot: 'ghost-red',
  aji_yellow: 'aji-amarillo',
  poblano: 'poblano',
  anaheim: 'anaheim-green',
  banana_pepper: 'hungarian-wax',
  pickled_jalapeno: 'jalapeno-green',
  dried_chili_hot: 'arbol',
  dried_chili_mild: 'ancho',
  chipotle_dry: 'chipotle',
  chili_powder_pure: 'cayenne-powder',
  smoked_paprika: 'paprika-smoked',
};

/** The variety that stands for an ingredient that burns; undefined for what does not. */
export function varietyOfRow(row: Pick<Ingredient, 'key' | 'like'>): string | undefined {
  return VARIETY_OF[kindKey(row)];
}

/** Heat of an ingredient as it is, SHU, with the log-sd of the table's range; null for what does not burn. */
export function heatOfRow(row: Ingredient): { shu: number; sigma: number } | null {
  const id = varietyOfRow(row);
  if (!id) return null;
  const { low, typical, high } = variety(id).shuDry;
  return { shu: (typical * Math.max(0, 100 - row.water - row.salt)) / 100, sigma: lotSigma(low, high) };
}
