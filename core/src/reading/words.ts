import { KINDS } from '../matter/kind';
import { VARIETIES, varietySaid } from '../matter/variety';
import { plainWords } from './plain';

/** An ingredient row or a variety that a phrase names. */
export interface Named {
  store: 'larder' | 'pods';
  id: string;
  phrase: string[];
  /** The row is only the nearest to what was said. */
  standIn: boolean;
}

function entries(): Named[] {
  const list: Named[] = [];
  const add = (store: Named['store'], id: string, names: readonly string[], standIn: boolean) => {
    for (const name of names) list.push({ store, id, phrase: plainWords(name), standIn });
  };
  for (const [key, { said, nearly = [] }] of KINDS) {
    add('larder', key, said, false);
    add('larder', key, nearly, true);
  }
  for (const v of VARIETIES) add('pods', v.id, varietySaid(v.id), false);
  const known = new Set(list.map((e) => e.phrase.join(' ')));
  for (const v of VARIETIES) {
    const whole = v.name.replace(/\(.*\)/, '').split(',');
    for (const words of [whole.join(' '), [...whole].reverse().join(' ')].map((w) => plainWords(w)))
      if (words.length > 1 && !known.has(words.join(' '))) list.push({ store: 'pods', id: v.id, phrase: words, standIn: false });
    const plain = v.name.replace(/\(.*\)/, '').split(/[,/]/)[0]!;
    const phrase = plainWords(plain);
    // "7-pot" would leave "pot", "bell" says no colour, and "mixed" no kind.
    const vague = phrase.length === 1 && /^(pot|bell|mixed)$/.test(phrase[0]!);
    if (phrase.length > 0 && !vague && !known.has(phrase.join(' '))) list.push({ store: 'pods', id: v.id, phrase, standIn: false });
  }
  return list;
}
const byPhrase = new Map(entries().map((e) => [e.phrase.join(' '), e]));

/** The row or variety that these plain words name exactly; undefined when none does. */
export function named(words: readonly string[]): Named | undefined {
  return byPhrase.get(words.join(' '));
}

/** Every phrase that names something. */
export const namedPhrases = (): Iterable<string> => byPhrase.keys();
