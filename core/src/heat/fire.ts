/** What is done to pods over fire or in water before they go on. */
export const FIRES = ['none', 'char', 'roast', 'soak'] as const;
export type Fire = (typeof FIRES)[number];

interface FireFacts {
  name: string;
  /** Share of the heat load kept, with the honest range (chapter 2, section 3.3). */
  heat: { typical: number; low: number; high: number };
  /** Share of the pod's water driven off (our judgement). */
  dries: number;
  /** g of water taken up per g of pod (our judgement). */
  soaks: number;
  /** Only for these forms. */
  forms: readonly string[];
  note: string;
}

/**
 * Char and roast: 0.95, literature 0.7 to 1.1 (Ornelas-Paz et al. 2010, from memory). Soaking water that is poured off
 * carries next to nothing: 0.99, 0.95 to 1.0 (solubility bound, Turgut et al. 2004, from memory).
 */
export const FIRE: Record<Fire, FireFacts> = {
  none: { name: 'raw', heat: { typical: 1, low: 1, high: 1 }, dries: 0, soaks: 0, forms: [], note: '' },
  char: {
    name: 'charred',
    heat: { typical: 0.95, low: 0.7, high: 1.1 },
    dries: 0.1,
    soaks: 0,
    forms: ['fresh', 'frozen'],
    note: 'Char in a dry pan or under the grill, 7 to 8 minutes, until blistered in places. Open a window: the fumes bite.',
  },
  roast: {
    name: 'roasted',
    heat: { typical: 0.95, low: 0.7, high: 1.1 },
    dries: 0.25,
    soaks: 0,
    forms: ['fresh', 'frozen', 'dried'],
    note: 'Dried pods need half a minute a side in a dry pan, fresh ones 20 minutes in the oven. Black means bitter.',
  },
  soak: {
    name: 'soaked',
    heat: { typical: 0.99, low: 0.95, high: 1 },
    dries: 0,
    soaks: 1.8,
    forms: ['dried', 'flakes'],
    note: 'Cover with hot water for 5 to 30 minutes and pour it off. The water takes colour and bitterness, hardly any heat.',
  },
};

/** Log-sd of the heat that a fire leaves. */
export function fireSd(fire: Fire): number {
  const { low, high } = FIRE[fire].heat;
  return Math.log(high / low) / 3.2897;
}

/** Fires that make sense for a form of pod. */
export function firesFor(form: string): Fire[] {
  return FIRES.filter((f) => f === 'none' || FIRE[f].forms.includes(form));
}
