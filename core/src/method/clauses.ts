import { amountAt, markAt, wordAt, type Token } from '../reading';
import { branchAt, cutsOf } from './branch';
import { isPutBehindLook, looksIn } from './looks';
import { unspoken } from './unspoken';
import { verbForm, type Act } from './verbs';

/** One thing that is done: a verb with what is said before and behind it; `from` and `to` are tokens. */
export interface Clause {
  stem: string;
  act: Act;
  from: number;
  /** Where the verb stands; -1 where only a vessel says what is done. */
  at: number;
  to: number;
  /** What was said before the verb is what it is done to: "the chillies are fried". */
  passive: boolean;
}

/** Nouns where these stand behind. */
const NOUN_BEFORE = new Set(['of', 'is', 'are', 'and']);
/** Words behind which a verb is no verb: "the blend", "a boil", "dry roast". */
const NOUN_AFTER = new Set('the a an your this that of my our to-a hot dry its their some same no any with in from for'.split(' '));
/** Behind these a verb in its base form is one. */
const COMMANDS = new Set(
  'then and now next first finally so right also i we you they to let it them or again meanwhile afterwards lastly after that later just gently slowly quickly thoroughly'.split(
    ' ',
  ),
);
const AMBIGUOUS = new Set(
  'salt juice can jar core stem skin peel process strain press season bottle steep cover brine drain rest set cut label date use taste ground start sweat mash line stew crush heat cool blend roast warm turn stand trim'.split(
    ' ',
  ),
);
const BE = new Set('is are get gets got was were'.split(' '));

/** "leave it in the jar to ferment": so many tokens before a verb its "leave" may stand. */
const NEAR = 12;

/** A sentence may begin with where it is done. */
const PLACE = /^(?:in|on|using|under|into|over)$/;

function counts(t: readonly Token[], i: number, spoken: boolean, first: boolean): { stem: string; act: Act; passive: boolean } | null {
  const token = t[i]!;
  if (token.is !== 'word') return null;
  const found = verbForm(token.text);
  if (!found) return null;
  const { stem, form, verb } = found;
  const yes = (passive = false) => ({ stem, act: verb.act, passive });
  const before = i === 0 ? null : wordAt(t, i - 1);
  const beforeMark = i === 0 || markAt(t, i - 1) !== null;
  const next = wordAt(t, i + 1);
  const lowerBefore = before ?? '';
  if (form === 'base') {
    // "To one half add …", "into the first blend …".
    if (verb.strong && [1, 2, 3].some((k) => i >= k && branchAt(t, i - k)?.to === i)) return yes();
    if (
      next !== null &&
      NOUN_BEFORE.has(next) &&
      AMBIGUOUS.has(stem) &&
      !((beforeMark || /^(?:then|and)$/.test(lowerBefore)) && next === 'and')
    )
      return null;
    if (stem === 'go' && /^(?:in|into|back|through)$/.test(next ?? '')) return yes(true);
    if (
      AMBIGUOUS.has(stem) &&
      (next === null || t[i + 1]?.is === 'figure') &&
      !beforeMark &&
      !/^(?:then|and|also|next|now|i|we|to|let|dry)$/.test(lowerBefore)
    )
      return null;
    if (stem === 'fish' && next !== 'out') return null;
    // "stick cinnamon".
    if (stem === 'stick' && !/^(?:it|them|this|that|the|all|everything)$/.test(next ?? '')) return null;
    // "quarter cup of vinegar".
    if (stem === 'quarter' && amountAt(t, i)?.unit) return null;
    // "4 % brine".
    if (stem === 'brine' && markAt(t, i - 1) === '%') return null;
    if (stem === 'salt' && !(beforeMark && next === 'the')) return null;
    // "the onion, cut in wedges": how it is, where something is done to it already.
    if (stem === 'cut' && markAt(t, i - 1) === ',' && /^in(?:to)?$/.test(next ?? '') && !first) return null;
    if (beforeMark) return stem === 'juice' ? null : yes();
    // "dry-fry the garlic": in a pan without oil.
    if (lowerBefore === 'dry' && /^(?:fry|roast|toast)$/.test(stem) && (next !== null || t[i + 1]?.is === 'figure'))
      return { ...yes(), act: stem === 'toast' ? 'toast' : 'char' };
    // "In the same pan char the tomatoes".
    if (
      first &&
      verb.strong &&
      verb.act !== 'none' &&
      !AMBIGUOUS.has(stem) &&
      PLACE.test(wordAt(t, 0) ?? '') &&
      (next !== null || t[i + 1]?.is === 'figure') &&
      !NOUN_AFTER.has(lowerBefore)
    )
      return yes();
    if (first && isPutBehindLook(t, i) && /^(?:when|once)$/.test(wordAt(t, 0) ?? '')) return yes();
    // "let that bubble away".
    if (verb.strong && verb.act !== 'none' && t.slice(Math.max(0, i - 3), i).some((x) => x.is === 'word' && x.w === 'let')) return yes();
    // "After that blend with …".
    const afterThat = lowerBefore === 'that' && wordAt(t, i - 2) === 'after';
    if (NOUN_AFTER.has(lowerBefore) && !afterThat) return null;
    if (COMMANDS.has(lowerBefore) || /ly$/.test((t[i - 1] as { text: string }).text)) {
      if (
        lowerBefore === 'to' &&
        !(wordAt(t, 0) === 'use' && verb.strong) &&
        !/^(?:continue|continuing|start|begin|leave|left)$/.test(i > 1 ? (wordAt(t, i - 2) ?? '') : '') &&
        stem !== 'ferment' &&
        stem !== 'stand' &&
        stem !== 'steep' &&
        stem !== 'cool' &&
        stem !== 'soak' &&
        stem !== 'drain' &&
        stem !== 'rest' &&
        stem !== 'marinate'
      )
        return null;
      return yes();
    }
    // "leave it in the jar to ferment"; "let the pot cool".
    return (verb.act === 'rest' || verb.act === 'ferment') &&
      t.slice(Math.max(0, i - NEAR), i).some((x) => x.is === 'word' && /^(?:let|leave)$/.test(x.w))
      ? yes()
      : null;
  }
  if (form === 'third')
    return /^(?:it|she|he|that|everything|and|this|all)$/.test(lowerBefore) || (stem === 'go' && !beforeMark)
      ? yes(true)
      : stem === 'go'
        ? yes(true)
        : null;
  if (form === 'past') {
    if (stem === 'grind' && !/^(?:i|we|she|he|they)$/.test(lowerBefore)) return null;
    if (BE.has(lowerBefore)) return yes(true);
    if (/^(?:i|we|she|he|they)$/.test(lowerBefore)) return yes();
    if (spoken && beforeNoun(t, i)) return yes(true);
    if (spoken && (lowerBefore === 'and' || lowerBefore === 'then' || beforeMark) && (stem !== 'leave' || next !== 'over')) return yes();
    return null;
  }
  if (before === 'before' && verb.act === 'bowl') return yes();
  // "…, reserving the brine", "blend, adding the juice".
  if (beforeMark && i > 0 && (verb.act === 'reserve' || stem === 'add' || stem === 'keep')) return yes();
  return before === 'by' || (before === null && i === 0) || (/^(?:then|keep|start|begin|continue)$/.test(lowerBefore) && form === 'ing')
    ? yes()
    : null;
}

