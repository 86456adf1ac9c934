import type { Ingredient } from '../matter/ingredient';
import {
  answered,
  FigureError,
  plainSigns,
  lexiconOf,
  questionKey,
  tokensOf,
  withUsual,
  type ReaderAnswers,
  type Kitchen,
  type ReadItem,
  type Token,
} from '../reading';
import { spansOf } from '../reading/spans';
import { clausesOf, type Clause } from './clauses';
import { dayOf, labelled, unbulleted, untitled } from './lines';
import { readClause, type ReadClause } from './mentions';
import { weighShares } from './shares';
import { placeLeftOver } from './leftover';
import { Placer } from './place';
import { soundStrands } from './sound';
import { textLines, type TextLine } from './textLines';
import { Supply } from './supply';
import type { ReadRecipe, RecipeThing, Step, TextPiece } from './recipe';
import { thingOf } from './things';

/** How a text is read: the kitchen of its spoons, the maker's own rows, and what they answered and moved. */
export interface ReaderSettings {
  kitchen: Kitchen;
  own: readonly Ingredient[];
  answers?: ReaderAnswers;
  /** Another kitchen for one line, by its words. */
  kitchens?: Readonly<Record<string, Kitchen>>;
  /** Things that the maker put elsewhere: question keys, and the step by strand and index ("0.2"). */
  moves?: Readonly<Record<string, string>>;
  /** "Bottle it hot" means warm: it is not measured. */
  warm?: boolean;
}

/** A text that was read: its lines, and its method where it has one. */
export interface ReadText {
  lines: TextLine[];
  /** Every thing, of the list and of the method, with the maker's answers. */
  items: ReadItem[];
  recipe: ReadRecipe | null;
}

/** Signs of a line of a method, at most. */
const MOST_SIGNS = 4000;

/** A sentence as it is written, without what stands before it, and the day that it stands under. */
interface Written {
  text: string;
  day: number | null;
}

/** Sentences of a method: parted at full stops and semicolons that end one. */
function sentences(line: string): Written[] {
  return line
    .slice(0, MOST_SIGNS)
    .split(/(?<=[a-z)%\d°CF][.!;])\s+(?=[A-Za-z\d])/)
    .map((s): Written => {
      const bare = unbulleted(s);
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
interface Sentence {
  plain: string;
  t: Token[];
  clauses: ReadClause[];
}
function sentenceOf(sentence: string, { kitchen, own }: ReaderSettings): Sentence {
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
  return { plain, t, clauses: clauses.map((c) => readClause(plain, t, c, kitchen, own)) };
}

/** A sentence in pieces, each with the step that it was read into. */
function piecesOf({ plain, t, clauses }: Sentence, stepOf: ReadonlyMap<ReadClause, Step>): TextPiece[] {
  if (plain === '') return [];
  if (clauses.length === 0) return [{ text: plain, step: null }];
  return clauses.map((c, n) => {
    const from = n === 0 ? 0 : t[c.from]!.from;
    const next = clauses[n + 1];
    return { text: plain.slice(from, next ? t[next.from]!.from : plain.length), step: stepOf.get(c) ?? null };
  });
}

/**
 * Reads a text as it is written: its lines, and the stations of its method in the recipe's order with what goes in where. The
 * recipe is null where the text says nothing of what is done: a style places its things then. Never throws.
 */
export function readText(text: string, reading: ReaderSettings): ReadText {
  const { kitchen, own, answers = {}, kitchens, moves = {} } = reading;
  const lines = textLines(text, kitchen, own, kitchens).map((l) => ({
    ...l,
    items: l.items.flatMap((i) => answered(i, answers) ?? []).map(withUsual),
  }));
  const things: RecipeThing[] = lines.flatMap((l) => l.items.map((i) => thingOf(i, own, l.group, false)));
  let day: number | null = null;
  const read = lines
    .filter((l) => l.kind === 'method')
    .map((l) =>
      sentences(l.text).flatMap((w) => {
        const days = w.day !== null && day !== null ? w.day - day : 0;
        day = w.day ?? day;
        return [...(days > 0 ? [{ ...sentenceOf(`Leave it for ${days} days.`, reading), plain: '' }] : []), sentenceOf(w.text, reading)];
      }),
    );
  const clauses = read.flat().flatMap((s) => s.clauses);
  const recipe = clauses.length > 0 ? recipeOf(lines, things, clauses, own, answers) : null;
  if (recipe) {
    for (const [key, to] of Object.entries(moves)) moved(recipe.recipe, key, to);
    if (reading.warm) for (const s of recipe.recipe.strands.flat()) if (s.kind === 'bottle') s.warm = true;
    recipe.recipe.method = read.map((line) => line.flatMap((s) => piecesOf(s, recipe.stepOf)));
  }
  const all = recipe?.recipe.things ?? things;
  weighShares(all, recipe?.recipe ?? null);
  // A line has its things as they stand in the end; they are in its order.
  let n = 0;
  for (const l of lines) l.items = l.items.map(() => all[n++]!.item);
  return { lines, items: all.map((t) => t.item), recipe: recipe?.recipe ?? null };
}

function recipeOf(
  lines: readonly TextLine[],
  things: RecipeThing[],
  clauses: readonly ReadClause[],
  own: readonly Ingredient[],
  answers: ReaderAnswers,
) {
  const supply = new Supply(things, clauses, (m) =>
    m.items.flatMap((i) => {
      const item = answered(i, answers);
      return item ? [things.push(thingOf(withUsual(item), own, [], true)) - 1] : [];
    }),
  );
  const placer = new Placer(supply, clauses, (items) => items.map((i) => thingOf(i, own, [], true)));
  placer.run();
  if (placer.line.cur < 0) return null;
  soundStrands(
    placer.line.all.map((x) => x.steps),
    placer.line.ends,
  );
  placeLeftOver(things, placer.line.common);
  const recipe: ReadRecipe = {
    title: lines.find((l) => l.kind === 'title')?.text ?? null,
    notes: lines.filter((l) => l.kind === 'note').map((l) => l.text),
    things,
    strands: placer.line.all.map((s) => s.steps),
    method: [],
    ends: placer.line.ends,
  };
  return { recipe, stepOf: placer.stepOf };
}

/** A thing put at another step, all of it. */
function moved({ things, strands }: ReadRecipe, key: string, to: string): void {
  const i = things.findIndex((t) => questionKey(t.item) === key);
  const [strand, step] = to.split('.').map(Number);
  const target = strands[strand ?? -1]?.[step ?? -1];
  if (i < 0 || !target) return;
  for (const s of strands.flat()) s.puts = s.puts.filter((p) => p.thing !== i);
  target.puts.push({ thing: i, share: 1, late: false, ours: false });
}
