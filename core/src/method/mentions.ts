import {
  CITRUS,
  lexiconOf,
  lineParts,
  uninverted,
  readParts,
  textOf,
  wordAt,
  type Kitchen,
  type Line,
  type ReadItem,
  type Token,
} from '../reading';
import type { Ingredient } from '../matter/ingredient';
import { spansOf } from '../reading/spans';
import { branchAt } from './branch';
import type { Clause } from './clauses';
import { leavingIn, takeNote, type LeavingSaid, type SoFar } from './leavings';
import { looksIn } from './looks';
import { measuresIn, type Measures } from './measures';
import { TWO_DAYS } from './roles';
import { isClassWord } from './things';

/** A thing that a clause names. */
export interface Mention {
  phrase: string[];
  /** With an amount of its own, or asked. */
  items: ReadItem[];
  measured: boolean;
  /** "half the vinegar": so much of it, 0 to 1; null where no share was said. */
  share: number | null;
  rest: boolean;
  except: boolean;
  /** A word that names no row: it means a thing only where one is called so. */
  weak: boolean;
}

/** A clause with everything that it names and measures. */
export interface ReadClause extends Clause {
  words: string[];
  text: string;
  mentions: Mention[];
  measures: Measures;
  everything: boolean;
  rest: boolean;
  together: boolean;
  pronoun: boolean;
  apart: boolean;
  /** It is done to a part of what was divided. */
  branch: boolean;
  offHeat: boolean;
  /** The word right behind the verb. */
  next: string | null;
  /** Words of its looks: "until smooth". */
  looks: string;
  /** Brine or soaking water that goes back in. */
  left: LeavingSaid | null;
}

/** Words of a sentence that part what they stand between. */
const HELPERS = new Set(
  'is are get got was were be been go goe will should must can may over at under onto through by while then before'.split(' '),
);
const PRONOUNS = /^(?:it|them|this|that|these|those|mixture|mix|sauce|mash|paste|puree|salsa|base|liquid)$/;
/** Behind these words stands what is left out, up to the next word of where or with what. */
const LEFT_OUT: readonly RegExp[] = [/^(?:except|but|excluding)$/, /^(?:apart from|other than|save for|everything bar|all bar)$/];
const WHERE = /^(?:in|into|to|with|on|onto)$/;
/** The tokens that name what is left out: "everything apart from the vinegar in a pan". */
function leftOut(t: readonly Token[]): { from: number; to: number } | null {
  const word = (i: number) => (t[i]?.is === 'word' ? (t[i] as { w: string }).w : '');
  const at = t.findIndex((_, i) => LEFT_OUT[0]!.test(word(i)) || LEFT_OUT[1]!.test(`${word(i)} ${word(i + 1)}`));
  if (at < 0) return null;
  const from = LEFT_OUT[0]!.test(word(at)) ? at + 1 : at + 2;
  const to = t.findIndex((_, i) => i > from && WHERE.test(word(i)));
  return { from, to: to < 0 ? t.length : to };
}

/** A thing that is named, and nothing more. */
const NAMED: Omit<Mention, 'phrase'> = { items: [], measured: false, share: null, rest: false, except: false, weak: false };
const COMMA = (at: number): Token => ({ is: 'mark', text: ',', from: at, to: at, glued: false });

/** The words of a thing within a clause: its amount and its name, without the verb before them. */
function wordsOf(line: Line, first: number, last: number): string {
  const tells = (s: Line['spans'][number]) => s.is === 'name' || s.is === 'amount' || s.is === 'piece';
  const from = line.spans.findIndex((s, i) => i >= first && i <= last && tells(s));
  const to = line.spans.findLastIndex((s, i) => i >= first && i <= last && tells(s));
  return from < 0 ? '' : textOf(line, from, to).slice(0, 80);
}

