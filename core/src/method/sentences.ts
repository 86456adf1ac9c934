import type { Ingredient } from '../matter/ingredient';
import { FigureError, lexiconOf, plainSigns, tokensOf, type Kitchen, type Token } from '../reading';
import { spansOf } from '../reading/spans';
import { clausesOf, type Clause } from './clauses';
import { dayOf, labelled, unbulleted, untitled } from './lines';
import type { SoFar } from './leavings';
import { readClause, type ReadClause } from './mentions';
import type { Step, TextPiece } from './recipe';

/** Signs of a line of a method, at most. */
const MOST_SIGNS = 4000;

/** A sentence as it is written, without what stands before it, and the day that it stands under. */
interface Written {
  text: string;
  day: number | null;
}

/** "1 Cover the pods": a step with its number alone before it. */
const NUMBERED = /^\d{1,2}\s+(?=[A-Z][a-z])/;
/** Sentences of a method: parted at full stops and semicolons that end one. */
export function sentences(line: string): Written[] {
  return line
    .slice(0, MOST_SIGNS)
    .split(/(?<=[a-z)%\d°CF][.!;])\s+(?=[A-Za-z\d])/)
    .map((s): Written => {
      const bare = unbulleted(s).replace(NUMBERED, '');
      return { day: dayOf(s), text: labelled(bare)?.rest ?? untitled(bare) ?? bare };
    })
    .filter((s) => /[a-z]/i.test(s.text));
}

function tokens(s: string): { plain: string; t: Token[] } {
  const plain = plainSigns(s);
  try {
    return { plain, t: tokensOf(plain) };
  } catch (e) {
    if (!(e instanceof FigureError)) throw e;
    return { plain, t: [] };
  }
}

/** "25 minutes on low with the lid on", "Two weeks at room temperature": a time and where it is spent, without a verb. */
const TIMED =
  /\b(?:minutes?|mins?|hours?|days?|weeks?)\b.*\b(?:low|medium|heat|lid|temperature|counter|dark|shelf)\b|^\s*(?:for\s+)?[\w-]+ (?:days?|weeks?)\b/i;
/** "Everything into the pot with 100 ml of vinegar." */
const INTO_POT = /^\W*(?:everything|all)\b.*\b(?:pot|pan|saucepan|bowl)\b/i;
/** "Takes about 25 minutes." */
const TAKES = /^\s*(?:it |this |that )?(?:takes?|will take|should take)\b.*\b(?:minutes?|mins?|hours?)\b/i;
const VESSEL = /\b(?:bottles?|blender|jars?|sieve)\b/i;

/** "Everything in the blender, then through a sieve into bottles": a clause for each vessel. */
function vessels(t: readonly Token[]): Clause[] {
  const at = t.flatMap((x, i) => (x.is === 'word' && /^(?:bottle|blender|jar|sieve|cloth|mill|processor)$/.test(x.w) ? [i] : []));
  return at.map((i, n) => ({
    stem: '',
    act: 'fill',
    from: n === 0 ? 0 : at[n - 1]! + 1,
    at: -1,
    to: n === at.length - 1 ? t.length : i + 1,
    passive: false,
  }));
}

const named = (t: readonly Token[], own: readonly Ingredient[]): boolean => spansOf(t, lexiconOf(own)).some((s) => s.is === 'name');

/** Two things and more with their amounts: a list, whatever vessel stands in it. */
const lists = (t: readonly Token[], own: readonly Ingredient[]): boolean => {
  const spans = spansOf(t, lexiconOf(own));
  return spans.filter((s) => s.is === 'amount').length >= 2 && spans.filter((s) => s.is === 'name').length >= 2;
};

/** "Ten minutes on a low heat, then the stick blender." */
function timedThen(t: readonly Token[], whole: Clause): Clause[] {
  const cut = t.findIndex((x) => x.is === 'mark' && x.text === ',');
  const then = cut < 0 ? [] : vessels(t.slice(cut)).map((c) => ({ ...c, from: c.from + cut, to: c.to + cut }));
  return then.length > 0 ? [{ ...whole, act: 'simmer', to: cut }, ...then] : vessels(t);
}

/** A sentence with its clauses; one without a verb that names a vessel is what is done with it. */
export interface Sentence {
  plain: string;
  t: Token[];
  clauses: ReadClause[];
}
export function sentenceOf(sentence: string, { kitchen, own }: { kitchen: Kitchen; own: readonly Ingredient[] }, so: SoFar): Sentence {
  const { plain, t } = tokens(sentence);
  if (t.length === 0) return { plain, t, clauses: [] };
  const found = clausesOf(t);
  const whole: Clause = { stem: '', act: 'fill', from: 0, at: -1, to: t.length, passive: false };
  // "With 300 g vinegar and the salt." is for the sentence behind it.
  const withIt = /^with\b/i.test(plain.trim());
  // Amounts without a verb are there for what comes: nothing that is named is lost.
  const things = found.length === 0 && /\d|\b(?:an?|half|one|two|three|four|five|six|eight|ten|dozen|cup|spoon)\b/i.test(plain);
  const clauses =
    found.length > 0
      ? found
      : INTO_POT.test(plain)
        ? [{ ...whole, act: 'add' as const }]
        : !named(t, own) && TAKES.test(plain)
          ? [{ ...whole, stem: 'keep', act: 'none' as const }]
          : !named(t, own) && TIMED.test(plain) && !VESSEL.test(plain)
            ? [{ ...whole, act: /\b(?:days?|weeks?|months?)\b/i.test(plain) ? ('leave' as const) : ('simmer' as const) }]
            : things && (!VESSEL.test(plain) || lists(t, own)) && !withIt
              ? [{ ...whole, act: 'have' as const }]
              : withIt
                ? [{ ...whole, act: 'add' as const }]
                : VESSEL.test(plain) && !/^\s*(?:for|makes?|fills?|yields?|enough)\b/i.test(plain)
                  ? TIMED.test(plain)
                    ? timedThen(t, whole)
                    : vessels(t)
                  : [];
  return { plain, t, clauses: clauses.map((c) => readClause(plain, t, c, kitchen, own, so)) };
}

/** A sentence in pieces, each with the step that it was read into. */
export function piecesOf({ plain, t, clauses }: Sentence, stepOf: ReadonlyMap<ReadClause, Step>): TextPiece[] {
  if (plain === '') return [];
  if (clauses.length === 0) return [{ text: plain, step: null }];
  return clauses.map((c, n) => {
    const from = n === 0 ? 0 : t[c.from]!.from;
    const next = clauses[n + 1];
    return { text: plain.slice(from, next ? t[next.from]!.from : plain.length), step: stepOf.get(c) ?? null };
  });
}
