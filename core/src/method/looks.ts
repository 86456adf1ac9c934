import { markAt, wordAt, type Token } from '../reading';
import { verbForm } from './verbs';

/** Words with which a look begins: until when something is done. */
const LOOKS = new Set(['until', 'till', 'when', 'once', 'if', 'while', 'as']);
const PUTS = /^(?:pour|add|stir|tip|strain|blend|blitz|take|put|mix|fold|drain|sieve)$/;
/** Of whom it is told: behind these a verb is none of command. */
const SUBJECT = /^(?:i|you|we|they|to|and|or|can|will|the|a)$/;

/** "When the oil is at 140 pour it over": without a mark between. */
export const isPutBehindLook = (t: readonly Token[], i: number): boolean =>
  PUTS.test(wordAt(t, i) ?? '') && /^(?:it|them|the|in|over)$/.test(wordAt(t, i + 1) ?? '') && !SUBJECT.test(wordAt(t, i - 1) ?? '');

/** Tokens inside a look ("until they blister and char, …"): up to the next mark or verb of command. */
export function looksIn(t: readonly Token[]): boolean[] {
  const inside = t.map(() => false);
  for (let i = 0; i < t.length; i++) {
    const w = wordAt(t, i);
    if (inside[i] || w === null || !LOOKS.has(w)) continue;
    if (w === 'as' && wordAt(t, i + 1) !== 'soon') continue;
    for (let k = i; k < t.length; k++) {
      if (markAt(t, k) !== null && k > i) break;
      if (k > i && wordAt(t, k) === 'then') break;
      // "while they roast I warm the vinegar".
      if (k > i + 1 && /^(?:i|we)$/.test(wordAt(t, k) ?? '')) break;
      if (k > i + 1 && wordAt(t, k) === 'and' && isCommand(t, k + 1)) break;
      if (k > i + 2 && /^(?:when|once)$/.test(w) && isPutBehindLook(t, k)) break;
      inside[k] = true;
    }
  }
  return inside;
}

/** A verb in its base form behind "and" that is followed by what it does something to. */
function isCommand(t: readonly Token[], i: number): boolean {
  const token = t[i];
  const found = token?.is === 'word' ? verbForm(token.text) : undefined;
  if (!found || found.form !== 'base' || !found.verb.strong) return false;
  if (found.verb.act === 'char' || found.verb.act === 'toast' || found.verb.act === 'thicken')
    return wordAt(t, i + 1) !== null && !/^(?:all|a|on|in)$/.test(wordAt(t, i + 1)!);
  return true;
}