/** "guajillos toasted for a minute": a past form behind its thing, with how long or in what. */
const beforeNoun = (t: readonly Token[], i: number): boolean => {
  const next = wordAt(t, i + 1) ?? '';
  const second = t[i + 2];
  // "boiled and cooled".
  if (next === 'and' && second?.is === 'word') return verbForm(second.text)?.form === 'past';
  return /^(?:for|in|with|until|under|over|at|whole|together|down)$/.test(next);
};

/** Whether a sentence tells what was done without a teller: past forms, and no command. */
function tellsByPast(t: readonly Token[]): boolean {
  const forms = t.flatMap((x, i) => {
    const found = x.is === 'word' ? verbForm(x.text) : undefined;
    return found?.verb.strong && (found.form === 'past' || counts(t, i, false, false)) ? [found.form] : [];
  });
  const how = t.filter((x, i) => {
    const found = x.is === 'word' ? verbForm(x.text) : undefined;
    if (found?.form !== 'past') return false;
    // "…, blitzed together, jarred": behind a mark it is done to all of it.
    const behind = markAt(t, i - 1) === ',' || /^(?:and|then)$/.test(wordAt(t, i - 1) ?? '');
    return beforeNoun(t, i) || (behind && found.verb.strong && found.verb.act !== 'prep');
  }).length;
  return how >= 2 && forms.every((f) => f === 'past') && t.some((x) => x.is === 'figure');
}

/** Pronouns of those who tell what they did: after them, past forms are commands too. */
const TELLERS = new Set(['i', 'we', 'she', 'he', 'they']);

/** The clauses of a sentence, in its order; tokens that no clause has belong to the first. */
export function clausesOf(t: readonly Token[]): Clause[] {
  const look = looksIn(t);
  const clauses: Clause[] = [];
  let told = tellsByPast(t);
  for (let i = 0; i < t.length; i++) {
    if (TELLERS.has(wordAt(t, i) ?? '')) told = true;
    if (look[i]) continue;
    const bare = unspoken(t, i, clauses.length > 0);
    if (bare) {
      clauses.push({ stem: '', act: bare, from: i, at: i + 1, to: t.length, passive: false });
      continue;
    }
    const found = counts(t, i, told, clauses.length === 0);
    if (!found) continue;
    // "gets boiled, drained and blended".
    told ||= found.passive;
    // "bring to a simmer", "let it bubble", "leave to cool": the second verb says more.
    const last = clauses.at(-1);
    const close =
      last && i - last.at <= 3 && !t.slice(last.at + 1, i).some((x) => x.is === 'mark' || (x.is === 'word' && /^(?:and|then)$/.test(x.w)));
    if (last && close && /^(?:let|leave|start|begin|keep|go|put|help)$/.test(last.stem)) {
      clauses[clauses.length - 1] = { ...last, stem: found.stem, act: found.act, at: i };
      continue;
    }
    clauses.push({ ...found, from: i, at: i, to: t.length });
  }
  // What stands before a verb that is done to it belongs to it: back to the last mark or "then".
  clauses.forEach((c, n) => {
    const floor = n === 0 ? 0 : clauses[n - 1]!.at + 1;
    if (n === 0) c.from = 0;
    else if (c.passive && !/^(?:and|then)$/.test(wordAt(t, c.at - 1) ?? '')) {
      let from = c.at;
      while (from > floor && !/^(?:then|so)$/.test(wordAt(t, from - 1) ?? '') && !/^[,;:]$/.test(markAt(t, from - 1) ?? '')) from--;
      c.from = from;
    }
    if (n > 0) clauses[n - 1]!.to = c.from;
  });
  return clauses.flatMap((c) => parted(t, c));
}

/** "Mix one half with basil and the other with mint": the same is done to each part. */
function parted(t: readonly Token[], c: Clause): Clause[] {
  const cuts = cutsOf(t, c.from, c.to);
  return [c.from, ...cuts].map((from, n) => ({ ...c, from, at: n === 0 ? c.at : -1, to: cuts[n] ?? c.to }));
}