/** A clause of a sentence, read. */
export function readClause(
  plain: string,
  t: readonly Token[],
  c: Clause,
  kitchen: Kitchen,
  own: readonly Ingredient[],
  so: SoFar,
): ReadClause {
  const look = looksIn(t);
  const measures = measuresIn(t, c.from, c.to);
  let branch = false;
  for (let i = c.from; i < c.to; i++) {
    const part = branchAt(t, i);
    if (!part) continue;
    branch = true;
    measures.taken.fill(true, i, Math.min(part.to, c.to));
  }
  const left = leavingIn(t, c.from, c.to, kitchen, so);
  if (left) measures.taken.fill(true, left.from, left.to);
  const kept: Token[] = [];
  for (let i = c.from; i < c.to; i++) {
    if (i === c.at) continue;
    const w = t[i]!.is === 'word' ? (t[i] as { w: string }).w : '';
    if (measures.taken[i] || look[i] || HELPERS.has(w)) {
      if (kept.at(-1)?.text !== ',') kept.push(COMMA(t[i]!.from));
    } else kept.push(t[i]!);
  }
  const lexicon = lexiconOf(own);
  const text = c.to > c.from ? plain.slice(t[c.from]!.from, t[c.to - 1]!.to) : '';
  const line: Line = { text, plain, tokens: kept, spans: uninverted(spansOf(kept, lexicon), kept, lexicon), kitchen, own, lexicon };
  const words = kept.flatMap((x) => (x.is === 'word' ? [x.w] : []));
  const has = (re: RegExp) => words.some((w) => re.test(w));
  const out = leftOut(kept);
  const isOut = (i: number) => out !== null && i >= out.from && i < out.to;
  const mentions = readParts(line, lineParts(line)).map(({ part, items }): Mention => {
    const nameAt = part.span.from;
    const before = kept.slice(Math.max(0, nameAt - 4), nameAt).flatMap((x) => (x.is === 'word' ? [x.w] : []));
    const amount = part.ways[0]?.[0];
    const share = amount && !amount.unit && !amount.piece && !amount.pack && amount.high < 1 ? amount.high : null;
    const said = wordsOf(line, part.first, part.last) || part.span.phrase.join(' ');
    return {
      phrase: part.span.phrase,
      items: items.map((i) => ({ ...i, text: said })),
      measured: part.ways.length > 0 && share === null,
      share: share !== null && (before.includes('the') || !items.some((i) => i.massG !== null && !i.ask)) ? share : null,
      rest: /\b(?:rest|remaining|remainder)\b/.test(before.join(' ')),
      except: isOut(nameAt),
      weak: false,
    };
  });
  for (const m of mentions) if (m.share === null && !m.measured && m.items.some((i) => !i.ask && i.massG !== null)) m.measured = true;
  // "the juice", "stir in the zest", where no fruit is named beside it.
  for (const s of line.spans) {
    if (s.is !== 'part' || mentions.some((m) => CITRUS.test(m.phrase.join(' ')))) continue;
    mentions.push({ ...NAMED, phrase: [s.parts[0]!], except: isOut(s.from) });
  }
  // "the roasting ingredients": those under that heading.
  kept.forEach((x, k) => {
    const of = x.is === 'word' && x.w === 'ingredient' ? kept[k - 1] : undefined;
    if (of?.is === 'word' && !/^(?:the|all|other|of|remaining|these)$/.test(of.w))
      mentions.push({ ...NAMED, phrase: [of.w, 'ingredient'], except: isOut(k) });
  });
  // "the vegetables", "spices": classes that name no row.
  for (const s of line.spans) {
    if (s.is !== 'strange' || PRONOUNS.test(s.w) || s.w === 'ingredient') continue;
    const before = kept.slice(Math.max(0, s.from - 3), s.from).flatMap((x) => (x.is === 'word' ? [x.w] : []));
    mentions.push({
      ...NAMED,
      phrase: [s.w],
      rest: before.includes('rest') || before.includes('remaining'),
      except: isOut(s.from),
      weak: !isClassWord(s.w),
    });
  }
  takeNote(so, { ...c, measures });
  // "Check each day for fermentation, 3 to 5 days."
  const ferments = c.act === 'none' && /\bferment/i.test(text) && (measures.minutes ?? 0) >= TWO_DAYS;
  // "Grill for 5 minutes with the peppers": the time is no word behind the verb.
  let behind = c.at + 1;
  while (measures.taken[behind] || (/^(?:for|at)$/.test(wordAt(t, behind) ?? '') && measures.taken[behind + 1])) behind++;
  const all = /\b(?:all|everything)\b/i.test(text);
  return {
    ...c,
    ...{ words, text, mentions, measures, branch, left },
    act: ferments ? 'ferment' : c.act,
    everything:
      words.includes('everything') ||
      (all &&
        (/\ball (?:the )?(?:ingredients|of (?:it|them)|together)\b|\b(?:it|them) all\b/i.test(text) ||
          (words.includes('all') && mentions.length === 0 && !/all over/i.test(text)))),
    rest: !branch && /\b(?:the rest|remaining ingredients|everything else|the remainder)\b/i.test(text) && !mentions.some((m) => m.rest),
    together: words.includes('together'),
    // "fish sauce" is no sauce that was made.
    pronoun: kept.some(
      (x, k) => x.is === 'word' && PRONOUNS.test(x.w) && !line.spans.some((s) => s.is === 'name' && k >= s.from && k < s.to),
    ),
    apart: has(/^(?:meanwhile|separately|separate)$/) || /\b(?:another|second|separate) (?:pan|pot|bowl|saucepan)\b/i.test(text),
    offHeat: /\boff the (?:heat|stove|hob)|from (?:the )?heat\b/i.test(text),
    next: wordAt(t, behind),
    looks: t.flatMap((x, i) => (look[i] && i >= c.from && i < c.to ? [x.text] : [])).join(' '),
  };
}
