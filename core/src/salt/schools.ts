/** The ways makers state salt (chapter 4, section 1.2): of the whole jar, of the added water, of the mashed produce. */
export const SCHOOLS = ['wholeJar', 'waterOnly', 'mash'] as const;
export type School = (typeof SCHOOLS)[number];

/** What makers call them. */
export const SCHOOL_NAMES: Readonly<Record<School, string>> = {
  wholeJar: '% of the whole jar',
  waterOnly: '% of the water only',
  mash: 'dry mash, % of the pods',
};

/** A jar: grams of produce, of added water, and the produce's own water share (0 to 1). */
export interface JarMasses {
  produceG: number;
  waterG: number;
  waterShare: number;
}

/** Every percentage that the same grams of salt can be called by. Null where the school does not apply. */
export interface SaltPercents {
  /** 100 salt / added water */
  waterOnly: number | null;
  /** 100 salt / (salt + added water): true brine strength as mixed */
  brine: number | null;
  /** 100 salt / (produce + water) */
  wholeJar: number;
  /** 100 salt / produce: the mash maker's number */
  ofProduce: number;
  /** 100 salt / (salt + all water): what microbes feel */
  waterPhase: number;
}

/** Grams of salt for a percentage of a school. `pct` 0 to 40; throws RangeError for a water-only brine without water. */
export function saltGrams(school: School, pct: number, jar: JarMasses): number {
  if (school === 'mash') return (pct * jar.produceG) / 100;
  if (school === 'waterOnly') {
    if (!(jar.waterG > 0) && pct > 0) throw new RangeError('A water-only percentage needs added water');
    return (pct * jar.waterG) / 100;
  }
  return (pct * (jar.produceG + jar.waterG)) / 100;
}

/** All percentages of `saltG` grams in a jar (chapter 4, section 1.3: always by way of grams). */
export function saltPercents(saltG: number, jar: JarMasses): SaltPercents {
  const { produceG, waterG, waterShare } = jar;
  return {
    waterOnly: waterG > 0 ? (100 * saltG) / waterG : null,
    brine: waterG > 0 ? (100 * saltG) / (saltG + waterG) : null,
    wholeJar: (100 * saltG) / (produceG + waterG),
    ofProduce: (100 * saltG) / produceG,
    waterPhase: (100 * saltG) / (saltG + waterG + waterShare * produceG),
  };
}

/** A percentage restated in another school for the same jar. */
export function restate(pct: number, from: School, to: School, jar: JarMasses): number | null {
  const all = saltPercents(saltGrams(from, pct, jar), jar);
  return to === 'wholeJar' ? all.wholeJar : to === 'mash' ? all.ofProduce : all.waterOnly;
}
