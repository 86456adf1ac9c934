/** Flavour words of the house, and which words of the tables stand for each. */
export const FLAVOURS = {
  fruity: 'fruity apricot tropical peach cherry passionfruit berry plum apple raisin',
  citrus: 'citrus lemony lime',
  floral: 'floral perfumed fragrant aromatic',
  sweet: 'sweet plush round soft',
  grassy: 'grassy green crisp celery-like hay',
  smoky: 'smoky lightly toasted toasty tobacco oaky roasty smoky-sweet',
  earthy: 'earthy nutty woody herbal deep',
  dark: 'chocolate cocoa prune licorice raisin dried-fruit wine-like tea-like',
  sharp: 'sharp clean direct peppery quick bright tangy searing pungent',
} as const;
export type Flavour = keyof typeof FLAVOURS;
export const FLAVOUR_WORDS = Object.keys(FLAVOURS) as Flavour[];

const wordsOf = Object.fromEntries(FLAVOUR_WORDS.map((f) => [f, new Set(FLAVOURS[f].split(' '))])) as Record<Flavour, Set<string>>;

/** Flavours of a list of words: the first word of a variety counts most. */
export function flavoursOf(words: readonly string[]): Partial<Record<Flavour, number>> {
  const out: Partial<Record<Flavour, number>> = {};
  words.forEach((phrase, i) => {
    const weight = i === 0 ? 1 : i === 1 ? 0.8 : 0.6;
    for (const f of FLAVOUR_WORDS) {
      const hit = phrase.split(' ').some((w) => wordsOf[f].has(w));
      if (hit) out[f] = Math.max(out[f] ?? 0, weight);
    }
  });
  return out;
}

/** Flavours that larder rows bring (our judgement). */
export const LARDER_FLAVOURS: Record<string, Partial<Record<Flavour, number>>> = {
  mango_ripe: { fruity: 1, sweet: 0.6 },
  pineapple: { fruity: 1, citrus: 0.3 },
  peach: { fruity: 1, floral: 0.4 },
  blueberry: { fruity: 1, dark: 0.4 },
  apple: { fruity: 0.8 },
  pear: { fruity: 0.8, sweet: 0.4 },
  orange_juice: { citrus: 1, fruity: 0.6 },
  lime_juice: { citrus: 1 },
  lemon_juice: { citrus: 1 },
  calamansi_juice: { citrus: 1 },
  lime_zest: { citrus: 1 },
  lemongrass: { citrus: 0.8, floral: 0.4 },
  makrut_leaf: { citrus: 1, floral: 0.6 },
  carrot: { sweet: 0.6, earthy: 0.4 },
  smoked_paprika: { smoky: 1 },
  liquid_smoke: { smoky: 1 },
  chipotle_dry: { smoky: 1, dark: 0.6 },
  cumin_ground: { earthy: 1 },
  ginger_ground: { earthy: 0.5 },
  turmeric_ground: { earthy: 1 },
  cilantro: { grassy: 0.8 },
  tomatillo: { citrus: 0.5, grassy: 0.6 },
  molasses: { dark: 1 },
  ginger: { sharp: 0.8, citrus: 0.4 },
  honey: { sweet: 1, floral: 0.5 },
};
