import { ingredient, type Ingredient } from '../matter/ingredient';
import { MIXED_UNKNOWN, variety } from '../matter/variety';
import { RULES, UNKNOWN_SAID, type Meaning, type Said } from './meanings';
import { plainWords } from './plain';
import { named, namedPhrases } from './words';

/** Longest name that is looked for, words. */
export const LONGEST = 6;

/** A finished sauce by no name of its own: what the shelf has is taken for it. */
const SAUCES = new Set(
  ['hot', 'chili', 'pepper', 'bottled', 'fermented', 'table', 'hot pepper', 'hot chili', 'chili pepper'].map((w) => `${w} sauce`),
);

/** Words that say nothing of the kind of a pod, and words that say it is one of no known kind. */
const POD_LOOKS = new Set('fresh ripe small large big red green yellow orange thin long little nice own'.split(' '));
const POD_UNKNOWN = new Set(
  'hot mixed unknown garden home grown homegrown wild fiery assorted various any some random whatever'.split(' '),
);
const POD_WORDS = new Set(['chili', 'pepper', 'pod']);

/** Pods of no known kind, by their words: "hot pods", "garden chillies"; null where it is another name. */
export function unknownPods(words: readonly string[]): boolean {
  if (!POD_WORDS.has(words.at(-1) ?? '')) return false;
  const before = words.slice(0, -1);
  if (!before.every((w) => POD_LOOKS.has(w) || POD_UNKNOWN.has(w))) return false;
  return words.at(-1) === 'pod' || before.some((w) => POD_UNKNOWN.has(w));
}

const ruled = new Map(RULES.flatMap((rule) => rule.phrases.map((p) => [p, rule] as const)));
const firsts = new Set([
  ...[...ruled.keys(), ...namedPhrases(), ...SAUCES].map((p) => p.split(' ')[0]!),
  ...POD_LOOKS,
  ...POD_UNKNOWN,
  ...POD_WORDS,
]);

/** Names that can be read: those of the tables, and the maker's own before them. */
export class Lexicon {
  private readonly own: ReadonlyMap<string, string>;
  private readonly ownFirsts: ReadonlySet<string>;

  constructor(rows: readonly Ingredient[]) {
    this.own = new Map(rows.map((r) => [plainWords(r.name).join(' '), r.key]));
    this.ownFirsts = new Set([...this.own.keys()].map((n) => n.split(' ')[0]!));
  }

  begins(word: string): boolean {
    return firsts.has(word) || this.ownFirsts.has(word);
  }

  /** Whether a phrase names something, whatever it turns out to be. */
  has(words: readonly string[]): boolean {
    const joined = words.join(' ');
    return this.own.has(joined) || ruled.has(joined) || SAUCES.has(joined) || unknownPods(words) || kind(words) !== undefined;
  }

  /** What a phrase means as it is said here; null where it means nothing. */
  meaning(said: Said): Meaning | null {
    const joined = said.words.join(' ');
    const mine = this.own.get(joined);
    if (mine) return { store: 'larder', id: mine };
    if (SAUCES.has(joined)) return { sauce: true };
    if (unknownPods(said.words)) return { store: 'pods', id: MIXED_UNKNOWN.id, say: UNKNOWN_SAID };
    const found = ruled.get(joined)?.means(said) ?? null;
    if (found) return found;
    const hit = kind(said.words);
    if (!hit) return null;
    return { store: hit.store, id: hit.id, ...(hit.standIn ? { say: `${joined} counted as ${nameOf(hit).toLowerCase()}` } : {}) };
  }
}

/** "red jalapeño peppers" are red jalapeños, "pasilla chillies" pasillas; "garlic chilli" is no garlic. */
function kind(words: readonly string[]) {
  const hit = named(words);
  if (hit || words.length < 2) return hit;
  // "chiles guajillo" are guajillos.
  if (words[0] === 'chili') {
    const turned = named(words.slice(1));
    return turned?.store === 'pods' ? turned : undefined;
  }
  if (!/^(pepper|chili|pod)$/.test(words.at(-1)!)) return undefined;
  const bare = named(words.slice(0, -1));
  return bare && (words.length > 2 || bare.store === 'pods') ? bare : undefined;
}

const nameOf = ({ store, id }: { store: 'larder' | 'pods'; id: string }): string =>
  (store === 'larder' ? ingredient(id) : variety(id)).name;

const lexicons = new WeakMap<readonly Ingredient[], Lexicon>();
/** The names of the tables and of these rows of the maker's. */
export function lexiconOf(own: readonly Ingredient[]): Lexicon {
  const had = lexicons.get(own);
  if (had) return had;
  const made = new Lexicon(own);
  lexicons.set(own, made);
  return made;
}
