const KEEP = new Set(['molasses', 'allspice', 'swiss', 'its', 'less', 'plus', 'this', 'has', 'was', 'glass', 'press', 'across', 'process']);

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

const memo = new Map<string, string>();
const MOST_REMEMBERED = 4000;

/** A word without accents and possession, in small letters, singular; empty for what is no word. */
export function plain(word: string): string {
  const had = memo.get(word);
  if (had !== undefined) return had;
  const w = singular(
    word
      .normalize('NFD')
      .replace(/[\u0300-\u036f]/g, '')
      .toLowerCase()
      .replace(/'(?:s|ll|ve|re|d|m)?$/, '')
      .replace(/[^a-z]/g, ''),
  );
  if (memo.size > MOST_REMEMBERED) memo.clear();
  memo.set(word, w);
  return w;
}

const names = new Map<string, readonly string[]>();

/** Plain words of a name, singular and without accents: "Bird's-eye chillies" becomes bird eye chili. */
export function plainWords(text: string): string[] {
  let words = names.get(text);
  if (!words) {
    words = wordsOf(text);
    if (names.size > MOST_REMEMBERED) names.clear();
    names.set(text, words);
  }
  return [...words];
}

function wordsOf(text: string): string[] {
  return text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/['’`]s?\b/g, '')
    .replace(/\d+(?:[.,]\d+)?\s*%/g, ' ')
    .split(/[^a-z]+/)
    .filter(Boolean)
    .map(singular);
}
