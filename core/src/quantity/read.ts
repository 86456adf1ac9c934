import { ingredient, type Ingredient } from '../matter/ingredient';
import { acidsLike, variety } from '../matter/variety';
import { bulkDensity, weigh, type Weighed } from './grams';
import { leadAmount, type Lead, type LeadAmount } from './lead';
import { NUMBER_WORDS, QuantityError, tidy } from './parse';
import { pieceFor, tinOf } from './pieces';
import { HARMLESS, RULES, type Meaning, type Said } from './rules';
import { named, plainWords } from './words';
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
  /** It names some finished sauce: g of it, for a style that takes one from the shelf. */
  sauceG?: number;
}

type Weighable = Pick<Ingredient, 'key' | 'name' | 'pieces' | 'measure' | 'density'>;
interface Thing extends Weighable {
  store: 'larder' | 'pods';
  id: string;
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

const TAIL =
  /\b(?:plus (?:extra|more)|for (?:serving|garnish|frying|the \w+)|to (?:serve|garnish|cover|fill|top|finish)|if needed|if you like|optional|as needed)\b.*$/i;

/** "two 2-inch pieces" is four inches. */
const LENGTHS = /^(an?|one|two|three|four|[1-4])\s+(\d+(?:\.\d+)?)[\s-]*(inch|in|cm)\b/i;
/** "one 28 oz can": a count in words before the size of a package. */
const PACKS_OF = /^(an?|one|two|three|four|five|six)\s+(?=\d[\d.]*[\s-]*[a-z]+\.?[\s-]+(?:tin|can|jar|packet|pack|bag|bottle)s?\b)/i;
const countOf = (n: string) => NUMBER_WORDS[n.toLowerCase()] ?? Number(n);

/** Bullets and numbering off, typographic signs to plain ones. */
function clean(line: string): string {
  return tidy(
    line
      .replace(/^[\s]*(?:[-*•·–—▢□☐]+|\[[ x]?\]|\d+[.)](?=\s+\D*\d))\s*/, '')
      .replace(/[×✕]/g, 'x')
      .replace(/[“”"]/g, '')
      .replace(LENGTHS, (_, n: string, each: string, unit: string) => `${countOf(n) * Number(each)} ${unit}`)
      .replace(PACKS_OF, (_, n: string) => `${countOf(n)} x `)
      .replace(/(\d)\s*x\s*(?=\d)/gi, '$1 x ')
      .replace(/^(?=(?:(?:small|large|big|good|generous) )?(?:handful|bunch|pinch|knob|thumb|dash)\b)/i, '1 ')
      .replace(/^(?:about|approx(?:imately)?\.?|roughly|around|ca\.?|~)(?=[\s\d])\s*/i, '')
      // No amount at all, whatever is said of it: it is asked.
      .replace(/^(?:lots|plenty|loads|heaps|a lot|a bit|a little|some|enough)(?: of)? /i, ''),
  );
}

/** "garlic: 3 cloves", "salt 2 tsp", "limes x 2" turned to the common order. */
function amountFirst(line: string): string {
  const times = /^([a-z][^\d]*?)\s+x\s*(\d+)\s*(.*)$/i.exec(line);
  if (times) return `${times[2]} ${times[1]} ${times[3]}`.trim();
  const at = /^([a-z][^\d(]*?)\s*[:,–—-]*\s+(\d.*|a (?:pinch|handful|dash|bunch).*|half a .*)$/i.exec(line);
  if (!at || /\b(?:of|and|about|the)$/i.test(at[1]!) || Object.hasOwn(NUMBER_WORDS, at[1]!.toLowerCase())) return line;
  return `${at[2]} ${at[1]}`.replace(/^(.*?)(\s*\([^)]*\))(.*)$/, '$1$3$2');
}

interface Parts {
  lead: Lead | null;
  name: string;
  note: string;
  /** An amount in brackets: "(about 200 g)". */
  bracket: LeadAmount | null;
}

function partsOf(line: string): Parts {
  const lead = leadAmount(line);
  let rest = lead ? lead.rest : line;
  let bracket: LeadAmount | null = null;
  rest = rest.replace(/\(([^)]*)\)?/g, (_, inside: string) => {
    const found = leadAmount(inside.replace(/^(?:about|approx\.?|around|roughly|weighing|ca\.?)\s+/i, ''));
    if (found && found.amounts[0]!.unit && found.rest === '') bracket = found.amounts[0]!;
    return /^[a-z ]+$/i.test(inside) ? `, ${inside},` : ' ';
  });
  rest = rest.replace(TAIL, '').replace(/\b(?:or )?to taste\b.*$/i, '');
  // "peeled, diced squash": what is done to it may stand before its name.
  let start = 0;
  for (const cut of rest.matchAll(/[,;]|\s[-–—]\s/g)) {
    const head = rest.slice(start, cut.index);
    const after = cut.index + cut[0].length;
    const words = plainWords(head);
    if (words.every((w) => HARMLESS.has(w))) start = after;
    else return { lead, name: head.trim(), note: `${rest.slice(0, start)} ${rest.slice(after)}`.trim(), bracket };
  }
  return { lead, name: rest.slice(start).trim(), note: rest.slice(0, start).trim(), bracket };
}

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

/** A large or small pinch, dash or handful, as a factor (our judgement). */
const HAND_SIZE: Record<string, number> = { small: 0.7, little: 0.7, large: 1.4, big: 1.4 };

function weighLead(a: LeadAmount, thing: Thing, kitchen: Kitchen, words: readonly string[]): Weighed {
  const spread = a.low < a.high ? [`middle of ${a.low} to ${a.high}`] : [];
  if (a.pack) {
    const { each, word } = a.pack;
    if (each) {
      const net = weigh(each, thing, kitchen, 'g');
      return { massG: a.value * net.massG, assumed: [...spread, `the whole ${word} of ${Math.round(net.massG)} g`] };
    }
    const tin = word === 'tin' || word === 'can' ? tinOf(thing.key, kitchen) : undefined;
    if (!tin) throw new QuantityError(`How much is in one ${word} of ${thing.name.toLowerCase()}? Say its grams.`);
    return { massG: a.value * tin, assumed: [...spread, `a ${word} of ${tin} g, all of it`] };
  }
  if (a.unit) {
    const w = weigh(a, thing, kitchen, 'g');
    // "2 large pinches": the hand is larger, not a spoon.
    const by = a.unit.kind === 'hand' && a.size ? (HAND_SIZE[a.size] ?? 1) : 1;
    return { massG: by * w.massG, assumed: [...a.said, ...w.assumed, ...(by === 1 ? [] : [`${a.size}: ${by} of a usual one`])] };
  }
  const piece = pieceFor(thing, a.piece === 'piece' ? null : a.piece, a.size, words);
  if (!piece) {
    const what = a.piece ? `one ${a.piece} of ${thing.name.toLowerCase()}` : `one ${thing.name.toLowerCase()}`;
    throw new QuantityError(`How much does ${what} weigh? Say grams or spoons instead.`);
  }
  return { massG: a.value * piece.massG, assumed: [...spread, piece.assumed] };
}

/** A spoon or cup and the grams beside it may differ by so much: liquids hardly, what is cut or ground more (our judgement). */
const AGREE = { liquid: 1.3, loose: 2.2 } as const;

/** A stated weight that cannot be the stated volume: a sentence that asks which is meant; null when they agree. */
function contradicted(parts: Parts, thing: Thing, kitchen: Kitchen, words: readonly string[]): string | null {
  const [first] = parts.lead!.amounts;
  const other = parts.lead!.instead ?? parts.bracket;
  const kinds = [first!.unit?.kind, other?.unit?.kind];
  if (!other || !kinds.includes('mass') || !kinds.includes('volume')) return null;
  const a = parts.lead!.amounts.reduce((s, x) => s + weighLead(x, thing, kitchen, words).massG, 0);
  const b = weighLead(other, thing, kitchen, words).massG;
  const pours = Math.abs(bulkDensity(thing) / thing.density - 1) < 0.1;
  const apart = Math.max(a / b, b / a);
  if (!(apart > (pours ? AGREE.liquid : AGREE.loose))) return null;
  const [byVolume, byWeight] = first!.unit!.kind === 'volume' ? [a, b] : [b, a];
  return `That much ${thing.name.split(',')[0]!.toLowerCase()} by the spoon or cup weighs about ${Math.round(byVolume)} g, not ${Math.round(byWeight)} g. Keep the one that is right.`;
}

function weighAll(parts: Parts, thing: Thing, kitchen: Kitchen, words: readonly string[]): Weighed {
  const lead = parts.lead!;
  // What was weighed or poured in metric beats a piece or a cup.
  const metric = (a: LeadAmount | null) => (a && /^(g|kg|ml|l|cl|dl)$/.test(a.unit?.id ?? '') ? a : null);
  const doubt = contradicted(parts, thing, kitchen, words);
  if (doubt) throw new QuantityError(doubt);
  const weighed = metric(lead.instead) ?? metric(parts.bracket) ?? (lead.amounts[0]!.unit || lead.amounts[0]!.pack ? null : parts.bracket);
  if (weighed && !(metric(lead.amounts[0]!) && lead.amounts.length === 1)) {
    const w = weighLead(weighed, thing, kitchen, words);
    return { massG: w.massG, assumed: ['the amount in brackets or after the stroke', ...w.assumed] };
  }
  const each = lead.amounts.map((a) => weighLead(a, thing, kitchen, words));
  return { massG: each.reduce((s, w) => s + w.massG, 0), assumed: [...new Set(each.flatMap((w) => w.assumed))] };
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
const PUREED = /^(mango|pineapple|peach|blueberry|apple|pear|carrot|garlic|avocado|bell_|tomatillo)/;

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
  const parts = partsOf(amountFirst(line));
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
  const pureed = found.behind.some((w) => /^(puree|pulp|flesh)$/.test(w)) && 'id' in meaning && PUREED.test(meaning.id);
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
    const assumed = [
      ...(meaning.say ? [meaning.say] : []),
      ...(pureed ? [`${thing.name.split(',')[0]!.toLowerCase()} as a purée, without skin and stone`] : []),
      ...(others.length > 0 ? [`the first of what was said: ${first}`] : []),
      ...w.assumed,
    ];
    return { text, store: thing.store, id: thing.id, name: thing.name, massG: w.massG, assumed, ask: null };
  } catch (e) {
    if (!(e instanceof QuantityError)) throw e;
    return { ...asked(text, thing.name, e.message, []), store: thing.store, id: thing.id };
  }
}

