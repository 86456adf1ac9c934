export interface SaltType {
  id: string;
  name: string;
  /** g per level US tablespoon (14.787 ml): typical, low, high. */
  gPerTbsp: { typical: number; low: number; high: number };
  note: string;
}

/** Salts and what a spoon of them weighs. Source: chapter 4, section 1.2 d (from memory and judgement). Weighing beats every spoon. */
export const SALT_TYPES: readonly SaltType[] = [
  {
    id: 'fine',
    name: 'Table or pickling, fine',
    gPerTbsp: { typical: 18, low: 17, high: 19 },
    note: 'Choose one without anti-caking agent: it clouds brine.',
  },
  { id: 'fineSea', name: 'Sea salt, fine', gPerTbsp: { typical: 17, low: 15, high: 18 }, note: 'Damp salt weighs more than it seems.' },
  {
    id: 'flake',
    name: 'Coarse hollow flake',
    gPerTbsp: { typical: 9.6, low: 8.4, high: 10.5 },
    note: 'Half the weight of fine salt by the spoon.',
  },
  { id: 'dense', name: 'Coarse dense rolled', gPerTbsp: { typical: 15, low: 14, high: 16.5 }, note: 'Coarse but heavy.' },
  { id: 'rock', name: 'Pink rock salt, fine', gPerTbsp: { typical: 17, low: 15.5, high: 19 }, note: 'May leave a little grit.' },
];

const US_TBSP_ML = 14.787;
/** Level US spoons, ml (chapter 4, section 1.2 d). */
export const SALT_SPOONS_ML = { tbsp: US_TBSP_ML, tsp: 4.929 } as const;
/** What a level spoon of a salt weighs, g: typical, and the range its grain leaves open. */
export const spoonOfSalt = (salt: SaltType, spoonMl: number): { typical: number; low: number; high: number } => {
  const per = (g: number) => (g * spoonMl) / US_TBSP_ML;
  return { typical: per(salt.gPerTbsp.typical), low: per(salt.gPerTbsp.low), high: per(salt.gPerTbsp.high) };
};

/** The salt of an id; throws when there is none. */
export function saltType(id: string): SaltType {
  const found = SALT_TYPES.find((s) => s.id === id);
  if (!found) throw new RangeError(`No salt is called "${id}"`);
  return found;
}

/** Level spoons of `spoonMl` ml that weigh `massG` of a salt: typical, and the range its grain leaves open. */
export function spoonsOf(salt: SaltType, massG: number, spoonMl: number): { typical: number; low: number; high: number } {
  const per = (g: number) => massG / ((g * spoonMl) / US_TBSP_ML);
  return { typical: per(salt.gPerTbsp.typical), low: per(salt.gPerTbsp.high), high: per(salt.gPerTbsp.low) };
}
