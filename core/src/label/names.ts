import type { Ingredient } from '../matter/ingredient';
import { KINDS } from '../matter/kind';
import { variety } from '../matter/variety';
import type { PodLot } from '../pantry';

/** A word of an ingredient, and whether it names an allergen. */
export interface Part {
  name: string;
  strong: boolean;
}

/** A word of a list of parts: a star marks what must stand out. */
const partOf = (p: string): Part => ({ name: p.replace(/^\*/, ''), strong: p.startsWith('*') });

/** Parts of a row of the table that is itself made of things; empty for a plain one, and for an own one: its packet tells. */
export const partsOf = (row: Pick<Ingredient, 'key'>): Part[] => (KINDS.get(row.key)?.parts ?? []).map(partOf);

/** What stations make and hand on, as a list calls it. */
const MADE: Record<string, { name: string; parts: readonly string[] }> = {
  pan: { name: 'cooking liquid', parts: [] },
  'chili-oil': { name: 'chilli oil', parts: ['oil', 'chilli'] },
};
/** The name and parts of something that was made on the way; as it is called where nothing better is known. */
export function madeName(id: string, name: string): { name: string; parts: Part[] } {
  const known = MADE[id];
  return known ? { name: known.name, parts: known.parts.map((p) => ({ name: p, strong: false })) } : { name, parts: [] };
}

const first = (name: string) => name.split(/[,/(]/)[0]!.trim();

/** What a row is called in a list of ingredients. */
export function rowName(row: Pick<Ingredient, 'key' | 'name'>): string {
  const kind = KINDS.get(row.key);
  // Own rows are what their maker says, whatever they were copied from.
  if (!kind) return row.name.trim().toLowerCase();
  if (kind.label !== undefined) return kind.label;
  const [head, second] = row.name.split(',').map((x) => x.trim());
  // "Chili, jalapeno, green, fresh": the kind stands second.
  if (/^(chili|pepper)$/i.test(head!) && second) return `${second.toLowerCase()} ${head!.toLowerCase()}`;
  return first(row.name).toLowerCase();
}

/** What pods are called: by their variety, whatever the lot is called at home. */
export function podName(lot: PodLot): string {
  let name: string;
  try {
    name = first(variety(lot.varietyId).name);
  } catch {
    name = lot.name;
  }
  const what = lot.form === 'dried' || lot.form === 'flakes' ? 'dried chilli' : lot.form === 'powder' ? 'chilli powder' : 'chilli';
  return /sweet|bell|pointed/i.test(name)
    ? `${name.toLowerCase()} pepper`.replace(/pepper pepper$/, 'pepper')
    : `${name.toLowerCase()} ${what}`;
}
