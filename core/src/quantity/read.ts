import { ingredient, type Ingredient } from '../matter/ingredient';
import { acidsLike, variety } from '../matter/variety';
import { partsOf, plainLines, type Parts } from './lineParts';
import { KNIFE, type Preparation } from '../heat';
import { QuantityError } from './parse';
import { prepSaid } from './prep';
import { kindOf, type Family } from '../matter/kind';
import { pieceFor } from './pieces';
import { HARMLESS, RULES, type Meaning, type Said } from './meanings';
import { named, plainWords } from './words';
import { weighAll, type Thing, type Weighable } from './weighParts';
import type { Kitchen } from './units';

/** One thing read from a line of a recipe. */
export interface ReadItem {
  /** The line as typed. */
  text: string;
  store: 'larder' | 'pods' | null;
  /** Ingredient key or variety id; null while it is asked. */
  id: string | null;
  name: string;
  massG: number | null;
  /** What was taken for granted, to be shown. */
  assumed: string[];
  /** What only the maker can say; each option is a line to read in place of this one. */
  ask: { ask: string; options: { say: string; line: string }[] } | null;
  /** What was done to its pods with the knife; absent where nothing was said. */
  prep?: Preparation;
  /** It names some finished sauce: g of it, for a style that takes one from the shelf. */
  sauceG?: number;
}

function thingOf(store: Thing['store'], id: string, own: readonly Ingredient[]): Thing {
  if (store === 'larder') {
    const row = own.find((r) => r.key === id) ?? ingredient(id);
    return { store, id, key: row.key, name: row.name, pieces: row.pieces, measure: row.measure, density: row.density };
  }
  const v = variety(id);
  const like = ingredient(acidsLike(v));
  return {
    store,
    id,
    key: id,
    name: v.name,
    pieces: v.pod ? { pod: v.pod.massG.typical } : {},
    measure: like.measure,
    density: like.density,
  };
}

/** More of one thing than this is a slip of the finger, g (our judgement). */
const MOST_G = 50_000;

/** Names that say no more than that it is a pepper. */
const GENERIC = /^(pepper|chili|hot pepper|hot chili|sweet pepper|red pepper|green pepper)$/;

interface Found {
  meaning: Meaning;
  phrase: string;
  /** Words not understood, before the phrase and behind it. */
  extra: string[];
  behind: string[];
}

/** What a name means: the longest phrase known in it, and the words that were not understood. */
function meaningOf(said: Said, own: readonly Ingredient[]): Found | null {
  const { words } = said;
  for (let len = Math.min(6, words.length); len > 0; len--) {
    // The last such phrase wins: the head of an English name stands at its end.
    for (let from = words.length - len; from >= 0; from--) {
      const phrase = words.slice(from, from + len);
      const meaning = phraseMeaning(phrase, said, own);
      if (!meaning) continue;
      const behind = words.slice(from + len).filter((w) => !HARMLESS.has(w));
      const extra = [...words.slice(0, from).filter((w) => !HARMLESS.has(w)), ...behind];
      return { meaning, phrase: phrase.join(' '), extra, behind };
    }
  }
  return null;
}

function phraseMeaning(phrase: readonly string[], said: Said, own: readonly Ingredient[]): Meaning | null {
  const joined = phrase.join(' ');
  const mine = own.find((r) => plainWords(r.name).join(' ') === joined);
  if (mine) return { store: 'larder', id: mine.key };
  const rule = RULES.find((r) => r.phrases.includes(joined));
  const ruled = rule?.means({ ...said, words: [...phrase] });
  if (ruled) return ruled;
  // "red jalapeño peppers" are red jalapeños, "pasilla chillies" pasillas; "garlic chilli" is no garlic.
  const kindWord = phrase.length > 1 && /^(pepper|chili)$/.test(phrase.at(-1)!);
  const bare = kindWord ? named(phrase.slice(0, -1)) : undefined;
  const hit = named(phrase) ?? (bare && (phrase.length > 2 || bare.store === 'pods') ? bare : undefined);
  if (!hit) return null;
  return { store: hit.store, id: hit.id, ...(hit.standIn ? { say: `${joined} counted as ${nameOf(hit)}` } : {}) };
}

function nameOf({ store, id }: Pick<Thing, 'store' | 'id'>): string {
  return (store === 'larder' ? ingredient(id) : variety(id)).name.toLowerCase();
}

function asked(
  text: string,
  name: string,
  ask: string,
  options: ReadItem['ask'] extends infer _ ? { say: string; line: string }[] : never,
): ReadItem {
  return { text, store: null, id: null, name, massG: null, assumed: [], ask: { ask, options } };
}

