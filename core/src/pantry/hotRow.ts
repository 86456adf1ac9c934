import { lotSigma } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import { variety } from '../matter/variety';

/** The variety whose pods stand for an ingredient; undefined for what are no pods. */
export const varietyOfRow = (row: Pick<Ingredient, 'key' | 'like'>): string | undefined => kindOf(row).variety;

/** The same of what is pods and nothing else: what was pickled, or is a sauce, stays what it is. */
export const podsOfRow = (row: Pick<Ingredient, 'key' | 'like'>): string | undefined => (kindOf(row).parts ? undefined : varietyOfRow(row));

/** Heat of an ingredient as it is, SHU, with the log-sd of the table's range; null for what does not burn. */
export function heatOfRow(row: Pick<Ingredient, 'key' | 'like' | 'water' | 'salt'>): { shu: number; sigma: number } | null {
  const id = varietyOfRow(row);
  if (!id) return null;
  const { low, typical, high } = variety(id).shuDry;
  if (!(low > 0)) return null;
  const podPct = kindOf(row).podPct ?? 100;
  return { shu: (typical * Math.max(0, 100 - row.water - row.salt) * podPct) / 10_000, sigma: lotSigma(low, high) };
}
