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