/** Fruit and vegetables whose purée is the same thing, only smooth. */
const PUREED: ReadonlySet<Family> = new Set<Family>(['fruit', 'vegetable', 'tomato', 'garlic', 'soft']);

/** A finished sauce by no name of its own; what one pours like, g/ml (our judgement). */
const SOME_SAUCE = /\b(?:hot|chil[il]i|chil[ie]|pepper|bottled|fermented|table)\s+sauce\b/i;
const SAUCE: Weighable = { key: 'sauce', name: 'Sauce', pieces: {}, measure: { cup: 0, tbsp: 0, tsp: 0 }, density: 1.03 };

/** g of some finished sauce that a line names; null when it names none, or not how much. */
function sauceIn(parts: Parts, kitchen: Kitchen): number | null {
  if (!SOME_SAUCE.test(parts.name) || !parts.lead) return null;
  try {
    return weighAll(parts, { ...SAUCE, store: 'larder', id: 'sauce' }, kitchen, []).massG;
  } catch {
    return null;
  }
}

const notKnown = (name: string) => `"${name}" is not in the tables. Add it as your own ingredient, say a near one, or leave it out.`;

/** Words beside a name that tell the piece, not the thing: "garlic cloves", "coriander stems". */
const PART_WORDS = new Set('clove head bulb stalk stick sprig leaf pod slice rib pepper chili root disc bunch stem'.split(' '));

/** Words that narrow a pepper down without naming it. */
const KINDS_SAID = new Set(['red', 'green', 'dried', 'dry', 'hot', 'fresh', 'mild', 'sweet', 'jar', 'jarred', 'pickled']);

