import { kindOf, type Family } from '../matter/kind';

/** Usual amounts where a recipe names none, g (handbook chapter 7, section 7: our judgement). */
const BY_FAMILY: Partial<Record<Family, number>> = {
  salt: 6,
  pepper: 1,
  sweet: 15,
  vinegar: 60,
  oil: 14,
  garlic: 12,
  citrus: 15,
  spice: 2,
  leaf: 15,
};

/** A usual amount of a row, g; null where nothing is usual. */
export const usualDose = (row: { key: string; like?: string }): number | null => BY_FAMILY[kindOf(row).family] ?? null;

/** What a jar or bottle of a row usually holds, g; null where it is not known. */
export const usualJar = (key: string): number | null => kindOf({ key }).jarG ?? null;
