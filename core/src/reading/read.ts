import type { Ingredient } from '../matter/ingredient';
import { HARMLESS } from './harmless';
import { asked, type ReadItem } from './item';
import { itemOf, itemsOf, notKnown, OF_WHAT } from './items';
import { lineOf, lineParts, type Line, type Part } from './line';
import type { Group } from './pairing';
import { saidG } from './things';
import { FigureError } from './tokens';
import type { Kitchen } from './units';

/** A line that names nothing known. */
function nameless(line: Line): ReadItem {
  const { spans, text, kitchen } = line;
  const amounts = spans.flatMap((s) => (s.is === 'amount' ? [s.amount] : []));
  const strange = spans.flatMap((s) => (s.is === 'strange' ? [s.w] : []));
  const words = line.tokens.flatMap((t) => (t.is === 'word' ? [t.w] : []));
  if (spans.some((s) => s.is === 'share') && amounts.length === 0) return asked(text, strange.join(' '), OF_WHAT);
  const part: Part = {
    ...{ span: { is: 'name', phrase: [], from: 0, to: 0 }, index: -1, ways: amounts.map((a) => [a]), more: [] },
    ...{ first: 0, last: spans.length - 1, before: [], behind: [], aside: false },
  };
  const g = saidG(part, kitchen);
  const named = (phrase: string[]) => itemOf(line, { ...part, span: { ...part.span, phrase } }, phrase, null);
  // A piece may be the name itself ("6 cloves"); "a pound of mixed" are pods.
  const piece = amounts.find((a) => a.piece !== null && line.lexicon.has([a.piece]));
  if (strange.length === 0 && piece) return named([piece.piece!]);
  if (g !== null && strange.every((w) => w === 'mixed') && words.some((w) => w === 'mixed' || w === 'hot')) return named(['mixed', 'pod']);
  if (strange.length === 0) return asked(text, '', 'What is it? Add the name.', [], g);
  return asked(text, strange.join(' '), notKnown(strange.join(' ')), [], g);
}

/**
 * Reads one line of a recipe as people write or say it: amounts in any manner, names, what was done to them. Gives an item
 * for each thing, at least one. It never guesses between things that differ: then `ask` is set, with answers that keep the
 * amount. `own` are ingredients of the maker's, looked up before the table. Never throws; at most 300 signs are read.
 */
export function readLine(text: string, kitchen: Kitchen, own: readonly Ingredient[] = []): ReadItem[] {
  const shown = text.trim().slice(0, 300);
  let line: Line;
  try {
    line = lineOf(shown, kitchen, own);
  } catch (e) {
    if (!(e instanceof FigureError)) throw e;
    return [asked(shown, shown, e.message)];
  }
  const { parts, loose } = lineParts(line);
  if (parts.length === 0) return [nameless(line)];
  const beside = compound(line, parts);
  if (beside) return [beside];
  return [...parts.flatMap((p) => itemsOf(line, p, parts)), ...loose.flatMap((g) => lost(line, g))];
}

/** The names of a line with their items, for whoever reads more than a list. */
export const readParts = (line: Line, { parts }: { parts: readonly Part[] }): { part: Part; items: ReadItem[] }[] =>
  parts.map((part) => ({ part, items: itemsOf(line, part, parts) }));

/** An amount of something that is not known, beside things that are: it is asked, never lost. */
function lost(line: Line, g: Group): ReadItem[] {
  const { spans } = line;
  if (g.article) return [];
  const words: string[] = [];
  for (let i = g.to + 1; i < spans.length; i++) {
    const s = spans[i]!;
    if (s.is === 'strange') words.push(s.w);
    else if (s.is !== 'harmless' && s.is !== 'piece') break;
  }
  const name = words.join(' ');
  return name === '' ? [] : [asked(line.text, name, notKnown(name), [], saidG(g, line.kitchen))];
}

/** Two names with nothing between them are one thing that is not known: "garlic chilli". */
function compound(line: Line, parts: readonly Part[]): ReadItem | null {
  for (const [n, p] of parts.entries()) {
    const next = parts[n + 1];
    if (!next) continue;
    const between = line.spans.slice(p.index + 1, next.index);
    if (
      !between.every(
        (s) =>
          s.is === 'harmless' &&
          s.to - s.from === 1 &&
          HARMLESS.has(line.tokens[s.from]!.is === 'word' ? (line.tokens[s.from] as { w: string }).w : ''),
      )
    )
      continue;
    const name = [...p.span.phrase, ...next.span.phrase].join(' ');
    return asked(
      line.text,
      name,
      between.length === 0 ? notKnown(name) : 'Two things on one line? Give each an amount.',
      [],
      saidG(p, line.kitchen),
    );
  }
  return null;
}
