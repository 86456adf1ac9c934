const KEEP = new Set(['molasses', 'allspice', 'swiss', 'its', 'less', 'plus', 'this']);

/** The singular of an English kitchen word: "leaves" leaf, "chillies" chili, "tomatoes" tomato, "limes" lime. */
export function singular(word: string): string {
  if (/^chill?(i|y|e|ie)(e?s)?$/.test(word)) return 'chili';
  if (word === 'pcs') return 'pc';
  if (KEEP.has(word) || word.length < 4) return word;
  return word
    .replace(/leaves$/, 'leaf')
    .replace(/([^aeiou])ies$/, '$1y')
    .replace(/(ch|sh|x|to|ngo)es$/, '$1')
    .replace(/([^su])s$/, '$1');
}