/** "juice of 2 limes", "zest and juice of 1 lemon": the fruit's parts, as lines of their own. */
function fruitParts(line: string): string[] {
  const m =
    /^(?:the\s+)?(?:(?:finely |freshly |coarsely )?(?:grated|squeezed|strained) )?(juice|zest|rind|peel)(?:\s+(?:and|&|\+)\s+(?:the\s+)?(?:grated\s+)?(juice|zest|rind|peel))?(?:\s+(?:of|from)\s+|\s+(?=\d))(.*)$/i.exec(
      line,
    );
  if (m) {
    const rest = m[3]!.replace(/[,(].*$/, '').trim();
    const whole = /^(?:\d|half|one|two|three|four|five|six|a\b|an\b)/i.test(rest) ? rest : `1 ${rest}`;
    return [m[1]!, m[2]]
      .filter((p): p is string => p !== undefined)
      .map((p) => `${whole}, ${p.toLowerCase() === 'juice' ? 'juiced' : 'zested'}`);
  }
  const both = /^(.*\b(?:limes?|lemons?|oranges?)\b)[\s,(]+(?:grated )?(juice[d]?|zest(?:ed)?) (?:and|&) (juice[d]?|zest(?:ed)?)\)?$/i.exec(
    line,
  );
  return both ? [`${both[1]!}, ${both[2]!}`, `${both[1]!}, ${both[3]!}`] : [line];
}

/** "half a red bell pepper and half a yellow one": the second of them names the first one's kind. */
function pronouns(line: string): string[] {
  const m = /^(.+?)\s+and\s+((?:half )?(?:an?|one|two|three|\d+(?:\s*\/\s*\d+)?)\s+\w+)\s+ones?$/i.exec(line);
  if (!m) return [line];
  const noun = m[1]!.split(' ').slice(-2).join(' ');
  return [m[1]!, `${m[2]!} ${noun}`];
}

/**
 * Reads one line of a recipe as people write it: amount, unit or piece or package, and name, in the words of a kitchen.
 * Gives one item for most lines, two for "juice and zest of a lime". It never guesses between things that differ: then
 * `ask` is set. `own` are ingredients of the maker's, looked up before the table. Never throws; at most 300 signs are read.
 */
export function readLine(text: string, kitchen: Kitchen, own: readonly Ingredient[] = []): ReadItem[] {
  const shown = text.trim().slice(0, 300);
  try {
    return pronouns(clean(shown))
      .flatMap(fruitParts)
      .map((line) => readOne(shown, line, kitchen, own));
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
