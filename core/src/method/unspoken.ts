import { countAt, markAt, wordAt, type Token } from '../reading';
import type { Act } from './verbs';

const VESSEL = /^(?:jar|bottle|blender|processor|sieve|mill|cloth|pot|pan|crock)$/;
const HEATED = /^(?:pan|pot|saucepan|hob|stove|heat)$/;
const SHORT = /^(?:minute|min|hour)$/;
const LONG = /^(?:hour|day|week|month)$/;

/** What is done where no verb says it: "then into the jar", "Through a sieve", "back on the heat", "then 2 weeks in the fridge". */
export function unspoken(t: readonly Token[], i: number, going: boolean): Act | null {
  const then = wordAt(t, i) === 'then';
  const [word, next] = then ? [wordAt(t, i + 1), wordAt(t, i + 2)] : [wordAt(t, i), wordAt(t, i + 1)];
  const upTo = (re: RegExp): boolean => {
    for (let k = i + 1; k < t.length && markAt(t, k) === null; k++) if (re.test(wordAt(t, k) ?? '')) return true;
    return false;
  };
  // "It's 10 minutes in the pan", "…, 20 min on the hob".
  const said = /^(?:it|s|and|then)$/.test(wordAt(t, i - 1) ?? '') || (going && markAt(t, i - 1) === ',');
  const time = said ? countAt(t, i) : null;
  if (time && SHORT.test(wordAt(t, time.next) ?? '') && /^(?:in|on)$/.test(wordAt(t, time.next + 1) ?? ''))
    for (let k = time.next + 2; k < time.next + 5; k++) if (HEATED.test(wordAt(t, k) ?? '')) return 'simmer';
  const begins = then ? going : i === 0 || (going && markAt(t, i - 1) === ',');
  if (!begins) return null;
  if ((word === 'through' || (word === 'into' && then)) && upTo(VESSEL) && (going || t.some((x, k) => k > i && markAt(t, k) === ',')))
    return 'fill';
  if (word === 'back' && /^(?:on|onto|in|into|to)$/.test(next ?? '') && upTo(/^(?:heat|stove|hob|pan|pot)$/)) return 'simmer';
  const count = then ? countAt(t, i + 1) : null;
  return count && LONG.test(wordAt(t, count.next) ?? '') ? 'leave' : null;
}
