import type { Ingredient } from '../matter/ingredient';
import { answered, questionKey, withUsual, type ReaderAnswers, type Kitchen, type ReadItem } from '../reading';
import { brineOfList, type SoFar } from './leavings';
import { placeLeftOver } from './leftover';
import type { ReadClause } from './mentions';
import { Placer } from './place';
import type { ReadRecipe, RecipeThing } from './recipe';
import { piecesOf, sentenceOf, sentences } from './sentences';
import { weighShares } from './shares';
import { soundStrands } from './sound';
import { Supply } from './supply';
import { textLines, type TextLine } from './textLines';
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
  const listed = brineOfList(lines);
  const things: RecipeThing[] = lines.flatMap((l) => l.items.map((i) => thingOf(i, own, l.group, false)));
  let day: number | null = null;
  const so: SoFar = { jar: false, soaked: false, cooked: false };
  const read = lines
    .filter((l) => l.kind === 'method')
    .map((l) =>
      sentences(l.text).flatMap((w) => {
        const days = w.day !== null && day !== null ? w.day - day : 0;
        day = w.day ?? day;
        return [
          ...(days > 0 ? [{ ...sentenceOf(`Leave it for ${days} days.`, reading, so), plain: '' }] : []),
          sentenceOf(w.text, reading, so),
        ];
      }),
    );
  const clauses = read.flat().flatMap((s) => s.clauses);
  const recipe = clauses.length > 0 ? recipeOf(lines, things, clauses, own, answers, listed) : null;
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
  return { lines, items: all.flatMap((t) => (t.leaving ? [] : [t.item])), recipe: recipe?.recipe ?? null };
}

function recipeOf(
  lines: readonly TextLine[],
  things: RecipeThing[],
  clauses: readonly ReadClause[],
  own: readonly Ingredient[],
  answers: ReaderAnswers,
  brineG: number | null,
) {
  const supply = new Supply(things, clauses, (m) =>
    m.items.flatMap((i) => {
      const item = answered(i, answers);
      return item ? [things.push(thingOf(withUsual(item), own, [], true)) - 1] : [];
    }),
  );
  const placer = new Placer(supply, clauses, (items) => items.map((i) => thingOf(i, own, [], true)));
  if (brineG !== null) placer.listed('brine', brineG);
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
