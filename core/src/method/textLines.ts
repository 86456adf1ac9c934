import type { Ingredient } from '../matter/ingredient';
import { plainWords, readLine, type Kitchen, type ReadItem } from '../reading';
import { isListHeading, isMethodHeading, labelled, lineKind, startsWithAmount, type LineKind } from './lines';

/** "3. ", "Step 3 - ". */
const STEP = /^\s*(?:step\s*\d+\s*[.):,–—-]|\d+\s*[.):])\s/i;

/** A line of the text with what it is and what was read from it. */
export interface TextLine {
  text: string;
  kind: LineKind;
  group: string[];
  items: ReadItem[];
}

/** Lines with an amount that tell that the words above them are what it is called. */
const LIST_BELOW = 2;
/** The same below a first line with a comma, which may be a list itself. */
const LONG_LIST = 4;
/** A first line of a few words without an amount, above a list: what the sauce is called, though it names a pod. */
function isTitled(all: readonly string[]): boolean {
  const [first, ...below] = all.map((l) => l.trim()).filter((l) => l !== '');
  if (
    first === undefined ||
    /[;:]|\d|,.*,/.test(first) ||
    first.split(/\s+/).length > MOST_TITLE_WORDS ||
    (startsWithAmount(first) && !/^\w+-[a-z]/i.test(first))
  )
    return false;
  return (
    below.filter((l) => startsWithAmount(l) || l.split(',').length > 2).length >= (first.includes(',') ? LONG_LIST : LIST_BELOW) ||
    (!first.includes(',') && below.some((l) => l.split(',').length > 3))
  );
}
const MOST_TITLE_WORDS = 7;

/** Lines, at most. */
const MOST_LINES = 400;

/** The lines of a text, each with what it is; the things of a list are read. Never throws. */
export function textLines(
  text: string,
  kitchen: Kitchen,
  own: readonly Ingredient[],
  kitchens: Readonly<Record<string, Kitchen>> = {},
): TextLine[] {
  let inMethod = false;
  let group: string[] = [];
  let first = true;
  let numbered = false;
  const all = text.split(/\r?\n/).slice(0, MOST_LINES);
  const heads = isTitled(all);
  return all.map((line): TextLine => {
    const shown = line.trim();
    // A numbered step among numbered steps is one, whatever its verb.
    const step = numbered && STEP.test(line);
    const found = lineKind(line, inMethod || step, first);
    const kind = first && heads && found === 'thing' ? 'title' : found;
    numbered = step || (kind === 'method' && STEP.test(line));
    if (kind !== 'empty') first = false;
    if (kind === 'heading') {
      inMethod = isMethodHeading(line) || (inMethod && !isListHeading(line) && !/^for the/i.test(shown));
      group = plainWords(line);
    }
    if (kind !== 'thing') return { text: shown, kind, group, items: [] };
    const part = labelled(line);
    const items = readLine(part?.rest ?? line, kitchens[shown] ?? kitchen, own);
    return { text: shown, kind, group: part ? plainWords(part.label) : group, items };
  });
}