/** `nested`: the line is one on offer, and offers nothing itself. */
function readOne(text: string, line: string, kitchen: Kitchen, own: readonly Ingredient[], nested = false): ReadItem {
  const parts = partsOf(line);
  const [first, ...others] = parts.name.split(/\s+or\s+/i);
  const nameWords = plainWords(first ?? '');
  const noteWords = plainWords(parts.note);
  const lead = /^(?:several|a few)\b/i.test(line) ? null : parts.lead;
  const unit = lead?.amounts[0]?.unit?.id ?? lead?.amounts[0]?.piece ?? null;
  // A piece may be the name itself ("2 cinnamon sticks", "3 garlic cloves").
  const words = nameWords.length > 0 ? nameWords : plainWords(lead?.amounts[0]?.piece ?? '');
  if (lead && /^%/.test(lead.rest)) return asked(text, first ?? '', 'A share of what? Say it in grams.', []);
  const said: Said = { words, kitchen, unit, all: new Set([...words, ...noteWords, ...(line.match(/to taste/i) ? ['taste'] : [])]) };
  if (words.length === 0) return asked(text, '', 'What is it? Add the name.', []);
  const found = meaningOf(said, own);
  const amountWords = lead?.words ?? '';
  const again = (say: string) => ({ say, line: `${amountWords} ${say}${parts.note ? `, ${parts.note}` : ''}`.trim() });
  const sauceG =
    found && 'id' in found.meaning && own.some((r) => r.key === (found.meaning as { id: string }).id) ? null : sauceIn(parts, kitchen);
  if (sauceG !== null) {
    const ask = `"${first}" is a sauce of its own: a style that takes a bottled sauce takes one from your shelf. Or say what is in it, line by line.`;
    return { ...asked(text, first ?? '', ask, []), sauceG };
  }
  if (!found) {
    return asked(text, first ?? '', notKnown(first || words.join(' ')), []);
  }
  const { meaning } = found;
  const strange = found.extra.filter((w) => !PART_WORDS.has(w));
  if ('ask' in meaning && GENERIC.test(found.phrase) && strange.length > 0 && !strange.some((w) => KINDS_SAID.has(w)))
    return asked(
      text,
      first ?? '',
      `"${first}" is not in the tables. Which known one is nearest? Or add it as your own.`,
      meaning.options.map(again),
    );
  if ('ask' in meaning) return asked(text, first ?? '', meaning.ask, meaning.options.map(again));
  const thing = thingOf(meaning.store, meaning.id, own);
  // "red Fresno chillies": a word of the row's own name says nothing new.
  const ownWords = plainWords(thing.name);
  const unknown = (list: string[]) => list.filter((w) => !PART_WORDS.has(w) && !ownWords.includes(w));
  // What stands behind makes it another thing: "tomato ketchup" is no tomato.
  const pureed =
    found.behind.some((w) => /^(puree|pulp|flesh)$/.test(w)) && 'id' in meaning && PUREED.has(kindOf({ key: meaning.id }).family);
  if (unknown(found.behind).filter((w) => !(pureed && /^(puree|pulp|flesh)$/.test(w))).length > 0)
    return asked(text, first ?? '', notKnown(first ?? ''), []);
  const puzzling = unknown(found.extra).filter((w) => !(pureed && /^(puree|pulp|flesh)$/.test(w)));
  // A purée has no air between the pieces: its cup weighs what its density says.
  const weighedThing: Thing = pureed ? { ...thing, measure: { cup: 0, tbsp: 0, tsp: 0 }, pieces: {} } : thing;
  if (puzzling.length > 0) {
    if (puzzling.some((w) => named([w]) !== undefined))
      return asked(text, first ?? '', 'Two things on one line? Give each a line of its own.', []);
    // A kind of pepper or chilli that is not known is none of those that are: the maker picks, or adds it.
    if (GENERIC.test(found.phrase)) {
      const kinds = RULES.find((r) => r.phrases.includes('chili'))!.means({ ...said, unit: null, words: ['chili'] });
      const options = kinds && 'ask' in kinds ? kinds.options.map(again) : [];
      return asked(text, first ?? '', `"${first}" is not in the tables. Which known one is nearest? Or add it as your own.`, options);
    }
    const near = again(thing.name.split(',')[0]!.toLowerCase());
    const answer = nested ? null : readOne(text, near.line, kitchen, own, true);
    return asked(
      text,
      first ?? '',
      `Is that the same as ${thing.name}? "${puzzling.join(' ')}" was not understood.`,
      answer?.id === thing.id && answer.massG !== null ? [near] : [],
    );
  }
  if (!lead) return asked(text, first ?? '', `How much ${thing.name.split(',')[0]!.toLowerCase()}?`, []);
  // "3 garlic cloves": the piece word stands behind the name.
  const amount = lead.amounts[0]!;
  const behind =
    found.extra.find((w) => PART_WORDS.has(w) && !['pepper', 'chili'].includes(w)) ??
    words.find((w) => ['clove', 'stick', 'leaf', 'stalk', 'head', 'sprig'].includes(w));
  if (!amount.unit && !amount.piece && !amount.pack && behind && pieceFor(thing, behind, null, [])) amount.piece = behind;
  try {
    const w = weighAll(parts, weighedThing, kitchen, words);
    if (!Number.isFinite(w.massG)) throw new QuantityError('That is not an amount.');
    if (w.massG > MOST_G) throw new QuantityError('That is more than a kitchen holds. Check the amount.');
    const isPod = thing.store === 'pods' || kindOf({ key: thing.id }).variety !== undefined;
    const prep = isPod ? prepSaid(line) : null;
    const assumed = [
      ...(meaning.say ? [meaning.say] : []),
      ...(pureed ? [`${thing.name.split(',')[0]!.toLowerCase()} as a purée, without skin and stone`] : []),
      ...(others.length > 0 ? [`the first of what was said: ${first}`] : []),
      ...w.assumed,
      // The knife is told, so that a wrong guess shows.
      ...(prep && prep !== 'whole' ? [`pods ${KNIFE[prep].name}`] : []),
    ];
    return { text, store: thing.store, id: thing.id, name: thing.name, massG: w.massG, assumed, ask: null, ...(prep ? { prep } : {}) };
  } catch (e) {
    if (!(e instanceof QuantityError)) throw e;
    return { ...asked(text, thing.name, e.message, []), store: thing.store, id: thing.id };
  }
}

/**
 * Reads one line of a recipe as people write it: amount, unit or piece or package, and name, in the words of a kitchen.
 * Gives one item for most lines, two for "juice and zest of a lime". It never guesses between things that differ: then
 * `ask` is set. `own` are ingredients of the maker's, looked up before the table. Never throws; at most 300 signs are read.
 */
export function readLine(text: string, kitchen: Kitchen, own: readonly Ingredient[] = []): ReadItem[] {
  const shown = text.trim().slice(0, 300);
  try {
    return plainLines(shown).map((line) => readOne(shown, line, kitchen, own));
  } catch (e) {
    if (!(e instanceof QuantityError)) throw e;
    return [asked(shown, shown, e.message, [])];
  }
}

/** The lines of a pasted list: no empty ones, no headings ("For the paste:"), at most 400. */
export function recipeLines(text: string): string[] {
  return text
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter((l) => l !== '' && !/^[^\d]*:$/.test(l))
    .slice(0, 400);
}

/** Reads a pasted list, line by line. */
export function readList(text: string, kitchen: Kitchen, own: readonly Ingredient[] = []): ReadItem[] {
  return recipeLines(text).flatMap((l) => readLine(l, kitchen, own));
}
